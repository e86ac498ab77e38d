import type { Fault } from '@/core/model/result'

export interface Answer {
  /** 0 yes, 1 a *no*, 2 bad input. */
  readonly code: 0 | 1 | 2
  readonly output: unknown
}

export const bad = (...faults: readonly Fault[]): Answer => ({ code: 2, output: { ok: false, faults } })

/** Figures to the millionth: what lies beyond is the machine’s, not the room’s. */
export const rounded = ({ code, output }: Answer): Answer => ({
  code,
  output: JSON.parse(
    JSON.stringify(output, (_, value: unknown) =>
      typeof value === 'number' ? Math.round(value * 1e6) / 1e6 : value,
    ),
  ),
})
