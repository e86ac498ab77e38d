import { fault, good, refused, type Fault, type Result } from '../model/result'
import { both, joined, outside, total, type Span } from './spans'

/**
 * Who was where in one room, in whole seconds from the beginning of a period. Coming, leaving and walking are movements
 * that any sensor sees; whoever sits or lies moves a little when he sits down and whenever he stirs.
 */
export interface Timeline {
  /** Seconds that the period lasts. */
  readonly seconds: number
  readonly seats: readonly { readonly asleep: boolean }[]
  /** In order of time. */
  readonly events: readonly PresenceEvent[]
  /** The daylight in the room in lux, each value from its second on; dark before the first. */
  readonly daylight: readonly { readonly at: number; readonly lux: number }[]
}

export interface PresenceEvent {
  readonly at: number
  readonly person: string
  readonly does: 'enters' | 'leaves' | 'walks' | 'sits' | 'stirs'
  /** Where somebody sits down: of the timeline’s seats, from 0. */
  readonly seat?: number
}

export interface Policy {
  /** `by-hand`: who enters the dark room presses, and nobody else does. */
  readonly turnsOn: 'by-itself' | 'by-hand'
  /** Seconds that the light stays on after the last movement that is seen. */
  readonly delay: number
  /** In lux: with more daylight than this the lamp is not turned on; null where it does not look. */
  readonly threshold: number | null
  /** At each seat, whether a small movement is seen there. */
  readonly seesSmall: readonly boolean[]
}

export interface PresenceReport {
  readonly secondsLit: number
  readonly secondsLitWithNobody: number
  /** Somebody awake is there, the lamp is off and there is too little daylight, for more than two seconds. */
  readonly presentAndDark: { readonly times: number; readonly seconds: number; readonly longest: number }
  /** Times that the light comes on or goes out; the period’s end is none. */
  readonly switchings: number
  /** When it is lit. */
  readonly lit: readonly Span[]
}

/** Who enters a dark room has pressed after so many seconds. */
const PRESSES_AFTER = 2
/** Darkness as short as the way to the switch is none. */
const NO_DARKNESS = 2

/** A timeline that can have been, or everything that is wrong with it, each at its field. */
export function parseTimeline(timeline: Timeline): Result<Timeline> {
  const { seconds, events, daylight, seats } = timeline
  const faults: Fault[] = []
  const say = (path: string, code: string, message: string) => faults.push(fault(path, code, message))
  const inOrder = (name: string, rows: readonly { readonly at: number }[]) =>
    rows.forEach(({ at }, index) => {
      if (!Number.isInteger(at) || at < 0 || at >= seconds)
        say(`/${name}/${index}/at`, 'range', `whole seconds from 0 to ${seconds - 1}`)
      else if (index > 0 && at < rows[index - 1]!.at)
        say(`/${name}/${index}/at`, 'out-of-order', `${at} comes after ${rows[index - 1]!.at}`)
    })
  if (!Number.isInteger(seconds) || seconds < 1) say('/seconds', 'range', 'one second at least')
  inOrder('events', events)
  inOrder('daylight', daylight)
  if (faults.length > 0) return refused(...faults)
  const where = new Map<string, 'stands' | 'sits'>()
  for (const { event, index } of inTurn(events)) {
    const path = `/events/${index}`
    const is = where.get(event.person)
    if (event.does === 'enters' ? is !== undefined : is === undefined)
      say(
        `${path}/does`,
        'not-there',
        event.does === 'enters' ? 'is in the room already' : 'is not in the room',
      )
    if (event.does === 'sits' && !seats[event.seat ?? -1])
      say(`${path}/seat`, 'no-such-seat', `there are ${seats.length}`)
    if (event.does === 'stirs' && is === 'stands') say(`${path}/does`, 'not-seated', 'sits nowhere')
    if (event.does === 'leaves') where.delete(event.person)
    else if (event.does === 'enters' || event.does === 'walks') where.set(event.person, 'stands')
    else if (event.does === 'sits') where.set(event.person, 'sits')
  }
  return faults.length > 0 ? refused(...faults) : good(timeline)
}

const TURN = { enters: 0, walks: 1, sits: 1, stirs: 1, leaves: 2 } as const

/** At one second whoever comes is there before whoever goes. */
const inTurn = (events: readonly PresenceEvent[]) =>
  events
    .map((event, index) => ({ event, index }))
    .sort(
      (one, other) =>
        one.event.at - other.event.at ||
        TURN[one.event.does] - TURN[other.event.does] ||
        one.index - other.index,
    )

/** What a policy does with the light of a room that people use like that. */
export function presenceOf(timeline: Timeline, policy: Policy): PresenceReport {
  const { seconds } = timeline
  const { turns, somebody, awake } = peopleIn(timeline)
  const lit = litBy(timeline, turns, policy)
  const dim = dimSpans(timeline, policy.threshold)
  const needed = both(awake, dim)
  const dark = joined(outside(needed, lit)).filter(({ from, to }) => to - from > NO_DARKNESS)
  const secondsLit = total(lit)
  return {
    secondsLit,
    secondsLitWithNobody: secondsLit - total(both(lit, somebody)),
    presentAndDark: {
      times: dark.length,
      seconds: total(dark),
      longest: Math.max(0, ...dark.map(({ from, to }) => to - from)),
    },
    switchings: lit.reduce((sum, { to }) => sum + (to < seconds ? 2 : 1), 0),
    lit,
  }
}

interface People {
  readonly turns: readonly PresenceEvent[]
  readonly somebody: readonly Span[]
  readonly awake: readonly Span[]
}

/** Who is there hangs on no policy: looked at once for all that are compared. */
const looked = new WeakMap<Timeline, People>()

function peopleIn(timeline: Timeline): People {
  const known = looked.get(timeline)
  if (known) return known
  const turns = inTurn(timeline.events).map(({ event }) => event)
  const people = {
    turns,
    somebody: spansWith(turns, timeline.seconds, () => true),
    awake: spansWith(turns, timeline.seconds, seat => seat === null || !timeline.seats[seat]!.asleep),
  }
  looked.set(timeline, people)
  return people
}

/** How much daylight there is, asked second after second in order. */
function daylightOf({ daylight }: Timeline): (at: number) => number {
  let next = 0
  let lux = 0
  return at => {
    while (next < daylight.length && daylight[next]!.at <= at) lux = daylight[next++]!.lux
    return lux
  }
}

function litBy(timeline: Timeline, turns: readonly PresenceEvent[], policy: Policy): Span[] {
  const luxAt = daylightOf(timeline)
  const seated = new Map<string, number>()
  const spans: Span[] = []
  let since: number | null = null
  let until = -1
  let pressAt: number | null = null
  const goOn = (at: number) => {
    since ??= at
    until = at + policy.delay
  }
  /** What has happened before any event of that second: a press, and the end of the delay. */
  const passTo = (at: number, isEnd: boolean) => {
    if (pressAt !== null && pressAt <= at && !(isEnd && pressAt === at)) {
      goOn(pressAt)
      pressAt = null
    }
    if (since !== null && until < at) goOut()
  }
  const goOut = () => {
    spans.push({ from: since!, to: until })
    since = null
  }
  for (const { at, person, does, seat } of turns) {
    passTo(at, false)
    if (does === 'sits') seated.set(person, seat!)
    else if (does !== 'stirs') seated.delete(person)
    const isSeen = (does !== 'sits' && does !== 'stirs') || policy.seesSmall[seated.get(person)!] === true
    const lux = luxAt(at)
    if (!isSeen) continue
    if (since !== null) until = at + policy.delay
    else if (policy.threshold === null || lux < policy.threshold) {
      if (policy.turnsOn === 'by-itself') goOn(at)
      else if (does === 'enters') pressAt ??= at + PRESSES_AFTER
    }
  }
  passTo(timeline.seconds, true)
  if (since !== null) spans.push({ from: since, to: Math.min(until, timeline.seconds) })
  return spans
    .map(({ from, to }) => ({ from, to: Math.min(to, timeline.seconds) }))
    .filter(({ from, to }) => to > from)
}

/** When anybody is in the room who counts, by where he sits; null for who does not. */
function spansWith(
  turns: readonly PresenceEvent[],
  seconds: number,
  counts: (seat: number | null) => boolean,
): Span[] {
  const there = new Map<string, number | null>()
  const spans: Span[] = []
  let since: number | null = null
  for (const { at, person, does, seat } of turns) {
    if (does === 'leaves') there.delete(person)
    else if (does === 'sits') there.set(person, seat!)
    else if (does !== 'stirs') there.set(person, null)
    const isThere = [...there.values()].some(counts)
    if (isThere && since === null) since = at
    else if (!isThere && since !== null) {
      spans.push({ from: since, to: at })
      since = null
    }
  }
  if (since !== null) spans.push({ from: since, to: seconds })
  return joined(spans)
}

function dimSpans({ daylight, seconds }: Timeline, threshold: number | null): Span[] {
  if (threshold === null) return [{ from: 0, to: seconds }]
  const steps = [{ at: 0, lux: 0 }, ...daylight]
  return joined(
    steps.flatMap(({ at, lux }, index) =>
      lux < threshold ? [{ from: at, to: steps[index + 1]?.at ?? seconds }] : [],
    ),
  )
}

/** One delay as it turned out. */
export interface DelayTried {
  readonly delay: number
  readonly report: PresenceReport
}

export interface DelayProposed {
  readonly delay: number
  /** `rare`: less than one darkness a week; `least-gained`: none has that, and a longer one gains least from here. */
  readonly because: 'rare' | 'least-gained'
}

const WEEK = 7 * 86_400

/** The usual choice among delays: the least with less than one darkness a week, else the one from which longer ones gain least. */
export function proposedDelay(tried: readonly DelayTried[], seconds: number): DelayProposed {
  const sorted = [...tried].sort((one, other) => one.delay - other.delay)
  const darkOf = ({ report }: DelayTried) => report.presentAndDark.times
  const rare = sorted.find(each => darkOf(each) < seconds / WEEK)
  if (rare) return { delay: rare.delay, because: 'rare' }
  let least = { delay: sorted.at(-1)!.delay, gained: Infinity }
  for (const [at, each] of sorted.slice(0, -1).entries()) {
    const next = sorted[at + 1]!
    const gained = (darkOf(each) - darkOf(next)) / (next.delay - each.delay)
    if (gained < least.gained) least = { delay: each.delay, gained }
  }
  return { delay: least.delay, because: 'least-gained' }
}
