import { HABITS } from '@/catalogue/habits'
import { parseEnergyFile, parsePresenceFile, parseProgramFile, parseRoomFile } from '@/core/format/setup'
import { fault, type Result } from '@/core/model/result'
import { deviceNamed, type Trade } from '@/core/model/trade'
import {
  aimSensor,
  ceilingPoints,
  clockOf,
  daysAhead,
  eyesOf,
  faultsForClock,
  litByDay,
  nearestCure,
  nightsOf,
  presenceOf,
  proposedDelay,
  runOf,
  savingOf,
  seenBy,
  writtenBy,
  writtenDay,
  type Policy,
} from '@/core/setup'
import { bad, rounded, type Answer } from './outcome'

/** Verbs that ask one question of Set about a file of its own, without a job around it. */
export const SETUP_VERBS: Readonly<Record<string, (source: string, trade: Trade) => Answer>> = {
  sun: answering(parseProgramFile, sun),
  program: answering(parseProgramFile, program),
  aim: answering(parseRoomFile, aim),
  presence: answering(source => parsePresenceFile(source, HABITS), presence),
  energy: answering(parseEnergyFile, energy),
}

type Asked<Parse extends (...given: never[]) => Result<unknown>> =
  ReturnType<Parse> extends Result<infer Value> ? Value : never

function answering<Value>(
  parse: (source: string) => Result<Value>,
  answer: (asked: Value, trade: Trade) => Answer,
) {
  return (source: string, trade: Trade): Answer => {
    const parsed = parse(source)
    return parsed.ok ? rounded(answer(parsed.value, trade)) : bad(...parsed.faults)
  }
}

/** Dusk, dawn and the sun’s noon of every night that begins on those days. */
function sun({ place, days }: Asked<typeof parseProgramFile>): Answer {
  const clock = clockOf(place.zone)
  const written = (instant: number | null) => (instant === null ? null : writtenBy(clock, instant))
  const nights = nightsOf(place, clock, days.from, days.to).map(({ day, from, dusk, dawn, stays }) => ({
    night: writtenDay(day),
    noon: written(from),
    dusk: written(dusk),
    dawn: written(dawn),
    stays,
  }))
  return { code: 0, output: { ok: true, nights } }
}

/** Days that are told in full. */
const AHEAD = 14

/** Every switching of those days. A no: something is left on for more than a day, or until another season. */
function program(asked: Asked<typeof parseProgramFile>, trade: Trade): Answer {
  const { place, days, deviceId, seed, happening, watts, pricePerKilowattHour } = asked
  if (!asked.program) return bad(fault('/program', 'any.required', 'program is required'))
  const keeper = deviceId === null ? null : deviceNamed(trade, deviceId)
  if (deviceId !== null && !keeper?.clock)
    return bad(fault('/device', 'no-clock', `no device “${deviceId}” has a clock whose sheet is known`))
  const cannot = keeper?.clock ? faultsForClock(asked.program, keeper.clock) : []
  if (cannot.length > 0) return bad(...cannot.map(each => ({ ...each, path: `/program${each.path}` })))
  const run = runOf(asked.program, place, days, { seed, happening })
  const clock = clockOf(place.zone)
  const written = (instant: number | null) => (instant === null ? null : writtenBy(clock, instant))
  const kilowattHours = (run.litHours * watts) / 1000
  const ok = run.leftOn.length === 0
  return {
    code: ok ? 0 : 1,
    output: {
      ok,
      litHours: run.litHours,
      kilowattHours,
      money: kilowattHours * pricePerKilowattHour,
      switchings: run.switchings.map(({ instant, turns }) => ({ at: written(instant), turns })),
      lit: run.lit.map(({ from, to }) => ({ from: written(from), to: written(to) })),
      ahead: daysAhead(run, clock, days.from, Math.min(AHEAD, days.to - days.from + 1)).map(
        ({ day, happens }) => ({
          day: writtenDay(day),
          happens: happens.map(({ instant, turns, event, differs }) => ({
            at: written(instant),
            turns,
            event,
            differs,
          })),
        }),
      ),
      byDay: litByDay(run.lit, clock, days.from, days.to).map(({ day, hours }) => ({
        day: writtenDay(day),
        hours,
      })),
      differ: run.occurrences
        .filter(({ differs }) => differs !== null)
        .map(({ day, event, differs, instant }) => ({
          day: writtenDay(day),
          event,
          differs,
          at: written(instant),
        })),
      leftOn: run.leftOn.map(({ from, to }) => ({ from: written(from), to: written(to) })),
    },
  }
}

/** How to set a sensor, and what it sees then. A no: a door or a seat that no setting sees. */
function aim({ room, sensor, aim: now, others, ceilingKind }: Asked<typeof parseRoomFile>): Answer {
  const { best, seen, tradeOff, never, ways } = aimSensor(room, sensor)
  const ok = never.doors.length + never.seats.length === 0
  const elsewhere = [...others, ...(ceilingKind ? ceilingPoints(room, ceilingKind) : [])]
  const { cure, looked } = ok ? { cure: null, looked: 0 } : nearestCure(room, sensor, elsewhere)
  const at = now && seenBy(eyesOf(room, sensor), now)
  return {
    code: ok ? 0 : 1,
    output: { ok, now: at, ways, best, seen, tradeOff, never, cure, looked, elsewhere: elsewhere.length },
  }
}

/** What each policy does with the light, and the delay that is proposed among those alike in all else. */
function presence(asked: Asked<typeof parsePresenceFile>): Answer {
  const { timeline, policies, watts, pricePerKilowattHour } = asked
  const days = timeline.seconds / 86_400
  const reports = policies.map(policy => ({
    policy,
    report: presenceOf(timeline, sensing(policy, timeline)),
  }))
  const likeness = ({ turnsOn, threshold, seesSmall }: Policy) =>
    JSON.stringify([turnsOn, threshold, seesSmall])
  const groups = [...new Set(policies.map(likeness))].map(like =>
    reports.filter(({ policy }) => likeness(policy) === like),
  )
  return {
    code: 0,
    output: {
      ok: true,
      policies: reports.map(({ policy, report }) => {
        const hoursLit = report.secondsLit / 3600
        const kilowattHours = (hoursLit * watts) / 1000
        return {
          ...policy,
          hoursLit,
          hoursLitWithNobody: report.secondsLitWithNobody / 3600,
          presentAndDark: report.presentAndDark,
          switchings: report.switchings,
          switchingsPerDay: report.switchings / days,
          kilowattHours,
          money: kilowattHours * pricePerKilowattHour,
          lit: report.lit,
        }
      }),
      proposed: groups.map(group => {
        const { turnsOn, threshold, seesSmall } = group[0]!.policy
        const tried = group.map(({ policy, report }) => ({ delay: policy.delay, report }))
        return { turnsOn, threshold, seesSmall, ...proposedDelay(tried, timeline.seconds) }
      }),
    },
  }
}

/** A policy that names no seat sees a small movement at none. */
const sensing = (policy: Policy, { seats }: { readonly seats: readonly unknown[] }): Policy => ({
  ...policy,
  seesSmall: policy.seesSmall.length > 0 ? policy.seesSmall : seats.map(() => false),
})

/** What each light and all of them take before and after, and when that is paid back. */
function energy({ lights, pricePerKilowattHour }: Asked<typeof parseEnergyFile>): Answer {
  const each = lights.map(({ name, before, after, cost }) => ({
    name,
    cost,
    ...savingOf(before, after, pricePerKilowattHour, cost),
  }))
  const sum = (of: (light: (typeof each)[number]) => number) =>
    each.reduce((total, light) => total + of(light), 0)
  const cost = sum(light => light.cost)
  const saved = sum(light => light.saved.money)
  return {
    code: 0,
    output: {
      ok: true,
      lights: each,
      all: {
        before: {
          kilowattHours: sum(light => light.before.kilowattHours),
          money: sum(light => light.before.money),
        },
        after: {
          kilowattHours: sum(light => light.after.kilowattHours),
          money: sum(light => light.after.money),
        },
        saved: { kilowattHours: sum(light => light.saved.kilowattHours), money: saved },
        cost,
        yearsToPayBack: cost === 0 ? 0 : saved > 0 ? cost / saved : null,
      },
    },
  }
}
