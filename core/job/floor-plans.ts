import { rowsWith, type JobRecord } from '../model/record'
import { fault, type Fault } from '../model/result'
import { sayFor } from '../model/say-for'
import { faultsOfHangings, parseRoom } from '../setup'

/** A room has one plan, whose walls close, with its boxes in their places. */
export function faultsOfPlan(record: JobRecord, id: string, path: string): Fault[] {
  const say = sayFor(record)
  const { roomId, plan } = record.plans[id]!
  const rivals = rowsWith(record, 'plans', 'roomId', roomId)
  if (rivals.length > 1) return [fault(`${path}/roomId`, 'one-each', say`this room has a plan already`)]
  const parsed = parseRoom(plan)
  const faults = parsed.ok ? faultsOfHangings(plan) : parsed.faults
  return faults.map(each => ({ ...each, path: `${path}/plan${each.path}` }))
}
