import { houseRule } from '../model/house-rules'
import { isOwnLead, willStand, type BoxView, type EndView, type PlaceView } from '../job/box-view'
import { circuitsOf } from '../job/circuits'
import type { DeviceModel } from '../model/device'
import type { Box } from '../model/entities'
import { isLoadRole } from '../model/roles'
import { looksLikeGround } from '../model/regions'
import { deviceNamed, type Trade } from '../model/trade'
import type { Gauge } from '../model/vocabulary'
import type { Question } from './place'
import { sayIn } from '../words/say'

export interface Fill {
  readonly cubicInches: number
  readonly says: string
}

/** The room in a box, with what a ring that is on it adds; null where nobody has read it. */
export const volumeOf = ({ volumeCubicInches, ringCubicInches }: Box): number | null =>
  volumeCubicInches === null ? null : volumeCubicInches + (ringCubicInches ?? 0)

/**
 * Box fill by the common North American rule, in in³: conductors 1 each, one that runs through unbroken 1 (2 in a
 * loop), grounds together, inner clamps 1, fittings 1 a kind, each yoke 2 of the largest conductor on it. The device asked about stands in its own gang.
 */
export function fillOf({ view, place, device, trade }: Question): Fill {
  const others = view.places.filter(each => each.place.id !== place.place.id)
  return boxFill(view, trade, [
    { placeIds: [place.place.id], gang: place.place.gang, ...roomOf(device) },
    ...others
      .filter(each => !each.place.retired)
      .map(each => yokeOf(each, willStand(each) ?? undefined, trade)),
  ])
}

/** The fill with the devices that were found. */
export const fillAsFound = (view: BoxView, trade: Trade): Fill =>
  boxFill(
    view,
    trade,
    view.places.flatMap(each => (each.found ? [yokeOf(each, each.found.modelId, trade)] : [])),
  )

/** A strap in its gang, the controls that are on it, and the gangs it takes. */
interface Yoke {
  readonly placeIds: readonly string[]
  readonly gang: number
  readonly gangs: number
  /** What stands behind it, in in³. */
  readonly behind: number
}

const roomOf = (model: DeviceModel | undefined) => ({
  gangs: model?.size.gangs ?? 1,
  behind: model?.behind?.cubicInches ?? 0,
})

const yokeOf = ({ place }: PlaceView, modelId: string | undefined, trade: Trade): Yoke => ({
  placeIds: [place.id],
  gang: place.gang,
  ...roomOf(deviceNamed(trade, modelId ?? '')),
})

/** Fills of one box by its yokes: many devices take the same. */
const fills = new WeakMap<BoxView, { readonly trade: Trade; readonly by: Map<string, Fill> }>()

/** What shares a gang shares a strap. */
const straps = (yokes: readonly Yoke[]): Yoke[] => {
  const byGang = new Map<number, Yoke>()
  for (const yoke of yokes) {
    const there = byGang.get(yoke.gang)
    byGang.set(
      yoke.gang,
      there
        ? {
            ...there,
            placeIds: [...there.placeIds, ...yoke.placeIds],
            gangs: Math.max(there.gangs, yoke.gangs),
            behind: there.behind + yoke.behind,
          }
        : yoke,
    )
  }
  return [...byGang.values()]
}

export function boxFill(view: BoxView, trade: Trade, each: readonly Yoke[]): Fill {
  const yokes = straps(each)
  let known = fills.get(view)
  if (known?.trade !== trade) fills.set(view, (known = { trade, by: new Map() }))
  const key = yokes.map(({ placeIds, gangs, behind }) => `${placeIds.join('+')} ${gangs} ${behind}`).join()
  let fill = known.by.get(key)
  if (!fill) known.by.set(key, (fill = reckoned(view, trade, yokes)))
  return fill
}

function reckoned(view: BoxView, trade: Trade, yokes: readonly Yoke[]): Fill {
  const say = sayIn(view.region)

  const through = seconds(view)
  const counted = view.ends.filter(each => !isFixtureWire(view, each) && !through.has(each.end.id))
  const allowance = ({ conductor }: EndView) => trade.conductors[conductor.gauge].fillCubicInches ?? 0
  const isGround = ({ conductor, end }: EndView) =>
    end.role === 'ground' || looksLikeGround(view.region, conductor)
  const conductors = counted.filter(each => !isGround(each))
  const grounds = counted.filter(isGround)
  const largest = Math.max(0, ...counted.map(allowance))
  const largestOn = ({ placeIds }: Yoke) =>
    Math.max(0, ...placeIds.flatMap(id => conductorsOn(view, id, conductors).map(allowance))) || largest
  const largestGround = Math.max(0, ...grounds.map(allowance))
  const edition = houseRule(view.record, 'fill-edition')
  const extra = edition === 'grounds-in-quarters' ? Math.max(0, grounds.length - 4) / 4 : 0

  const parts = [
    {
      words: say.count(conductors.length, '# conductor', '# conductors'),
      in3: conductors.reduce((sum, each) => sum + allowance(each), 0),
    },
    { words: 'grounds', in3: grounds.length > 0 ? largestGround * (1 + extra) : 0 },
    { words: 'clamps', in3: view.box.innerClamps ? largest : 0 },
    { words: 'fittings', in3: view.box.fittingKinds * largest },
    {
      words: say.count(yokes.length, 'one device', '# devices'),
      in3: yokes.reduce((sum, yoke) => sum + 2 * yoke.gangs * largestOn(yoke), 0),
    },
    { words: say`behind a switch`, in3: yokes.reduce((sum, { behind }) => sum + behind, 0) },
  ].filter(part => part.in3 > 0)
  return {
    cubicInches: parts.reduce((sum, part) => sum + part.in3, 0),
    says: parts.map(part => `${part.words} ${part.in3.toFixed(2)}`).join(' + '),
  }
}

/** Of each conductor that runs through unbroken, without a loop, the end that is the same conductor once more. */
const seconds = (view: BoxView): ReadonlySet<string> =>
  new Set(
    view.joints
      .filter(({ connector }) => connector === 'unbroken')
      .flatMap(({ id }) => view.ends.filter(({ end }) => end.jointId === id).slice(1, 2))
      .map(({ end }) => end.id),
  )

/**
 * Conductors that are, or can be, on the device of a place: those on the old one, in a joint with its pigtail, or of its
 * light and its circuit. All of the box where that is not known.
 */
function conductorsOn(view: BoxView, placeId: string, conductors: readonly EndView[]): readonly EndView[] {
  const place = view.places.find(each => each.place.id === placeId)
  if (!place) return conductors
  const { group, found } = place
  const joints = new Set(
    view.pigtails.flatMap(({ jointId, deviceId }) => (found && deviceId === found.id ? [jointId] : [])),
  )
  const on = conductors.filter(
    ({ end }) => found && (end.deviceId === found.id || (end.jointId !== null && joints.has(end.jointId))),
  )
  if (on.length > 0) return on
  const circuits = circuitsOf([view])
  const whose = circuits.ofLight(group.id)
  const loads = conductors.filter(
    each => isLoadRole(each.end.role) && circuits.lightOf({ view, each }) === group.id,
  )
  if (whose.kind !== 'known' || loads.length === 0) return conductors
  return [...loads, ...conductors.filter(each => circuits.of(each) === whose.circuitId)]
}

/** Thin enough, with no more than four of them beside a ground, that a luminaire’s own wires take no room. */
const FIXTURE_GAUGES: readonly Gauge[] = ['16 AWG', '18 AWG', '0.75 mm²']
const FIXTURE_WIRES = 4

/** A luminaire’s own wire where the common exception lets it go uncounted. */
function isFixtureWire(view: BoxView, each: EndView): boolean {
  if (!isOwnLead(each)) return false
  const beside = view.ends.filter(
    other => other.cable.id === each.cable.id && !looksLikeGround(view.region, other.conductor),
  )
  return (
    beside.length <= FIXTURE_WIRES &&
    beside.every(({ conductor }) => FIXTURE_GAUGES.includes(conductor.gauge))
  )
}
