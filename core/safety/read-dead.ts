import { boxView } from '../job/box-view'
import type { Box } from '../model/entities'
import { rowsWith, type JobRecord } from '../model/record'
import { isolationOf } from './isolation'

/** Boxes that a label puts on a circuit, and that were read dead with it off. */
export const boxesReadDead = (record: JobRecord, circuitId: string): Box[] =>
  rowsWith(record, 'feeds', 'circuitId', circuitId).flatMap(({ boxId, basis }) => {
    const view = basis === 'label' ? boxView(record, boxId) : null
    return view && isolationOf(view).dead ? [view.box] : []
  })
