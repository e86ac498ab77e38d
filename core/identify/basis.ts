import { tiedBoxes } from '../job/tied'
import { runsThrough, type BoxView } from '../job/box-view'
import { readingsInNoDoubt } from '../job/power-said'
import type { JobRecord } from '../model/record'

/**
 * A short word for all that roles found from readings rest on: what was seen of the boxes that hang together
 * and every reading that bears on them. Another word means that they are to be found anew.
 */
export function basisOf(record: JobRecord, boxId: string): string {
  let known = bases.get(record)
  if (!known) bases.set(record, (known = new Map()))
  const before = known.get(boxId)
  if (before !== undefined) return before
  const views = tiedBoxes(record, boxId)
  const basis = hashOf(JSON.stringify(views.map(seenIn)))
  for (const { box } of views) known.set(box.id, basis)
  return basis
}

/** A record never changes, so it is summed up once. */
const bases = new WeakMap<JobRecord, Map<string, string>>()

const seenIn = (view: BoxView) => [
  view.box.id,
  view.cables.map(({ id, far, farBoxId, sheath }) => [
    id,
    far,
    farBoxId,
    // What carries no mains is not asked after.
    ...(sheath === 'low-voltage' ? [sheath] : []),
  ]),
  view.ends.map(({ end, conductor }) => [
    end.id,
    conductor.insulation,
    conductor.faded,
    end.seat,
    end.deviceId,
    end.terminal,
    end.jointId,
    end.seenAtSheath,
  ]),
  // What was found before anybody could say this stays found.
  ...[[...runsThrough(view)]].filter(through => through.length > 0),
  view.pigtails.map(({ id, jointId, deviceId, terminal }) => [id, jointId, deviceId, terminal]),
  view.places.map(({ place, group, found, loads }) => [
    group.id,
    group.behaves,
    loads.length,
    found?.id,
    found?.modelId,
    // Parts of one strap may be joined by its tab.
    ...(place.part > 1 ? [place.gang, place.part] : []),
  ]),
  view.feeds.map(({ circuit }) => circuit.id),
  readingsInNoDoubt(view)
    .filter(
      ({ purpose, value, breaker }) =>
        purpose === 'identify' ||
        purpose === 'lifted' ||
        // No current with the power off is a hold point met, and says nothing of what a conductor is.
        (purpose === 'clamp' && !(value === 0 && breaker === 'off')),
    )
    .map(({ id, answer, value, lampsOutGroupId, offDeviceId }) => [
      id,
      answer,
      value,
      ...(lampsOutGroupId === null && offDeviceId === null ? [] : [lampsOutGroupId, offDeviceId]),
    ]),
]

/** 53 bits are plenty to tell one state of a few boxes from the next. */
function hashOf(text: string): string {
  let [low, high] = [0xdeadbeef, 0x41c6ce57]
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at)
    low = Math.imul(low ^ code, 2654435761)
    high = Math.imul(high ^ code, 1597334677)
  }
  low = Math.imul(low ^ (low >>> 16), 2246822507) ^ Math.imul(high ^ (high >>> 13), 3266489909)
  high = Math.imul(high ^ (high >>> 16), 2246822507) ^ Math.imul(low ^ (low >>> 13), 3266489909)
  return (4294967296 * (2097151 & high) + (low >>> 0)).toString(36)
}
