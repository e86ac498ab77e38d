import type { JobRecord } from '../model/record'
import type { Fault } from '../model/result'
import type { Row } from '../model/entities'
import { faultsOfHangings, parseRoom } from '../setup'
import type { Guard } from './transition'

/** Walls that close, with what stands in them and boxes in their places: each fault at its field. */
function faultsOfPlan({ id, plan }: Row<'plans'>): Fault[] {
  const parsed = parseRoom(plan)
  const faults = parsed.ok ? faultsOfHangings(plan) : parsed.faults
  return faults.map(each => ({ ...each, path: `/plans/${id}/plan${each.path}` }))
}

/** What is wrong with the plans of a record. */
export const faultsOfPlans = (record: JobRecord): Fault[] => Object.values(record.plans).flatMap(faultsOfPlan)

/** At the door: a phone asks the same where a plan is drawn, and no other page has to carry it. */
export const soundPlans: Guard = (_before, _after, changes) =>
  changes.flatMap(({ entity, after }) =>
    entity === 'plans' && after !== null ? faultsOfPlan(after as Row<'plans'>) : [],
  )
