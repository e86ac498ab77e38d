'use client'

import type { BoxView } from '@/core/job/box-view'
import { UNWORKED } from '@/core/model/vocabulary'
import { useEdits } from '../job/provider'
import { PickOne } from '../primitives/fields'
import { plain } from '../words'

/** What is left of a light once no place works it any more. */
export function UnworkedQuestion({ view, groupId }: { view: BoxView; groupId: string }) {
  const edits = useEdits(view.box.id)
  const group = view.record.groups[groupId]
  if (!group) return null
  return (
    <PickOne
      label={`Nothing works ${group.name} any more. It is to be`}
      value={group.unworked === 'not-said' ? null : group.unworked}
      options={UNWORKED.filter(each => each !== 'not-said').map(value => ({
        value,
        words: plain(value),
      }))}
      onCommit={unworked => edits.send('retire a control', [edits.change('groups', groupId, { unworked })])}
    />
  )
}
