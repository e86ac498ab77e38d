import { good, type Result } from '../model/result'
import { caseIn, caseOf, type Case } from './case'
import { followedIn, nextToFollow } from './follow'
import type { Reach } from './generate'
import type { Taken } from './ledger'
import { Candidates } from './predictions'
import { keyOf, type Question } from './question'
import type { Survey } from './survey'

/** All that can be thought of a survey after some readings, and what may be asked of it. */
export interface Thought {
  readonly held: Case
  readonly candidates: Candidates
}

/** Tried anew after each conductor that was followed, so not for long; once there is none left, as far as can be. */
const BRIEFLY: Reach = { hypotheses: 20_000, lookedAt: 2_500 }
const AT_LENGTH: Reach = { hypotheses: 20_000, lookedAt: 40_000 }

/**
 * A survey and what can be thought of it: all at once where that can be done; else anew after each conductor
 * that was followed from box to box, until all that is left can be.
 */
export class Thinking {
  readonly #first: Thought
  #now: Thought
  #key = ''

  private constructor(
    first: Case,
    readonly questionsOf: (held: Case) => readonly Question[],
  ) {
    this.#first = this.#now = this.#about(first)
  }

  /** Refused where the survey does not hang together. */
  static of(survey: Survey, questionsOf: (held: Case) => readonly Question[]): Result<Thinking> {
    const held = caseOf(survey)
    return held.ok ? good(new Thinking(held.value, questionsOf)) : held
  }

  /** The same thought as before, object for object, unless one more conductor had to be followed. */
  after(taken: readonly Taken[]): Thought {
    if (this.#first.held.complete) return this.#first
    const { frame } = this.#first.held
    const followed = followedIn(frame, taken)
    const key = followed.map(({ a, b, sounds }) => `${a} ${b} ${sounds}`).join()
    if (key !== this.#key) {
      const reach = nextToFollow(frame, followed) ? BRIEFLY : AT_LENGTH
      this.#now = key === '' ? this.#first : this.#about(caseIn(frame, followed, reach))
      this.#key = key
    }
    return this.#now
  }

  /** Two ends to try, where a conductor must be followed before all can be thought of; else null. */
  follow(taken: readonly Taken[], skipped: ReadonlySet<string> = new Set()): Question | null {
    const { held } = this.after(taken)
    return held.complete ? null : nextToFollow(held.frame, followedIn(held.frame, taken), skipped)
  }

  /** Two ends to try, or to try once more, whatever can be thought of. */
  toFollow(taken: readonly Taken[], skipped: ReadonlySet<string>): Question | null {
    const { held } = this.after(taken)
    const followed = followedIn(held.frame, taken)
    const once = followed.filter(
      ({ a, b, sounds }) => sounds && followed.filter(each => each.a === a && each.b === b).length === 1,
    )[0]
    const again =
      once &&
      taken.find(each => {
        const [only] = followedIn(held.frame, [each])
        return only?.a === once.a && only.b === once.b
      })
    return again && !skipped.has(keyOf(again.question))
      ? again.question
      : nextToFollow(held.frame, followed, skipped)
  }

  #about(held: Case): Thought {
    return { held, candidates: new Candidates(held, this.questionsOf(held)) }
  }
}
