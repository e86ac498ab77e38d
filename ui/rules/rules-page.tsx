'use client'

import { useMemo, useState } from 'react'
import type { HouseRule } from '@/core/model/trade'
import { rowsWith } from '@/core/model/record'
import { newId } from '../job/new-id'
import { useEdits, useJob, useTrade } from '../job/provider'
import { PickOne } from '../primitives/fields'
import { RuleChanges } from './rule-changes'

/** Where good electricians disagree: the company’s answers for this job. */
export function RulesPage() {
  const trade = useTrade()
  return (
    <>
      <h1 className="pt-5 text-2xl">House rules</h1>
      <p className="text-soft">
        Verdicts and steps of this job follow them. What a change does to open plans is shown before it is
        made. Local code comes first.
      </p>
      <ul className="mt-4 grid items-start gap-3 lg:grid-cols-2">
        {trade.houseRules.map(rule => (
          <Rule key={rule.id} rule={rule} />
        ))}
      </ul>
    </>
  )
}

/** One rule; another answer is tried on the open plans first, and stands when it is taken. */
function Rule({ rule }: { rule: HouseRule }) {
  const { record } = useJob()
  const edits = useEdits(null)
  const [row] = rowsWith(record, 'houseRules', 'ruleId', rule.id)
  const stands = row?.value ?? rule.initial
  const [asked, setAsked] = useState<string | null>(null)
  const options = useMemo(
    () =>
      rule.values.map(each => ({
        ...each,
        words: each.value === rule.initial ? `${each.words} (default)` : each.words,
      })),
    [rule],
  )
  const take = (value: string) => {
    edits.send('set a house rule', [
      row
        ? edits.change('houseRules', row.id, { value })
        : edits.add('houseRules', { id: newId(), ruleId: rule.id, value }),
    ])
    setAsked(null)
  }
  return (
    <li className="rounded-xl bg-sheet p-4">
      <PickOne
        label={rule.question}
        value={asked ?? stands}
        options={options}
        hint={rule.why}
        onCommit={value => setAsked(value === stands ? null : value)}
      />
      {asked !== null && (
        <RuleChanges
          ruleId={rule.id}
          value={asked}
          onTake={() => take(asked)}
          onLeave={() => setAsked(null)}
        />
      )}
    </li>
  )
}
