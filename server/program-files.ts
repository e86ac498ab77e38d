import ical from 'ical-generator'
import type { JobRecord } from '@/core/model/record'
import { sayFor } from '@/core/model/say-for'
import { programRowOf } from '@/core/plan'
import { clockOf, dayOf, PROGRAM_SEED, runOf, writtenBy, type Run } from '@/core/setup'
import { csvOf } from './csv'
import { loadJob } from './jobs'

export const PROGRAM_FILES = ['ics', 'csv'] as const
export type ProgramFile = (typeof PROGRAM_FILES)[number]

/**
 * What the program of a place does in a year, as a calendar with one entry each time the light is lit, or as a table of
 * every switching. Null where there is no such job or program, or nobody said where the house stands.
 */
export async function programFile(
  jobId: string,
  placeId: string,
  year: number,
  as: ProgramFile,
): Promise<{ readonly house: string; readonly text: string } | null> {
  const job = await loadJob(jobId)
  const program = job && programRowOf(job.record, placeId)?.program
  const site = job?.record.job.site
  if (!job || !program || !site) return null
  const { record } = job
  const days = { from: dayOf(`${year}-01-01`)!, to: dayOf(`${year}-12-31`)! }
  const run = runOf(program, site, days, { seed: PROGRAM_SEED })
  const text = as === 'ics' ? calendarOf(record, placeId, run) : tableOf(run, site.zone)
  return { house: record.job.name, text }
}

function calendarOf(record: JobRecord, placeId: string, { lit }: Run): string {
  const say = sayFor(record)
  const place = record.places[placeId]!
  const light = record.groups[place.groupId]!.name
  const room = record.rooms[record.boxes[place.boxId]!.roomId]!.name
  const inOneLine = (words: string) => words.replace(/\s+/g, ' ')
  const calendar = ical({
    name: inOneLine(say`${record.job.name}: ${light}`),
    prodId: '//every room//program//EN',
  })
  for (const { from, to } of lit)
    calendar.createEvent({
      id: `${record.job.id}-${placeId}-${from}`,
      summary: inOneLine(say`${light} lit`),
      location: inOneLine(room),
      start: new Date(from),
      end: new Date(to),
      stamp: new Date(from),
    })
  return calendar.toString()
}

/** Each switching as the clocks there show it, and in UTC. */
function tableOf({ switchings }: Run, zone: string): string {
  const clock = clockOf(zone)
  return csvOf([
    ['date', 'time', 'turns', 'utc'],
    ...switchings.map(({ instant, turns }) => {
      const shown = writtenBy(clock, instant)
      return [shown.slice(0, 10), shown.slice(11, 19), turns, new Date(instant).toISOString()]
    }),
  ])
}
