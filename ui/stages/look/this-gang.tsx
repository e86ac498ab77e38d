'use client'

import type { BoxView } from '@/core/job/box-view'
import { sharesGang } from '@/core/job/place-name'
import type { Place } from '@/core/model/entities'
import { gangInserted, gangRemoved, MOST_GANGS, MOST_PARTS, partAdded, partRemoved } from '@/core/recording'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { useSay } from '../../words/use-say'

/**
 * A gang put in beside this one, or this one taken out; another control in it, on the same strap or plate, or this one
 * taken out. The others keep their order.
 */
export function ThisGang({ view, place }: { view: BoxView; place: Place }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const { box, record } = view
  const { gang } = place
  const insert = (before: number) => edits.send('edit a box', gangInserted(edits, record, box.id, before))
  const inGang = view.places.filter(each => each.place.gang === gang).length
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
      <Button
        disabled={inGang >= MOST_PARTS}
        onClick={() => edits.send('edit a box', partAdded(edits, record, place))}
      >{say`Another control in this gang`}</Button>
      {sharesGang(record, place) && (
        <Button
          onClick={() => edits.send('edit a box', partRemoved(edits, record, place))}
        >{say`Control ${place.part} is not there`}</Button>
      )}
    </div>
  )
}
