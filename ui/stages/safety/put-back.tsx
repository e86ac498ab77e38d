'use client'

import type { BoxView } from '@/core/job/box-view'
import { PUT_BACK } from '@/core/safety'
import { newTick } from '../../job/new-reading'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { useSay } from '../../words/use-say'

/** A neutral that was lifted at the panel, on every screen of its box until it is back. */
export function PutBack({ view }: { view: BoxView }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const put = () => edits.send('tick a step', [edits.add('steps', newTick(view.box.id, PUT_BACK))])
  return (
    <div className="hazard mt-2 flex flex-wrap items-center justify-between gap-2 bg-sheet px-3 py-1.5">
      <span
        className="font-semibold"
        role="status"
      >{say`Its neutral is off its bar at the panel: nothing goes on before it is back`}</span>
      <Button onClick={put}>{say`Back on its bar`}</Button>
    </div>
  )
}
