import type { JobRecord } from '@/core/model/record'
import { useSay } from '../../words/use-say'

/** Who may prove on a live point, where somebody works here who may not: it is live work like any reading. */
export function ReadersOnly({ record }: { record: JobRecord }) {
  const say = useSay()

  const crew = Object.values(record.crew)
  const readers = crew.filter(({ readsLive }) => readsLive).map(({ name }) => name)
  if (readers.length === crew.length) return null
  return (
    <p className={`w-full text-sm font-semibold ${readers.length === 0 ? 'hazard bg-paper px-3 py-1' : ''}`}>
      {readers.length > 0
        ? say`Live: only by ${readers.join(', ')}. No apprentice proves on a live point.`
        : say`Live, and nobody who is named here may read live: somebody who may does it.`}
    </p>
  )
}
