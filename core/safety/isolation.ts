import type { BoxView, EndView } from '../job/box-view'
import { DEAD_VOLTS } from '../model/limits'
import type { Breaker, Lock, Reading, Switching } from '../model/entities'
import { knew, knewAll, type Placed } from '../model/placed'
import { bearsOn, mustBeOff, offsOf, onsOf } from '../job/power-said'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
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
 * since: that it may have been on is enough. It makes void whatever was not done in the knowledge of it: where nobody
 * knows which came first, the power may have been on. A conductor that read live stays live until that reading is struck
 * out with its reason, or something more was switched off since.
 */
export function isolationOf(view: BoxView): Isolation {
  const toSwitchOff = mustBeOff(view)
  const switchings = rowsOf(view.record, 'switchings')
  const standing = switchings.filter(({ struck }) => struck === null)
  const ons = onsOf(view, toSwitchOff)
  const stillOn = toSwitchOff.filter(circuit => offAt(standing, circuit, ons).length === 0)
  const locks = toSwitchOff
    .filter(circuit => !stillOn.includes(circuit))
    .map(circuit => ({ circuit, hang: lockedSince(view.record, standing, circuit, ons) }))
  const unlocked = locks.filter(({ hang }) => hang.length === 0)
  const offs = offsOf(view, toSwitchOff)
  const proofs = view.readings.filter(
    reading =>
      knewAll(reading, ons) &&
      reading.instrument === 'low-impedance-meter' &&
      isNominal(reading.value, view.region),
  )
  const testers = proofs.filter(reading => reading.purpose === 'tester')
  const references = proofs.filter(reading => reading.purpose === 'reference')
  const counts = (reading: Reading) =>
    knewAll(reading, [...ons, ...offs]) &&
    [testers, references, ...locks.map(({ hang }) => hang)].every(these =>
      these.some(each => knew(reading, each)),
    )
  const latest = stillOn.length > 0 ? new Map<string, Reading>() : latestDead(view, counts, offs)
  const unread = view.ends.filter(each => !readsDead(each, latest, references))
  const read = [...latest.values()]
  const again = read.length > 0 && testers.some(reading => knewAll(reading, read))

  const needs: SafetyNeed[] = [
    ...(testers.length > 0 ? [] : [{ kind: 'prove-tester' } as const]),
    ...(references.length > 0 ? [] : [{ kind: 'prove-reference' } as const]),
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
  const ons = switchings.filter(each => bearsOn([circuit], each, 'on'))
  return lockedSince(record, standing, circuit, ons).length > 0
}

/** Off at its own breaker, or at the main switch (null), in the knowledge of all that says it was switched on; nothing is said of what else feeds it. */
export function isSwitchedOff(record: JobRecord, circuitId: string | null): boolean {
  const switchings = rowsWith(record, 'switchings', 'circuitId', circuitId)
  const ons = switchings.filter(({ to, struck }) => to === 'on' && struck === null)
  return switchings.some(each => each.to === 'off' && each.struck === null && knewAll(each, ons))
}

/** Where it is off, in the knowledge of all that says it was on: at its breaker, at the main switch (null), or at both. */
const offAt = (
  switchings: readonly Switching[],
  circuit: Breaker | null,
  ons: readonly Placed[],
): (string | null)[] =>
  [null, ...(circuit === null ? [] : [circuit.id])].filter(id =>
    switchings.some(each => each.circuitId === id && each.to === 'off' && knewAll(each, ons)),
  )

/** Locks that hang there now and keep it off. */
const lockedSince = (
  record: JobRecord,
  switchings: readonly Switching[],
  circuit: Breaker | null,
  ons: readonly Placed[],
): Lock[] =>
  offAt(switchings, circuit, ons)
    .flatMap(id => locksOn(record, id))
    .filter(lock => knewAll(lock, ons))

/** The newest dead reading that counts at each conductor; one that was not dead is cleared by no later one. */
function latestDead(
  view: BoxView,
  counts: (reading: Reading) => boolean,
  offs: readonly Switching[],
): Map<string, Reading> {
  const latest = new Map<string, Reading>()
  for (const reading of view.readings) {
    if (reading.purpose !== 'dead' || reading.instrument !== 'low-impedance-meter') continue
    if (reading.fromEndId === null || (latest.get(reading.fromEndId)?.value ?? 0) > DEAD_VOLTS) continue
    const stands = reading.value > DEAD_VOLTS ? !offs.some(off => knew(off, reading)) : counts(reading)
    if (stands) latest.set(reading.fromEndId, reading)
  }
  return latest
}

function readsDead(
  { end }: EndView,
  latest: ReadonlyMap<string, Reading>,
  references: readonly Reading[],
): boolean {
  const own = latest.get(end.id)
  if (own) return own.value <= DEAD_VOLTS
  const read = [...latest.values()]
  // What all others were read to is dead with them.
  return (
    references.some(
      reference =>
        reference.toEndId === end.id &&
        read.some(reading => reading.toEndId === end.id && knew(reading, reference)),
    ) && read.every(reading => reading.value <= DEAD_VOLTS)
  )
}

/** What is switched on again once a box is closed: its breakers, or the main switch (null) where that was off. */
export const onAgain = (view: BoxView): (string | null)[] =>
  isolationOf(view).toSwitchOff.includes(null) ? [null] : view.feeds.map(({ circuit }) => circuit.id)
