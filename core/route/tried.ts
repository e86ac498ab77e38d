import { rowsWith, type JobRecord } from '../model/record'

/** A record with another answer to a house rule. */
export function withRule(record: JobRecord, ruleId: string, value: string): JobRecord {
  const [before] = rowsWith(record, 'houseRules', 'ruleId', ruleId)
  const id = before?.id ?? `tried:${ruleId}`
  return { ...record, houseRules: { ...record.houseRules, [id]: { id, ruleId, value } } }
}

/** A record in which other devices are chosen at some places; where none is, the old one stays. */
export function withChoices(record: JobRecord, chosen: Readonly<Record<string, string | null>>): JobRecord {
  const others = Object.entries(record.choices).filter(([, { placeId }]) => !(placeId in chosen))
  const own = Object.entries(chosen).flatMap(([placeId, modelId]) =>
    modelId === null ? [] : [[`tried:${placeId}`, { id: `tried:${placeId}`, placeId, modelId }]],
  )
  return { ...record, choices: Object.fromEntries([...others, ...own]) }
}
