import { keyOfTerminal } from '../model/terminal-key'
import type { BoxView } from '../job/box-view'
import type { Joint } from '../model/entities'
import { GAUGES, type Gauge } from '../model/vocabulary'
import type { Pigtail, PlannedJoint, RoutedBox } from './planned'

/** The joint that is there already just as one is to be, so that nobody opens it; null where it is made. */
export function foundJointOf(view: BoxView, joint: PlannedJoint, pigtails: readonly Pigtail[]): Joint | null {
  const own = pigtails.filter(({ id }) => joint.pigtailIds.includes(id))
  const stays = joinedAsFound(view, joint.endIds, [
    ...joint.leads.map(targetOf),
    ...own.map(({ to }) => targetOf(to)),
  ])
  return view.joints.find(({ id }) => id === stays?.id) ?? null
}

const targetOf = (to: Pigtail['to']): string => (to === 'box' ? 'box' : keyOfTerminal(to))

/** A joint found in a box that can stay: sound, and all that hangs on it known. */
export interface SoundJoint {
  readonly id: string
  readonly endIds: readonly string[]
  /** Where its pigtails and leads go: `box`, or `place.terminal` of a device that stays; null where that goes. */
  readonly to: readonly (string | null)[]
}

const soundOnes = new WeakMap<BoxView, readonly SoundJoint[]>()

/** The joints of a box that nobody need open for their own sake. */
export function soundJoints(view: BoxView): readonly SoundJoint[] {
  let known = soundOnes.get(view)
  if (!known) soundOnes.set(view, (known = listed(view)))
  return known
}

function listed(view: BoxView): SoundJoint[] {
  return view.joints
    .filter(
      ({ id, connector, bareShows }) =>
        connector !== 'tape-only' && connector !== 'not-known' && !bareShows && !hasThinTail(view, id),
    )
    .map(({ id }) => ({
      id,
      endIds: view.ends.filter(({ end }) => end.jointId === id).map(({ end }) => end.id),
      to: view.pigtails
        .filter(({ jointId }) => jointId === id)
        .map(({ deviceId, terminal }) => {
          if (deviceId === null) return 'box'
          const place = view.places.find(({ found }) => found?.id === deviceId)
          return place && !place.choice && !place.place.retired && terminal !== null
            ? keyOfTerminal({ placeId: place.place.id, terminalId: terminal })
            : null
        }),
    }))
}

/** A pigtail thinner than all that it is joined to is renewed. Gauges are listed from thin to thick, region by region. */
function hasThinTail(view: BoxView, jointId: string): boolean {
  const thickness = (gauge: Gauge) => GAUGES.indexOf(gauge)
  const joined = view.ends
    .filter(({ end }) => end.jointId === jointId)
    .map(({ conductor }) => thickness(conductor.gauge))
  return view.pigtails.some(
    pigtail =>
      pigtail.jointId === jointId &&
      pigtail.gauge !== null &&
      joined.length > 0 &&
      thickness(pigtail.gauge) < Math.min(...joined),
  )
}

/**
 * The sound joint of just these conductors, with pigtails and leads to just these terminals, where it is there already.
 * @param to as `place.terminal`, or `box`
 */
export const joinedAsFound = (
  view: BoxView,
  endIds: readonly string[],
  to: readonly string[],
): SoundJoint | undefined =>
  soundJoints(view).find(joint => sameItems(joint.endIds, endIds) && sameItems(joint.to, to))

/** Whether two lists hold the same, in whatever order. */
export const sameItems = (one: readonly (string | null)[], other: readonly (string | null)[]): boolean =>
  one.length === other.length && one.every(item => other.includes(item))

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
