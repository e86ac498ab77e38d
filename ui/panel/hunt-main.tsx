import type { BoxView } from '@/core/job/box-view'
import type { BreakerShows } from '@/core/model/vocabulary'
import { directoryOf, type Hunt } from '@/core/panel'
import { Button } from '../primitives/button'
import { Part } from '../primitives/titled-part'
import { capital } from '@/core/words/capital'
import { wentDark } from './hunt-words'
import { useSay } from '../words/use-say'

/** The last resort: the main switch, with all that goes dark; and what it means where even that does not help. */
export function HuntMain({
  view,
  hunt,
  seen,
  onTake,
}: {
  view: BoxView
  hunt: Hunt
  seen: string
  onTake: (shows: BreakerShows) => void
}) {
  const say = useSay()

  if (hunt.fedFromElsewhere)
    return (
      <Part next="fed-from-elsewhere" title={say`Stop: it is fed from elsewhere`}>
        <p className="hazard bg-paper px-3 py-2 font-semibold">{say`${capital(seen)} stayed on with the main switch off. Another panel, a neighbor’s supply, a battery or a generator feeds it. Touch nothing; get help.`}</p>
      </Part>
    )
  return (
    <Part next="main" title={say`The main switch is left`}>
      <p>{say`No breaker that is listed made it dark. Is one missing from the list? Add it on the page of the panel first. Otherwise switch off the main switch: all of this goes dark.`}</p>
      <ul className="hazard bg-paper px-3 py-2">
        {directoryOf(view.record).map(({ circuit, says }) => (
          <li key={circuit.id}>
            <strong className="tabular-nums">{circuit.breaker}</strong> {says ?? circuit.label}
            {circuit.note && <span className="text-soft"> · {circuit.note}</span>}
          </li>
        ))}
      </ul>
      <div className="grid grid-cols-2 gap-2">
        <Button look="main" className="min-h-16 !text-center text-lg" onClick={() => onTake('went-dark')}>
          {capital(wentDark(say, seen))}
        </Button>
        <Button
          look="main"
          className="min-h-16 !text-center text-lg"
          onClick={() => onTake('stayed-lit')}
        >{say`It stayed on`}</Button>
      </div>
    </Part>
  )
}
