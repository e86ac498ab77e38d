'use client'

import type { BoxView } from '@/core/job/box-view'
import { UNWORKED } from '@/core/model/vocabulary'
import { useEdits } from '../job/provider'
import { PickOne } from '../primitives/fields'
import { plain } from '../words'
import { useSay } from '../words/use-say'

/** What is left of a light once no place works it any more. */
export function UnworkedQuestion({ view, groupId }: { view: BoxView; groupId: string }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const group = view.record.groups[groupId]
  if (!group) return null
  return (
    <PickOne
      label={say`Nothing works ${group.name} any more. It is to be`}
      value={group.unworked === 'not-said' ? null : group.unworked}
      options={UNWORKED.filter(each => each !== 'not-said').map(value => ({
        value,
        words: say(plain(value)),
      }))}
      onCommit={unworked => edits.send('retire a control', [edits.change('groups', groupId, { unworked })])}
    />
  )
}
