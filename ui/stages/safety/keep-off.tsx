'use client'

import { useMemo, type ReactNode } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { ifOnNow } from '@/core/plan'
import { isolationOf } from '@/core/safety'
import { useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { useSwitchedOn } from './use-switched-on'
import { useSay } from '../../words/use-say'

/**
 * Why the power stays off now, and the way to say that it is on all the same; `otherwise` where nothing keeps it off: what
 * is found and what is done are never offered beside each other.
 */
export function KeepOff({
  view,
  isDead,
  otherwise = null,
}: {
  view: BoxView
  isDead: boolean
  otherwise?: ReactNode
}) {
  const say = useSay()

  const trade = useTrade()
  const on = useSwitchedOn(view)
  const ifOn = useMemo(() => ifOnNow(view, trade), [view, trade])
  if (ifOn.length === 0) return otherwise
  return (
    <div className="hazard bg-paper p-3">
      <p className="font-bold">
        {isDead
          ? say`Keep the power off: the work is half done`
          : say`Stop: it may be live, and the work is half done. Touch nothing; switch it off`}
      </p>
      <ul>
        {ifOn.map(({ says }) => (
          <li key={says}>{says}</li>
        ))}
      </ul>
      {isDead && (
        <div className="mt-2 flex flex-wrap gap-2">
          {isolationOf(view).toSwitchOff.map(circuit => (
            <Button key={circuit?.id ?? 'main'} onClick={() => on(circuit, true)}>
              {circuit ? say`Found breaker ${circuit.breaker} on` : say`Found the main switch on`}
            </Button>
          ))}
        </div>
      )}
    </div>
  )
}
