import type { Case } from './case'
import type { Hypothesis } from './hypothesis'
import { askedIn, type Asked } from './predict'
import { keyOf, type Question } from './question'

/** Questions that may be asked of a case, with what each hypothesis allows as answer: worked out once each. */
export class Candidates {
  readonly keys: readonly string[]
  readonly #all: Candidates | null
  readonly #kept: readonly number[]
  /** Those of one stand together, by their numbers. */
  readonly #stands: readonly { readonly numbers: readonly number[]; readonly asked: readonly Asked[] }[]
  readonly #rows = new WeakMap<Hypothesis, Uint8Array>()

  constructor(
    readonly of: Case,
    readonly questions: readonly Question[],
    all: Candidates | null = null,
  ) {
    this.#all = all
    this.#kept = all ? questions.map(each => all.questions.indexOf(each)) : []
    this.keys = questions.map(keyOf)
    const stands = new Map<string, { numbers: number[]; asked: Asked[] }>()
    questions.forEach((question, number) => {
      const asked = askedIn(of.frame, question)
      const key = `${question.power} ${asked.apart} ${asked.lampsOut} ${asked.off}`
      const stand = stands.get(key) ?? { numbers: [], asked: [] }
      stand.numbers.push(number)
      stand.asked.push(asked)
      stands.set(key, stand)
    })
    this.#stands = [...stands.values()]
  }

  /** The same but for some questions; what was worked out is shared. */
  without(left: readonly Question[]): Candidates {
    return new Candidates(
      this.of,
      this.questions.filter(each => !left.includes(each)),
      this,
    )
  }

  /** Bits of the answers that one hypothesis allows, question by question. */
  readonly allowedBy = (hypothesis: number): Uint8Array => {
    const own = this.of.hypotheses[hypothesis]!
    const known = this.#rows.get(own)
    if (known) return known
    if (this.#all) {
      const row = this.#all.allowedBy(hypothesis)
      const kept = Uint8Array.from(this.#kept, number => row[number]!)
      this.#rows.set(own, kept)
      return kept
    }
    const row = new Uint8Array(this.questions.length)
    for (const { numbers, asked } of this.#stands) {
      const allowed = this.of.predictor.allowedOfAll(own, asked)
      numbers.forEach((number, at) => (row[number] = allowed[at]!))
    }
    this.#rows.set(own, row)
    return row
  }
}
