import type { ListedDefect } from '@/core/check'
import type { Edit } from '@/core/job/command'
import type { Defect } from '@/core/model/entities'
import type { DefectState } from '@/core/model/vocabulary'
import { newId } from '../job/new-id'
import type { useEdits } from '../job/provider'

type Edits = ReturnType<typeof useEdits>
type Handed = Pick<Defect, 'handedTo' | 'handedOn'>

export const NOT_HANDED: Handed = { handedTo: '', handedOn: null }

/** The edit that says how things stand with a defect; one that nobody has spoken of yet gets its row. */
export const settling = (
  edits: Edits,
  boxId: string,
  { row, raised, severity, what }: ListedDefect,
  state: DefectState,
  handed: Handed = NOT_HANDED,
  note = '',
): Edit =>
  row
    ? edits.change('defects', row.id, { state, ...handed })
    : edits.add('defects', {
        id: newId(),
        boxId,
        ruleId: raised?.ruleId ?? null,
        severity,
        what,
        state,
        note,
        ...handed,
      })
