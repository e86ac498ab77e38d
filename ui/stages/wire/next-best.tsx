'use client'

import { useMemo } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { tiedBoxes } from '@/core/job/tied'
import { figure } from '@/core/model/units'
import { nextBest, routedTogether, wishesFor } from '@/core/route'
import { BoxDrawing } from '../../drawing/box-drawing'
import { plannedPicture } from '../../drawing/picture'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { useSay } from '../../words/use-say'

/** The runner-up of the plan, to be looked at and taken: what it would cost more, and how this box would be. */
export function NextBest({ view, onTake }: { view: BoxView; onTake: () => void }) {
  const say = useSay()

  const trade = useTrade()
  const edits = useEdits(view.box.id)
  const { way, more, wishes } = useMemo(() => {
    const best = routedTogether(view, trade)
    const next = nextBest(tiedBoxes(view.record, view.box.id), trade)
    return {
      way: next,
      more: next && best.ok ? next.cost - best.value.cost : 0,
      wishes: next && best.ok ? [...wishesFor(next, best.value)] : [],
    }
  }, [view, trade])
  const own = way?.boxes.find(each => each.view.box.id === view.box.id)
  if (!own) return <p className="rounded-xl bg-sheet p-4">{say`There is no other way to wire it.`}</p>
  const take = () => {
    const taken = edits.send(
      'wire it another way',
      wishes.map(([conductorId, wish]) => edits.change('conductors', conductorId, { wish })),
    )
    if (taken) onTake()
  }
  return (
    <>
      <BoxDrawing picture={plannedPicture(own.view, own.routed)} />
      <p className="mt-1 text-sm text-soft">{say`${
        more > 0
          ? say`It costs ${figure(more, 2)} more than the plan: conductors that change or leave their screws, joints made anew, ends that are marked again.`
          : say`It costs no more than the plan; the plan is what comes first.`
      } The steps are those of the plan.`}</p>
      {wishes.length > 0 && <Button className="mt-2" onClick={take}>{say`Wire it this way`}</Button>}
    </>
  )
}
