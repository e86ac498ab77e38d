'use client'

import { useMemo } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { isTied, netPath, routedTogether, type RoutedBox } from '@/core/route'
import { useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Part } from '../stage-frame'

/** The whole path of one net through the boxes that hang together. */
export function NetPath({
  view,
  routed,
  netId,
  onClose,
}: {
  view: BoxView
  routed: RoutedBox
  netId: string
  onClose: () => void
}) {
  const trade = useTrade()
  const places = useMemo(() => {
    const together = isTied(view) ? routedTogether(view, trade) : null
    return netPath(together?.ok ? together.value.boxes : [{ view, routed }], netId)
  }, [view, routed, netId, trade])
  return (
    <Part
      title={`The way of ${routed.nets[netId] ?? 'this conductor'}`}
      aside={<Button onClick={onClose}>Close</Button>}
    >
      <ol className="flex flex-col gap-2">
        {places.map(({ boxId, name, ends, terminals, isJoint }) => (
          <li key={boxId} className="border-l-[3px] border-plum pl-3">
            <span className="font-bold">{name}</span>
            {isJoint && <span className="text-soft"> in one joint</span>}
            <ul>
              {ends.map(each => (
                <li key={each.id}>
                  {each.name}
                  {each.leadsTo && <span className="text-soft"> to {each.leadsTo}</span>}
                </li>
              ))}
              {terminals.map(word => (
                <li key={word}>{word}</li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
    </Part>
  )
}
