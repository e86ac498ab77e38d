'use client'

import { useMemo } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { isTied, netPath, routedTogether, type RoutedBox } from '@/core/route'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Part } from '../../primitives/titled-part'
import { useSay } from '../../words/use-say'

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
  const say = useSay()

  const trade = useTrade()
  const edits = useEdits(view.box.id)
  // What is true now decides: everything is routed anew without it.
  const unfit = (conductorId: string) =>
    edits.send('find a conductor unfit', [edits.change('conductors', conductorId, { unfit: true })])
  const places = useMemo(() => {
    const together = isTied(view) ? routedTogether(view, trade) : null
    return netPath(together?.ok ? together.value.boxes : [{ view, routed }], netId)
  }, [view, routed, netId, trade])
  return (
    <Part
      title={say`The way of ${routed.nets[netId] ?? say`this conductor`}`}
      aside={<Button onClick={onClose}>{say`Close`}</Button>}
    >
      <ol className="flex flex-col gap-2">
        {places.map(({ boxId, name, ends, terminals, isJoint }) => (
          <li key={boxId} className="border-l-[3px] border-plum pl-3">
            <span className="font-bold">{name}</span>
            {isJoint && <span className="text-soft">{say` in one joint`}</span>}
            <ul>
              {ends.map(each => (
                <li key={each.id} className="flex flex-wrap items-center justify-between gap-x-3">
                  <span>
                    {each.name}
                    {each.leadsTo && <span className="text-soft">{say` to ${each.leadsTo}`}</span>}
                  </span>
                  {boxId === view.box.id && (
                    <Button
                      look="quiet"
                      aria-label={say`${each.name} is too short or damaged`}
                      onClick={() => unfit(each.conductorId)}
                    >{say`Too short or damaged`}</Button>
                  )}
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
