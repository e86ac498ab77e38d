import type { Fault } from '@/core/model/result'

export interface Answer {
  /** 0 yes, 1 a *no*, 2 bad input. */
  readonly code: 0 | 1 | 2
  readonly output: unknown
}

export const bad = (...faults: readonly Fault[]): Answer => ({ code: 2, output: { ok: false, faults } })
