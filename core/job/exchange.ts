import { rowsWith } from '../model/record'
import { isHotRole, isLoadRole } from '../model/roles'
import { mayBeNeutral } from '../model/regions'
import type { BoxView, EndView } from './box-view'

/** Two conductors of one cable that are to change places at its other end. */
export interface Exchange {
  /** In a neutral’s colour, and brings the switched current back. */
  readonly back: EndView
  /** Feeds beside it, in a colour that may do either. */
  readonly feed: EndView
}

/**
 * Where a conductor in a neutral’s colour returns from a switch, and the region lets it feed one only: no mark cures that.
 * Between two boxes that are recorded the plan itself gives each its own; here the other end is not.
 */
export function toExchange(view: BoxView): Exchange[] {
  const { region, record, ends } = view
  if (region.loadOnNeutralColour) return []
  return ends.flatMap(back => {
    if (!returnsOnNeutral(view, back)) return []
    if (rowsWith(record, 'ends', 'conductorId', back.conductor.id).length > 1) return []
    const feeds = ends.filter(
      ({ cable, end, conductor }) =>
        cable.id === back.cable.id && isHotRole(end.role) && !mayBeNeutral(region, conductor),
    )
    // Which of several is asked of whoever is there, not guessed.
    return feeds.length === 1 ? [{ back, feed: feeds[0]! }] : []
  })
}

/** Whether a conductor in a neutral’s colour brings the switched current back though the region does not let it. */
export const returnsOnNeutral = ({ region }: Pick<BoxView, 'region'>, { end, conductor }: EndView): boolean =>
  !region.loadOnNeutralColour &&
  isLoadRole(end.role) &&
  !conductor.faded &&
  region.neutralColours.includes(conductor.insulation)
