import { Link } from '../../job/link'
import { PROPERTIES, type Counterexample } from '@/core/prove'
import { useSay } from '../../words/use-say'

/** Which properties a plan breaks, in their own sentences; fetched when there is one to say. */
export function Refutation({
  counterexamples,
  href,
}: {
  counterexamples: readonly Counterexample[]
  /** Where they can be played on the drawing. */
  href: string
}) {
  const say = useSay()

  return (
    <div role="status" className="hazard bg-sheet p-3">
      <p className="font-bold">{say`Not proven: this plan breaks ${say.count(counterexamples.length, 'one rule', '# rules')}`}</p>
      <ul className="flex flex-col gap-1">
        {counterexamples.map(each => (
          <li key={each.property}>
            <strong>{say(PROPERTIES[each.property])}</strong> {each.says}
          </li>
        ))}
      </ul>
      <Link
        href={href}
        className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
      >{say`See them happen on the drawing`}</Link>
    </div>
  )
}
