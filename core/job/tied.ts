import type { Cable } from '../model/entities'
import { rowsWith, type JobRecord } from '../model/record'
import { boxView, type BoxView } from './box-view'

/**
 * Boxes whose wiring hangs together with one: those that control the same light, and those that a
 * recorded cable leads to, and so on from there. The one asked for is among them; in the order of the record.
 */
export function tiedBoxes(record: JobRecord, boxId: string): BoxView[] {
  const tied = new Set([boxId])
  const queue = [boxId]
  const meet = (id: string | null) => {
    if (id === null || tied.has(id) || !record.boxes[id]) return
    tied.add(id)
    queue.push(id)
  }
  for (let id = queue.shift(); id !== undefined; id = queue.shift()) {
    for (const { groupId } of rowsWith(record, 'places', 'boxId', id)) {
      for (const other of rowsWith(record, 'places', 'groupId', groupId)) meet(other.boxId)
      for (const { boxId: luminaire } of ownLeadsOf(record, groupId)) meet(luminaire)
    }
    for (const cable of rowsWith(record, 'cables', 'boxId', id)) {
      meet(cable.farBoxId)
      for (const groupId of lightsHere(record, cable))
        for (const other of rowsWith(record, 'places', 'groupId', groupId)) meet(other.boxId)
    }
    for (const cable of rowsWith(record, 'cables', 'farBoxId', id)) meet(cable.boxId)
  }
  return [...tied]
    .sort((a, b) => record.boxes[a]!.position - record.boxes[b]!.position || (a < b ? -1 : 1))
    .flatMap(id => boxView(record, id) ?? [])
}

/** Ends of wires that the luminaires of a light bring themselves. */
const ownLeadsOf = (record: JobRecord, groupId: string) =>
  rowsWith(record, 'ends', 'roleGroupId', groupId).filter(
    ({ conductorId }) => record.cables[record.conductors[conductorId]?.cableId ?? '']?.sheath === 'own-leads',
  )

/** The lights whose own wires are in a cable’s sheath: they hang in that box. */
const lightsHere = (record: JobRecord, { id, sheath }: Cable): string[] =>
  sheath === 'own-leads'
    ? rowsWith(record, 'conductors', 'cableId', id).flatMap(conductor =>
        rowsWith(record, 'ends', 'conductorId', conductor.id).flatMap(({ roleGroupId }) => roleGroupId ?? []),
      )
    : []

/** The boxes of each piece of wiring that hangs together, every box of the job in one of them. */
export function tiedSets(record: JobRecord): BoxView[][] {
  const seen = new Set<string>()
  return Object.keys(record.boxes)
    .sort((a, b) => record.boxes[a]!.position - record.boxes[b]!.position || (a < b ? -1 : 1))
    .flatMap(id => {
      if (seen.has(id)) return []
      const set = tiedBoxes(record, id)
      for (const { box } of set) seen.add(box.id)
      return [set]
    })
}
