import { PLAIN_READING } from '@/core/job/new-reading'
import type { Row } from '@/core/model/entities'
import { newId } from './new-id'

/** The server gives the moment. */
export const NOW = '1970-01-01T00:00:00.000Z'

/** A reading as it is sent; its place in time is given where it is stored. */
export const newReading = (boxId: string, fields: Partial<Row<'readings'>>): Row<'readings'> => ({
  id: newId(),
  boxId,
  seq: 0,
  at: NOW,
  ...PLAIN_READING,
  ...fields,
})
