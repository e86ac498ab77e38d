import type { Role } from '../model/vocabulary'
import type { Case } from './case'
import type { FrameEnd } from './frame'
import { identified, isBorneOut, touches } from './identified'
import type { Ledger } from './ledger'
import { agrees } from './predict'
import type { Candidates } from './predictions'
import { answersTo, type Answer, type Question } from './question'

/** What a reading costs, in minutes with its hazard, given how things stand now. */
export type CostOf = (question: Question, now: Question | null) => number

export interface Next {
  readonly question: Question
  readonly minutes: number
  /** What each answer would leave: how likely it is, and how many ways of wiring would remain. */
  readonly outcomes: readonly {
    readonly answer: Answer
    readonly likely: number
    readonly remaining: number
  }[]
  /** The likeliest way of wiring and the likeliest rival that the reading tells from it; null where none is at hand. */
  readonly parts: readonly [leader: Way, rival: Way] | null
}

/** A way of wiring beside another: what the reading may show in it, and the roles that differ. */
export interface Way {
  readonly answers: readonly Answer[]
  readonly roles: readonly { readonly endId: string; readonly role: Role }[]
}

/** What a way of wiring that nothing speaks against counts beside one that a single reading does. */
const UNTOUCHED = 6
/** Planned on the likeliest so many; proof is held against all. */
const PLANNED_ON = 64
/** Reading the same again shows less than reading something else. */
const AGAIN = 0.9
const LEAST_GAIN = 1e-6
/** Where nothing tells for certain, what might tell is worth trying. */
const HOPE = 0.4
/** Of two readings that tell alike, the one is better that also bears out what none has touched. */
const BEARS_OUT = 0.03
/** The bits that stand for answers; what lies beyond only says what may be read besides. */
const ANSWER_BITS = 15

/**
 * The reading worth taking next: one that tells ways of wiring apart, or, where they all say the same, one
 * that bears out what no reading has touched. Null where none would tell anything more.
 */
export function nextQuestion(ledger: Ledger, candidates: Candidates, costOf: CostOf): Next | null {
  const lacking = notBorneOut(ledger)
  return (
    telling(ledger, candidates, costOf, lacking, plannedOn(ledger)) ??
    telling(ledger, candidates, costOf, lacking, besideTheLikeliest(ledger, candidates)) ??
    telling(ledger, candidates, costOf, lacking, plannedOn(ledger), HOPE) ??
    bearingOut(ledger, candidates, costOf, lacking)
  )
}

/** Ends that no reading bears out yet, whatever may be thought of them. */
function notBorneOut(ledger: Ledger): readonly FrameEnd[] {
  const { ends } = ledger.of.frame
  const all = { fits: true, finished: true, closed: ends.map(() => true) }
  const known = identified(ledger, { toldFromGround: new Set() }, all)
  return ends.filter(({ index }) => {
    const { candidates, why } = known[index]!
    return (
      candidates[0] !== undefined &&
      !isBorneOut(
        ledger,
        index,
        candidates[0].role,
        ledger.taken.filter(({ id }) => why.includes(id)),
      )
    )
  })
}

/** A reading that shows something whatever is so, held to metal that is not borne out yet. */
function bearingOut(
  ledger: Ledger,
  { questions, keys, allowedBy }: Candidates,
  costOf: CostOf,
  lacking: readonly FrameEnd[],
): Next | null {
  const { of: held, standing } = ledger
  if (!ledger.agreed) return null
  if (lacking.length === 0) return null
  const now = ledger.taken.at(-1)?.question ?? null
  let best: Next | null = null
  let bestScore = 0
  for (const [number, question] of questions.entries()) {
    let bits = 0
    for (const at of standing) bits |= allowedBy(at)[number]!
    const answers = answersTo(question).filter((_, bit) => ((bits & ANSWER_BITS) >> bit) & 1)
    const before = ledger.answersTaken.get(keys[number]!)
    // What was read already and showed something else will not show it now.
    if (before && (isRead(before) || before.at(-1) !== (bits & ANSWER_BITS))) continue
    const touched = lacking.filter(({ index }) =>
      answers.every(answer => touches(held, { question, answer }, index)),
    ).length
    const score = answers.length === 0 ? 0 : touched / answers.length / costOf(question, now)
    if (score > bestScore * (1 + 1e-9)) {
      bestScore = score
      const likely = 1 / answers.length
      const outcomes = answers.map(answer => ({ answer, likely, remaining: 1 }))
      best = { question, minutes: costOf(question, now), outcomes, parts: null }
    }
  }
  return best
}

/**
 * The reading that can be expected to leave least to find out for its minutes and its hazard. Null where
 * none would tell anything more.
 */
function telling(
  ledger: Ledger,
  candidates: Candidates,
  costOf: CostOf,
  lacking: readonly FrameEnd[],
  sample: readonly number[],
  hope = 0,
): Next | null {
  const { of: held } = ledger
  if (sample.length === 0) return null
  const now = ledger.taken.at(-1)?.question ?? null
  const likely = sample.map(ledger.worth)
  const total = likely.reduce((sum, each) => sum + each, 0)
  const state: State = {
    held,
    sample,
    likely: likely.map(each => each / total),
    against: sample.map(at => ledger.against[at]!),
    classes: classesOf(held, sample),
    hope,
  }
  const before = Math.log2(openness(state, null))
  let best: { question: Question; allowed: Uint8Array; score: number } | null = null
  const rows = sample.map(at => candidates.allowedBy(at))
  for (const [number, question] of candidates.questions.entries()) {
    const taken = ledger.answersTaken.get(candidates.keys[number]!) ?? []
    if (isRead(taken)) continue
    const allowed = Uint8Array.from(rows, row => row[number]!)
    expectAgain(allowed, taken)
    const gain = before - expectedAfter(state, question, allowed)
    if (gain < LEAST_GAIN) continue
    const again = AGAIN ** taken.length
    const plain = (gain * again) / costOf(question, now)
    // Not worth looking closer at: it could not become the best however much it bore out.
    if (best && plain * (1 + BEARS_OUT * lacking.length) <= best.score) continue
    const score = plain * (1 + BEARS_OUT * bornOutBy(state, question, allowed, lacking))
    if (!best || score > best.score * (1 + 1e-9)) best = { question, allowed, score }
  }
  if (!best) return null
  const { question, allowed } = best
  return {
    question,
    minutes: costOf(question, now),
    outcomes: outcomesOf(state, question, allowed),
    parts: partsOf(state, question, allowed),
  }
}

/** Of the ways with other roles the likeliest that can show what the leader cannot; else one that may show something else. */
function partsOf({ held, sample, likely }: State, question: Question, allowed: Uint8Array): Next['parts'] {
  const order = [...sample.keys()].sort((a, b) => likely[b]! - likely[a]! || a - b)
  const [leader] = order
  if (leader === undefined) return null
  const rivals = order.filter(at => held.classOf[sample[at]!] !== held.classOf[sample[leader]!])
  const bitsAt = (at: number) => allowed[at]! & ANSWER_BITS
  const rival =
    rivals.find(at => (bitsAt(at) & bitsAt(leader)) === 0) ?? rivals.find(at => bitsAt(at) !== bitsAt(leader))
  if (rival === undefined) return null
  const rolesAt = (at: number) => held.classes[held.classOf[sample[at]!]!]!
  const [own, other] = [rolesAt(leader), rolesAt(rival)]
  const wayAt = (at: number, roles: readonly Role[]): Way => ({
    answers: answersTo(question).filter((_, bit) => (allowed[at]! >> bit) & 1),
    roles: held.frame.ends.flatMap(({ id, index }) =>
      own[index] === other[index] ? [] : [{ endId: id, role: roles[index]! }],
    ),
  })
  return [wayAt(leader, own), wayAt(rival, other)]
}

/** How many ends that are not borne out yet the likeliest answer would bear out. */
function bornOutBy(
  state: State,
  question: Question,
  allowed: Uint8Array,
  lacking: readonly FrameEnd[],
): number {
  if (lacking.length === 0) return 0
  const answers = answersTo(question)
  const likely = likelihoods(state, allowed, answers.length)
  const answer = answers[likely.indexOf(Math.max(...likely))]!
  return lacking.filter(({ index }) => touches(state.held, { question, answer }, index)).length
}

interface State {
  readonly held: Case
  readonly sample: readonly number[]
  /** Shares of 1. */
  readonly likely: readonly number[]
  readonly against: readonly number[]
  /** Share of a way of wiring that may show other answers than the one most others allow too. */
  readonly hope: number
  /** Class of each, numbered anew from 0, and how many there are. */
  readonly classes: { readonly of: Uint16Array; readonly count: number }
}

/** The ways of wiring that the next reading is planned on. */
export function plannedOn({ standing, worth }: Ledger): readonly number[] {
  if (standing.length <= PLANNED_ON) return standing
  return [...standing].sort((a, b) => worth(b) - worth(a) || a - b).slice(0, PLANNED_ON)
}

/** Where the likeliest all say the same: the first of them, and such as give other roles and could be told from it. */
function besideTheLikeliest(
  { of: held, standing, worth }: Ledger,
  { allowedBy }: Candidates,
): readonly number[] {
  if (standing.length <= PLANNED_ON) return []
  const [first, ...rest] = [...standing].sort((a, b) => worth(b) - worth(a) || a - b) as [number, ...number[]]
  const own = allowedBy(first)
  const sample = [first]
  for (const at of rest) {
    if (sample.length === PLANNED_ON) break
    if (held.classOf[at] === held.classOf[first]) continue
    if (allowedBy(at).some((bits, number) => bits !== own[number])) sample.push(at)
  }
  return sample
}

function classesOf({ classOf }: Case, sample: readonly number[]): State['classes'] {
  const numbers = new Map<number, number>()
  const of = new Uint16Array(sample.length)
  sample.forEach((at, index) => {
    const own = classOf[at]!
    if (!numbers.has(own)) numbers.set(own, numbers.size)
    of[index] = numbers.get(own)!
  })
  return { of, count: numbers.size }
}

/** The same reading taken again shows what it showed last, where it might have shown this or that. */
function expectAgain(allowed: Uint8Array, taken: readonly number[]): void {
  const latest = [...taken].reverse()
  for (let index = 0; index < allowed.length; index++) {
    const again = latest.find(bit => agrees(allowed[index]!, bit))
    if (again !== undefined) allowed[index] = again
  }
}

/** What showed the same twice running shows nothing more a third time, whichever single reading is false. */
const isRead = (taken: readonly number[]): boolean => taken.length > 1 && taken.at(-1) === taken.at(-2)

/** How much is open still, over classes of equal roles; with an answer, what would be open then. */
function openness(state: State, answered: { allowed: Uint8Array; bit: number } | null): number {
  const { of, count } = state.classes
  const least = new Uint8Array(count).fill(2)
  for (let index = 0; index < state.sample.length; index++) {
    const spoken = answered !== null && ((answered.allowed[index]! >> answered.bit) & 1) === 0 ? 1 : 0
    const against = state.against[index]! + spoken
    const own = of[index]!
    if (against < least[own]!) least[own] = against
  }
  let open = 0
  for (let own = 0; own < count; own++) open += least[own] === 0 ? UNTOUCHED : least[own] === 1 ? 1 : 0
  return Math.max(open, 1)
}

/**
 * How likely each answer is. A way of wiring that allows several is taken to show the one that most others
 * allow too: hoping for the rare one would make empty questions look good.
 */
function likelihoods({ sample, likely, hope }: State, allowed: Uint8Array, answers: number): Float64Array {
  const open = new Float64Array(answers)
  for (let index = 0; index < sample.length; index++)
    for (let bit = 0; bit < answers; bit++) if ((allowed[index]! >> bit) & 1) open[bit]! += likely[index]!
  const shown = new Float64Array(answers)
  for (let index = 0; index < sample.length; index++) {
    let most = -1
    for (let bit = 0; bit < answers; bit++)
      if ((allowed[index]! >> bit) & 1 && (most < 0 || open[bit]! > open[most]!)) most = bit
    if (most < 0) continue
    shown[most]! += likely[index]! * (1 - hope)
    const others = bitsOf(allowed[index]! & ((1 << answers) - 1) & ~(1 << most))
    if (others.length === 0) shown[most]! += likely[index]! * hope
    else for (const bit of others) shown[bit]! += (likely[index]! * hope) / others.length
  }
  return shown
}

const bitsOf = (bits: number): number[] => [0, 1, 2, 3].filter(bit => (bits >> bit) & 1)

function expectedAfter(state: State, question: Question, allowed: Uint8Array): number {
  let expected = 0
  const likely = likelihoods(state, allowed, answersTo(question).length)
  for (let bit = 0; bit < likely.length; bit++)
    if (likely[bit]! > 0) expected += likely[bit]! * Math.log2(openness(state, { allowed, bit }))
  return expected
}

/** Every answer that some way of wiring allows, though it be unlikely. */
function outcomesOf(state: State, question: Question, allowed: Uint8Array): Next['outcomes'] {
  const answers = answersTo(question)
  const likely = likelihoods(state, allowed, answers.length)
  return answers.flatMap((answer, bit) =>
    allowed.some(bits => (bits >> bit) & 1)
      ? [{ answer, likely: likely[bit]!, remaining: remainingAfter(state, allowed, bit) }]
      : [],
  )
}

function remainingAfter(state: State, allowed: Uint8Array, bit: number): number {
  const left = new Set<number>()
  for (let index = 0; index < state.sample.length; index++)
    if (state.against[index] === 0 && (allowed[index]! >> bit) & 1) left.add(state.classes.of[index]!)
  return left.size
}
