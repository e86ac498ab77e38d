export interface Bars {
  /** Names of the bars of each row, in their order. */
  readonly kinds: readonly string[]
  readonly rows: readonly ChartRow[]
  readonly unit: string
}

export interface ChartRow {
  readonly words: string
  /** One of each kind, in their order. */
  readonly figures: readonly number[]
}

const BAR = 16
const BETWEEN_ROWS = 12
const LEGEND = 60

export const heightOf = ({ kinds, rows }: Pick<Bars, 'kinds' | 'rows'>): number =>
  rows.length * (kinds.length * BAR + BETWEEN_ROWS) + LEGEND
