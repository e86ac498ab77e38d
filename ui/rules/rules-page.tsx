'use client'

import { rowsWith } from '@/core/model/record'
import { newId } from '../job/new-id'
import { useEdits, useJob, useTrade } from '../job/provider'
import { PickOne } from '../primitives/fields'

/** Where good electricians disagree: the company’s answers for this job. */
export function RulesPage() {
  const trade = useTrade()
  const { record } = useJob()
  const edits = useEdits(null)
  return (
    <>
      <h1 className="pt-5 text-2xl">House rules</h1>
      <p className="text-soft">Verdicts and steps of this job follow them at once. Local code comes first.</p>
      <ul className="mt-4 grid gap-3 lg:grid-cols-2">
        {trade.houseRules.map(rule => {
          const row = rowsWith(record, 'houseRules', 'ruleId', rule.id)[0]
          return (
            <li key={rule.id} className="rounded-xl bg-sheet p-4">
              <PickOne
                label={rule.question}
                value={row?.value ?? rule.initial}
                options={rule.values}
                hint={rule.why}
                onCommit={value =>
                  edits.send('set a house rule', [
                    row
                      ? edits.change('houseRules', row.id, { value })
                      : edits.add('houseRules', { id: newId(), ruleId: rule.id, value }),
                  ])
                }
              />
            </li>
          )
        })}
      </ul>
    </>
  )
}
