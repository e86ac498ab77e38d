import { rowNamed } from '@/core/model/record'
import type { Edit } from '@/core/job/command'
import { versionOf } from '@/core/job/versions'
import type { Conflict, JobSnapshot } from './job-store'

/**
 * Edits that somebody else was quicker than, once it was decided between the two: where theirs stays the field is left alone, and
 * what is made is made over what both have seen now. What also adds or removes was thought of as one: all of it is made, or none.
 */
export function decided(
  { edits, stale }: Conflict,
  ours: ReadonlySet<string>,
  { record, versions }: Pick<JobSnapshot, 'record' | 'versions'>,
): Edit[] {
  const inQuestion = stale.flatMap(({ entity, id, fields }) =>
    edits.some(edit => edit.kind === 'remove' && edit.id === id && edit.entity === entity)
      ? [`${entity}/${id}`]
      : fields.map(field => `${entity}/${id}/${field}`),
  )
  const isWhole = edits.some(({ kind }) => kind !== 'change')
  if (isWhole && !inQuestion.every(key => ours.has(key))) return []
  return edits.flatMap((edit): Edit[] => {
    if (edit.kind === 'add') return [edit]
    const key = `${edit.entity}/${edit.id}`
    const against = stale.find(({ entity, id }) => `${entity}/${id}` === key)
    const row = rowNamed(record, edit.entity, edit.id)
    if (!row) return []
    const based = versionOf(versions, edit.entity, edit.id) ?? edit.based
    if (edit.kind === 'remove') return !against || ours.has(key) ? [{ ...edit, based }] : []
    const fields = Object.fromEntries(
      Object.entries(edit.fields).filter(
        ([name]) => !against?.fields.includes(name) || ours.has(`${key}/${name}`),
      ),
    )
    return Object.keys(fields).length > 0 ? [{ ...edit, based, fields } as Edit] : []
  })
}
