import type { Cable, Conductor, ConductorEnd } from '@/core/model/entities'
import type { BoxView } from '@/core/job/box-view'
import type { Edit } from '@/core/job/command'
import type { Gauge, Insulation } from '@/core/model/vocabulary'
import { newId } from '../../job/new-id'

type Seat = Pick<ConductorEnd, 'seat' | 'deviceId' | 'terminal' | 'jointId'>

export const LOOSE: Seat = { seat: 'loose', deviceId: null, terminal: null, jointId: null }

export interface NewStrand {
  readonly insulation: Insulation
  readonly seat: Seat
}

const add = (entity: 'cables' | 'conductors' | 'ends', row: Cable | Conductor | ConductorEnd) =>
  ({ kind: 'add', entity, row }) as unknown as Edit

/** The edits that record one conductor of a cable and where it sits in this box. */
export function strandEdits(
  view: BoxView,
  cableId: string,
  { insulation, seat }: NewStrand,
  gauge: Gauge,
  position: number,
): Edit[] {
  const conductorId = newId()
  return [
    add('conductors', {
      id: conductorId,
      cableId,
      insulation,
      markedAs: null,
      gauge,
      stranding: 'solid',
      metal: 'copper',
      faded: false,
      unfit: false,
      wish: null,
      position,
    }),
    add('ends', {
      id: newId(),
      conductorId,
      boxId: view.box.id,
      ...seat,
      role: null,
      roleCircuitId: null,
      roleGroupId: null,
      seenAtSheath: seat !== LOOSE && view.region.groundColours.includes(insulation),
    }),
  ]
}

/** The edits that record a whole cable: its sheath, and each conductor in it. */
export function cableEdits(
  view: BoxView,
  cable: Pick<Cable, 'name' | 'entry' | 'far' | 'position'>,
  strands: readonly NewStrand[],
  gauge: Gauge,
): Edit[] {
  const cableId = newId()
  return [
    add('cables', {
      id: cableId,
      boxId: view.box.id,
      sheath: 'nonmetallic',
      farBoxId: null,
      farEntry: null,
      farLoadId: null,
      ...cable,
    }),
    ...strands.flatMap((strand, position) => strandEdits(view, cableId, strand, gauge, position)),
  ]
}
