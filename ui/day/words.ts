import type { JobRecord } from '@/core/model/record'
import type { Turn } from '@/core/plan'

export const boxName = (record: JobRecord, boxId: string): string => {
  const box = record.boxes[boxId]
  return box ? `${record.rooms[box.roomId]?.name ?? ''}, ${box.name}` : boxId
}

/** Minutes after the start as a time of the day. */
export function clock(start: string, minutes: number): string {
  const [hours = 0, first = 0] = start.split(':').map(Number)
  const all = Math.round(hours * 60 + first + minutes)
  return `${String(Math.floor(all / 60) % 24).padStart(2, '0')}:${String(all % 60).padStart(2, '0')}`
}

export const boxesOf = (turns: readonly Turn[]): string[] => [...new Set(turns.map(({ boxId }) => boxId))]
