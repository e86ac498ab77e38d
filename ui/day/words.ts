import { rowsOf, type JobRecord } from '@/core/model/record'
import type { Turn } from '@/core/plan'

export const KIND_WORDS: Readonly<Record<Turn['kind'], string>> = {
  apart: 'Read dead, take apart',
  live: 'Read live',
  work: 'Wire',
}

export const boxName = (record: JobRecord, boxId: string): string => {
  const box = record.boxes[boxId]
  return box ? `${record.rooms[box.roomId]?.name ?? ''}, ${box.name}` : boxId
}

/** Breakers by their numbers, in the panel’s order. */
export const breakersIn = (record: JobRecord, ids: readonly string[]): string =>
  rowsOf(record, 'circuits')
    .filter(({ id }) => ids.includes(id))
    .map(({ breaker }) => breaker)
    .join(', ')

/** Minutes after the start as a time of the day. */
export function clock(start: string, minutes: number): string {
  const [hours = 0, first = 0] = start.split(':').map(Number)
  const all = Math.round(hours * 60 + first + minutes)
  return `${String(Math.floor(all / 60) % 24).padStart(2, '0')}:${String(all % 60).padStart(2, '0')}`
}

export const boxesOf = (turns: readonly Turn[]): string[] => [...new Set(turns.map(({ boxId }) => boxId))]
