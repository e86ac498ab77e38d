import type { JobRecord } from '@/core/model/record'
import type { Turn } from '@/core/plan'
import { sayFor } from '@/core/model/say-for'

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

/** What is made sure of before the breakers of a stretch go on: who is clear of them, what stands capped and covered. */
export function beforeOn(record: JobRecord, standing: readonly string[]): string {
  const say = sayFor(record)

  const crew = Object.values(record.crew).map(({ name }) => name)
  return say`${crew.length > 0 ? crew.join(', ') : say`everyone`} clear of it, each said so${standing.length > 0 ? say`; capped and covered: ${standing.map(id => boxName(record, id)).join('; ')}` : ''}.`
}
