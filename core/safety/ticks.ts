import { rowsWith, type JobRecord } from '../model/record'

/** Whether the last of some ticks was the one that the others undo; never ticked: no. */
export function lastTicked(record: JobRecord, boxId: string, made: string, ...unmade: string[]): boolean {
  const ticks = rowsWith(record, 'steps', 'boxId', boxId).filter(
    ({ stepKey }) => stepKey === made || unmade.includes(stepKey),
  )
  return (
    ticks.reduce((last, each) => (each.seq >= last.seq ? each : last), { seq: -1, stepKey: '' }).stepKey ===
    made
  )
}
