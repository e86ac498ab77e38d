import type { YesNoUnknown } from '@/core/model/vocabulary'
import { YES_NO_UNKNOWN } from '@/core/model/vocabulary'
import { useEdits, useJob } from '../job/provider'
import { PickOne } from '../primitives/fields'
import { plain } from '../words'
import { useSay } from '../words/use-say'

/** Asked before the first box is opened: with the main switch off a house can be live by its roof. */
export function BackFeed() {
  const say = useSay()

  const { record } = useJob()
  const edits = useEdits(null)
  return (
    <PickOne<YesNoUnknown>
      label={say`Solar, battery or standby feeds it too`}
      value={record.job.backFeed}
      options={YES_NO_UNKNOWN.map(value => ({ value, words: say(plain(value)) }))}
      onCommit={backFeed => edits.send('edit the job', [edits.changeJob({ backFeed })])}
    />
  )
}
