import ical from 'ical-generator'
import { breakersIn } from '@/core/panel'
import { dayOf, TURN_WORDS } from '@/core/plan'
import { sayFor } from '@/core/model/say-for'
import { currentTrade } from './catalogue'
import { loadJob } from './jobs'

/** The name of a calendar is written as it is: a break in it would begin a line of its own. */
const inOneLine = (text: string): string => text.replace(/\s+/g, ' ')

/**
 * The day of a job as a calendar, one entry a walk and one a piece of work; `date` as YYYY-MM-DD, `start` as HH:MM,
 * both in the time of whoever reads it. With the name of the house; null where there is no such job.
 */
export async function dayCalendar(
  jobId: string,
  date: string,
  start: string,
): Promise<{ readonly house: string; readonly text: string } | null> {
  const job = await loadJob(jobId)
  if (!job) return null
  const { record } = job
  const say = sayFor(record)
  const calendar = ical({
    name: inOneLine(say`${record.job.name}: the day`),
    prodId: '//every room//day//EN',
  })
  const begin = Date.parse(`${date}T${start}:00Z`)
  // No zone: the same hour wherever the calendar is opened.
  const at = (minutes: number) => new Date(begin + Math.round(minutes) * 60_000)
  const breakers = (ids: readonly string[]) => breakersIn(record, ids)
  const add = (id: string, summary: string, from: number, minutes: number, where: string) =>
    calendar.createEvent({
      id: `${record.job.id}-${id}`,
      summary,
      location: where,
      floating: true,
      start: at(from),
      end: at(from + Math.max(1, minutes)),
      stamp: at(0),
    })
  const { stretches } = dayOf(record, await currentTrade())
  stretches.forEach((stretch, index) => {
    const thrown = [
      ...(stretch.toOff.length > 0 ? [say`breaker ${breakers(stretch.toOff)} off`] : []),
      ...(stretch.toOn.length > 0 ? [say`breaker ${breakers(stretch.toOn)} on`] : []),
    ]
    if (thrown.length > 0)
      add(
        `walk-${index + 1}`,
        say`Walk ${index + 1}: ${thrown.join('; ')}`,
        stretch.from - stretch.walkMinutes,
        stretch.walkMinutes,
        say`panel`,
      )
    for (const { boxId, kind, who, from, minutes } of stretch.turns) {
      const box = record.boxes[boxId]!
      const where = `${record.rooms[box.roomId]!.name}, ${box.name}`
      add(
        `${boxId}-${kind}`,
        `${say(TURN_WORDS[kind])}: ${where}${who ? ` (${who})` : ''}`,
        from,
        minutes,
        where,
      )
    }
  })
  // The last walk brings back what was off to the end.
  const last = stretches.at(-1)
  if (last && last.off.length > 0)
    add(
      `walk-${stretches.length + 1}`,
      say`Last walk: breaker ${breakers(last.off)} on`,
      last.from + last.minutes,
      last.walkMinutes,
      say`panel`,
    )
  return { house: record.job.name, text: calendar.toString() }
}
