'use client'

import { useMemo } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { figure } from '@/core/model/units'
import { curesThatFit } from '@/core/check'
import { useTrade } from '../../job/provider'
import { useSay } from '../../words/use-say'

/** What would let this box be wired: each was tried, and its wiring reaches. */
export function Cures({ view }: { view: BoxView }) {
  const say = useSay()

  const trade = useTrade()
  const cures = useMemo(() => curesThatFit(view.record, view.box.id, trade), [view, trade])
  if (cures.length === 0) return null
  return (
    <>
      <h3 className="mt-3 font-bold">{say`What would do: each was tried and can be wired`}</h3>
      <ul className="mt-1 flex flex-col gap-2">
        {cures.map(({ id, says, price, minutes }) => (
          <li key={id} className="rounded-lg border border-rule bg-paper p-3">
            {says}
            {price + minutes > 0 && (
              <span className="text-soft">{say` ${figure(price, 2)} ${view.region.currency}, ${figure(minutes, 0)} min`}</span>
            )}
          </li>
        ))}
      </ul>
    </>
  )
}
