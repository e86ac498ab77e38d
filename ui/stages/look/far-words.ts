import type { BoxView } from '@/core/job/box-view'
import type { Box, Cable } from '@/core/model/entities'
import type { JobRecord } from '@/core/model/record'
import { otherBoxOf } from '@/core/recording'
import { plain } from '../../words'

/** A box by its room and its name. */
export const boxNamed = (record: JobRecord, box: Box): string =>
  `${record.rooms[box.roomId]?.name ?? ''} · ${box.name}`

/** Where a cable leads, seen from this box. */
export function farWords(view: BoxView, cable: Cable): string {
  const other = view.record.boxes[otherBoxOf(cable, view.box.id) ?? '']
  if (other) return `to ${boxNamed(view.record, other)}`
  const load = view.record.loads[cable.farLoadId ?? '']
  if (cable.sheath === 'own-leads') return load ? load.name : 'what hangs here'
  if (cable.far === 'luminaire') return load ? `to ${load.name}` : 'Luminaire'
  return cable.far === 'panel' ? plain(view.region.words.panel) : plain(cable.far)
}
