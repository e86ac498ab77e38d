import Link from 'next/link'
import { PROPERTIES, type Counterexample } from '@/core/prove'

/** Which properties a plan breaks, in their own sentences; fetched when there is one to say. */
export function Refutation({
  counterexamples,
  href,
}: {
  counterexamples: readonly Counterexample[]
  /** Where they can be played on the drawing. */
  href: string
}) {
  return (
    <div role="status" className="hazard bg-sheet p-3">
      <p className="font-bold">
        Not proven: this plan breaks{' '}
        {counterexamples.length === 1 ? 'one rule' : `${counterexamples.length} rules`}
      </p>
      <ul className="flex flex-col gap-1">
        {counterexamples.map(each => (
          <li key={each.property}>
            <strong>{PROPERTIES[each.property]}</strong> {each.says}
          </li>
        ))}
      </ul>
      <Link
        href={href}
        className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
      >
        See them happen on the drawing
      </Link>
    </div>
  )
}
