import type { Fault, Result } from '../model/result'
import { good } from '../model/result'
import { candidatesOf, type Allowed } from './candidates'
import type { Case } from './case'
import { conflictOf, type Conflict } from './conflict'
import { identified, type Accounted, type Identified } from './identified'
import { Ledger, type Taken } from './ledger'
import { minutesIn } from './minutes'
import { nextQuestion, plannedOn, type CostOf, type Next } from './next'
import { keyOf, type Question } from './question'
import type { Survey } from './survey'
import type { Candidates } from './predictions'
import { FURTHER_AND_FURTHER, Rivals, type Unrivalled } from './rivals'
import { Thinking } from './thinking'

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

/** What a dead reading counts beside a live one where live ones are preferred: it must tell so much more. */
const DEAD_LAST = 20

/** From so many minutes on a reading is not asked for before all was searched that others might tell. */
const A_TRIP = 2

/** Identifies one survey, reading after reading; what was worked out once is kept. */
export class Identifier {
  readonly #thinking: Thinking
  readonly #minutesOf: CostOf
  readonly #costOf: CostOf
  readonly #rivals: Rivals
  #ledger: Ledger
  #unrivalled: Unrivalled
  /** How far it was searched for rivals since the last reading, and without which questions. */
  #searched = 0
  #skipped = ''
  #unused: Identification['unused'] = []

  private constructor(thinking: Thinking, allowed: Allowed) {
    this.#thinking = thinking
    const { held, candidates } = thinking.after([])
    const minutes = minutesIn(held.frame)
    this.#minutesOf = minutes
    this.#costOf =
      allowed.prefers === 'live'
        ? (question, now) => minutes(question, now) * (question.kind === 'continuity' ? DEAD_LAST : 1)
        : minutes
    this.#ledger = new Ledger(held)
    this.#rivals = new Rivals(held.frame)
    this.#unrivalled = this.#rivals.search(this.#ledger, FURTHER_AND_FURTHER[0]!)
    this.#searched = FURTHER_AND_FURTHER[0]!
    // Worked out while all is thought of anyway, so that no question waits for it.
    for (const at of plannedOn(this.#ledger)) candidates.allowedBy(at)
  }

  /** Refused where the survey does not hang together. */
  static of(survey: Survey, allowed: Allowed): Result<Identifier> {
    const opened = Thinking.of(survey, ({ frame }) =>
      candidatesOf(frame, allowed).filter(({ kind }) => kind !== 'light'),
    )
    return opened.ok ? good(new Identifier(opened.value, allowed)) : opened
  }

  /** `skipped`: questions, by their keys, that somebody cannot answer now. */
  after(taken: readonly Taken[], accounted: Accounted, skipped: ReadonlySet<string>): Identification {
    const { held, candidates } = this.#thinking.after(taken)
    this.#take(held, taken, [...skipped].sort().join())
    const ledger = this.#ledger
    const now = taken.at(-1)?.question ?? null
    const asking = (question: Question | null): Next | null =>
      question && { question, minutes: this.#minutesOf(question, now), outcomes: [] }
    let next = asking(this.#thinking.follow(taken, skipped)) ?? this.#next(candidates, skipped)
    for (const steps of FURTHER_AND_FURTHER) {
      if ((next && next.minutes < A_TRIP) || this.#unrivalled.finished) break
      if (steps <= this.#searched) continue
      this.#search(steps)
      next = this.#next(candidates, skipped)
    }
    const unrivalled = this.#unrivalled
    // Where there are too many ways in which the boxes hang together, a conductor is followed from one to another.
    if (!unrivalled.finished) next ??= asking(this.#thinking.toFollow(taken, skipped))
    const agreeing = ledger.standing.filter(at => ledger.against[at] === 0)
    return {
      known: identified(ledger, accounted, unrivalled),
      next,
      conflict: unrivalled.fits ? null : conflictOf(ledger),
      decided: unrivalled.finished,
      ways: new Set(agreeing.map(at => held.classOf[at]!)).size,
      unused: this.#unused,
    }
  }

  #next(candidates: Candidates, skipped: ReadonlySet<string>): Next | null {
    const asked =
      skipped.size === 0
        ? candidates
        : candidates.without(candidates.questions.filter(each => skipped.has(keyOf(each))))
    const next = nextQuestion(this.#ledger, asked, this.#costOf)
    const now = this.#ledger.taken.at(-1)?.question ?? null
    return next && { ...next, minutes: this.#minutesOf(next.question, now) }
  }

  /**
   * Goes on from what was taken before, where these readings begin with those and are held against the same. Rivals are
   * looked for anew, so that what is said rests on the readings alone, taken one by one or all at once.
   */
  #take(held: Case, taken: readonly Taken[], skipped: string): void {
    const before = this.#ledger.taken
    const goesOn =
      this.#ledger.of === held &&
      this.#unused.length === 0 &&
      before.every((each, at) => each.id === taken[at]?.id && each.answer === taken[at].answer)
    const left = taken.slice(goesOn ? before.length : 0)
    if (goesOn && left.length === 0 && skipped === this.#skipped) return
    this.#skipped = skipped
    this.#ledger.forget(this.#ledger.of.usual)
    if (!goesOn) {
      this.#ledger = new Ledger(held)
      this.#unused = []
    }
    for (const each of left) {
      const used = this.#ledger.take(each)
      if (!used.ok) this.#unused = [...this.#unused, { readingId: each.id, fault: used.faults[0]! }]
    }
    this.#search(FURTHER_AND_FURTHER[0]!)
  }

  #search(steps: number): void {
    this.#unrivalled = this.#rivals.search(this.#ledger, steps)
    this.#searched = steps
  }
}
