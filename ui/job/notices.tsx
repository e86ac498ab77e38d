'use client'

import type { Fault } from '@/core/model/result'
import { Button } from '../primitives/button'
import { BothValues } from './both-values'
import { useJob, useStore } from './provider'
import { useSay } from '../words/use-say'

/** What was refused, and what somebody else changed under an edit: said at once, until it is read. */
export function Notices() {
  const say = useSay()

  const { refusal, against, conflict } = useJob()
  const store = useStore()
  return (
    <div role="alert" className="sticky top-0 z-30 mx-auto max-w-7xl px-3 sm:px-4">
      {refusal && <Faults title={say`Not done`} faults={refusal} onRead={store.dismiss} />}
      {against && (
        <Faults
          title={say`It is kept as you did it, and is against what others did meanwhile`}
          faults={against}
          onRead={store.dismiss}
        />
      )}
      {conflict && <BothValues key={conflict.id} conflict={conflict} />}
    </div>
  )
}

function Faults({ title, faults, onRead }: { title: string; faults: readonly Fault[]; onRead: () => void }) {
  const say = useSay()

  return (
    <div className="hazard mt-3 flex flex-wrap items-center gap-3 bg-sheet p-3">
      <div className="flex-1">
        <p className="font-bold">{title}</p>
        <ul>
          {faults.slice(0, 4).map(fault => (
            <li key={fault.path + fault.code}>{fault.message}</li>
          ))}
        </ul>
      </div>
      <Button onClick={onRead}>{say`Understood`}</Button>
    </div>
  )
}
