'use client'

import type { BoxView } from '@/core/job/box-view'
import { tiedBoxes } from '@/core/job/tied'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Part } from '../../primitives/titled-part'
import { useSay } from '../../words/use-say'

/** Conductors that somebody wants for something; the least way comes back with one press. */
export function Wished({ view }: { view: BoxView }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const wished = new Map(
    tiedBoxes(view.record, view.box.id).flatMap(({ ends }) =>
      ends.flatMap(({ conductor, name }) =>
        conductor.wish === null ? [] : [[conductor.id, { conductor, name }]],
      ),
    ),
  )
  if (wished.size === 0) return null
  return (
    <Part title={say`Wired another way than the least`}>
      <ul>
        {[...wished.values()].map(({ conductor, name }) => (
          <li key={conductor.id}>
            {name}: <strong>{conductor.wish}</strong>
          </li>
        ))}
      </ul>
      <Button
        onClick={() =>
          edits.send(
            'wire it another way',
            [...wished.keys()].map(id => edits.change('conductors', id, { wish: null })),
          )
        }
      >{say`The least way again`}</Button>
    </Part>
  )
}
