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
import { Rivals, type Reach } from './rivals'
import { Thinking } from './thinking'

/** All that Identify has to say of some boxes after some readings, as plain data. */
export interface Identification {
  readonly known: readonly Identified[]
  readonly next: Next | null
  readonly conflict: Conflict | null
  /** False where not every way of wiring could be thought of: nothing is proven then. */
  readonly decided: boolean
  /** Searched no further than can be waited for: nothing is asked, and no more is proven, before more was. */
  readonly further: boolean
  /** Ways of wiring that agree with every reading, as far as roles go. */
  readonly ways: number
  /** Readings that cannot be held against these boxes any more, and why. */
  readonly unused: readonly { readonly readingId: string; readonly fault: Fault }[]
}

/** What a dead reading counts beside a live one where live ones are preferred: it must tell so much more. */
const DEAD_LAST = 20

/** Identifies one survey, reading after reading; what was worked out once is kept. */
export class Identifier {
  readonly #thinking: Thinking
  readonly #minutesOf: CostOf
  readonly #costOf: CostOf
  readonly #rivals: Rivals
  #ledger: Ledger
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

  /**
   * `skipped`: questions, by their keys, that somebody cannot answer now. `soon` answers in a moment, and says whether
   * `far` may say more.
   */
  after(
    taken: readonly Taken[],
    accounted: Accounted,
    skipped: ReadonlySet<string>,
    reach: Reach = 'far',
  ): Identification {
    const { held, candidates } = this.#thinking.after(taken)
    this.#take(held, taken)
    const ledger = this.#ledger
    const now = taken.at(-1)?.question ?? null
    const asking = (question: Question | null): Next | null =>
      question && { question, minutes: this.#minutesOf(question, now), outcomes: [], parts: null }
    const follow = asking(this.#thinking.follow(taken, skipped))
    const asked = this.#without(candidates, skipped)
    const {
      unrivalled,
      next: worth,
      further,
    } = follow
      ? { unrivalled: this.#rivals.briefly(ledger), next: follow, further: false }
      : this.#rivals.untilWorth(ledger, () => this.#next(asked), reach)
    // Where there are too many ways in which the boxes hang together, a conductor is followed from one to another.
    const next =
      worth ??
      (unrivalled.finished || further
        ? null
        : (asking(this.#thinking.toFollow(taken, skipped)) ?? asking(this.#plainest(asked, now))))
    const agreeing = ledger.standing.filter(at => ledger.against[at] === 0)
    return {
      known: identified(ledger, accounted, unrivalled),
      next,
      conflict: unrivalled.fits ? null : conflictOf(ledger),
      decided: unrivalled.finished,
      further,
      ways: new Set(agreeing.map(at => held.classOf[at]!)).size,
      unused: this.#unused,
    }
  }

  #without(candidates: Candidates, skipped: ReadonlySet<string>): Candidates {
    return skipped.size === 0
      ? candidates
      : candidates.without(candidates.questions.filter(each => skipped.has(keyOf(each))))
  }

  /**
   * Where no way at all was found yet: the cheapest reading to ground of a conductor that was not read to ground in that
   * stand, so that there is less to search.
   */
  #plainest({ questions }: Candidates, now: Question | null): Question | null {
    const { standing, taken } = this.#ledger
    if (standing.length > 0) return null
    const standOf = ({ from, apart }: Question) => JSON.stringify([from, apart])
    const isToGround = ({ to, kind }: Question) => to.kind === 'earth' && kind === 'volts'
    const read = new Set(taken.flatMap(({ question }) => (isToGround(question) ? [standOf(question)] : [])))
    return questions
      .filter(each => isToGround(each) && !read.has(standOf(each)))
      .reduce<Question | null>(
        (best, each) => (best && this.#costOf(best, now) <= this.#costOf(each, now) ? best : each),
        null,
      )
  }

  #next(asked: Candidates): Next | null {
    const next = nextQuestion(this.#ledger, asked, this.#costOf)
    const now = this.#ledger.taken.at(-1)?.question ?? null
    return next && { ...next, minutes: this.#minutesOf(next.question, now) }
  }

  /**
   * Goes on from what was taken before, where these readings begin with those and are held against the same. Rivals
   * found before are forgotten, so that what is said rests on the readings alone, taken one by one or all at once.
   */
  #take(held: Case, taken: readonly Taken[]): void {
    const before = this.#ledger.taken
    const goesOn =
      this.#ledger.of === held &&
      this.#unused.length === 0 &&
      before.every((each, at) => each.id === taken[at]?.id && each.answer === taken[at].answer)
    this.#ledger.forget()
    if (!goesOn) {
      this.#ledger = new Ledger(held)
      this.#unused = []
    }
    for (const each of taken.slice(this.#ledger.taken.length)) {
      const used = this.#ledger.take(each)
      if (!used.ok) this.#unused = [...this.#unused, { readingId: each.id, fault: used.faults[0]! }]
    }
  }
}
