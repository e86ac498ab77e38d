import { describe, expect, it } from 'vitest'
import {
  parseTimeline,
  presenceOf,
  proposedDelay,
  type Policy,
  type PresenceEvent,
  type Timeline,
} from './presence'
import { Lot } from '@/testing/grown/lot'
import { plainPresence } from '@/testing/setup/plain-presence'
import { TIMES } from '@/testing/times'

/** People come, walk about, sit down, stir and leave, some at the same second. */
function drawnTimeline(seed: number): Timeline {
  const lot = new Lot(seed)
  const seconds = 200 + lot.below(1200)
  const seats = Array.from({ length: 1 + lot.below(3) }, () => ({ asleep: lot.chance(0.3) }))
  const events: PresenceEvent[] = []
  const is = new Map<string, 'out' | 'stands' | 'sits'>()
  let at = lot.below(40)
  while (at < seconds) {
    const person = lot.one(['one', 'two', 'three'])
    const now = is.get(person) ?? 'out'
    const does =
      now === 'out'
        ? 'enters'
        : lot.one(
            now === 'sits'
              ? (['stirs', 'stirs', 'walks', 'leaves'] as const)
              : (['walks', 'sits', 'leaves'] as const),
          )
    // Comings count before what else happens in a second: who left then and comes again does so in the next.
    const before = events.findLast(each => each.person === person)
    if (!(does === 'enters' && before?.at === at) && !(does === 'leaves' && before?.at === at)) {
      events.push(
        does === 'sits' ? { at, person, does, seat: lot.below(seats.length) } : { at, person, does },
      )
      is.set(person, does === 'leaves' ? 'out' : does === 'enters' || does === 'walks' ? 'stands' : 'sits')
    }
    at += lot.one([0, 0, 1, 1, 2, 3, 5, 15, 30, 60, 61, 120])
  }
  const daylight: { at: number; lux: number }[] = []
  for (let step = lot.below(300); step < seconds && lot.chance(0.8); step += 1 + lot.below(400))
    daylight.push({ at: step, lux: lot.below(100) })
  return { seconds, seats, events, daylight }
}

function drawnPolicy(seed: number, { seats }: Timeline): Policy {
  const lot = new Lot(seed + 77)
  return {
    turnsOn: lot.one(['by-itself', 'by-hand'] as const),
    delay: lot.one([1, 2, 5, 15, 30, 60, 120]),
    threshold: lot.chance(0.5) ? null : 10 + lot.below(80),
    seesSmall: seats.map(() => lot.chance(0.5)),
  }
}

const COUNT = 2_000 * TIMES

describe('presence', () => {
  it(`second after second the same (seeds 1 to ${COUNT})`, () => {
    const met = { lit: 0, nobody: 0, dark: 0, byHand: 0 }
    for (let seed = 1; seed <= COUNT; seed++) {
      const timeline = drawnTimeline(seed)
      const parsed = parseTimeline(timeline)
      if (!parsed.ok) throw new Error(`seed ${seed}: ${JSON.stringify(parsed.faults)}`)
      const policy = drawnPolicy(seed, timeline)
      const { lit, ...told } = presenceOf(timeline, policy)
      expect(told, `seed ${seed} ${JSON.stringify(policy)}`).toEqual(plainPresence(timeline, policy))
      met.lit += lit.length
      if (told.secondsLitWithNobody > 0) met.nobody++
      met.dark += told.presentAndDark.times
      if (policy.turnsOn === 'by-hand' && told.secondsLit > 0) met.byHand++
    }
    expect(met.lit).toBeGreaterThan(3 * COUNT)
    expect(met.nobody).toBeGreaterThan(COUNT / 5)
    expect(met.dark).toBeGreaterThan(COUNT)
    expect(met.byHand).toBeGreaterThan(COUNT / 5)
  })

  it('a longer delay never makes it lit for less, nor dark for longer (seeds 1 to 300)', () => {
    for (let seed = 1; seed <= 300; seed++) {
      const timeline = drawnTimeline(seed)
      // Where the lamp looks at daylight it may stay on past a dawn that keeps a shorter delay dark.
      const policy = { ...drawnPolicy(seed, timeline), turnsOn: 'by-itself' as const, threshold: null }
      const [short, long] = [20, 45].map(delay => presenceOf(timeline, { ...policy, delay }))
      expect(long!.secondsLit).toBeGreaterThanOrEqual(short!.secondsLit)
      expect(long!.presentAndDark.seconds).toBeLessThanOrEqual(short!.presentAndDark.seconds)
    }
  })
})

describe('worked by hand', () => {
  const seats = [{ asleep: false }, { asleep: true }]
  const timeline = (events: readonly PresenceEvent[], seconds = 600): Timeline => ({
    seconds,
    seats,
    events,
    daylight: [],
  })
  const policy = (more: Partial<Policy> = {}): Policy => ({
    turnsOn: 'by-itself',
    delay: 60,
    threshold: null,
    seesSmall: [false, false],
    ...more,
  })
  const one = (at: number, does: PresenceEvent['does'], seat?: number): PresenceEvent =>
    seat === undefined ? { at, person: 'one', does } : { at, person: 'one', does, seat }

  it('who comes and goes: lit until the delay after he left', () => {
    const report = presenceOf(timeline([one(100, 'enters'), one(130, 'leaves')]), policy())
    expect(report.lit).toEqual([{ from: 100, to: 190 }])
    expect(report).toMatchObject({ secondsLit: 90, secondsLitWithNobody: 60, switchings: 2 })
  })

  it('by hand it is lit two seconds later, and two seconds of darkness are none', () => {
    const report = presenceOf(
      timeline([one(100, 'enters'), one(130, 'leaves')]),
      policy({ turnsOn: 'by-hand' }),
    )
    expect(report.lit).toEqual([{ from: 102, to: 190 }])
    expect(report.presentAndDark).toEqual({ times: 0, seconds: 0, longest: 0 })
  })

  it('who sits unseen is left in the dark, and who sleeps wants none', () => {
    const reads = [one(100, 'enters'), one(110, 'sits', 0), one(400, 'walks'), one(405, 'leaves')]
    expect(presenceOf(timeline(reads), policy()).presentAndDark).toEqual({
      times: 1,
      seconds: 240,
      longest: 240,
    })
    const sleeps = reads.map(each => (each.does === 'sits' ? { ...each, seat: 1 } : each))
    expect(presenceOf(timeline(sleeps), policy()).presentAndDark.times).toBe(0)
  })

  it('a movement at the very second the delay ends keeps it lit; one a second later lights it again', () => {
    const at = (second: number) =>
      presenceOf(timeline([one(100, 'enters'), one(second, 'walks')]), policy()).lit
    expect(at(160)).toEqual([{ from: 100, to: 220 }])
    expect(at(161)).toEqual([
      { from: 100, to: 160 },
      { from: 161, to: 221 },
    ])
  })

  it('a cut at the end is no switching; what comes on at once is one', () => {
    expect(presenceOf(timeline([one(0, 'enters'), one(1, 'leaves')]), policy()).switchings).toBe(2)
    expect(presenceOf(timeline([one(590, 'enters')]), policy())).toMatchObject({
      secondsLit: 10,
      switchings: 1,
    })
  })

  it('names what cannot have been', () => {
    const faults = (events: readonly PresenceEvent[]) => {
      const parsed = parseTimeline(timeline(events))
      return parsed.ok ? [] : parsed.faults.map(({ path, code }) => `${path} ${code}`)
    }
    expect(faults([one(10, 'enters'), one(5, 'leaves')])).toEqual(['/events/1/at out-of-order'])
    expect(faults([one(10, 'leaves')])).toEqual(['/events/0/does not-there'])
    expect(faults([one(10, 'enters'), one(12, 'sits', 4)])).toEqual(['/events/1/seat no-such-seat'])
    expect(faults([one(10, 'enters'), one(12, 'stirs')])).toEqual(['/events/1/does not-seated'])
    expect(faults([one(900, 'enters')])).toEqual(['/events/0/at range'])
  })
})

describe('the delay that is proposed', () => {
  const tried = (...darks: readonly (readonly [delay: number, times: number])[]) =>
    darks.map(([delay, times]) => ({
      delay,
      report: {
        secondsLit: 0,
        secondsLitWithNobody: 0,
        switchings: 0,
        lit: [],
        presentAndDark: { times, seconds: 0, longest: 0 },
      },
    }))
  const year = 365 * 86_400

  it('is the least with less than one darkness a week', () => {
    expect(proposedDelay(tried([900, 0], [300, 51], [60, 400]), year)).toEqual({
      delay: 300,
      because: 'rare',
    })
    expect(proposedDelay(tried([300, 53], [900, 10]), year)).toEqual({ delay: 900, because: 'rare' })
  })

  it('or the one from which longer ones gain least', () => {
    expect(proposedDelay(tried([60, 900], [300, 400], [600, 380], [1800, 100]), year)).toEqual({
      delay: 300,
      because: 'least-gained',
    })
  })
})
