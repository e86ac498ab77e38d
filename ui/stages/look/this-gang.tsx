'use client'

import type { BoxView } from '@/core/job/box-view'
import { gangInserted, gangRemoved, MOST_GANGS } from '@/core/recording'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { useSay } from '../../words/use-say'

/** A gang put in beside this one, or this one taken out; the others keep their order. */
export function ThisGang({ view, gang }: { view: BoxView; gang: number }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const { box, record } = view
  const insert = (before: number) => edits.send('edit a box', gangInserted(edits, record, box.id, before))
  return (
    <div className="flex flex-wrap gap-2">
      <Button disabled={box.gangs >= MOST_GANGS} onClick={() => insert(gang)}>{say`A gang before it`}</Button>
      <Button
        disabled={box.gangs >= MOST_GANGS}
        onClick={() => insert(gang + 1)}
      >{say`A gang after it`}</Button>
      <Button
        disabled={box.gangs <= 1}
        onClick={() => edits.send('edit a box', gangRemoved(edits, record, box.id, gang))}
      >{say`Gang ${gang} is not there`}</Button>
    </div>
  )
}
