import type { BoxView } from '../job/box-view'
import { tiedBoxes } from '../job/tied'
import { rowsWith } from '../model/record'

/** A device is chosen for it; or for another place of its light, and the old one here stays; or it is retired. */
export function isSettled(
  { record }: BoxView,
  { place, group, choice, found }: BoxView['places'][number],
): boolean {
  if (choice !== null || place.retired) return true
  const places = rowsWith(record, 'places', 'groupId', group.id)
  return (
    found !== null &&
    places.some(({ id, retired }) => !retired && rowsWith(record, 'choices', 'placeId', id).length > 0)
  )
}

/** Whether controls stand in a box; another only joins what they need. */
export const isForControls = ({ box }: BoxView): boolean => box.kind === 'control'

/** Boxes that are no controls’ own, of lights whose devices are chosen: they are wired with them. */
export const controlsBeyond = (
  view: BoxView,
): { readonly view: BoxView; readonly place: BoxView['places'][number] }[] =>
  tiedBoxes(view.record, view.box.id).flatMap(each => each.places.map(place => ({ view: each, place })))

/** Whether a device is settled for any control that a box is wired for: its own, or those it hangs together with. */
export const isForWiring = (view: BoxView): boolean =>
  isForControls(view)
    ? view.places.some(place => isSettled(view, place))
    : controlsBeyond(view).some(each => isSettled(each.view, each.place))
