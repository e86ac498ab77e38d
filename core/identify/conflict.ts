import type { Case } from './case'
import { askedIn } from './predict'
import { followedIn } from './follow'
import { bitOf, keyOf } from './question'
import type { Ledger, Taken } from './ledger'

export interface Conflict {
  /** A smallest set of readings that cannot all be true; each alone could be. */
  readonly readings: readonly Taken[]
  /** What to read again first: what the likeliest ways of wiring all speak against. */
  readonly repeat: Taken
  /** Whether any way of wiring is left once the reading to repeat is set aside. */
  readonly explained: boolean
}

/** Which readings cannot stand together; null while they can, and where not everything was thought of. */
export function conflictOf(ledger: Ledger): Conflict | null {
  const { of: held, taken } = ledger
  if (ledger.agreed || taken.length === 0) return null
  if (held.hypotheses.length === 0) return ofFollowed(held, taken)
  const against = taken.map(reading => speaksAgainst(held, reading))
  const stands = (readings: readonly number[]) =>
    held.hypotheses.some((_, at) => readings.every(reading => against[reading]![at] === 0))
  // Leave out one after another whatever is not needed for the contradiction.
  let needed = taken.map((_, at) => at)
  for (const at of taken.keys()) {
    const without = needed.filter(each => each !== at)
    if (!stands(without)) needed = without
  }
  const suspicion = (reading: number) =>
    held.hypotheses.reduce((sum, { weight }, at) => {
      const spoken = taken.reduce((count, _, each) => count + against[each]![at]!, 0)
      return spoken === 1 && against[reading]![at] === 1 ? sum + weight : sum
    }, 0)
  const all = taken.map((_, at) => ({ at, suspicion: suspicion(at) }))
  const explained = all.some(each => each.suspicion > 0)
  const pool = explained ? all : all.filter(({ at }) => needed.includes(at))
  const { at } = pool.reduce((worst, each) => (each.suspicion > worst.suspicion ? each : worst))
  return { readings: needed.map(each => taken[each]!), repeat: taken[at]!, explained }
}

/**
 * No circuit runs as two or more conductors were followed: the one that was read least often is read again. Null
 * where none was followed: then it is what was seen that cannot be, and no reading.
 */
function ofFollowed({ frame }: Case, taken: readonly Taken[]): Conflict | null {
  const readings = taken.filter(each => followedIn(frame, [each]).length > 0)
  const often = (reading: Taken) =>
    readings.filter(each => keyOf(each.question) === keyOf(reading.question)).length
  const [repeat] = [...readings].sort((a, b) => often(a) - often(b))
  return repeat ? { readings, repeat, explained: false } : null
}

/** 1 for each hypothesis that a reading speaks against. */
function speaksAgainst({ frame, hypotheses, predictor }: Case, { question, answer }: Taken): Uint8Array {
  const asked = askedIn(frame, question)
  const bit = bitOf(question, answer)
  return Uint8Array.from(hypotheses, hypothesis => (predictor.agrees(hypothesis, asked, bit) ? 0 : 1))
}
