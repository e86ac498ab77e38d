import { STAGES, type Stage } from '../model/vocabulary'
import type { BoxProgress } from './progress'

/** Boxes of a job by the stage that they wait in. */
export interface Waits {
  /** Stages in which boxes wait, in their order. */
  readonly stages: readonly { readonly stage: Stage; readonly boxIds: readonly string[] }[]
  /** Boxes at which nothing is left to do. */
  readonly done: number
}

export function waitsOf(progress: readonly BoxProgress[]): Waits {
  return {
    stages: STAGES.map(stage => ({
      stage,
      boxIds: progress.filter(({ next }) => next?.stage === stage).map(({ boxId }) => boxId),
    })).filter(({ boxIds }) => boxIds.length > 0),
    done: progress.filter(({ next }) => next === null).length,
  }
}
