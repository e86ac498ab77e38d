import { verdictOfChosen } from '@/core/check'
import type { BoxView } from '@/core/job/box-view'
import type { Trade } from '@/core/model/trade'

/** Whether any device that is chosen in a box does not fit there. */
export const hasUnfit = (view: BoxView, trade: Trade): boolean =>
  view.places.some(place => verdictOfChosen(view, place, trade) === 'does-not-fit')
