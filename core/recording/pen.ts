import type { Edit } from '../job/command'
import type { EntityName, NewRow, Row } from '../model/entities'

/**
 * What writes edits: it knows the version of each row that its person saw, and makes ids that nobody else
 * makes. A row that an edit adds is not changed by another edit of the same command.
 */
export interface Pen {
  add<Name extends EntityName>(entity: Name, row: NewRow<Name>): Edit
  change<Name extends EntityName>(
    entity: Name,
    id: string,
    fields: Partial<Omit<Row<Name>, 'id' | 'extra'>>,
  ): Edit
  remove(entity: EntityName, id: string): Edit
  newId(): string
}
