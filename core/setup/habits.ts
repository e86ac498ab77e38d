import type { Habits } from '../model/habits'
import { fault, good, refused, type Fault, type Result } from '../model/result'
import { Draw } from './draw'
import type { PresenceEvent, Timeline } from './presence'

export type { Habits }

const DAY = 86_400
const HOUR = 3600
/** Nobody sits like a stone, nor stays for days. */
const LONGEST_STILL = 4 * HOUR
const LONGEST_STAY = 12 * HOUR
const STIRS_ASLEEP = 1500
/** The first seat is sat on, the second slept on. */
const SEATS = [{ asleep: false }, { asleep: true }] as const

/** Habits that can be, or everything that is wrong with them, each at its field. */
export function parseHabits(habits: Habits): Result<Habits> {
  const faults: Fault[] = []
  const say = (path: string, code: string, message: string) => faults.push(fault(path, code, message))
  const within = (path: string, figure: number, least: number, most: number) => {
    if (!(figure >= least && figure <= most)) say(path, 'range', `${least} to ${most}`)
  }
  for (const kind of ['workday', 'restDay'] as const) {
    if (habits.visits[kind].length !== 24)
      say(`/visits/${kind}`, 'not-each-hour', 'one figure for each of 24 hours')
    habits.visits[kind].forEach((figure, hour) => within(`/visits/${kind}/${hour}`, figure, 0, 60))
  }
  within('/passing/share', habits.passing.share, 0, 1)
  within('/passing/seconds', habits.passing.seconds, 1, 600)
  within('/stayMinutes', habits.stayMinutes, 0.1, 600)
  within('/sitting', habits.sitting, 0, 1)
  within('/walksEvery', habits.walksEvery, 1, 3600)
  within('/stirsEvery', habits.stirsEvery, 1, 3600)
  if (habits.sleeps) {
    within('/sleeps/from', habits.sleeps.from, 0, 23.99)
    within('/sleeps/to', habits.sleeps.to, 0, 23.99)
  }
  return faults.length > 0 ? refused(...faults) : good(habits)
}

/** A timeline of so many days, the first of which has that day of the week (1 Monday to 7 Sunday). */
export function timelineOf(habits: Habits, days: number, seed: number, firstWeekday = 1): Timeline {
  const draw = new Draw(seed)
  const seconds = days * DAY
  const events: PresenceEvent[] = []
  let visitors = 0
  for (let day = 0; day < days; day++) {
    const isRestDay = (firstWeekday - 1 + day) % 7 >= 5
    const hours = habits.visits[isRestDay ? 'restDay' : 'workday']
    for (const [hour, often] of hours.entries())
      for (let visit = draw.count(often); visit > 0; visit--) {
        const at = day * DAY + hour * HOUR + draw.below(HOUR)
        events.push(...visitOf(habits, `visitor ${++visitors}`, at, seconds, draw))
      }
    if (habits.sleeps) events.push(...nightOf(habits.sleeps, `sleeper ${day + 1}`, day * DAY, seconds, draw))
  }
  events.sort((one, other) => one.at - other.at)
  return { seconds, seats: SEATS, events, daylight: [] }
}

function visitOf(habits: Habits, person: string, at: number, end: number, draw: Draw): PresenceEvent[] {
  const passes = draw.next() < habits.passing.share
  const stay = passes
    ? Math.max(1, Math.round(habits.passing.seconds * (0.5 + draw.next())))
    : Math.max(10, Math.min(LONGEST_STAY, Math.round(draw.about(habits.stayMinutes * 60))))
  const sits = !passes && stay > 60 && draw.next() < habits.sitting
  const events: PresenceEvent[] = [{ at, person, does: 'enters' }]
  // Who sits down walks to his seat first, and from it to the door.
  const walkTo = sits ? 8 : 0
  if (sits) events.push({ at: at + walkTo, person, does: 'sits', seat: 0 })
  const every = sits ? habits.stirsEvery : habits.walksEvery
  const does = sits ? ('stirs' as const) : ('walks' as const)
  for (let now = at + walkTo + gap(every, draw); now < at + stay - 2 * walkTo; now += gap(every, draw))
    events.push({ at: now, person, does })
  if (sits) events.push({ at: at + stay - walkTo, person, does: 'walks' })
  events.push({ at: at + stay, person, does: 'leaves' })
  return events.filter(event => event.at < end)
}

/** Somebody goes to bed, stirs now and then, gets up and leaves. */
function nightOf(
  { from, to }: { readonly from: number; readonly to: number },
  person: string,
  midnight: number,
  end: number,
  draw: Draw,
): PresenceEvent[] {
  const half = HOUR / 2
  const at = midnight + Math.round(from * HOUR) + draw.below(half)
  const up = midnight + Math.round((to > from ? to : to + 24) * HOUR) + draw.below(half)
  const events: PresenceEvent[] = [
    { at, person, does: 'enters' },
    { at: at + 300, person, does: 'walks' },
    { at: at + 600, person, does: 'sits', seat: 1 },
  ]
  for (let now = at + 600 + gap(STIRS_ASLEEP, draw); now < up; now += gap(STIRS_ASLEEP, draw))
    events.push({ at: now, person, does: 'stirs' })
  events.push({ at: up, person, does: 'walks' }, { at: up + 240, person, does: 'leaves' })
  return events.filter(event => event.at < end)
}

const gap = (every: number, draw: Draw): number =>
  Math.max(1, Math.min(LONGEST_STILL, Math.round(draw.about(every))))
