import { PROPERTIES, type Counterexample } from '@/core/prove'

/** Which properties a plan breaks, in their own sentences; fetched when there is one to say. */
export function Refutation({ counterexamples }: { counterexamples: readonly Counterexample[] }) {
  return (
    <div role="status" className="hazard bg-sheet p-3">
      <p className="font-bold">Not proven: this plan breaks {counterexamples.length} rule(s)</p>
      <ul className="flex flex-col gap-1">
        {counterexamples.map(each => (
          <li key={each.property}>
            <strong>{PROPERTIES[each.property]}</strong> {each.says}
          </li>
        ))}
      </ul>
    </div>
  )
}
