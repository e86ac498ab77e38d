import { theControl } from './place-name'
import { ENTITY_NAMES, fieldsOf, type EntityName, type JobRow, type Row } from '../model/entities'
import { rowNamed, rowsWith, type JobRecord } from '../model/record'
import { fault, type Fault } from '../model/result'
import type { Change } from './change'
import { sayFor } from '../model/say-for'

interface Subject {
  readonly entity: EntityName
  readonly id: string
}

/**
 * What does not hang together: references to nothing, two devices on one gang, a conductor seated on
 * a joint of another box. With `changes`, only what they touched is looked at.
 */
export function faultsOfRecord(record: JobRecord, changes?: readonly Change[]): Fault[] {
  const say = sayFor(record)

  const subjects: Subject[] = changes
    ? changes.flatMap(({ entity, id, after }) => (entity === 'job' || !after ? [] : [{ entity, id }]))
    : ENTITY_NAMES.flatMap(entity =>
        Object.keys(record[entity])
          .sort()
          .map(id => ({ entity, id })),
      )
  const regionChanged =
    changes?.some(
      ({ entity, before, after }) =>
        entity === 'job' && (before as JobRow).regionId !== ((after ?? before) as JobRow).regionId,
    ) ?? false
  const ofRegion =
    regionChanged && !isRegionFree(record)
      ? [fault('/job/regionId', 'region-in-use', say`things are recorded by the rules of its region already`)]
      : []
  const faults: Fault[] = [...ofRegion]
  for (const subject of subjects) {
    for (const each of danglingReferences(record, subject)) faults.push(each)
    for (const each of incoherence(record, subject)) faults.push(each)
  }
  return faults
}

/** What is recorded in the words and sizes of one region means nothing in another. */
const BY_REGION = ['circuits', 'devices', 'choices', 'cables', 'readings'] as const

/** Whether the region of a job can still be said otherwise: nothing that depends on it is recorded. */
export const isRegionFree = (record: JobRecord): boolean =>
  BY_REGION.every(entity => Object.keys(record[entity]).length === 0)

const NONE: readonly Fault[] = []

function danglingReferences(record: JobRecord, { entity, id }: Subject): readonly Fault[] {
  if (REFERENCES[entity].length === 0) return NONE
  const say = sayFor(record)
  const row = rowNamed(record, entity, id) as unknown as Record<string, unknown>
  const faults: Fault[] = []
  for (const [name, to] of REFERENCES[entity]) {
    const target = row[name]
    if (target === null || target === undefined || Object.hasOwn(record[to], String(target))) continue
    faults.push(fault(`/${entity}/${id}/${name}`, 'no-such-row', say`there is no ${to} ${String(target)}`))
  }
  return faults
}

/** Which fields of a row name another, and of which table. */
const REFERENCES = Object.fromEntries(
  ENTITY_NAMES.map(entity => [
    entity,
    Object.entries(fieldsOf(entity)).flatMap(([name, field]) =>
      field.kind === 'ref' ? [[name, field.to as EntityName] as const] : [],
    ),
  ]),
) as unknown as Readonly<Record<EntityName, readonly (readonly [name: string, to: EntityName])[]>>

function incoherence(record: JobRecord, { entity, id }: Subject): readonly Fault[] {
  if (entity === 'rooms' || entity === 'circuits') return faultsOfName(record, entity, id)
  const say = sayFor(record)
  const path = `/${entity}/${id}`
  switch (entity) {
    case 'places':
      return faultsOfPlace(record, id, path)
    case 'boxes':
      return faultsOfBox(record, id, path)
    case 'cables':
      return faultsOfCable(record, id, path)
    case 'ends':
      return faultsOfEnd(record, id, path)
    case 'plans':
      return rowsWith(record, 'plans', 'roomId', record.plans[id]!.roomId).length > 1
        ? [fault(`${path}/roomId`, 'one-each', say`this room has a plan already`)]
        : NONE
    case 'programs':
      return oneEach(record, 'programs', id, path, say`this place has a program already`)
    case 'devices':
      return oneEach(record, 'devices', id, path, say`this place has an old device already`)
    case 'choices':
      return oneEach(record, 'choices', id, path, say`a device is chosen for this place already`)
    default:
      return NONE
  }
}

function faultsOfBox(record: JobRecord, id: string, path: string): Fault[] {
  const say = sayFor(record)

  const { kind, gangs } = record.boxes[id]!
  return [
    ...rowsWith(record, 'places', 'boxId', id)
      .filter(place => place.gang > gangs)
      .map(place => fault(`${path}/gangs`, 'gang-in-use', say`gang ${place.gang} holds a device`)),
    ...((kind === 'control') === gangs > 0
      ? []
      : [fault(`${path}/gangs`, 'gangs-by-kind', say`a box for controls has gangs, and no other has`)]),
  ]
}

/** A cable leads to another box just where that box is named, and its conductors end in its boxes. */
function faultsOfCable(record: JobRecord, id: string, path: string): Fault[] {
  const say = sayFor(record)

  const { boxId, far, farBoxId, farEntry } = record.cables[id]!
  const faults: Fault[] = []
  if ((far === 'box') !== (farBoxId !== null) || (farBoxId === null) !== (farEntry === null))
    faults.push(
      fault(`${path}/far`, 'run-unclear', say`a cable to another box names the box and where it enters`),
    )
  if (farBoxId === boxId)
    faults.push(fault(`${path}/farBoxId`, 'same-box', say`a cable leads to another box`))
  for (const conductor of rowsWith(record, 'conductors', 'cableId', id))
    for (const end of rowsWith(record, 'ends', 'conductorId', conductor.id))
      if (end.boxId !== boxId && end.boxId !== farBoxId)
        faults.push(
          fault(
            `${path}/farBoxId`,
            'end-elsewhere',
            say`${conductor.insulation} ends in a box it does not lead to`,
          ),
        )
  return faults
}

function faultsOfPlace(record: JobRecord, id: string, path: string): Fault[] {
  const say = sayFor(record)

  const place = record.places[id]!
  const box = record.boxes[place.boxId]
  const faults: Fault[] = []
  if (box && place.gang > box.gangs)
    faults.push(
      fault(`${path}/gang`, 'no-such-gang', say`the box has ${box.gangs} gang(s), not ${place.gang}`),
    )
  const rival = rowsWith(record, 'places', 'boxId', place.boxId).find(
    other => other.id !== id && other.gang === place.gang && other.part === place.part,
  )
  if (rival) faults.push(fault(`${path}/gang`, 'gang-taken', say`${theControl(record, place)} is taken`))
  return faults
}

function faultsOfEnd(record: JobRecord, id: string, path: string): Fault[] {
  const say = sayFor(record)

  const end = record.ends[id]!
  const faults: Fault[] = []
  if ((end.seat === 'terminal') !== (end.deviceId !== null && end.terminal !== null))
    faults.push(
      fault(`${path}/seat`, 'seat-unclear', say`a conductor on a terminal names its device and terminal`),
    )
  if ((end.seat === 'joint') !== (end.jointId !== null))
    faults.push(fault(`${path}/seat`, 'seat-unclear', say`a conductor in a joint names the joint`))
  const cable = record.cables[record.conductors[end.conductorId]?.cableId ?? '']
  if (cable && cable.boxId !== end.boxId && cable.farBoxId !== end.boxId)
    faults.push(fault(`${path}/boxId`, 'end-elsewhere', say`its cable does not come into this box`))
  const joint = end.jointId === null ? null : record.joints[end.jointId]
  if (joint && joint.boxId !== end.boxId)
    faults.push(fault(`${path}/jointId`, 'other-box', say`the joint is in another box`))
  const device = end.deviceId === null ? null : record.devices[end.deviceId]
  const place = device ? record.places[device.placeId] : null
  if (place && place.boxId !== end.boxId)
    faults.push(fault(`${path}/deviceId`, 'other-box', say`the device is in another box`))
  const ends = rowsWith(record, 'ends', 'conductorId', end.conductorId)
  if (ends.length > 2)
    faults.push(fault(`${path}/conductorId`, 'third-end', say`a conductor has two ends, no more`))
  if (ends.some(other => other.id !== id && other.boxId === end.boxId))
    faults.push(fault(`${path}/boxId`, 'same-box', say`both ends of a conductor lie in one box`))
  return faults
}

const spoken = (name: unknown): string => String(name).trim().toLowerCase()

/** Which names stand more than once in a table: a table never changes, so it is looked through once. */
const looked = new WeakMap<object, ReadonlySet<string>>()

function doubledIn(table: object, key: string): ReadonlySet<string> {
  let known = looked.get(table)
  if (!known) {
    const names = new Set<string>()
    const doubled = new Set<string>()
    for (const row of Object.values(table) as Record<string, unknown>[]) {
      const name = spoken(row[key])
      if (names.size === names.add(name).size) doubled.add(name)
    }
    looked.set(table, (known = doubled))
  }
  return known
}

function faultsOfName(record: JobRecord, entity: 'rooms' | 'circuits', id: string): readonly Fault[] {
  const key = entity === 'rooms' ? 'name' : 'breaker'
  const doubled = doubledIn(record[entity], key)
  if (doubled.size === 0) return NONE
  const mine = spoken((rowNamed(record, entity, id) as unknown as Record<string, unknown>)[key])
  if (!doubled.has(mine)) return NONE
  const say = sayFor(record)
  return [fault(`/${entity}/${id}/${key}`, 'name-taken', say`there is another ${key} “${mine}”`)]
}

function oneEach(
  record: JobRecord,
  entity: 'devices' | 'choices' | 'programs',
  id: string,
  path: string,
  message: string,
): Fault[] {
  const { placeId } = rowNamed(record, entity, id) as Row<'devices' | 'choices' | 'programs'>
  return rowsWith(record, entity, 'placeId', placeId).length > 1
    ? [fault(`${path}/placeId`, 'one-each', message)]
    : []
}
