import { BLANK } from '@/core/model/blank-rows'
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
  ...BLANK.readings,
  ...fields,
})

/** A breaker, or the main switch (null), switched by somebody here. */
export const newSwitching = (
  circuitId: string | null,
  to: Row<'switchings'>['to'],
  fields: Partial<Row<'switchings'>> = {},
): Row<'switchings'> => ({ id: newId(), circuitId, to, ...BLANK.switchings, ...fields, seq: 0, at: NOW })
