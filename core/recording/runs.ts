import { cablesInto } from '../job/box-view'
import type { Edit } from '../job/command'
import { BLANK } from '../model/blank-rows'
import type { Cable, Conductor } from '../model/entities'
import { rowsWith, type JobRecord } from '../model/record'
import type { FarEnd } from '../model/vocabulary'
import { cableNamesIn, entryAt, freeName, LOOSE } from './cables'
import type { Pen } from './pen'

/** A cable with both ends in boxes of the job. */
export const isRun = ({ farBoxId }: Cable): boolean => farBoxId !== null

/** The other box of a run, seen from one; null where the cable is no run. */
export const otherBoxOf = (cable: Cable, boxId: string): string | null =>
  cable.farBoxId === null ? null : cable.boxId === boxId ? cable.farBoxId : cable.boxId

/** A conductor of the near cable with what it is in the far one: the same metal, or nothing there. */
export interface Pair {
  readonly near: Conductor | null
  readonly far: Conductor | null
}

/** How conductors of two sheaths belong together by their colours. */
export interface Match {
  readonly pairs: readonly Pair[]
  /** Those whose colour does not say which is which; a person must. */
  readonly unclear: { readonly near: readonly Conductor[]; readonly far: readonly Conductor[] }
}

const looks = ({ insulation, markedAs }: Conductor) => `${insulation} ${markedAs ?? ''}`

/**
 * Pairs what only one conductor on each side can be: by colour and tape, then by colour alone. Two of one
 * colour on a side are never told apart, and what has no like on the other side is asked about.
 */
export function matchedByColour(near: readonly Conductor[], far: readonly Conductor[]): Match {
  const pairs: Pair[] = []
  let left = { near: [...near], far: [...far] }
  for (const kind of [looks, (each: Conductor) => each.insulation]) {
    for (const one of left.near) {
      const mine = left.near.filter(each => kind(each) === kind(one))
      const theirs = left.far.filter(each => kind(each) === kind(one))
      if (mine.length === 1 && theirs.length === 1) pairs.push({ near: one, far: theirs[0]! })
    }
    const paired = new Set(pairs.flatMap(each => [each.near?.id, each.far?.id]))
    left = {
      near: left.near.filter(({ id }) => !paired.has(id)),
      far: left.far.filter(({ id }) => !paired.has(id)),
    }
  }
  return { pairs, unclear: left }
}

/** Fields of a conductor in which the two ends of one metal were recorded differently. */
export const DIFFERING = ['insulation', 'gauge', 'stranding', 'metal', 'faded'] as const
export type Differing = (typeof DIFFERING)[number]

export const differencesIn = ({ near, far }: Pair): Differing[] =>
  near && far ? DIFFERING.filter(field => near[field] !== far[field]) : []

export interface Link {
  readonly cableId: string
  /** The box that the cable is seen from. */
  readonly fromBoxId: string
  readonly toBoxId: string
  /** The cable there that is the same one; null where it is not recorded there yet. */
  readonly toCableId: string | null
  readonly pairs: readonly Pair[]
  /** What a person says where the two ends were recorded differently, by the near conductor. */
  readonly settled: Readonly<Record<string, Partial<Conductor>>>
}

/**
 * A cable is found to lead to another box: one cable with two ends from now on. What was recorded at the far
 * end stays with its end: seat, role, readings and notes. A cable that led to some other box is parted first.
 */
export function linked(pen: Pen, record: JobRecord, link: Link): Edit[] {
  const cable = record.cables[link.cableId]!
  const there = link.toCableId === null ? null : record.cables[link.toCableId]!
  const parted = isRun(cable) ? unlinked(pen, record, cable.id, link.fromBoxId, 'not-known') : []
  const taken = [link.fromBoxId, link.toBoxId].flatMap(boxId =>
    othersIn(record, boxId, [cable.id, there?.id]),
  )
  const name = taken.includes(cable.name) ? freeName([...taken, cable.name]) : cable.name
  const near = rowsWith(record, 'conductors', 'cableId', cable.id).filter(({ id }) =>
    rowsWith(record, 'ends', 'conductorId', id).some(end => end.boxId === link.fromBoxId),
  )
  const entry = entryAt(cable, link.fromBoxId)
  // Seen from its far end the cable is turned round, so that it starts at the box it is linked from.
  return [
    ...parted,
    ...(there ? merged(pen, record, cable, link) : near.flatMap(each => endThere(pen, each, link.toBoxId))),
    pen.change('cables', cable.id, {
      boxId: link.fromBoxId,
      entry,
      name,
      far: 'box',
      farBoxId: link.toBoxId,
      farEntry: there ? there.entry : entry === 'top' ? 'bottom' : 'top',
      farLoadId: null,
    }),
    ...(there ? [pen.remove('cables', there.id)] : []),
  ]
}

const othersIn = (record: JobRecord, boxId: string, without: readonly (string | undefined)[]): string[] =>
  cablesInto(record, boxId)
    .filter(({ id }) => !without.includes(id))
    .map(({ name }) => name)

const endThere = (pen: Pen, { id }: Conductor, boxId: string): Edit[] => [
  pen.add('ends', { id: pen.newId(), conductorId: id, boxId, ...BLANK.ends, ...LOOSE }),
]

/** The far ends go over to the near conductors; what has no like stays with the end it has. */
function merged(pen: Pen, record: JobRecord, cable: Cable, { pairs, settled }: Link): Edit[] {
  const positions = rowsWith(record, 'conductors', 'cableId', cable.id).map(each => each.position)
  let position = Math.max(-1, ...positions)
  return pairs.flatMap(({ near, far }): Edit[] => {
    if (!far) return []
    if (!near) return [pen.change('conductors', far.id, { cableId: cable.id, position: ++position })]
    const said = { ...settled[near.id], ...(near.markedAs === null ? { markedAs: far.markedAs } : {}) }
    const differs = Object.entries(said).some(([field, value]) => near[field as keyof Conductor] !== value)
    return [
      ...rowsWith(record, 'ends', 'conductorId', far.id).map(end =>
        pen.change('ends', end.id, { conductorId: near.id }),
      ),
      ...(differs ? [pen.change('conductors', near.id, said)] : []),
      pen.remove('conductors', far.id),
    ]
  })
}

/**
 * A run is found to be no run: each box keeps its end of it as a cable of its own, with all that was recorded
 * there.
 * @param far where it leads seen from `fromBoxId`; not known from the other
 */
export function unlinked(
  pen: Pen,
  record: JobRecord,
  cableId: string,
  fromBoxId: string,
  far: Exclude<FarEnd, 'box'>,
): Edit[] {
  const cable = record.cables[cableId]!
  const otherId = otherBoxOf(cable, fromBoxId)
  if (otherId === null) return [pen.change('cables', cableId, { far, farLoadId: null })]
  const id = pen.newId()
  const conductors = rowsWith(record, 'conductors', 'cableId', cableId)
  return [
    pen.add('cables', {
      ...cable,
      id,
      boxId: otherId,
      entry: entryAt(cable, otherId),
      far: 'not-known',
      farBoxId: null,
      farEntry: null,
      farLoadId: null,
      position: cableNamesIn(record, otherId).length,
    }),
    ...conductors.flatMap((conductor): Edit[] => {
      const ends = rowsWith(record, 'ends', 'conductorId', conductor.id)
      const there = ends.filter(({ boxId }) => boxId === otherId)
      if (there.length === 0) return []
      if (ends.length === there.length) return [pen.change('conductors', conductor.id, { cableId: id })]
      const copy = pen.newId()
      return [
        pen.add('conductors', { ...conductor, id: copy, cableId: id }),
        ...there.map(end => pen.change('ends', end.id, { conductorId: copy })),
      ]
    }),
    pen.change('cables', cableId, {
      boxId: fromBoxId,
      entry: entryAt(cable, fromBoxId),
      far,
      farBoxId: null,
      farEntry: null,
      farLoadId: null,
    }),
  ]
}

/** Cables of a box that may be the other end of one: they lead to no box yet, likeliest first. */
export function mayBeTheSame(record: JobRecord, cable: Cable, boxId: string): Cable[] {
  const colours = (id: string) =>
    rowsWith(record, 'conductors', 'cableId', id)
      .map(({ insulation }) => insulation)
      .sort()
      .join()
  const mine = colours(cable.id)
  const unlike = (other: Cable) =>
    (colours(other.id) === mine ? 0 : 2) + (other.sheath === cable.sheath ? 0 : 1)
  return rowsWith(record, 'cables', 'boxId', boxId)
    .filter(other => other.id !== cable.id && !isRun(other) && other.sheath !== 'own-leads')
    .filter(({ far }) => far === 'not-known' || far === 'elsewhere')
    .sort((a, b) => unlike(a) - unlike(b) || a.position - b.position || (a.id < b.id ? -1 : 1))
}

/** Boxes that a cable of one may lead to, likeliest first: those of its lights, its room, its floor, its circuit. */
export function mayLeadTo(record: JobRecord, boxId: string): string[] {
  const here = record.boxes[boxId]!
  const lights = new Set(rowsWith(record, 'places', 'boxId', boxId).map(({ groupId }) => groupId))
  const circuits = new Set(rowsWith(record, 'feeds', 'boxId', boxId).map(({ circuitId }) => circuitId))
  const floorOf = (roomId: string) => record.rooms[roomId]?.floor ?? ''
  const farFrom = (id: string): number => {
    const box = record.boxes[id]!
    const isOfLight = rowsWith(record, 'places', 'boxId', id).some(({ groupId }) => lights.has(groupId))
    const isOfCircuit = rowsWith(record, 'feeds', 'boxId', id).some(each => circuits.has(each.circuitId))
    return (
      (isOfLight ? 0 : 8) +
      (box.roomId === here.roomId ? 0 : 4) +
      (floorOf(box.roomId) === floorOf(here.roomId) ? 0 : 2) +
      (isOfCircuit ? 0 : 1)
    )
  }
  return Object.keys(record.boxes)
    .filter(id => id !== boxId)
    .sort(
      (a, b) =>
        farFrom(a) - farFrom(b) || record.boxes[a]!.position - record.boxes[b]!.position || (a < b ? -1 : 1),
    )
}
