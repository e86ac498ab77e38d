'use client'

import { useMemo, useState } from 'react'
import type { HouseRule } from '@/core/model/trade'
import { rowsWith } from '@/core/model/record'
import { newId } from '../job/new-id'
import { useEdits, useJob, useTrade } from '../job/provider'
import { PickOne, SelectField } from '../primitives/fields'
import { ROOM_KIND_WORDS } from '../words'
import { RuleChanges } from './rule-changes'
import { useSay } from '../words/use-say'

/** Where good electricians disagree: the company’s answers for this job. */
export function RulesPage() {
  const say = useSay()

  const trade = useTrade()
  const byRoom = useMemo(() => {
    const questions = new Map<string, HouseRule[]>()
    for (const rule of trade.houseRules)
      if (rule.roomKind !== null)
        questions.set(rule.question, [...(questions.get(rule.question) ?? []), rule])
    return [...questions]
  }, [trade])
  return (
    <>
      <h1 className="pt-5 text-2xl">{say`House rules`}</h1>
      <p className="text-soft">{say`Verdicts and steps of this job follow them. What a change does to open plans is shown before it is made. Local code comes first.`}</p>
      <ul className="mt-4 grid items-start gap-3 lg:grid-cols-2">
        {trade.houseRules
          .filter(({ roomKind }) => roomKind === null)
          .map(rule => (
            <Rule key={rule.id} rule={rule} />
          ))}
        {byRoom.map(([question, rules]) => (
          <RulesByRoom key={question} question={question} rules={rules} />
        ))}
      </ul>
    </>
  )
}

/** A question whose answer differs by what a room is for: a line for each kind of room. */
function RulesByRoom({ question, rules }: { question: string; rules: readonly HouseRule[] }) {
  const say = useSay()
  return (
    <li className="rounded-xl bg-sheet p-4 lg:col-span-2">
      <h2 className="text-sm font-semibold">{say(question)}</h2>
      <ul aria-label={say(question)} className="mt-2 grid gap-x-6 gap-y-3 sm:grid-cols-2 lg:grid-cols-3">
        {rules.map(rule => (
          <RuleOfRoom key={rule.id} rule={rule} />
        ))}
      </ul>
    </li>
  )
}

function RuleOfRoom({ rule }: { rule: HouseRule }) {
  const say = useSay()

  const { stands, asked, options, ask, take, leave } = useRule(rule)
  return (
    <li className={asked === null ? undefined : 'sm:col-span-full'}>
      <SelectField
        label={say(ROOM_KIND_WORDS[rule.roomKind ?? 'not-said'])}
        hint={say(rule.why)}
        value={asked ?? stands}
        options={options}
        onCommit={ask}
      />
      {asked !== null && <RuleChanges ruleId={rule.id} value={asked} onTake={take} onLeave={leave} />}
    </li>
  )
}

/** One rule of the whole house. */
function Rule({ rule }: { rule: HouseRule }) {
  const say = useSay()
  const { stands, asked, options, ask, take, leave } = useRule(rule)
  return (
    <li className="rounded-xl bg-sheet p-4">
      <PickOne
        label={say(rule.question)}
        value={asked ?? stands}
        options={options}
        hint={say(rule.why)}
        onCommit={ask}
      />
      {asked !== null && <RuleChanges ruleId={rule.id} value={asked} onTake={take} onLeave={leave} />}
    </li>
  )
}

/** The answer to a rule; another one is tried on the open plans first, and stands when it is taken. */
function useRule(rule: HouseRule) {
  const say = useSay()

  const { record } = useJob()
  const edits = useEdits(null)
  const [row] = rowsWith(record, 'houseRules', 'ruleId', rule.id)
  const stands = row?.value ?? rule.initial
  const [asked, setAsked] = useState<string | null>(null)
  const options = useMemo(
    () =>
      rule.values.map(each => ({
        ...each,
        words: each.value === rule.initial ? say`${say(each.words)} (default)` : say(each.words),
      })),
    [rule, say],
  )
  const take = () => {
    if (asked === null) return
    edits.send('set a house rule', [
      row
        ? edits.change('houseRules', row.id, { value: asked })
        : edits.add('houseRules', { id: newId(), ruleId: rule.id, value: asked }),
    ])
    setAsked(null)
  }
  const ask = (value: string) => setAsked(value === stands ? null : value)
  return { stands, asked, options, ask, take, leave: () => setAsked(null) }
}
