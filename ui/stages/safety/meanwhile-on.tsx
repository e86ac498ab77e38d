import type { BoxView } from '@/core/job/box-view'
import type { Voided } from '@/core/safety'
import { capital } from '@/core/words/capital'
import { switchName } from '../../words/switch-name'
import { useWhen } from '../../words/use-dates'
import { useSay } from '../../words/use-say'

/** Why something counts no more, and by whom: the power may have been on meanwhile. */
export function MeanwhileOn({ view, voided }: { view: BoxView; voided: readonly Voided[] }) {
  const say = useSay()
  const at = useWhen()
  const onWords = ({ on }: Voided): string => {
    const when = at(on.at)
    const who = on.by || say`another phone`
    if (!('to' in on)) return say`Something live was read here, ${when}, by ${who}`
    const what = capital(switchName(view.record, on.circuitId))
    return on.foundSo
      ? say`${what} was found on, ${when}, by ${who}`
      : say`${what} was switched on, ${when}, by ${who}`
  }
  const lost = ({ readings, offs, ticks }: Voided): string =>
    [
      ...(readings.length > 0 ? [say.count(readings.length, '# reading', '# readings')] : []),
      ...(offs.length > 0 ? [say.count(offs.length, '# switching off', '# switchings off')] : []),
      ...(ticks.length > 0 ? [say.count(ticks.length, '# step', '# steps')] : []),
    ].join(say` and `)
  return (
    <div role="alert" className="hazard mt-2 bg-sheet px-3 py-1.5">
      <p className="font-semibold">{say`The power may have been on meanwhile`}</p>
      <ul>
        {voided.map(each => (
          <li key={each.on.id}>
            {onWords(each)}. {say`Not known to who did these, so no more counted: ${lost(each)}.`}
          </li>
        ))}
      </ul>
      {voided.some(({ ticks }) => ticks.length > 0) && (
        <p>{say`Make it dead, look at those steps again, and tick them.`}</p>
      )}
    </div>
  )
}
