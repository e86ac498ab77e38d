'use client'

import type { Result } from '@/core/model/result'
import type { Shown } from '@/core/read'
import { faceOf } from './face'
import { useSay } from '../words/use-say'

/** What the tester in hand shows now. */
export function Reading({ shown }: { shown: Result<Shown> | null }) {
  const say = useSay()

  const face = shown?.ok ? faceOf(say, shown.value) : null
  const stop = shown?.ok && shown.value.kind === 'refused'
  return (
    <div
      role="status"
      aria-label={say`Reading`}
      className={`min-h-16 min-w-0 flex-1 basis-60 rounded-xl border-2 border-ink bg-paper px-3 py-1 ${stop ? 'hazard' : ''}`}
    >
      <p className="text-2xl font-bold">{face ? face.face : '–'}</p>
      <p className="text-sm">{face?.remark ?? say`No reading yet`}</p>
    </div>
  )
}
