import { needsIn } from '../check'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
import { deviceNamed, type Trade } from '../model/trade'

/** An old device that comes out and is kept, with where it stood. */
export interface SavedDevice {
  readonly modelId: string
  readonly what: string
  readonly count: number
  readonly places: readonly string[]
}

/** Old devices that are replaced where what is taken out is to be kept, kind by kind. */
export function savedDevices(record: JobRecord, trade: Trade): SavedDevice[] {
  const saved = new Map<string, SavedDevice>()
  for (const { id, groupId, boxId } of rowsOf(record, 'places')) {
    if (!needsIn(record, groupId).some(({ need }) => need === 'keep-old')) continue
    const [found] = rowsWith(record, 'devices', 'placeId', id)
    if (!found || rowsWith(record, 'choices', 'placeId', id).length === 0) continue
    const box = record.boxes[boxId]!
    const place = `${record.rooms[box.roomId]!.name}, ${box.name}`
    const known = saved.get(found.modelId)
    saved.set(found.modelId, {
      modelId: found.modelId,
      what: deviceNamed(trade, found.modelId)?.name ?? found.modelId,
      count: (known?.count ?? 0) + 1,
      places: [...new Set([...(known?.places ?? []), place])],
    })
  }
  return [...saved.values()].sort((a, b) => (a.what < b.what ? -1 : 1))
}
