import { houseRule } from '../model/house-rules'
import type { BoxView, EndView } from '../job/box-view'
import { DEAD_VOLTS } from '../model/limits'
import type { Breaker, Reading, Switching } from '../model/entities'
import { rowsOf, type JobRecord } from '../model/record'
import { sharersOf } from '../model/ties'
import { isNominal } from '../model/regions'
import { locksOn } from './locks'

/** What still stands between this box and bare hands, in the order it is done. */
export type SafetyNeed =
  | { readonly kind: 'prove-tester' }
  | { readonly kind: 'prove-reference' }
  | { readonly kind: 'switch-off'; readonly circuit: Breaker | null }
  /** Off, and nothing keeps it so. */
  | { readonly kind: 'lock'; readonly circuit: Breaker | null }
  | { readonly kind: 'read-dead'; readonly end: EndView; readonly volts: number | null }
  | { readonly kind: 'prove-tester-again' }

export interface Isolation {
  /** True once every need is met; nothing is touched before. */
  readonly dead: boolean
  readonly needs: readonly SafetyNeed[]
  /** What must be off: breakers, or the main switch (null). */
  readonly toSwitchOff: readonly (Breaker | null)[]
  /** Those of them that were not switched off, or that somebody read live since. */
  readonly stillOn: readonly (Breaker | null)[]
  readonly ends: number
  readonly endsReadDead: number
}

/**
 * Whether this box may be touched. Dead is: every breaker that may feed it off and locked off, then at most 5 V on a
 * low-impedance meter at every conductor end, to a reference that had just read nominal, with a tester
 * proved on a known live point before and after. Any switching on starts it all again, even one that was struck out
 * since: that it may have been on is enough. A conductor that read live stays live until that reading is struck out
 * with its reason, or something more was switched off.
 */
export function isolationOf(view: BoxView): Isolation {
  const toSwitchOff = mustBeOff(view)
  const switchings = rowsOf(view.record, 'switchings')
  const standing = switchings.filter(({ struck }) => struck === null)
  const lastOn = Math.max(
    0,
    ...switchings.filter(each => mayFeed(toSwitchOff, each, 'on')).map(each => each.seq),
    ...[...view.readings, ...view.struckReadings].filter(isLive).map(each => each.seq),
  )
  const stillOn = toSwitchOff.filter(circuit => !isOff(standing, circuit, lastOn))
  const locks = toSwitchOff
    .filter(circuit => !stillOn.includes(circuit))
    .map(circuit => ({ circuit, since: lockedSince(view.record, standing, circuit, lastOn) }))
  const unlocked = locks.filter(({ since }) => since === null)
  const offSince = Math.max(
    lastOn,
    ...switchings.filter(each => mayFeed(toSwitchOff, each, 'off')).map(each => each.seq),
  )
  const proofs = view.readings.filter(
    reading =>
      reading.seq > lastOn &&
      reading.instrument === 'low-impedance-meter' &&
      isNominal(reading.value, view.region),
  )
  const tester = proofs.find(reading => reading.purpose === 'tester')
  const reference = proofs.find(reading => reading.purpose === 'reference')
  const deadFrom = Math.max(
    offSince,
    tester?.seq ?? Infinity,
    reference?.seq ?? Infinity,
    ...locks.map(({ since }) => since ?? Infinity),
  )
  const latest = stillOn.length > 0 ? new Map<string, Reading>() : latestDead(view, deadFrom)
  const unread = view.ends.filter(each => !readsDead(each, latest, reference))
  const lastDead = Math.max(0, ...[...latest.values()].map(reading => reading.seq))
  const again = proofs.some(reading => reading.purpose === 'tester' && reading.seq > lastDead && lastDead > 0)

  const needs: SafetyNeed[] = [
    ...(tester ? [] : [{ kind: 'prove-tester' } as const]),
    ...(reference ? [] : [{ kind: 'prove-reference' } as const]),
    ...stillOn.map(circuit => ({ kind: 'switch-off', circuit }) as const),
    ...unlocked.map(({ circuit }) => ({ kind: 'lock', circuit }) as const),
    ...unread.map(end => ({ kind: 'read-dead', end, volts: latest.get(end.end.id)?.value ?? null }) as const),
    ...(again ? [] : [{ kind: 'prove-tester-again' } as const]),
  ]
  return {
    dead: needs.length === 0 && view.ends.length > 0,
    needs,
    toSwitchOff,
    stillOn,
    ends: view.ends.length,
    endsReadDead: view.ends.length - unread.length,
  }
}

/** Off at its breaker or at the main switch, and kept off by a lock since, as far as was recorded. */
export function isKeptOff(record: JobRecord, circuit: Breaker): boolean {
  const switchings = rowsOf(record, 'switchings')
  const standing = switchings.filter(({ struck }) => struck === null)
  const lastOn = Math.max(
    0,
    ...switchings.filter(each => mayFeed([circuit], each, 'on')).map(({ seq }) => seq),
  )
  return isOff(standing, circuit, lastOn) && lockedSince(record, standing, circuit, lastOn) !== null
}

/**
 * Known feeds by their breakers, and the circuits that conductors in it are taken for; the main switch where the house
 * rule says so or nothing is known.
 */
function mustBeOff(view: BoxView): (Breaker | null)[] {
  const always = houseRule(view.record, 'isolation') === 'main'
  if (always || view.feeds.length === 0) return [null]
  const named = view.ends.flatMap(({ end }) => view.record.circuits[end.roleCircuitId ?? ''] ?? [])
  const circuits = [...view.feeds.map(each => each.circuit), ...named]
  const tied = circuits.flatMap(circuit => sharersOf(view.record, circuit))
  return [...new Map([...circuits, ...tied].map(circuit => [circuit.id, circuit])).values()]
}

/** Whether a switching bears on what must be off; the main switch bears on everything. */
function mayFeed(circuits: readonly (Breaker | null)[], switching: Switching, to: 'on' | 'off'): boolean {
  if (switching.to !== to) return false
  return (
    switching.circuitId === null ||
    circuits.some(circuit => circuit === null || circuit.id === switching.circuitId)
  )
}

/** A live reading here says that the power was on, whether or not anybody recorded the switching. */
const isLive = (reading: Reading) => reading.purpose === 'identify' && reading.breaker === 'on'

/** Off, and not switched off before somebody read this box live. */
const isOff = (switchings: readonly Switching[], circuit: Breaker | null, lastOn: number): boolean =>
  offAt(switchings, circuit, lastOn).length > 0

/** Where it is off: at its breaker, at the main switch (null), or at both. */
function offAt(switchings: readonly Switching[], circuit: Breaker | null, lastOn: number): (string | null)[] {
  const last = (id: string | null) => switchings.filter(each => each.circuitId === id).at(-1)
  const off = (switching: Switching | undefined) => switching?.to === 'off' && switching.seq > lastOn
  return [null, ...(circuit === null ? [] : [circuit.id])].filter(id => off(last(id)))
}

/** Since when a lock that hangs now keeps it off; null where none does. */
function lockedSince(
  record: JobRecord,
  switchings: readonly Switching[],
  circuit: Breaker | null,
  lastOn: number,
): number | null {
  const since = offAt(switchings, circuit, lastOn)
    .flatMap(id => locksOn(record, id))
    .map(({ seq }) => seq)
    .filter(seq => seq > lastOn)
  return since.length === 0 ? null : Math.min(...since)
}

/** The newest dead reading at each conductor; one that was not dead is cleared by no later one. */
function latestDead(view: BoxView, after: number): Map<string, Reading> {
  const latest = new Map<string, Reading>()
  for (const reading of view.readings) {
    if (reading.purpose !== 'dead' || reading.seq <= after) continue
    if (reading.instrument !== 'low-impedance-meter' || reading.fromEndId === null) continue
    const before = latest.get(reading.fromEndId)
    if (before && before.value > DEAD_VOLTS && reading.value <= DEAD_VOLTS) continue
    latest.set(reading.fromEndId, reading)
  }
  return latest
}

function readsDead(
  { end }: EndView,
  latest: ReadonlyMap<string, Reading>,
  reference: Reading | undefined,
): boolean {
  const own = latest.get(end.id)
  if (own) return own.value <= DEAD_VOLTS
  const isReference = reference?.toEndId === end.id
  return isReference && latest.size > 0 && [...latest.values()].every(reading => reading.value <= DEAD_VOLTS)
}

/** What is switched on again once a box is closed: its breakers, or the main switch (null) where that was off. */
export const onAgain = (view: BoxView): (string | null)[] =>
  isolationOf(view).toSwitchOff.includes(null) ? [null] : view.feeds.map(({ circuit }) => circuit.id)
