import type { Row } from './entities'

/** What lamps draw in full, by their print, in W; null where one of them says nothing. */
export const wattsOf = (loads: readonly Pick<Row<'loads'>, 'wattsEach' | 'count'>[]): number | null =>
  loads.reduce<number | null>(
    (sum, { wattsEach, count }) => (sum === null || wattsEach === null ? null : sum + wattsEach * count),
    0,
  )
