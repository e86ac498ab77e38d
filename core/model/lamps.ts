import type { LampFact } from './trade'
import type { LampKind } from './vocabulary'

/** What of a lamp kind the company may reckon otherwise; how it behaves in a meter stays as it came. */
export type LampFigures = Pick<
  LampFact,
  'words' | 'rating' | 'powerFactorIfNotPrinted' | 'offLimitMilliamps' | 'dimming'
>

/** A lamp kind as it is reckoned with now. */
export interface LampEntry {
  readonly kind: LampKind
  readonly fact: LampFact
  /** Changed by the company. */
  readonly changed: boolean
  readonly version: number
}

/** New figures for a kind, or null: as it came. `based` is the version that was seen. */
export interface LampChange {
  readonly kind: LampKind
  readonly figures: LampFigures | null
  readonly based: number
}

export const DIMMING = ['always', 'as-printed', 'never'] as const satisfies readonly LampFact['dimming'][]
