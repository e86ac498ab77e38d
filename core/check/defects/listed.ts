import type { BoxView } from '../../job/box-view'
import type { Defect } from '../../model/entities'
import { rowsWith } from '../../model/record'
import type { Trade } from '../../model/trade'
import type { DefectState, Severity } from '../../model/vocabulary'
import type { RaisedDefect } from './raised'
import { raisedDefects, WORST_FIRST } from './rules'

/** Something wrong in a box, with what was said of it so far. */
export interface ListedDefect {
  /** The rule that raised it, or the row of one that a person saw. */
  readonly key: string
  readonly severity: Severity
  readonly what: string
  readonly state: DefectState
  /** What the rule says of it; null for one that a person saw. */
  readonly raised: RaisedDefect | null
  /** Null while nobody has said anything of it. */
  readonly row: Defect | null
}

/** All that is wrong in one box, raised by rule or seen by a person, the worst first. */
export function defectsIn(view: BoxView, trade: Trade): ListedDefect[] {
  const rows = rowsWith(view.record, 'defects', 'boxId', view.box.id)
  const byRule = raisedDefects(view, trade).map((raised): ListedDefect => {
    const row = rows.find(({ ruleId }) => ruleId === raised.ruleId) ?? null
    const { severity, what } = raised
    return { key: raised.ruleId, severity, what, state: row?.state ?? 'open', raised, row }
  })
  const seen = rows
    .filter(({ ruleId }) => ruleId === null)
    .map((row): ListedDefect => ({ ...row, key: row.id, raised: null, row }))
  const order = ({ severity }: ListedDefect) => WORST_FIRST.indexOf(severity)
  return [...byRule, ...seen].sort((a, b) => order(a) - order(b))
}
