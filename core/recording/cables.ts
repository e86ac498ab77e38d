import { cablesInto } from '../job/box-view'
import type { Edit } from '../job/command'
import { BLANK } from '../model/blank-rows'
import type { Cable, Conductor, ConductorEnd } from '../model/entities'
import { rowsWith, type JobRecord } from '../model/record'
import { regionOf } from '../model/regions'
import type { Gauge, Insulation } from '../model/vocabulary'
import type { Pen } from './pen'

export type Seat = Pick<ConductorEnd, 'seat' | 'deviceId' | 'terminal' | 'jointId'>

export const LOOSE: Seat = { seat: 'loose', deviceId: null, terminal: null, jointId: null }

/** What is known of a conductor at one end, where more than its seat is. */
export type Said = Seat & Partial<Pick<ConductorEnd, 'role' | 'roleCircuitId' | 'roleGroupId'>>

/** One conductor of a cable, and where it sits in each box it comes into. */
export interface NewStrand {
  readonly insulation: Insulation
  readonly gauge: Gauge
  readonly at: readonly { readonly boxId: string; readonly said: Said }[]
}

/** A conductor of a cable with its ends; a ground that is seated was seen where its sheath ends. */
export function strandEdits(
  pen: Pen,
  record: JobRecord,
  cableId: string,
  strand: NewStrand,
  position: number,
): Edit[] {
  const { insulation, gauge, at } = strand
  const conductorId = pen.newId()
  const { groundColours } = regionOf(record.job.regionId)
  return [
    pen.add('conductors', {
      id: conductorId,
      cableId,
      ...BLANK.conductors,
      insulation,
      gauge,
      position,
    }),
    ...at.map(({ boxId, said }) =>
      pen.add('ends', {
        id: pen.newId(),
        conductorId,
        boxId,
        ...BLANK.ends,
        seenAtSheath: said.seat !== 'loose' && groundColours.includes(insulation),
        ...said,
      }),
    ),
  ]
}

type NewCable = Pick<Cable, 'boxId' | 'name' | 'position'> & Partial<Cable>

/** A whole cable: its sheath, and each conductor in it. */
export function cableEdits(
  pen: Pen,
  record: JobRecord,
  cable: NewCable,
  strands: readonly NewStrand[],
): Edit[] {
  const id = pen.newId()
  return [
    pen.add('cables', { ...BLANK.cables, ...cable, id }),
    ...strands.flatMap((strand, position) => strandEdits(pen, record, id, strand, position)),
  ]
}

/** Boxes that a cable comes into as recorded: one, or both ends of a run. */
export const boxesOf = ({ boxId, farBoxId }: Cable): string[] => [
  boxId,
  ...(farBoxId === null ? [] : [farBoxId]),
]

/** One more conductor in a cable that is there: at every box the cable comes into, loose. */
export function conductorAdded(
  pen: Pen,
  record: JobRecord,
  cable: Cable,
  strand: Pick<Conductor, 'insulation' | 'gauge'>,
): Edit[] {
  const siblings = rowsWith(record, 'conductors', 'cableId', cable.id)
  const position = Math.max(-1, ...siblings.map(each => each.position)) + 1
  const at = boxesOf(cable).map(boxId => ({ boxId, said: LOOSE }))
  return strandEdits(pen, record, cable.id, { ...strand, at }, position)
}

const NAMES = [...'ABCDEFGHJKLMNPQRSTUVWXYZ']

/** The names of the cables that come into a box. */
export const cableNamesIn = (record: JobRecord, boxId: string): string[] =>
  cablesInto(record, boxId).map(({ name }) => name)

/** The first letter that none of these cables has; a number where all letters are taken. */
export function freeName(taken: readonly string[]): string {
  const used = new Set(taken)
  const letter = NAMES.find(name => !used.has(name))
  if (letter !== undefined) return letter
  let number = 1
  while (used.has(`C${number}`)) number++
  return `C${number}`
}

/** Where a cable enters one of its boxes. */
export const entryAt = (cable: Cable, boxId: string): Cable['entry'] =>
  cable.boxId === boxId ? cable.entry : (cable.farEntry ?? cable.entry)

/** A cable comes in at another side of one of its boxes; its other end stays where it is. */
export const entryChanged = (pen: Pen, cable: Cable, boxId: string, entry: Cable['entry']): Edit[] => [
  pen.change('cables', cable.id, cable.boxId === boxId ? { entry } : { farEntry: entry }),
]

/** Every conductor of a cable in one gauge, the ground too. */
export const gaugeChanged = (pen: Pen, record: JobRecord, cable: Cable, gauge: Gauge): Edit[] =>
  rowsWith(record, 'conductors', 'cableId', cable.id)
    .filter(conductor => conductor.gauge !== gauge)
    .map(({ id }) => pen.change('conductors', id, { gauge }))
