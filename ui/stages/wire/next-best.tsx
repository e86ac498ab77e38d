'use client'

import { useMemo } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { tiedBoxes } from '@/core/job/tied'
import { figure } from '@/core/model/units'
import { nextBest, routedTogether } from '@/core/route'
import { BoxDrawing } from '../../drawing/box-drawing'
import { plannedPicture } from '../../drawing/picture'
import { useTrade } from '../../job/provider'

/** The runner-up of the plan, to be looked at: what it would cost more, and how this box would be. */
export function NextBest({ view }: { view: BoxView }) {
  const trade = useTrade()
  const { way, more } = useMemo(() => {
    const best = routedTogether(view, trade)
    const next = nextBest(tiedBoxes(view.record, view.box.id), trade)
    return { way: next, more: next && best.ok ? next.cost - best.value.cost : 0 }
  }, [view, trade])
  const own = way?.boxes.find(each => each.view.box.id === view.box.id)
  if (!own) return <p className="rounded-xl bg-sheet p-4">There is no other way to wire it.</p>
  return (
    <>
      <BoxDrawing picture={plannedPicture(own.view, own.routed)} />
      <p className="mt-1 text-sm text-soft">
        {more > 0
          ? `It costs ${figure(more, 2)} more than the plan: conductors that change or leave their screws, joints made anew, ends that are marked again.`
          : 'It costs no more than the plan; the plan is what comes first.'}{' '}
        The steps are those of the plan.
      </p>
    </>
  )
}
