import { boxView, type BoxView } from '../job/box-view'
import { tiedBoxes } from '../job/tied'
import type { JobRecord } from '../model/record'
import type { Trade } from '../model/trade'
import { LOAD_RULES, type LineRule } from '../model/vocabulary'
import { cableCure, cablesThatCure, routeAll, withChoices, type DeviceSet, type RoutedBox } from '../route'
import { check, openingsBeside } from './check'
import { ANSWERED_BY_WIRING } from './chosen'
import { line, rankOf, worst, type Cure, type Line, type Verdict } from './line'
import { unmet, type Lacking } from './needs'
import { neutralIn, settling } from './place'
import type { LightPlace } from './places'
import { sayFor } from '../model/say-for'
import { type Say, sayIn } from '../words/say'

/** Devices of several lights that stand beside each other in one box. */
export const SIDE_BY_SIDE = 'side-by-side'

/** What a set of devices would be for a light of several places. */
export interface SetJudgement {
  /** One word for it: the devices by place. */
  readonly id: string
  readonly set: DeviceSet
  readonly verdict: Verdict
  /** Conditions of each place, in the order of the places; what bears on the whole light stands apart. */
  readonly ofPlaces: readonly (readonly Line[])[]
  readonly ofLight: readonly Line[]
  readonly cures: readonly Cure[]
  readonly settledBy: readonly string[]
  readonly leastSpare: number | null
  readonly meetsWant: boolean
  /** What is wanted and it would not do. */
  readonly unmet: readonly Lacking[]
  /** Devices that are bought, together. */
  readonly price: number
  readonly minutes: number
}

/** A record in which a set is chosen for a light; where a place keeps its old device nothing is. */
export function withSet(record: JobRecord, places: readonly LightPlace[], { members }: DeviceSet): JobRecord {
  return withChoices(
    record,
    Object.fromEntries(places.map(({ place: { place } }, at) => [place.id, members[at]?.id ?? null])),
  )
}

/** Holds one set against all its places and the wiring of their boxes. */
export function judgeSet(
  record: JobRecord,
  places: readonly LightPlace[],
  set: DeviceSet,
  trade: Trade,
): SetJudgement {
  const tried = withSet(record, places, set)
  const ofPlaces = places.map((each, at) => {
    const device = set.members[at]
    if (!device) return []
    const { view, place } = asTried(tried, places, each)
    return check({ view, place, device, trade }).lines.filter(
      ({ rule }) =>
        set.kind === SIDE_BY_SIDE || !(ANSWERED_BY_WIRING.includes(rule) || onlyDrives(rule, set, at)),
    )
  })
  const boxId = places[0]!.view.box.id
  const ofLight = [
    wiringLine(tried, boxId, trade),
    ...(set.kind === SIDE_BY_SIDE ? [] : neutralLines(tiedBoxes(tried, boxId), set)),
  ]
  const lines = [...ofPlaces.flat(), ...ofLight]
  const spares = lines.flatMap(each => (each.spare === null ? [] : [each.spare]))
  const bought = set.members.filter(model => model !== null)
  const price = bought.reduce((sum, each) => sum + each.price, 0)
  const lacking = lackingOf(record, places, set, price, trade)
  const cures = new Map(lines.flatMap(each => each.cures).map(cure => [cure.id, cure]))
  return {
    id: set.members.map(model => model?.id ?? '–').join(' '),
    set,
    verdict: worst(lines),
    ofPlaces,
    ofLight,
    cures: [...cures.values()].sort((a, b) => Number(b.here) - Number(a.here) || a.price - b.price),
    settledBy: [...new Set(lines.flatMap(each => (each.settledBy ? [each.settledBy] : [])))],
    leastSpare: spares.length > 0 ? Math.min(...spares) : null,
    meetsWant: lacking.length === 0,
    unmet: lacking,
    price,
    minutes: bought.reduce((sum, { minutes }) => sum + minutes, 0),
  }
}

/** What of the wants is not met: of one light by the whole set, of lights side by side by the device of each. */
function lackingOf(
  record: JobRecord,
  places: readonly LightPlace[],
  { kind, members }: DeviceSet,
  price: number,
  trade: Trade,
): readonly Lacking[] {
  const besideOf = (each: LightPlace) => openingsBeside({ ...each, trade })
  if (kind !== SIDE_BY_SIDE)
    return unmet(record, places[0]!.place, { members, price, beside: places.flatMap(besideOf) }, trade)
  const lacking = places.flatMap((each, at) => {
    const model = members[at] ?? null
    const beside = members.flatMap((other, index) => (index === at || !other ? [] : [other.opening]))
    return unmet(record, each.place, { members: [model], price: model?.price ?? 0, beside }, trade)
  })
  return [...new Set(lacking)]
}

/** A place as it would be: beside another place of its light in one box, with what would stand there. */
function asTried(tried: JobRecord, places: readonly LightPlace[], own: LightPlace): LightPlace {
  const isAlone = places.every(each => each === own || each.view.box.id !== own.view.box.id)
  if (isAlone) return own
  const view = boxView(tried, own.view.box.id)
  const place = view?.places.find(each => each.place.id === own.place.place.id)
  return view && place ? { view, place } : own
}

/** Rules about the lamps bear on what drives them alone; a companion or a linked place carries none of them. */
const OF_THE_LAMPS: readonly LineRule[] = ['minimum-load', 'dimmable', 'motor', 'receptacle', ...LOAD_RULES]

function onlyDrives(rule: LineRule, { kind, members }: DeviceSet, at: number): boolean {
  if (kind === 'two-way' || !OF_THE_LAMPS.includes(rule)) return false
  const driving = members.findIndex(model => model?.dims !== null && model !== null)
  const main =
    driving >= 0
      ? driving
      : members.findIndex(model => model?.terminals.some(({ wants }) => wants === 'load'))
  return at !== main
}

/** A neutral that a device lives by is proven wherever it comes from. */
function neutralLines(views: readonly BoxView[], { members }: DeviceSet): Line[] {
  const say = sayIn(views[0]!.region)
  if (!members.some(model => model?.supply.some(({ kind }) => kind === 'line-neutral'))) return []
  const open = views.flatMap(view => {
    const neutral = neutralIn(view)
    return neutral.kind === 'unproven' && neutral.end.end.role === 'neutral' ? [neutral] : []
  })
  return open
    .slice(0, 1)
    .map(each =>
      line(
        'supply-neutral',
        'not-known',
        say`The neutral is only ${each.proof}: ${each.end.name}.`,
        'neutral-reading',
        settling(each),
      ),
    )
}

/** Whether the conductors that are there reach for it; what has no role yet settles nothing. */
function wiringLine(tried: JobRecord, boxId: string, trade: Trade): Line {
  const say = sayFor(tried)

  const routed = routeAll(tried, boxId, trade)
  if (routed.ok) return line('wiring', 'fits', wiredWords(routed.value, say), 'wiring')
  const unknown = routed.faults.filter(({ code }) => code === 'no-role' || code === 'nothing-recorded')
  const [first] = unknown.length > 0 ? unknown : routed.faults
  if (unknown.length > 0)
    return line(
      'wiring',
      'not-known',
      say`What the conductors between the boxes are: ${first!.message}.`,
      'wiring',
      {
        settledBy: say`Identify the conductors of every box of this light on Test.`,
        settledOn: 'test',
      },
    )
  const says = first!.message.charAt(0).toUpperCase() + first!.message.slice(1)
  const cables = cablesThatCure(tried, boxId, trade)
  if (!cables) return line('wiring', 'does-not-fit', `${says}.`, 'wiring')
  const cure = cableCure(tried, boxId, cables, trade)
  return line('wiring', 'does-not-fit', `${says}.`, 'wiring', {
    cures: [{ id: cure.id, says: cure.says, price: cure.price, minutes: cure.minutes, here: false }],
  })
}

function wiredWords(boxes: readonly RoutedBox[], say: Say): string {
  const again = boxes.reduce((sum, { remarks }) => sum + remarks.length, 0)
  return say`The conductors that are there reach every place${again > 0 ? say`; ${again} ${say.count(again, 'end is', 'ends are')} marked again` : ''}.`
}

/** The most useful first: what does what is wanted, the better verdict, the lower price. */
export const byUse = (a: SetJudgement, b: SetJudgement): number =>
  Number(b.meetsWant) - Number(a.meetsWant) ||
  rankOf(a.verdict) - rankOf(b.verdict) ||
  a.price - b.price ||
  (a.id < b.id ? -1 : 1)
