'use client'

import { useState } from 'react'
import { raisedDefects } from '@/core/check'
import type { BoxView } from '@/core/job/box-view'
import type { Defect } from '@/core/model/entities'
import { rowsWith } from '@/core/model/record'
import { SEVERITIES, type DefectState, type Severity } from '@/core/model/vocabulary'
import { newId } from '../../job/new-id'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne } from '../../primitives/fields'
import { plain } from '../../words'
import { Part } from '../stage-frame'

interface Shown {
  readonly key: string
  readonly ruleId: string | null
  readonly severity: Severity
  readonly what: string
  readonly cure: string
  readonly source: string
  readonly row: Defect | undefined
}

const STATES: readonly { readonly value: DefectState; readonly words: string }[] = [
  { value: 'open', words: 'Open' },
  { value: 'mended', words: 'Mended' },
  { value: 'deferred', words: 'Handed over in writing' },
  { value: 'closed', words: 'Not a defect' },
]

/** What is wrong, raised by rule from the record or seen by a person; each stays until it is settled. */
export function DefectList({ view }: { view: BoxView }) {
  const trade = useTrade()
  const edits = useEdits(view.box.id)
  const rows = rowsWith(view.record, 'defects', 'boxId', view.box.id)
  const raised: Shown[] = raisedDefects(view, trade).map(each => ({
    key: each.ruleId,
    ruleId: each.ruleId,
    severity: each.severity,
    what: each.what,
    cure: each.cure,
    source: trade.facts[each.factId]?.says ?? '',
    row: rows.find(row => row.ruleId === each.ruleId),
  }))
  const seen: Shown[] = rows
    .filter(row => row.ruleId === null)
    .map(row => ({
      key: row.id,
      ruleId: null,
      severity: row.severity,
      what: row.what,
      cure: '',
      source: '',
      row,
    }))
  const all = [...raised, ...seen]
  const settle = (shown: Shown, state: DefectState) =>
    edits.send('edit a defect', [
      shown.row
        ? edits.change('defects', shown.row.id, { state })
        : edits.add('defects', {
            id: newId(),
            boxId: view.box.id,
            ruleId: shown.ruleId,
            severity: shown.severity,
            what: shown.what,
            state,
            note: '',
          }),
    ])
  const open = all.filter(each => (each.row?.state ?? 'open') === 'open')
  return (
    <Part
      title={
        all.length === 0 ? 'Defects: none found by rule' : `Defects: ${open.length} open of ${all.length}`
      }
    >
      <ul className="flex flex-col gap-2">
        {all.map(shown => (
          <li
            key={shown.key}
            className={`rounded-lg border border-rule bg-paper p-3 ${shown.severity === 'danger' && (shown.row?.state ?? 'open') === 'open' ? 'hazard' : ''}`}
          >
            <p>
              <strong>{plain(shown.severity)}.</strong> {shown.what}
            </p>
            <details>
              <summary className="flex min-h-11 items-center gap-3">
                <span className="underline decoration-rule underline-offset-4">
                  {STATES.find(each => each.value === (shown.row?.state ?? 'open'))?.words}: why, and what
                  then?
                </span>
              </summary>
              <div className="flex flex-col gap-2 pb-1">
                {shown.cure && <p>Usual cure: {shown.cure}</p>}
                {shown.source && (
                  <p className="text-sm text-soft">{shown.source} (common rule, check local code)</p>
                )}
                <PickOne
                  label="It is"
                  value={shown.row?.state ?? 'open'}
                  options={STATES}
                  onCommit={state => settle(shown, state)}
                />
                {shown.ruleId === null && shown.row && (
                  <Button
                    onClick={() => edits.send('edit a defect', [edits.remove('defects', shown.row!.id)])}
                  >
                    Strike it out
                  </Button>
                )}
              </div>
            </details>
          </li>
        ))}
      </ul>
      <AddDefect view={view} />
    </Part>
  )
}

function AddDefect({ view }: { view: BoxView }) {
  const edits = useEdits(view.box.id)
  const [what, setWhat] = useState('')
  const [severity, setSeverity] = useState<Severity>('defect')
  const add = () => {
    const done = edits.send('edit a defect', [
      edits.add('defects', {
        id: newId(),
        boxId: view.box.id,
        ruleId: null,
        severity,
        what: what.trim(),
        state: 'open',
        note: '',
      }),
    ])
    if (done) setWhat('')
  }
  return (
    <details>
      <summary className="min-h-11 py-2 font-semibold">Add one that you see</summary>
      <div className="flex flex-col gap-3">
        <label className="flex flex-col gap-1 text-sm font-semibold">
          What is wrong
          <input
            value={what}
            maxLength={400}
            onChange={event => setWhat(event.target.value)}
            className="min-h-11 rounded-lg border-[1.5px] border-ink/50 bg-sheet px-3 font-normal"
          />
        </label>
        <PickOne
          label="How bad"
          value={severity}
          options={SEVERITIES.map(value => ({ value, words: plain(value) }))}
          onCommit={setSeverity}
        />
        <Button onClick={add} disabled={what.trim() === ''}>
          Add the defect
        </Button>
      </div>
    </details>
  )
}
