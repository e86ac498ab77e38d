import { isLowVoltage, type BoxView, type EndView, type PlaceView } from '../job/box-view'
import { claimStatus } from '../identify'
import { hasNoGround } from '../job/groundless'
import { racewayGround } from '../job/raceway'
import type { DeviceModel } from '../model/device'
import { looksLikeGround } from '../model/regions'
import type { Trade } from '../model/trade'
import { sayIn, type Say } from '../words/say'
import type { Asked, Line } from './line'

/** What a rule looks at: one place of a box, one device, the trade's figures. */
export interface Question {
  readonly view: BoxView
  readonly place: PlaceView
  readonly device: DeviceModel
  readonly trade: Trade
}

export type Availability =
  | { readonly kind: 'proven'; readonly name: string }
  | { readonly kind: 'unproven'; readonly end: EndView; readonly proof: string; readonly settledBy: string }
  | { readonly kind: 'not-recorded'; readonly settledBy: string; readonly asked: readonly Asked[] }
  /** There may be one: a reading would tell. */
  | { readonly kind: 'not-read'; readonly settledBy: string }
  | { readonly kind: 'none' }

export const nothingRecorded = (say: Say) =>
  ({
    kind: 'not-recorded',
    settledBy: say`Record the cables and conductors of this box first.`,
    asked: [],
  }) as const satisfies Availability

/** What is not seen yet is not absent. */
export const notAllRecorded = ({ region, box }: BoxView) => {
  const say = sayIn(region)
  return {
    kind: 'not-recorded',
    settledBy: say`Look at every conductor of this box, behind the device too, and say in Look that all of it is recorded.`,
    asked: box.recorded ? [] : [{ fact: 'recorded', boxId: box.id }],
  } satisfies Availability
}

const BEST = ['proven', 'indicated', 'assumed', 'contradicted'] as const

/**
 * Whether a neutral is in this box. A conductor on a screw of the old switch carries its power and is
 * never taken for one; a white that sits elsewhere may be one, and is only assumed until read.
 */
export function neutralIn(view: BoxView): Availability {
  let known = neutrals.get(view)
  if (!known) neutrals.set(view, (known = findNeutral(view)))
  return known
}

/** How what is not known of a neutral or a ground is settled, and on which stage. */
export const settling = (
  available: Exclude<Availability, { kind: 'proven' | 'none' }>,
): Pick<Line, 'settledBy' | 'settledOn' | 'asked'> => ({
  settledBy: available.settledBy,
  asked: available.kind === 'not-recorded' ? available.asked : [],
  settledOn: available.kind === 'not-recorded' ? 'look' : 'test',
})

/** A view never changes, so what is in it is looked for once. */
const neutrals = new WeakMap<BoxView, Availability>()
const grounds = new WeakMap<BoxView, Availability>()

function findNeutral(view: BoxView): Availability {
  const say = sayIn(view.region)

  const claimed = bestOf(
    view,
    view.ends.filter(each => each.end.role === 'neutral'),
  )
  if (claimed) return claimed
  if (view.ends.length === 0) return nothingRecorded(say)
  const candidate = view.ends.find(
    each =>
      each.end.role === null &&
      each.end.seat !== 'terminal' &&
      !isLowVoltage(each) &&
      !looksLikeGround(view.region, each.conductor),
  )
  if (!candidate) return view.box.recorded ? { kind: 'none' } : notAllRecorded(view)
  return {
    kind: 'unproven',
    end: candidate,
    proof: say`no role yet`,
    settledBy: settledAs(view, candidate, 'neutral'),
  }
}

/** Whether a continuous ground is in this box. */
export function groundIn(view: BoxView): Availability {
  let known = grounds.get(view)
  if (!known) grounds.set(view, (known = findGround(view)))
  return known
}

function findGround(view: BoxView): Availability {
  const say = sayIn(view.region)

  const claimed = bestOf(
    view,
    view.ends.filter(each => each.end.role === 'ground'),
  )
  if (claimed) return claimed
  if (view.ends.length === 0) return nothingRecorded(say)
  if (hasNoGround(view)) return { kind: 'none' }
  const raceway = groundOfRaceway(view)
  if (raceway) return raceway
  const candidate = view.ends.find(
    each => each.end.role === null && looksLikeGround(view.region, each.conductor),
  )
  if (!candidate) return notAllRecorded(view)
  return {
    kind: 'unproven',
    end: candidate,
    proof: say`no role yet`,
    settledBy: settledAs(view, candidate, 'ground'),
  }
}

/** A steel pipe that ends in a metal box, where no conductor is the ground. */
function groundOfRaceway(view: BoxView): Availability | null {
  const say = sayIn(view.region)

  switch (racewayGround(view)) {
    case 'none':
    case 'open':
      return null
    case 'continuous':
      return { kind: 'proven', name: say`the steel pipe, by the metal of the box` }
    case 'not-read':
      return {
        kind: 'not-read',
        settledBy: say`Read from a live point to the metal of the box: nominal where its steel pipe is the ground.`,
      }
  }
}

function settledAs(view: BoxView, candidate: EndView, role: 'neutral' | 'ground'): string {
  const tried: EndView = { ...candidate, end: { ...candidate.end, role } }
  return claimStatus(view, tried).settledBy ?? ''
}

function bestOf(view: BoxView, ends: readonly EndView[]): Availability | null {
  const ranked = ends
    .map(end => ({ end, status: claimStatus(view, end) }))
    .sort((a, b) => BEST.indexOf(a.status.proof) - BEST.indexOf(b.status.proof))
  const best = ranked[0]
  if (!best) return null
  return best.status.proof === 'proven'
    ? { kind: 'proven', name: best.end.name }
    : {
        kind: 'unproven',
        end: best.end,
        proof: best.status.proof,
        settledBy: best.status.settledBy ?? '',
      }
}
