'use client'

import type { BoxView, PlaceView } from '@/core/job/box-view'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Part } from '../../primitives/titled-part'
import { UnworkedQuestion } from '../unworked-question'
import { useSay } from '../../words/use-say'

/** A control that goes for good: a blank plate, its conductors joined on or capped as the plan has them. */
export function Retired({ view, place }: { view: BoxView; place: PlaceView }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const { place: own, group, found, workingInGroup } = place
  const put = (retired: boolean) =>
    edits.send('retire a control', [edits.change('places', own.id, { retired })])
  if (!own.retired)
    return (
      <div className="flex justify-end">
        <Button look="quiet" onClick={() => put(true)}>{say`No control here any more`}</Button>
      </div>
    )
  return (
    <Part title={say`${group.name}: no control here any more`}>
      <p>{say`${found ? say`The old device comes out; a` : 'A'} blank plate closes the box, which stays within reach. ${
        workingInGroup > 0
          ? say`${say.count(workingInGroup, 'One other place works', '# other places work')} the light.`
          : ''
      }`}</p>
      {workingInGroup === 0 && <UnworkedQuestion view={view} groupId={group.id} />}
      <p className="text-sm text-soft">{say`Local code may want a control at this door, stair or room.`}</p>
      <div>
        <Button onClick={() => put(false)}>{say`Put a control here after all`}</Button>
      </div>
    </Part>
  )
}
