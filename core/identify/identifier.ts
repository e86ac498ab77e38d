import type { Fault, Result } from '../model/result'
import { good } from '../model/result'
import { candidatesOf, type Allowed } from './candidates'
import { caseOf, type Case } from './case'
import { conflictOf, type Conflict } from './conflict'
import { identified, type Accounted, type Identified } from './identified'
import { Ledger, type Taken } from './ledger'
import { minutesOf, USUAL_MINUTES } from './minutes'
import { nextQuestion, plannedOn, type Next } from './next'
import { Candidates } from './predictions'
import { keyOf } from './question'
import type { Survey } from './survey'

/** All that Identify has to say of some boxes after some readings, as plain data. */
export interface Identification {
  readonly known: readonly Identified[]
  readonly next: Next | null
  readonly conflict: Conflict | null
  /** False where not every way of wiring could be thought of: nothing is proven then. */
  readonly decided: boolean
  /** Ways of wiring that agree with every reading, as far as roles go. */
  readonly ways: number
  /** Readings that cannot be held against these boxes any more, and why. */
  readonly unused: readonly { readonly readingId: string; readonly fault: Fault }[]
}

/** Identifies one survey, reading after reading; what was worked out once is kept. */
export class Identifier {
  readonly #held: Case
  readonly #candidates: Candidates
  #ledger: Ledger
  #unused: Identification['unused'] = []

  private constructor(held: Case, allowed: Allowed) {
    this.#held = held
    this.#candidates = new Candidates(
      held,
      candidatesOf(held.frame, allowed).filter(({ kind }) => kind !== 'light'),
    )
    this.#ledger = new Ledger(held)
    // Worked out while all is thought of anyway, so that no question waits for it.
    for (const at of plannedOn(this.#ledger)) this.#candidates.allowedBy(at)
  }

  /** Refused where the survey does not hang together. */
  static of(survey: Survey, allowed: Allowed): Result<Identifier> {
    const held = caseOf(survey)
    return held.ok ? good(new Identifier(held.value, allowed)) : held
  }

  /** `skipped`: questions, by their keys, that somebody cannot answer now. */
  after(taken: readonly Taken[], accounted: Accounted, skipped: ReadonlySet<string>): Identification {
    this.#take(taken)
    const ledger = this.#ledger
    const { against, standing } = ledger
    const agreeing = standing.filter(at => against[at] === 0)
    const candidates =
      skipped.size === 0
        ? this.#candidates
        : this.#candidates.without(this.#candidates.questions.filter(each => skipped.has(keyOf(each))))
    return {
      known: identified(ledger, accounted),
      next: nextQuestion(ledger, candidates, (question, now) => minutesOf(USUAL_MINUTES, question, now)),
      conflict: conflictOf(ledger),
      decided: this.#held.complete,
      ways: new Set(agreeing.map(at => this.#held.classOf[at]!)).size,
      unused: this.#unused,
    }
  }

  /** Goes on from what was taken before, where these readings begin with those. */
  #take(taken: readonly Taken[]): void {
    const before = this.#ledger.taken
    const goesOn =
      this.#unused.length === 0 &&
      before.every((each, at) => each.id === taken[at]?.id && each.answer === taken[at].answer)
    if (!goesOn) {
      this.#ledger = new Ledger(this.#held)
      this.#unused = []
    }
    for (const each of taken.slice(goesOn ? before.length : 0)) {
      const held = this.#ledger.take(each)
      if (!held.ok) this.#unused = [...this.#unused, { readingId: each.id, fault: held.faults[0]! }]
    }
  }
}
