import { good, type Result } from '../model/result'
import type { Role } from '../model/vocabulary'
import { frameOf, type Frame } from './frame'
import type { Followed } from './follow'
import { generate, type Reach } from './generate'
import type { Hypothesis } from './hypothesis'
import { Predictor } from './predict'
import { rolesIn } from './roles'
import { Standing } from './standing'
import type { Survey } from './survey'

/** A survey with all that can be thought of it: made once, then readings are held against it. */
export interface Case {
  readonly frame: Frame
  readonly hypotheses: readonly Hypothesis[]
  /** False where not everything was thought of; then nothing may be called proven. */
  readonly complete: boolean
  /** Roles of all ends, each list once. */
  readonly classes: readonly (readonly Role[])[]
  /** Which of them each hypothesis gives. */
  readonly classOf: Uint16Array
  readonly predictor: Predictor
}

/** All that is thought of at once; a group of five boxes that nobody followed a cable in can be larger. */
const REACH: Reach = { hypotheses: 40_000, lookedAt: 1_500_000 }

/** Refused where the survey does not hang together. */
export function caseOf(survey: Survey): Result<Case> {
  const framed = frameOf(survey)
  return framed.ok ? good(caseIn(framed.value)) : framed
}

/** The same for what is numbered already; less is to be thought of where conductors were followed. */
export function caseIn(frame: Frame, followed: readonly Followed[] = [], reach: Reach = REACH): Case {
  const { hypotheses, complete } = generate(frame, reach, followed)
  const standing = new Standing(frame)
  const known = new Map<string, number>()
  const classes: Role[][] = []
  const classOf = new Uint16Array(hypotheses.length)
  hypotheses.forEach((hypothesis, at) => {
    const roles = rolesIn(frame, standing, hypothesis)
    const key = roles.join(' ')
    let index = known.get(key)
    if (index === undefined) {
      known.set(key, (index = classes.length))
      classes.push(roles)
    }
    classOf[at] = index
  })
  return { frame, hypotheses, complete, classes, classOf, predictor: new Predictor(frame) }
}
