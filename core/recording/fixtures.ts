import type { Edit } from '../job/command'
import type { Cable } from '../model/entities'
import { rowsWith, type JobRecord } from '../model/record'
import { regionOf } from '../model/regions'
import type { Role } from '../model/vocabulary'
import { boxAdded } from './boxes'
import { cableEdits, cableNamesIn, freeName, LOOSE, type NewStrand } from './cables'
import type { Pen } from './pen'
import { linked } from './runs'

/** What hangs at a box: a luminaire, or one half of a receptacle, switched or always fed. */
export const HANGING = ['luminaire', 'switched-half', 'fed-half'] as const
export type Hanging = (typeof HANGING)[number]

export interface Hung {
  readonly boxId: string
  readonly kind: Hanging
  /** The light it belongs to; none for a half that is always fed. */
  readonly groupId: string | null
  /** Its lamps, where they are recorded. */
  readonly loadId: string | null
}

/** The wires that something brings itself, into the box it hangs at; they sit nowhere yet. */
export function hung(
  pen: Pen,
  record: JobRecord,
  { boxId, kind, groupId, loadId }: Hung,
  earlier: readonly string[] = [],
): Edit[] {
  const region = regionOf(record.job.regionId)
  const names = [...cableNamesIn(record, boxId), ...earlier]
  const roles: readonly Role[] = [kind === 'fed-half' ? 'onward-feed' : 'switched-load', 'neutral', 'ground']
  const strands = region.colours.leads.map((insulation, at): NewStrand => ({
    insulation,
    // A receptacle has screws, and what is on them is as thick as its circuit; a luminaire brings thin leads.
    gauge: kind === 'luminaire' ? region.leadGauge : region.usualGauge,
    at: [{ boxId, said: { ...LOOSE, role: roles[at]!, roleGroupId: at === 0 ? groupId : null } }],
  }))
  return cableEdits(
    pen,
    record,
    {
      boxId,
      name: freeName(names),
      sheath: 'own-leads',
      entry: 'top',
      far: kind === 'fed-half' ? 'elsewhere' : 'luminaire',
      farLoadId: loadId,
      position: names.length,
    },
    strands,
  )
}

/**
 * The luminaire that a cable leads to becomes a box of its own: the cable runs there, and the luminaire’s wires hang
 * in it. What feeds the box that it is seen from is said to feed it, by no more than that.
 */
export function luminaireRecorded(
  pen: Pen,
  record: JobRecord,
  cable: Cable,
  fromBoxId: string,
  said: { readonly name: string; readonly groupId: string | null; readonly loadId: string | null },
): { readonly edits: Edit[]; readonly boxId: string } {
  const boxId = pen.newId()
  const { roomId } = record.boxes[fromBoxId]!
  const link = { cableId: cable.id, fromBoxId, toBoxId: boxId, toCableId: null, pairs: [], settled: {} }
  return {
    boxId,
    edits: [
      boxAdded(pen, record, { id: boxId, roomId, name: said.name, kind: 'luminaire', gangs: 0 }),
      ...rowsWith(record, 'feeds', 'boxId', fromBoxId).map(({ circuitId }) =>
        pen.add('feeds', { id: pen.newId(), boxId, circuitId, basis: 'label' }),
      ),
      ...linked(pen, record, link),
      ...hung(pen, record, { boxId, kind: 'luminaire', groupId: said.groupId, loadId: said.loadId }, [
        cable.name,
      ]),
    ],
  }
}
