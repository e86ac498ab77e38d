import { rowsWith, type JobRecord } from './record'
import { LOCK_WAYS, type LockWay } from './vocabulary'

/** House rules that the core goes by, with what holds where a job says nothing. */
export const RULE_DEFAULTS = {
  joints: 'lever',
  'pre-twist': 'no',
  'push-in': 'no',
  'back-clamp': 'yes',
  'neutral-source': 'splice',
  'ground-referenced': 'not-allowed',
  isolation: 'breaker',
  'lock-out': 'lock-and-tag',
  measures: 'as-region',
  'finding-line': 'either',
  'remark-neutral': 'never',
  'fill-edition': 'grounds-in-quarters',
  fans: 'as-wanted',
  'radio-systems': 'company',
  'tape-terminals': 'no',
} as const

export type HouseRuleId = keyof typeof RULE_DEFAULTS

/** The value of a house rule for this job: its own, or the default. */
export const houseRule = (record: JobRecord, ruleId: HouseRuleId): string =>
  rowsWith(record, 'houseRules', 'ruleId', ruleId)[0]?.value ?? RULE_DEFAULTS[ruleId]

/** How a breaker is kept off here. */
export const lockWay = (record: JobRecord): LockWay =>
  LOCK_WAYS.find(way => way === houseRule(record, 'lock-out')) ?? LOCK_WAYS[0]
