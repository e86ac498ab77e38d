'use client'

import { useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { SEVERITIES, type Severity } from '@/core/model/vocabulary'
import { FIELD_LOOK } from '../../primitives/field-look'
import { NOT_HANDED } from '../../defects/settle'
import { newId } from '../../job/new-id'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne } from '../../primitives/fields'
import { plain } from '../../words'
import { useSay } from '../../words/use-say'

/** One that a person saw and no rule raises. */
export function AddDefect({ view }: { view: BoxView }) {
  const say = useSay()

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
        ...NOT_HANDED,
      }),
    ])
    if (done) setWhat('')
  }
  return (
    <div className="flex flex-col gap-3">
      <label className="flex flex-col gap-1 text-sm font-semibold">
        {say`What is wrong`}
        <input
          value={what}
          maxLength={400}
          onChange={event => setWhat(event.target.value)}
          className={`${FIELD_LOOK} font-normal`}
        />
      </label>
      <PickOne
        label={say`How bad`}
        value={severity}
        options={SEVERITIES.map(value => ({ value, words: say(plain(value)) }))}
        onCommit={setSeverity}
      />
      <Button onClick={add} disabled={what.trim() === ''}>{say`Add the defect`}</Button>
    </div>
  )
}
