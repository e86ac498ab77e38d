import type { BoxView } from '../../job/box-view'
import type { DefectKind, Severity } from '../../model/vocabulary'
import type { Trade } from '../../model/trade'

/** Something wrong that the record itself shows. It stays until closed, mended or handed over in writing. */
export interface RaisedDefect {
  readonly ruleId: string
  readonly severity: Severity
  readonly what: string
  /** The same for somebody who does not know the trade’s words, where those say little. */
  readonly toOwner?: string
  /** What is usually done about it. */
  readonly cure: string
  /** What to have at hand for the cure; none where hands and tools do. */
  readonly parts: readonly string[]
  readonly minutes: number
  /** The fact of the trade it rests on: why it is one. */
  readonly factId: string
}

/** What a rule says: its kind, and of what where there may be several. */
export interface Found extends Omit<RaisedDefect, 'ruleId' | 'minutes'> {
  readonly kind: DefectKind
  readonly of?: string
}

export type DefectRule = (view: BoxView, trade: Trade) => Found[]

/** The id and the minutes go by the kind. */
export const raised = ({ kind, of, ...said }: Found, trade: Trade): RaisedDefect => ({
  ...said,
  ruleId: of === undefined ? kind : `${kind}-${of}`,
  minutes: trade.mending[kind],
})

/** What brings a box forward, and gives it room. */
export const RING = 'Extension ring'
