'use client'

import type { BoxView, PlaceView } from '@/core/job/box-view'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Part } from '../stage-frame'
import { UnworkedQuestion } from '../unworked-question'

/** A control that goes for good: a blank plate, its conductors joined on or capped as the plan has them. */
export function Retired({ view, place }: { view: BoxView; place: PlaceView }) {
  const edits = useEdits(view.box.id)
  const { place: own, group, found, workingInGroup } = place
  const say = (retired: boolean) =>
    edits.send('retire a control', [edits.change('places', own.id, { retired })])
  if (!own.retired)
    return (
      <div className="flex justify-end">
        <Button look="quiet" onClick={() => say(true)}>
          No control here any more
        </Button>
      </div>
    )
  return (
    <Part title={`${group.name}: no control here any more`}>
      <p>
        {found ? 'The old device comes out; a' : 'A'} blank plate closes the {view.region.words.box}, which
        stays within reach.{' '}
        {workingInGroup > 0
          ? `${workingInGroup === 1 ? 'One other place works' : `${workingInGroup} other places work`} the light.`
          : ''}
      </p>
      {workingInGroup === 0 && <UnworkedQuestion view={view} groupId={group.id} />}
      <p className="text-sm text-soft">Local code may want a control at this door, stair or room.</p>
      <div>
        <Button onClick={() => say(false)}>Put a control here after all</Button>
      </div>
    </Part>
  )
}
