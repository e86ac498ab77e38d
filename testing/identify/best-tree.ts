import { Ledger } from '@/core/identify/ledger'
import { nextQuestion } from '@/core/identify/next'
import { Candidates } from '@/core/identify/predictions'
import { answersTo, keyOf } from '@/core/identify/question'
import { EACH_COSTS_ONE, MOST_READINGS, type Prepared } from './run'

/** How far the exact search goes: states of *how many readings speak against each class*. */
const MOST_STATES = 400_000

/**
 * The least number of readings, on average, after which all ways of wiring that at most one reading speaks
 * against give the same roles: over every order in which questions can be asked, each answered by a true
 * way of wiring drawn by its weight. Null where it is too large. Questions must have one answer for each.
 * `out`: from how many readings against it a way of wiring is out; 1 if nobody ever misread.
 */
export function leastReadings({ held, candidates }: Prepared, out = 2): number | null {
  const weights = held.hypotheses.map(({ weight }) => weight)
  const total = weights.reduce((sum, each) => sum + each, 0)
  const rows = held.hypotheses.map((_, at) => candidates.allowedBy(at))
  const patterns = new Map<string, readonly number[]>()
  for (const number of candidates.questions.keys()) {
    const answers = rows.map(row => row[number]!)
    if (new Set(answers).size > 1) patterns.set(answers.join(' '), answers)
  }
  const questions = [...patterns.values()]
  const roles = held.hypotheses.map((_, at) => held.classOf[at]!)
  const known = new Map<string, number>()
  let states = 0

  /** Expected readings from here, given how many speak against each (at most `out`), weighed by who may be true. */
  const from = (against: readonly number[]): number => {
    const key = against.join('')
    const before = known.get(key)
    if (before !== undefined) return before
    if (++states > MOST_STATES) return NaN
    const left = against.flatMap((spoken, at) => (spoken < out ? [at] : []))
    if (new Set(left.map(at => roles[at]!)).size <= 1) {
      known.set(key, 0)
      return 0
    }
    known.set(key, Infinity)
    const truths = against.flatMap((spoken, at) => (spoken === 0 ? [at] : []))
    const share = truths.reduce((sum, at) => sum + weights[at]!, 0)
    let best = Infinity
    for (const answers of questions) {
      const shown = new Set(truths.map(at => answers[at]!))
      let expected = 1
      let moves = false
      for (const answer of shown) {
        const after = against.map((spoken, at) => Math.min(out, spoken + (answers[at] === answer ? 0 : 1)))
        if (after.join('') === key) continue
        moves = true
        const likely =
          truths.reduce((sum, at) => (answers[at] === answer ? sum + weights[at]! : sum), 0) / share
        expected += likely * from(after)
        if (!(expected < best)) break
      }
      if (moves && expected < best) best = expected
    }
    known.set(key, best)
    return best
  }
  const answer = from(held.hypotheses.map(() => 0))
  return Number.isFinite(answer) && total > 0 ? answer : null
}

/** The same for the reading that is asked for in the product, each costing alike. */
export function plannedReadings({ held, candidates }: Prepared): number {
  const total = held.hypotheses.reduce((sum, { weight }) => sum + weight, 0)
  return held.hypotheses.reduce((sum, { weight }, truth) => {
    const row = candidates.allowedBy(truth)
    const ledger = new Ledger(held)
    let readings = 0
    while (new Set(ledger.standing.map(at => held.classOf[at]!)).size > 1) {
      const next = nextQuestion(ledger, candidates, EACH_COSTS_ONE)
      if (!next || readings >= MOST_READINGS) break
      const answer = answersTo(next.question)[Math.log2(row[candidates.keys.indexOf(keyOf(next.question))]!)]!
      ledger.take({ id: `${readings++}`, question: next.question, answer })
    }
    return sum + (weight / total) * readings
  }, 0)
}

/** Only the questions that every way of wiring has one answer to, so that a tree of answers can be drawn. */
export function withPlainQuestions({ held, candidates, thinking }: Prepared): Prepared {
  const plain = candidates.questions.filter((_, number) =>
    held.hypotheses.every((__, at) => {
      const bits = candidates.allowedBy(at)[number]!
      return (bits & (bits - 1)) === 0
    }),
  )
  return { held, candidates: new Candidates(held, plain), thinking }
}
