import { rowsWith, type JobRecord } from '../model/record'

/** Whether the last of two ticks that undo each other was the first of them; never ticked: no. */
export function lastTicked(record: JobRecord, boxId: string, made: string, unmade: string): boolean {
  const ticks = rowsWith(record, 'steps', 'boxId', boxId).filter(
    ({ stepKey }) => stepKey === made || stepKey === unmade,
  )
  return (
    ticks.reduce((last, each) => (each.seq >= last.seq ? each : last), { seq: -1, stepKey: unmade })
      .stepKey === made
  )
}
