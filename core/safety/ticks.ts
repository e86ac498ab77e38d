import { knew, type Placed } from '../model/placed'
import { rowsWith, type JobRecord } from '../model/record'

/** Whether one of some ticks was made that none of the others undid, in the knowledge of it. */
export function isMade(record: JobRecord, boxId: string, made: string, ...unmade: string[]): boolean {
  const ticks = rowsWith(record, 'steps', 'boxId', boxId)
  return standing(
    ticks.filter(({ stepKey }) => stepKey === made),
    ticks.filter(({ stepKey }) => unmade.includes(stepKey)),
  )
}

/** Whether something stands that nothing of what ends it was done in the knowledge of. */
export const standing = (begun: readonly Placed[], ended: readonly Placed[]): boolean =>
  begun.some(each => !ended.some(end => knew(end, each)))
