import { fault, good, refused, type Result } from '../model/result'
import type { Case } from './case'
import type { Weighed } from './hypothesis'
import { askedIn } from './predict'
import { answersTo, bitOf, keyOf, type Answer, type Question, type Spot } from './question'

/** A reading that was taken: what was asked, and what was seen. */
export interface Taken {
  readonly id: string
  readonly question: Question
  readonly answer: Answer
}

/** How likely a single reading is false, for weighing what is usual; proof does not rest on it. */
const FALSE_READING = 0.05
/** From so many readings against it a hypothesis is out for good, whichever single one is false. */
const OUT = 2

/**
 * Readings held against all hypotheses: how many speak against each, and which reading spoke against which.
 * A reading never removes a hypothesis by itself: people misread.
 */
export class Ledger {
  readonly taken: Taken[] = []
  /** How many readings speak against each hypothesis; counted no further than 2. */
  readonly against: number[]
  /** For each reading, the hypotheses it spoke against that were not out before. */
  readonly spokeAgainst: number[][] = []
  /** Hypotheses that are not out, in order. */
  standing: number[]

  readonly #answers = new Map<string, number[]>()

  constructor(readonly of: Case) {
    this.against = of.hypotheses.map(() => 0)
    this.standing = of.hypotheses.map((_, at) => at)
  }

  /** Refused where the question names what was not seen, or has no such answer. */
  take(taken: Taken): Result<null> {
    const bit = bitOf(taken.question, taken.answer)
    if (bit === 0) {
      const offered = answersTo(taken.question).join(', ')
      return refused(fault('/answer', 'no-such-answer', `“${taken.answer}” is none of ${offered}`))
    }
    const wrong = this.#unknown(taken.question)
    if (wrong) return refused(fault(`/question/${wrong}`, 'not-seen', 'that was not seen'))
    const asked = askedIn(this.of.frame, taken.question)
    const spoke: number[] = []
    for (const at of this.standing)
      if (!this.of.predictor.agrees(this.of.hypotheses[at]!, asked, bit)) {
        this.against[at]!++
        spoke.push(at)
      }
    this.standing = this.standing.filter(at => this.against[at]! < OUT)
    this.taken.push(taken)
    const key = keyOf(taken.question)
    this.#answers.set(key, [...(this.#answers.get(key) ?? []), bit])
    this.spokeAgainst.push(spoke)
    return good(null)
  }

  /** Forgets the networks taken in. */
  forget(): void {
    const { usual } = this.of
    this.of.forget()
    this.against.length = usual
    this.standing = this.standing.filter(at => at < usual)
    this.spokeAgainst.forEach((spoke, number) => (this.spokeAgainst[number] = spoke.filter(at => at < usual)))
  }

  /** Takes in a network that was found, and holds it against all that was read so far. */
  learn(network: Weighed): void {
    const at = this.of.learn(network)
    if (at === null) return
    this.against[at] = 0
    const { frame, predictor } = this.of
    this.taken.forEach(({ question, answer }, number) => {
      if (this.against[at]! >= OUT) return
      if (predictor.agrees(network, askedIn(frame, question), bitOf(question, answer))) return
      this.against[at]!++
      this.spokeAgainst[number]!.push(at)
    })
    if (this.against[at]! < OUT) this.standing.push(at)
  }

  /** Whether any hypothesis agrees with all that was read. */
  get agreed(): boolean {
    return this.standing.some(at => this.against[at] === 0)
  }

  /** How likely a hypothesis is, beside the others: how usual, and how much speaks against it. */
  readonly worth = (hypothesis: number): number =>
    this.of.hypotheses[hypothesis]!.weight * FALSE_READING ** this.against[hypothesis]!

  /** Bits of what each question was answered, by its key. */
  get answersTaken(): ReadonlyMap<string, readonly number[]> {
    return this.#answers
  }

  #unknown({ from, to, apart, work, lampsOut, off }: Question): string | null {
    const { indexOf, survey, switches } = this.of.frame
    if (lampsOut !== undefined && !survey.lights.some(({ id }) => id === lampsOut)) return 'lampsOut'
    if (off !== undefined && !survey.devices.some(({ id }) => id === off)) return 'off'
    const known = (spot: Spot) =>
      spot.kind === 'end'
        ? indexOf.has(spot.end)
        : spot.kind !== 'lamp-holder' || survey.lights.some(({ id }) => id === spot.light)
    if (!known(from)) return 'from'
    if (!known(to)) return 'to'
    if (apart.some(id => !survey.boxes.some(box => box.id === id))) return 'apart'
    return work === null || switches.some(({ device }) => device.id === work) ? null : 'work'
  }
}
