import { clockOf } from './clock'
import { DAY, HOUR, MINUTE, type Day } from './day'
import type { Program, Turns } from '../model/light-program'
import { occurrencesOf, type Occurrence, type Place } from './program'
import { joined, total, type Span } from './spans'
import type { Night } from './sun'

/** Somebody presses: until the next event of the program, or for so many minutes whatever the program does. */
export interface Override {
  /** Milliseconds since 1970. */
  readonly at: number
  readonly turns: Turns
  /** Null: until the next event. */
  readonly minutes: number | null
}

/** The power is away: the light is dark, and what was pressed is forgotten. */
export interface Outage {
  readonly from: number
  readonly to: number
  /** When somebody set the clock again, where the battery did not last; null for not yet. */
  readonly setAt: number | null
}

export interface Happening {
  readonly overrides: readonly Override[]
  readonly outages: readonly Outage[]
  /** How long its clock goes on without power. */
  readonly batteryHours: number
}

/** Nobody presses, and the power stays. */
export const NOTHING_HAPPENS: Happening = { overrides: [], outages: [], batteryHours: 0 }

export interface Run {
  /** The days, as instants: from the midnight of the first to the midnight after the last, by the clocks there. */
  readonly from: number
  readonly to: number
  /** What happens in those days, in order, what does not happen too. */
  readonly occurrences: readonly Occurrence[]
  /** When the light is lit, in order, cut at the ends of the period. */
  readonly lit: readonly Span[]
  /** When the light comes on or goes out within the period: a cut is none. */
  readonly switchings: readonly { readonly instant: number; readonly turns: Turns }[]
  readonly litHours: number
  /** Whatever is left on for more than 24 hours, or until another season: whole, and so perhaps beyond the period. */
  readonly leftOn: readonly LeftOn[]
}

export interface LeftOn {
  readonly from: number
  /** Null where nothing turns it off any more. */
  readonly to: number | null
}

/** Seasons come round in a year: what the light is at the beginning was decided no longer ago, and what is left on at the end is turned off by then or never. */
const SEASONS = 370

/**
 * What a program does with a light over the days from the one to the other (both included). The state at the beginning
 * is what the program of the year before left; dark where it never did anything.
 */
export function runOf(
  program: Program,
  place: Place,
  days: { readonly from: Day; readonly to: Day },
  { seed = 0, happening = NOTHING_HAPPENS, nights }: RunOptions = {},
): Run {
  const clock = clockOf(place.zone)
  const from = clock.instantOf(days.from, 0).instant
  const to = clock.instantOf(days.to + 1, 0).instant
  const all = occurrencesOf(program, place, days.from - SEASONS, days.to + SEASONS, seed, nights)
  const happened = all.filter((each): each is Happened => each.instant !== null)
  const whole = litBy(happened, happening)
  const lit = cut(whole, from, to)
  const within = (instant: number) => instant >= from && instant < to
  const switchings = whole
    .flatMap(span => [
      { instant: span.from, turns: 'on' as const },
      { instant: span.to, turns: 'off' as const },
    ])
    .filter(({ instant }) => within(instant))
  const occurrences = all.filter(({ instant, day }) =>
    instant === null ? day >= days.from && day <= days.to : within(instant),
  )
  const litHours = total(lit) / HOUR
  return { from, to, occurrences, lit, switchings, litHours, leftOn: leftOnBetween(whole, from, to) }
}

export interface RunOptions {
  readonly seed?: number
  readonly happening?: Happening
  /** Of `nightsFor` the days of `daysOfRun`, where they are known already. */
  readonly nights?: readonly Night[]
}

/** The days whose nights a run asks for. */
export const daysOfRun = ({ from, to }: { readonly from: Day; readonly to: Day }) => ({
  from: from - SEASONS,
  to: to + SEASONS,
})

type Happened = Occurrence & { readonly instant: number }

type Change =
  | { readonly at: number; readonly kind: 'program'; readonly turns: Turns }
  | { readonly at: number; readonly kind: 'press'; readonly turns: Turns; readonly until: number | null }
  | { readonly at: number; readonly kind: 'over' }
  | { readonly at: number; readonly kind: 'power-off'; readonly isLost: boolean }
  | { readonly at: number; readonly kind: 'power-on' }
  | { readonly at: number; readonly kind: 'set' }

/** Of what comes at one instant the power is first and the hand last. */
const ORDER = ['power-on', 'set', 'over', 'program', 'press', 'power-off']

function changesOf(happened: readonly Happened[], { overrides, outages, batteryHours }: Happening): Change[] {
  const changes: Change[] = [
    ...happened.map(({ instant, turns }) => ({ at: instant, kind: 'program' as const, turns })),
    ...overrides.flatMap(({ at, turns, minutes }): Change[] => {
      const until = minutes === null ? null : at + minutes * MINUTE
      const press: Change = { at, kind: 'press', turns, until }
      return until === null ? [press] : [press, { at: until, kind: 'over' }]
    }),
    ...outages.flatMap(({ from, to, setAt }): Change[] => {
      const isLost = to - from > batteryHours * HOUR
      const back: Change[] = [
        { at: from, kind: 'power-off', isLost },
        { at: to, kind: 'power-on' },
      ]
      return isLost && setAt !== null ? [...back, { at: setAt, kind: 'set' }] : back
    }),
  ]
  return changes.sort(
    (one, other) => one.at - other.at || ORDER.indexOf(one.kind) - ORDER.indexOf(other.kind),
  )
}

function litBy(happened: readonly Happened[], happening: Happening): Span[] {
  const spans: Span[] = []
  let programmed: Turns = 'off'
  let pressed: { readonly turns: Turns; readonly until: number | null } | null = null
  let hasPower = true
  let knowsTime = true
  let since: number | null = null
  for (const change of changesOf(happened, happening)) {
    if (change.kind === 'program') {
      programmed = change.turns
      // A clock that lost the time lets no event happen.
      if (knowsTime && pressed?.until === null) pressed = null
    } else if (change.kind === 'press') {
      if (hasPower) pressed = { turns: change.turns, until: change.until }
    } else if (change.kind === 'over') {
      if (pressed?.until === change.at) pressed = null
    } else if (change.kind === 'power-off') {
      hasPower = false
      pressed = null
      if (change.isLost) knowsTime = false
    } else if (change.kind === 'power-on') hasPower = true
    else knowsTime = true
    const isLit = hasPower && (pressed ? pressed.turns : knowsTime ? programmed : 'off') === 'on'
    if (isLit && since === null) since = change.at
    else if (!isLit && since !== null) {
      spans.push({ from: since, to: change.at })
      since = null
    }
  }
  if (since !== null) spans.push({ from: since, to: Infinity })
  // What goes out and comes on at one instant did neither.
  return joined(spans)
}

const cut = (spans: readonly Span[], from: number, to: number): Span[] =>
  spans
    .map(span => ({ from: Math.max(span.from, from), to: Math.min(span.to, to) }))
    .filter(span => span.to > span.from)

/** Longer than any night is: whoever leaves a light on meant to turn it off. */
const LONGEST = DAY

const leftOnBetween = (whole: readonly Span[], from: number, to: number): LeftOn[] =>
  whole
    .filter(span => span.to > from && span.from < to && span.to - span.from > LONGEST)
    .map(span => ({ from: span.from, to: span.to === Infinity ? null : span.to }))
