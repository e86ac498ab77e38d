import type { Row } from '../model/entities'
import type { JobRecord } from '../model/record'
import { fault, type Fault } from '../model/result'
import type { Site } from '../model/site'
import {
  dayOf,
  faultsOfHangings,
  faultsOfPlace,
  faultsOfProgram,
  parseProgram,
  parseRoom,
  placeFor,
  trimTrial,
} from '../setup'
import type { Guard } from './transition'

/** Fields that hang together as a whole: what is wrong with one is said at its own part of it. */

const under =
  (path: string) =>
  (each: Fault): Fault => ({ ...each, path: `${path}${each.path}` })

/** Walls that close, with what stands in them and boxes in their places. */
function faultsOfPlan({ id, plan }: Row<'plans'>): Fault[] {
  const parsed = parseRoom(plan)
  return (parsed.ok ? faultsOfHangings(plan) : parsed.faults).map(under(`/plans/${id}/plan`))
}

/** A year that has every date there is. */
const YEAR = { from: dayOf('2028-01-01')!, to: dayOf('2028-12-31')! }

/** Events that happen; of dusk and dawn that is known once it is said where the house stands. */
function faultsOfKept({ id, program }: Row<'programs'>, site: Site | null): Fault[] {
  const at = under(`/programs/${id}/program`)
  const place = placeFor(program, site)
  if (place === null) return faultsOfProgram(program).map(at)
  const parsed = parseProgram(program, place, YEAR)
  return parsed.ok ? [] : parsed.faults.map(at)
}

/** Levels one above the other, and on them only what was asked. */
function faultsOfTrial({ id, trial }: Row<'settings'>): Fault[] {
  if (trial === null) return []
  const path = `/settings/${id}/trial`
  if (trial.levels.some((level, at) => at > 0 && level <= trial.levels[at - 1]!))
    return [fault(`${path}/levels`, 'order', 'each level is above the one before')]
  return trimTrial(trial) === null
    ? [fault(`${path}/seen`, 'not-asked', 'something was seen that was not asked')]
    : []
}

const faultsOfSite = (site: Site): Fault[] => faultsOfPlace(site).map(under('/job/site'))

/** What is wrong with such fields of a record. */
export const faultsOfShapes = (record: JobRecord): Fault[] => [
  ...(record.job.site ? faultsOfSite(record.job.site) : []),
  ...Object.values(record.plans).flatMap(faultsOfPlan),
  ...Object.values(record.settings).flatMap(faultsOfTrial),
  ...Object.values(record.programs).flatMap(each => faultsOfKept(each, record.job.site)),
]

/** At the door: a phone asks the same where it is said, and no other page has to carry it. */
export const soundShapes: Guard = (_before, record, changes) =>
  changes.flatMap(({ entity, after }) => {
    if (after === null) return []
    if (entity === 'plans') return faultsOfPlan(after as Row<'plans'>)
    if (entity === 'settings') return faultsOfTrial(after as Row<'settings'>)
    if (entity === 'programs') return faultsOfKept(after as Row<'programs'>, record.job.site)
    return entity === 'job' && record.job.site ? faultsOfSite(record.job.site) : []
  })
