import type { Box, Breaker } from '../model/entities'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
import { byPosition, oneHandle, sharersOf } from '../model/ties'
import { sayFor } from '../model/say-for'

/** What is known of one circuit, from its label and from what was found. */
export interface DirectoryEntry {
  readonly circuit: Breaker
  readonly shares: readonly { readonly circuit: Breaker; readonly oneHandle: boolean }[]
  /** Boxes that a reading, or a light that went dark, found on it. */
  readonly found: readonly Box[]
  /** Boxes that only a label puts on it. */
  readonly labelled: readonly Box[]
  /** What the directory should say, from what was found; null while nothing was. */
  readonly says: string | null
}

/** The panel’s directory, which grows as breakers are found. */
export function directoryOf(record: JobRecord): DirectoryEntry[] {
  const circuits = [...rowsOf(record, 'circuits')].sort(byPosition)
  const fed = new Map(
    circuits.map(({ id }) => {
      const boxes = (basis: 'reading' | 'label') =>
        rowsWith(record, 'feeds', 'circuitId', id).flatMap(feed =>
          feed.basis === basis ? (record.boxes[feed.boxId] ?? []) : [],
        )
      return [id, { found: boxes('reading'), labelled: boxes('label') }]
    }),
  )
  return circuits.map(circuit => {
    const { found, labelled } = fed.get(circuit.id)!
    const others = circuits.filter(({ id }) => id !== circuit.id).flatMap(({ id }) => fed.get(id)!.found)
    return {
      circuit,
      shares: sharersOf(record, circuit).map(other => ({
        circuit: other,
        oneHandle: oneHandle(record, circuit, other),
      })),
      found,
      labelled,
      says: found.length > 0 ? foundIn(record, circuit, found, others).join(', ') : null,
    }
  })
}

/**
 * Rooms that a circuit feeds. Where another one feeds boxes of the same room too, which of them are its own; and where
 * both come into one box, which of its lights.
 */
function foundIn(
  record: JobRecord,
  circuit: Breaker,
  boxes: readonly Box[],
  others: readonly Box[],
): string[] {
  return rowsOf(record, 'rooms').flatMap(room => {
    const own = boxes.filter(({ roomId }) => roomId === room.id)
    if (own.length === 0) return []
    if (!others.some(({ roomId }) => roomId === room.id)) return [room.name]
    return [`${room.name} (${own.map(box => boxWords(record, circuit, box, others)).join('; ')})`]
  })
}

function boxWords(record: JobRecord, circuit: Breaker, box: Box, others: readonly Box[]): string {
  const say = sayFor(record)

  if (!others.some(({ id }) => id === box.id)) return box.name
  const lights = lightsOn(record, circuit, box)
  return lights.length > 0 ? `${box.name}: ${lights.join(', ')}` : say`${box.name}, in part`
}

/** Lights of a box that a circuit feeds, by the conductors that are on their devices or serve them. */
function lightsOn(record: JobRecord, { id }: Breaker, box: Box): string[] {
  const hots = rowsWith(record, 'ends', 'boxId', box.id).filter(end => end.roleCircuitId === id)
  const joints = new Set(hots.flatMap(({ jointId }) => jointId ?? []))
  return rowsWith(record, 'places', 'boxId', box.id).flatMap(place => {
    const devices = rowsWith(record, 'devices', 'placeId', place.id).map(device => device.id)
    const isFed =
      hots.some(end => end.roleGroupId === place.groupId) ||
      hots.some(end => end.deviceId !== null && devices.includes(end.deviceId)) ||
      devices.some(deviceId =>
        rowsWith(record, 'pigtails', 'deviceId', deviceId).some(({ jointId }) => joints.has(jointId)),
      )
    return isFed ? [record.groups[place.groupId]!.name] : []
  })
}

/** Rooms of some boxes, each once, in the order of the house. */
export function roomsOf(record: JobRecord, boxes: readonly Box[]): string[] {
  const wanted = new Set(boxes.map(({ roomId }) => roomId))
  return rowsOf(record, 'rooms').flatMap(({ id, name }) => (wanted.has(id) ? [name] : []))
}

/** Breakers by what is written on them, in the panel’s order: “1, 4, 11”. */
export const breakersIn = (record: JobRecord, ids: readonly string[]): string =>
  rowsOf(record, 'circuits')
    .filter(({ id }) => ids.includes(id))
    .sort(byPosition)
    .map(({ breaker }) => breaker)
    .join(', ')
