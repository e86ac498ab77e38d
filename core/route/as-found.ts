import type { BoxView } from '../job/box-view'
import type { PlannedJoint, RoutedBox } from './planned'

/** A joint that is there already just as it is to be: nobody opens it. */
export function isAsFound(view: BoxView, joint: PlannedJoint): boolean {
  if (joint.leads.length + joint.pigtailIds.length > 0) return false
  const first = view.ends.find(({ end }) => end.id === joint.endIds[0])
  const found = view.joints.find(({ id }) => id === first?.end.jointId)
  if (!found || found.connector === 'tape-only' || found.connector === 'not-known' || found.bareShows)
    return false
  const members = view.ends.filter(({ end }) => end.jointId === found.id).map(({ end }) => end.id)
  return (
    members.length === joint.endIds.length &&
    members.every(id => joint.endIds.includes(id)) &&
    !view.pigtails.some(({ jointId }) => jointId === found.id)
  )
}

/** Terminals of a device that stays whose conductors change, as `place.terminal`. */
export function changedTerminals(view: BoxView, routed: RoutedBox, placeId: string): string[] {
  const planned = routed.devices.find(each => each.placeId === placeId)
  const found = view.places.find(({ place }) => place.id === placeId)?.found
  if (!planned || !found) return []
  return planned.model.terminals
    .filter(({ joins }) => joins !== 'lead')
    .map(({ id }) => id)
    .filter(terminal => {
      const before = view.ends
        .filter(({ end }) => end.deviceId === found.id && end.terminal === terminal)
        .map(({ end }) => end.id)
      const after = Object.entries(routed.seats).flatMap(([endId, seat]) =>
        seat.kind === 'terminal' && seat.placeId === placeId && seat.terminalId === terminal ? [endId] : [],
      )
      const pigtails = routed.pigtails.filter(
        ({ to }) => to !== 'box' && to.placeId === placeId && to.terminalId === terminal,
      )
      const own = view.pigtails.filter(each => each.deviceId === found.id && each.terminal === terminal)
      return (
        before.sort().join() !== after.sort().join() ||
        (pigtails.length > 0 && own.length !== pigtails.length)
      )
    })
}
