import type { DeviceModel } from '../model/device'
import { devicesFor, type Trade } from '../model/trade'
import type { RegionId } from '../model/vocabulary'
import { companionSignal, isMiddle, isTwoPlace, mainSignal, onlyTells } from '../model/make-up'
import type { SetKind } from './schemes'

/** Devices for some places, those of one light or of one box, in their order; null where the old one stays. */
export interface DeviceSet {
  /** How they work it; `side-by-side`: each its own light. */
  readonly kind: SetKind | 'side-by-side'
  readonly members: readonly (DeviceModel | null)[]
}

const drives = ({ terminals }: DeviceModel) => terminals.some(({ wants }) => wants === 'load')
const speaks = ({ control }: DeviceModel) => control.some(({ tells }) => tells !== undefined)
const livesByNeutral = ({ supply }: DeviceModel) => supply.some(({ kind }) => kind === 'line-neutral')

/**
 * Every set of the catalogue that works one light from so many places (1 to 10), given what stands there now: a
 * pair of two-place switches with middle ones between, a main with its companions in any place, a main and an old
 * switch that stays, places that speak by radio. Whether their wiring reaches is not asked here.
 */
export function setsFor(trade: Trade, region: RegionId, found: readonly (DeviceModel | null)[]): DeviceSet[] {
  const all = devicesFor(trade, region, 'new')
  if (found.length === 1) return aloneSets(all)
  return [
    ...twoWaySets(all, found),
    ...companionSets(all, found.length),
    ...keptSwitchSets(all, found),
    ...linkedSets(all, found.length),
  ]
}

/** The one place that is left of several. */
const aloneSets = (all: readonly DeviceModel[]): DeviceSet[] =>
  all
    .filter(({ places, isolates }) => places.least === 1 && !isolates)
    .filter(model => !isTwoPlace(model) && !isMiddle(model))
    .filter(model => !onlyTells(model))
    .map(model => ({ kind: 'alone', members: [model] }))

function twoWaySets(all: readonly DeviceModel[], found: readonly (DeviceModel | null)[]): DeviceSet[] {
  const count = found.length
  // Where such switches stand already each stays what it is; else any two places may be the ends.
  const standing = found.flatMap((model, at) => (model && isTwoPlace(model) ? [at] : []))
  const pairs =
    standing.length === 2
      ? [standing]
      : found.flatMap((_, one) => found.flatMap((__, other) => (one < other ? [[one, other]] : [])))
  return all.filter(isTwoPlace).flatMap(end =>
    (count === 2 ? [null] : all.filter(each => isMiddle(each) && sameTerminals(each, end))).flatMap(middle =>
      pairs.map((ends): DeviceSet => ({
        kind: 'two-way',
        members: found.map((_, at) => (ends.includes(at) ? end : middle!)),
      })),
    ),
  )
}

/** Middle ones of the same rating: what one takes the other does. */
const sameTerminals = (one: DeviceModel, other: DeviceModel) =>
  JSON.stringify(one.ratings) === JSON.stringify(other.ratings)

function companionSets(all: readonly DeviceModel[], count: number): DeviceSet[] {
  return all.filter(drives).flatMap(main => {
    const family = mainSignal(main)?.family
    if (family === undefined || (main.places.most > 1 && main.places.most < count)) return []
    return all
      .filter(each => !drives(each) && companionSignal(each)?.family === family)
      .filter(({ places }) => count >= places.least && count <= places.most)
      .flatMap(companion =>
        Array.from({ length: count }, (_, at): DeviceSet => ({
          kind: 'companions',
          members: Array.from({ length: count }, (__, place) => (place === at ? main : companion)),
        })),
      )
  })
}

function keptSwitchSets(all: readonly DeviceModel[], found: readonly (DeviceModel | null)[]): DeviceSet[] {
  if (found.length !== 2) return []
  return all
    .filter(({ keepsSwitch }) => keepsSwitch !== null)
    .flatMap(main =>
      [0, 1].flatMap((at): DeviceSet[] => {
        const kept = found[1 - at]
        return kept && isTwoPlace(kept)
          ? [{ kind: 'kept-switch', members: at === 0 ? [main, null] : [null, main] }]
          : []
      }),
    )
}

function linkedSets(all: readonly DeviceModel[], count: number): DeviceSet[] {
  const linked = all.filter(
    each => each.radio !== null && speaks(each) && drives(each) && livesByNeutral(each),
  )
  return linked.flatMap(main => {
    const family = linked.filter(each => each.family === main.family && each.radio === main.radio)
    const [cheapest] = family
      .filter(each => each.dims === null)
      .sort((a, b) => a.price - b.price || (a.id < b.id ? -1 : 1))
    // A dimmer drives the lamp from one place, and one of its family that only switches speaks from the others.
    const other = main.dims === null ? main : cheapest
    const keys = all.filter(
      each =>
        each.terminals.length === 0 &&
        speaks(each) &&
        each.family === main.family &&
        each.radio === main.radio &&
        count >= each.places.least &&
        count <= each.places.most,
    )
    const everywhere = Array.from({ length: count }, (_, at) => at)
    return [
      ...(other ? [{ other, places: other === main ? [0] : everywhere }] : []),
      // A key without wires speaks from the other places, and the main drives from any.
      ...keys.map(key => ({ other: key, places: everywhere })),
    ].flatMap(each =>
      each.places.map((at): DeviceSet => ({
        kind: 'linked',
        members: everywhere.map(place => (place === at ? main : each.other)),
      })),
    )
  })
}
