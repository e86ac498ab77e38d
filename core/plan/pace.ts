import { boxView } from '../job/box-view'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
import type { Trade } from '../model/trade'
import { planBox } from './steps'

/** Work that was ticked together after the fact teaches nothing; nor does a box left over night. */
const LEAST_MINUTES = 2
const MOST_MINUTES = 240
const SLOWEST = 3
const FASTEST = 0.4

/**
 * What work took on this job, as a share of what was planned for it: the median over the boxes that are finished, by
 * the times of their first and last tick. 1 where none teaches anything.
 */
export function learnedPace(record: JobRecord, trade: Trade): number {
  const shares = rowsOf(record, 'boxes').flatMap(({ id }) => {
    const ticks = rowsWith(record, 'steps', 'boxId', id)
    if (ticks.length < 3) return []
    const times = ticks.map(({ at }) => Date.parse(at)).sort((a, b) => a - b)
    const took = (times.at(-1)! - times[0]!) / 60_000
    const view = boxView(record, id)
    if (!view || took < LEAST_MINUTES || took > MOST_MINUTES) return []
    // The first tick ends its step: what that took lies before what is known.
    const [, ...later] = [...ticks].sort((a, b) => a.seq - b.seq)
    const ticked = new Set(later.map(({ stepKey }) => stepKey))
    const { steps } = planBox(view, trade)
    if (!steps.some(({ name, done }) => name.kind === 'fold' && done)) return []
    const planned = steps.filter(({ key }) => ticked.has(key)).reduce((sum, { minutes }) => sum + minutes, 0)
    return planned > 0 ? [took / planned] : []
  })
  if (shares.length === 0) return 1
  const median = shares.sort((a, b) => a - b)[Math.floor(shares.length / 2)]!
  return Math.min(SLOWEST, Math.max(FASTEST, median))
}
