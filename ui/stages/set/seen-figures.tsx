import type { PlanOfRoom } from '@/core/model/floor-plan'
import type { Seen, Thing } from '@/core/setup'
import type { Tape } from '../../rooms/use-room-plan'
import { useSay } from '../../words/use-say'

const percent = (share: number) => `${Math.round(share * 100)} %`

/** What it sees, in figures; and by name what it does not. */
export function SeenFigures({
  seen,
  plan,
  nameOf,
  tape,
}: {
  seen: Seen
  plan: PlanOfRoom
  nameOf: (thing: Thing) => string
  tape: Tape
}) {
  const say = useSay()
  const doors = seen.doors.flatMap((is, at) =>
    is === null ? [] : [{ is, name: nameOf({ kind: 'opening', at }) }],
  )
  const seats = seen.seats.map((is, at) => ({ is, name: nameOf({ kind: 'seat', at }) }))
  const spots = [...doors, ...seats]
  const missed = spots.filter(({ is }) => !is).map(({ name }) => name)
  const hot = seen.heat.flatMap((is, at) => (is ? [nameOf({ kind: 'heat', at })] : []))
  return (
    <>
      <dl className="grid grid-cols-2 gap-2 sm:grid-cols-4">
        <Figure name={say`Floor, walking`} says={percent(seen.share.walking)} />
        <Figure name={say`Floor, a hand moved`} says={percent(seen.share.small)} />
        <Figure name={say`Doors and seats`} says={say`${spots.length - missed.length} of ${spots.length}`} />
        {seen.passages.map(({ opening, metres }) => (
          <Figure
            key={opening}
            name={say`Passage beyond ${nameOf({ kind: 'opening', at: opening })}`}
            says={
              metres.open - metres.usually > 0.05
                ? say`${tape.words(metres.usually)}; ${tape.words(metres.open)} with doors open`
                : tape.words(metres.usually)
            }
          />
        ))}
      </dl>
      {(missed.length > 0 || hot.length > 0) && (
        <ul className="list-disc pl-5">
          {missed.length > 0 && <li>{say`Not seen: ${missed.join(', ')}`}</li>}
          {hot.length > 0 && <li>{say`Warmth is seen: ${hot.join(', ')}. It can turn the light on.`}</li>}
        </ul>
      )}
      {plan.openings.length + plan.seats.length === 0 && (
        <p className="text-soft">{say`The plan has no door and no seat yet: it is judged by the floor alone.`}</p>
      )}
    </>
  )
}

function Figure({ name, says }: { name: string; says: string }) {
  return (
    <div className="rounded-lg border border-rule p-2">
      <dt className="text-sm text-soft">{name}</dt>
      <dd className="text-lg font-bold tabular-nums">{says}</dd>
    </div>
  )
}
