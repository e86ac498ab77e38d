'use client'

import { needsIn } from '@/core/check'
import { figure } from '@/core/model/units'
import type { JobRecord } from '@/core/model/record'
import { NEEDS } from '@/core/model/vocabulary'
import { newId } from '../job/new-id'
import { useEdits } from '../job/provider'
import { CheckField } from '../primitives/fields'
import { FigureField } from '../primitives/figure-field'
import { NEED_FIGURES, NEED_WORDS } from './words'
import { useSay } from '../words/use-say'

/** Everything that is wanted of a light, each with its figure where it has one. */
export function NeedsForm({ record, groupId, boxId }: { record: JobRecord; groupId: string; boxId: string }) {
  const say = useSay()

  const edits = useEdits(boxId)
  const needs = needsIn(record, groupId)
  return (
    <ul className="grid gap-x-4 sm:grid-cols-2">
      {NEEDS.map(need => {
        const row = needs.find(each => each.need === need)
        const figureOf = NEED_FIGURES[need]
        return (
          <li key={need}>
            <CheckField
              label={`${say(NEED_WORDS[need])}${row && row.value !== null && figureOf ? `: ${figure(row.value, 2)} ${figureOf.unit}` : ''}`}
              value={row !== undefined}
              onCommit={wanted =>
                edits.send('say what is wanted', [
                  wanted
                    ? edits.add('needs', { id: newId(), groupId, need, value: null })
                    : edits.remove('needs', row!.id),
                ])
              }
            />
            {row && figureOf && (
              <FigureField
                label={`${say(NEED_WORDS[need])} (${figureOf.unit})`}
                most={figureOf.most}
                onRead={value => edits.send('say what is wanted', [edits.change('needs', row.id, { value })])}
              />
            )}
          </li>
        )
      })}
    </ul>
  )
}
