import type { BoxView } from '../../job/box-view'
import type { Severity } from '../../model/vocabulary'
import type { Trade } from '../../model/trade'
import { BOX_RULES } from './box'
import { CIRCUIT_RULES } from './circuits'
import { TERMINATION_RULES } from './terminations'
import { raised, type DefectRule, type RaisedDefect } from './raised'

const RULES: readonly DefectRule[] = [...CIRCUIT_RULES, ...TERMINATION_RULES, ...BOX_RULES]

/** The worst first. */
export const WORST_FIRST: readonly Severity[] = ['danger', 'defect', 'remark']

/** Everything wrong by rule in one box, the worst first. */
export const raisedDefects = (view: BoxView, trade: Trade): RaisedDefect[] =>
  RULES.flatMap(rule => rule(view, trade).map(found => raised(found, trade))).sort(
    (a, b) =>
      WORST_FIRST.indexOf(a.severity) - WORST_FIRST.indexOf(b.severity) || (a.ruleId < b.ruleId ? -1 : 1),
  )
