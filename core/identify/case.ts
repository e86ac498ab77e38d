import { good, type Result } from '../model/result'
import type { Role } from '../model/vocabulary'
import { frameOf, type Frame } from './frame'
import type { Followed } from './follow'
import { generate, type Reach } from './generate'
import type { Weighed } from './hypothesis'
import { Predictor } from './predict'
import type { Survey } from './survey'

/** A survey with all that can be thought of it: made once, then readings are held against it. */
export interface Case {
  readonly frame: Frame
  /** Usual ways of wiring, and networks that were found as rivals since. */
  readonly hypotheses: readonly Weighed[]
  /** False where there are too many usual ways to think of them all. */
  readonly complete: boolean
  /** Roles of all ends, each list once. */
  readonly classes: readonly (readonly Role[])[]
  /** Which of them each hypothesis gives. */
  readonly classOf: readonly number[]
  readonly predictor: Predictor
  /** Takes in a network that was found; its number, or null where it is known already. */
  learn(network: Weighed): number | null
  /** Forgets the networks taken in; never the usual ways. */
  forget(): void
  /** How many of them are usual ways. */
  readonly usual: number
}

/** All that is thought of at once; a group of five boxes that nobody followed a cable in can be larger. */
const REACH: Reach = { hypotheses: 20_000, lookedAt: 40_000 }

/** Refused where the survey does not hang together. */
export function caseOf(survey: Survey): Result<Case> {
  const framed = frameOf(survey)
  return framed.ok ? good(caseIn(framed.value)) : framed
}

/** The same for what is numbered already; less is to be thought of where conductors were followed. */
export function caseIn(frame: Frame, followed: readonly Followed[] = [], reach: Reach = REACH): Case {
  const { hypotheses: listed, complete } = generate(frame, reach, followed)
  const known = new Map<string, number>()
  const learned: string[] = []
  const hypotheses: Weighed[] = []
  const classes: (readonly Role[])[] = []
  const classOf: number[] = []
  const add = (hypothesis: Weighed): number => {
    const { roles } = hypothesis
    const key = roles.join(' ')
    let index = known.get(key)
    if (index === undefined) {
      known.set(key, (index = classes.length))
      classes.push(roles)
    }
    classOf.push(index)
    return hypotheses.push(hypothesis) - 1
  }
  for (const each of listed) add(each)
  return {
    frame,
    hypotheses,
    complete,
    classes,
    classOf,
    predictor: new Predictor(frame),
    learn: network => {
      const key = JSON.stringify([[...network.beyond], network.lamps, network.loads, network.bare?.loads])
      if (learned.includes(key)) return null
      learned.push(key)
      return add(network)
    },
    usual: listed.length,
    forget: () => {
      learned.length = 0
      hypotheses.length = classOf.length = listed.length
      const left = classOf.reduce((most, own) => Math.max(most, own + 1), 0)
      for (const roles of classes.splice(left)) known.delete(roles.join(' '))
    },
  }
}
