import { useMemo } from 'react'
import { boxView, type BoxView, type PlaceView } from '@/core/job/box-view'
import { rowsOf } from '@/core/model/record'
import { lookingForPlaces } from '@/core/job/looking'
import { useTrade } from '../job/provider'

/** Old switches whose others are not recorded: of this box, and of the rest of the house. */
export function useLooking(view: BoxView): {
  readonly here: readonly PlaceView[]
  readonly elsewhere: readonly PlaceView[]
} {
  const trade = useTrade()
  return useMemo(() => {
    const { record, box } = view
    const here = lookingForPlaces(view, trade)
    return {
      here,
      elsewhere:
        here.length === 0
          ? []
          : rowsOf(record, 'boxes').flatMap(({ id }) => {
              const other = id === box.id ? null : boxView(record, id)
              return other ? lookingForPlaces(other, trade) : []
            }),
    }
  }, [view, trade])
}
