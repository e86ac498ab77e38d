import { rowsWith, type JobRecord } from './record'

/** House rules that the core goes by, with what holds where a job says nothing. */
export const RULE_DEFAULTS = {
  joints: 'lever',
  'pre-twist': 'no',
  'push-in': 'no',
  'back-clamp': 'yes',
  'neutral-source': 'splice',
  'ground-referenced': 'not-allowed',
  isolation: 'breaker',
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
