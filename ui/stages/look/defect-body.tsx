'use client'

import { Link } from '../../job/link'
import type { ListedDefect } from '@/core/check'
import type { BoxView } from '@/core/job/box-view'
import { DefectDetails } from '../../defects/defect-details'
import { settling } from '../../defects/settle'
import { STATE_WORDS } from '../../defects/state-words'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne, TextField } from '../../primitives/fields'
import { SEVERITIES } from '@/core/model/vocabulary'
import { plain } from '../../words'
import { useSay } from '../../words/use-say'

/** Why it is one, what is done about it, and what became of it. */
export function DefectBody({ view, defect }: { view: BoxView; defect: ListedDefect }) {
  const say = useSay()

  const trade = useTrade()
  const edits = useEdits(view.box.id)
  const { state, row } = defect
  const handed = state === 'deferred'
  return (
    <div className="flex flex-col gap-3 pb-1">
      <DefectDetails defect={defect} trade={trade} />
      {defect.raised === null && row && state === 'open' && (
        <>
          <TextField
            label={say`What is wrong`}
            value={row.what}
            max={400}
            required
            onCommit={what => edits.send('edit a defect', [edits.change('defects', row.id, { what })])}
          />
          <PickOne
            label={say`How bad`}
            value={row.severity}
            options={SEVERITIES.map(value => ({ value, words: say(plain(value)) }))}
            onCommit={severity =>
              edits.send('edit a defect', [edits.change('defects', row.id, { severity })])
            }
          />
        </>
      )}
      <TextField
        label={say`Note on it`}
        value={row?.note ?? ''}
        max={1000}
        multiline
        onCommit={note =>
          edits.send('edit a defect', [
            row
              ? edits.change('defects', row.id, { note })
              : settling(edits, view.box.id, defect, state, undefined, note),
          ])
        }
      />
      <PickOne
        label={say`It is`}
        value={handed ? null : state}
        options={(['open', 'mended', 'closed'] as const).map(value => ({
          value,
          words: say(STATE_WORDS[value]),
        }))}
        onCommit={next => edits.send('edit a defect', [settling(edits, view.box.id, defect, next)])}
      />
      <div className="flex flex-wrap items-center gap-x-4">
        <Link
          href={`/jobs/${view.record.job.id}/defects`}
          className="flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4"
        >
          {handed ? say`On paper since ${row?.handedOn ?? say`then`}` : say`Hand it over in writing`}
        </Link>
        {defect.raised === null && row && (
          <Button
            onClick={() => edits.send('edit a defect', [edits.remove('defects', row.id)])}
          >{say`Strike it out`}</Button>
        )}
      </div>
    </div>
  )
}
