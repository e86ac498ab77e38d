import { SimulatedTester } from '@/standins/tester'
import { candidatesOf, type Allowed } from '@/core/identify/candidates'
import { conflictOf } from '@/core/identify/conflict'
import { identified, type Identified } from '@/core/identify/identified'
import { Ledger, type Taken } from '@/core/identify/ledger'
import { nextQuestion, type CostOf } from '@/core/identify/next'
import { answersTo, type Answer } from '@/core/identify/question'
import { Rivals } from '@/core/identify/rivals'
import { Thinking, type Thought } from '@/core/identify/thinking'
import type { Hidden } from './hidden'

export const MOST_READINGS = 80
export const EACH_COSTS_ONE: CostOf = () => 1

/** A case with the questions that may be asked of it, and how it goes on where it is too large at first. */
export interface Prepared extends Thought {
  readonly thinking: Thinking
}

export function prepare({ survey }: Hidden, allowed: Allowed = { live: true }): Prepared {
  const opened = Thinking.of(survey, ({ frame }) => candidatesOf(frame, allowed))
  if (!opened.ok) throw new Error(opened.faults.map(({ path, message }) => `${path}: ${message}`).join('; '))
  return { ...opened.value.after([]), thinking: opened.value }
}

export const testerOf = ({ circuit, boxOfJoint, survey, state }: Hidden): SimulatedTester =>
  new SimulatedTester(circuit, boxOfJoint, survey.nominalBand, state)

export interface Run {
  readonly ledger: Ledger
  /** What was thought of in the end. */
  readonly thought: Thought
  readonly known: readonly Identified[]
  readonly readings: number
  /** How many of them only followed a conductor, where there was too much to think of. */
  readonly followed: number
  readonly minutes: number
  /** How often the power was switched on or off between two readings. */
  readonly switchings: number
  /** How often readings could not stand together, and one was taken again. */
  readonly repeated: number
}

/** A false reading: at which place in the row, and which of the other answers it is. */
export interface Lie {
  readonly at: number
  readonly choice: number
}

/** Asks what is worth asking until nothing more is, and takes again what cannot stand. */
export function run(hidden: Hidden, { thinking }: Prepared, costOf: CostOf, lie?: Lie): Run {
  const tester = testerOf(hidden)
  let thought = thinking.after([])
  thought.held.forget()
  let ledger = new Ledger(thought.held)
  const rivals = new Rivals(thought.held.frame)
  const goOn = (readings: readonly Taken[]) => {
    thought = thinking.after(readings)
    if (thought.held === ledger.of && readings === ledger.taken) return
    ledger.forget()
    ledger = new Ledger(thought.held)
    for (const taken of readings) ledger.take(taken)
  }
  let [readings, followed, repeated, minutes, switchings] = [0, 0, 0, 0, 0]
  const ask = (taken: Omit<Taken, 'answer'>): Taken => {
    const answered = tester.answer(taken.question)
    if (!answered.ok) throw new Error(answered.faults.map(({ message }) => message).join('; '))
    const isLie = lie !== undefined && readings === lie.at
    readings++
    return {
      ...taken,
      answer: isLie ? another(answersTo(taken.question), answered.value, lie.choice) : answered.value,
    }
  }
  while (readings < MOST_READINGS) {
    goOn(ledger.taken)
    ledger.forget()
    const follow = thinking.follow(ledger.taken)
    if (follow) {
      followed++
      ledger.take(ask({ id: `${readings}`, question: follow }))
      continue
    }
    const { unrivalled, next } = rivals.untilWorth(ledger, () =>
      nextQuestion(ledger, thought.candidates, costOf),
    )
    const conflict = unrivalled.fits ? null : conflictOf(ledger)
    if (conflict) {
      repeated++
      const again = ask({ ...conflict.repeat, id: `${readings}` })
      if (again.answer === conflict.repeat.answer) {
        ledger.take(again)
        continue
      }
      // It was misread: the new one stands instead.
      goOn(ledger.taken.map(taken => (taken.id === conflict.repeat.id ? again : taken)))
      continue
    }
    if (!next) break
    minutes += next.minutes
    const before = ledger.taken.at(-1)?.question
    if (before && before.power !== next.question.power) switchings++
    ledger.take(ask({ id: `${readings}`, question: next.question }))
  }
  return {
    ledger,
    thought,
    known: identified(ledger, { toldFromGround: new Set() }, rivals.thoroughly(ledger)),
    readings,
    followed,
    minutes,
    switchings,
    repeated,
  }
}

function another(all: readonly Answer[], truth: Answer, choice: number): Answer {
  const others = all.filter(answer => answer !== truth)
  return others[choice % others.length]!
}

/** Ends whose proven role is not what they truly are. */
export const wronglyProven = ({ known }: Run, { roles }: Hidden): string[] =>
  known.flatMap(({ endId, proof, candidates: [first] }) =>
    proof === 'proven' && first!.role !== roles.get(endId) ? [`${endId} is no ${first!.role}`] : [],
  )
