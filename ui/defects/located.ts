import { defectsIn, type ListedDefect } from '@/core/check'
import { boxView, type BoxView } from '@/core/job/box-view'
import { rowsOf, type JobRecord } from '@/core/model/record'
import type { Trade } from '@/core/model/trade'
import { SEVERITIES } from '@/core/model/vocabulary'

/** A defect, and the box it is in. */
export interface Located {
  readonly defect: ListedDefect
  readonly view: BoxView
}

/** Every defect of a house, the worst first. */
export const defectsOfHouse = (record: JobRecord, trade: Trade): Located[] =>
  rowsOf(record, 'boxes')
    .flatMap(({ id }) => {
      const view = boxView(record, id)
      return view ? defectsIn(view, trade).map(defect => ({ defect, view })) : []
    })
    .sort((a, b) => SEVERITIES.indexOf(a.defect.severity) - SEVERITIES.indexOf(b.defect.severity))

export const keyOf = ({ defect, view }: Located): string => `${view.box.id}/${defect.key}`
