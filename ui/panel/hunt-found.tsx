import { Link } from '../job/link'
import type { BoxView } from '@/core/job/box-view'
import { YES_NO_UNKNOWN } from '@/core/model/vocabulary'
import type { Hunt } from '@/core/panel'
import { useEdits } from '../job/provider'
import { Button } from '../primitives/button'
import { PickOne } from '../primitives/fields'
import { Part } from '../primitives/titled-part'
import { plain } from '../words'
import { capital } from '@/core/words/capital'
import { breakerName, METER_WORDS } from './hunt-words'
import { MAIN_LINK_LOOK } from '../primitives/link-look'
import { useSay } from '../words/use-say'

/** What was found, whether its label holds, and what only labels still say of this box. */
export function HuntFound({ view, hunt, seen }: { view: BoxView; hunt: Hunt; seen: string }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const base = `/jobs/${view.record.job.id}`
  const strike = () =>
    edits.send(
      'try a breaker',
      hunt.tries.map(({ id }) => edits.remove('breakerTries', id)),
    )
  if (hunt.found === 'main' || hunt.found === null)
    return (
      <Part next="found-main" title={say`The main switch made it dark, and no breaker that is listed did`}>
        <p>
          {say`A breaker is missing from the list, or one was misread. Leave the main switch off for this box, or `}
          <Link
            href={`${base}/panel`}
            className="font-semibold underline underline-offset-4"
          >{say`list the missing one`}</Link>
          {say` and hunt again.`}
        </p>
        <Button onClick={strike}>{say`Hunt again from the start`}</Button>
      </Part>
    )
  const { found } = hunt
  const refuted = view.feeds.filter(
    ({ circuit, feed }) =>
      feed.basis === 'label' && hunt.ruledOut.some(each => each.circuit.id === circuit.id),
  )
  return (
    <Part
      next="found"
      title={say`${capital(breakerName(view, found))} feeds ${seen === METER_WORDS ? say`it` : seen}`}
    >
      <p className="text-lg">{say`It is off now, and listed for this box. It proves nothing dead: read every conductor before you touch.`}</p>
      <PickOne
        label={say`Does its label${found.label ? ` “${found.label}”` : ''} hold?`}
        value={found.labelHolds}
        options={YES_NO_UNKNOWN.map(value => ({ value, words: say(plain(value)) }))}
        onCommit={labelHolds =>
          edits.send('edit a circuit', [edits.change('circuits', found.id, { labelHolds })])
        }
      />
      {refuted.map(({ circuit, feed }) => (
        <div key={feed.id} className="flex flex-wrap items-center justify-between gap-2">
          <span>{say`A label says ${breakerName(view, circuit)} feeds this box too; nothing here went dark with it.`}</span>
          <Button
            onClick={() => edits.send('edit a circuit', [edits.remove('feeds', feed.id)])}
          >{say`It does not feed this box`}</Button>
        </div>
      ))}
      <div className="flex flex-wrap gap-2">
        <Link
          href={`${base}/boxes/${view.box.id}/test#make-it-dead`}
          className={MAIN_LINK_LOOK}
        >{say`Make it dead`}</Link>
        <Button look="quiet" onClick={strike}>{say`Hunt again from the start`}</Button>
      </div>
    </Part>
  )
}
