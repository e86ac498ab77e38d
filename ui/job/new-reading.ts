import { BLANK } from '@/core/model/blank-rows'
import type { NewRow, Row } from '@/core/model/entities'
import { newId } from './new-id'

/** A reading as it is sent; its place in time is given where it is stored. */
export const newReading = (boxId: string, fields: Partial<Row<'readings'>>): NewRow<'readings'> => ({
  id: newId(),
  boxId,
  ...BLANK.readings,
  ...fields,
})

/** A step of a box that was done; what was said aloud before, where this phone had no connection. */
export const newTick = (boxId: string, stepKey: string, asked: string | null = null): NewRow<'steps'> => ({
  id: newId(),
  boxId,
  stepKey,
  ...BLANK.steps,
  asked,
})

/** A breaker, or the main switch (null), switched by somebody here. */
export const newSwitching = (
  circuitId: string | null,
  to: Row<'switchings'>['to'],
  fields: Partial<Row<'switchings'>> = {},
): NewRow<'switchings'> => ({ id: newId(), circuitId, to, ...BLANK.switchings, ...fields })
