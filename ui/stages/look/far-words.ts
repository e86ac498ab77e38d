import type { BoxView } from '@/core/job/box-view'
import type { Box, Cable } from '@/core/model/entities'
import type { JobRecord } from '@/core/model/record'
import { otherBoxOf } from '@/core/recording'
import { plain } from '../../words'
import { sayIn } from '@/core/words/say'

/** A box by its room and its name. */
export const boxNamed = (record: JobRecord, box: Box): string =>
  `${record.rooms[box.roomId]?.name ?? ''} · ${box.name}`

/** Where a cable leads, seen from this box. */
export function farWords(view: BoxView, cable: Cable): string {
  const say = sayIn(view.region)

  const other = view.record.boxes[otherBoxOf(cable, view.box.id) ?? '']
  if (other) return say`to ${boxNamed(view.record, other)}`
  const load = view.record.loads[cable.farLoadId ?? '']
  if (cable.sheath === 'own-leads') return load ? load.name : say`what hangs here`
  if (cable.far === 'luminaire') return load ? say`to ${load.name}` : say`Luminaire`
  return cable.far === 'panel' ? say`Panel` : say(plain(cable.far))
}
