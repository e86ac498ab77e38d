'use client'

import { useState } from 'react'
import type { Stale } from '@/core/job/outcome'
import { Button } from '../primitives/button'
import { fieldWords, rowWords, valueWords } from '../words/row-words'
import type { Conflict } from './job-store'
import { useJob, useStore, useTrade } from './provider'
import { useSay } from '../words/use-say'

type Choice = 'ours' | 'theirs'

/** What somebody else set meanwhile beside what was set here, each field by its name, and one press for either. */
export function BothValues({ conflict }: { conflict: Conflict }) {
  const say = useSay()

  const store = useStore()
  const { record } = useJob()
  const { devices } = useTrade()
  const [chosen, setChosen] = useState<Readonly<Record<string, Choice>>>({})
  const open = questionsOf(conflict)
  const choose = (key: string, choice: Choice) => {
    const next = { ...chosen, [key]: choice }
    setChosen(next)
    if (open.every(each => next[each.key]))
      store.decide(new Set(open.map(each => each.key).filter(each => next[each] === 'ours')))
  }
  const said = (entity: string, field: string, value: unknown) =>
    say(valueWords({ record, devices }, entity, field, value))
  return (
    <div className="hazard mt-3 flex flex-col gap-2 bg-sheet p-3">
      <p className="font-bold">
        {open.length > 0
          ? say`Somebody else was quicker. Which of the two stands?`
          : say`Somebody else was quicker: “${say(conflict.command)}” was not made`}
      </p>
      {conflict.stale.map(row => (
        <GoneOrNot key={`${row.entity}/${row.id}`} row={row} isOurs={conflict.edits.length > 0} said={said} />
      ))}
      {open.map(({ key, entity, row, field, ours }) => {
        const [what, name] = rowWords(entity, row.now)
        const whole = field === null
        return (
          <div
            key={key}
            role="group"
            aria-label={whole ? say(what) : say(fieldWords(entity, field))}
            className="flex flex-wrap items-center gap-2"
          >
            <p className="min-w-40 flex-1">
              <span className="text-soft">{`${say(what)} ${name}`.trim()}</span>{' '}
              {!whole && <span className="font-semibold">{say(fieldWords(entity, field))}</span>}
            </p>
            <Button aria-pressed={chosen[key] === 'ours'} onClick={() => choose(key, 'ours')}>
              {whole ? say`Remove it all the same` : say`Yours: ${said(entity, field, ours)}`}
            </Button>
            <Button aria-pressed={chosen[key] === 'theirs'} onClick={() => choose(key, 'theirs')}>
              {whole ? say`Leave it` : say`Theirs: ${said(entity, field, row.now?.[field])}`}
            </Button>
          </div>
        )
      })}
      {open.length === 0 && <Button onClick={() => store.decide(null)}>{say`Understood`}</Button>}
    </div>
  )
}

/** What is there no more, and of an undo what stands there now: nothing is to be chosen. */
function GoneOrNot({
  row,
  isOurs,
  said,
}: {
  row: Stale
  isOurs: boolean
  said: (entity: string, field: string, value: unknown) => string
}) {
  const say = useSay()

  const [what, name] = rowWords(row.entity, row.now)
  if (row.now === null) return <p>{say`${say(what)}: removed meanwhile`}</p>
  if (isOurs) return null
  const now = row.fields.map(
    field => `${say(fieldWords(row.entity, field))}: ${said(row.entity, field, row.now?.[field])}`,
  )
  return <p>{say`${`${say(what)} ${name}`.trim()} is now otherwise: ${now.join(', ')}`}</p>
}

interface Question {
  /** `entity/id/field`, or `entity/id` of a row that was to be removed. */
  readonly key: string
  readonly entity: string
  readonly row: Stale
  /** Null where the whole row is in question. */
  readonly field: string | null
  readonly ours: unknown
}

function questionsOf({ edits, stale }: Conflict): Question[] {
  return stale.flatMap((row): Question[] => {
    if (row.now === null) return []
    const { entity, id } = row
    const edit = edits.find(each => each.kind !== 'add' && each.entity === entity && each.id === id)
    if (!edit || edit.kind === 'add') return []
    if (edit.kind === 'remove') return [{ key: `${entity}/${id}`, entity, row, field: null, ours: null }]
    const asked = edit.fields as Readonly<Record<string, unknown>>
    return row.fields.map(field => ({
      key: `${entity}/${id}/${field}`,
      entity,
      row,
      field,
      ours: asked[field],
    }))
  })
}
