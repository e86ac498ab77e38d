import { keyOfTerminal } from '../model/terminal-key'
import type { BoxView } from '../job/box-view'
import { tiedBoxes } from '../job/tied'
import { fault, good, refused, type Fault, type Result } from '../model/result'
import type { Trade } from '../model/trade'
import { assemble } from './assemble'
import { combined } from './combined'
import type { PlannedDevice, RoutedBox } from './planned'
import { Puzzle, type Carried } from './puzzle'
import { colourFaults, lightsFed, plannedDevices, unprotected, waysNotKnown } from './route-box'
import { schemesOf, type Scheme } from './schemes'
import { unsaidFaults, unsaidOf, type Unsaid } from './unsaid'
import { unworkedOf } from './unworked'
import { sayIn } from '../words/say'

/** Boxes whose wiring hangs together, routed as one: each conductor between them carries one net. */
export interface RoutedTogether {
  readonly boxes: readonly { readonly view: BoxView; readonly routed: RoutedBox }[]
  /** How each light of several places is worked. */
  readonly schemes: readonly Scheme[]
  /** Conductors changed, marked again or moved, joints made anew, and so on; the less the better. */
  readonly cost: number
}

/** Whether a box can only be routed together with others. */
export const isTied = (view: BoxView): boolean =>
  view.places.some(({ placesInGroup }) => placesInGroup > 1) || tiedBoxes(view.record, view.box.id).length > 1

/** What is to be asked before a box, and all that hangs together with it, can be wired. */
export function unsaidAbout(view: BoxView, trade: Trade): readonly Unsaid[] {
  const views = isTied(view) ? tiedBoxes(view.record, view.box.id) : [view]
  const devices = views.flatMap(each => plannedDevices(each, trade, []))
  const unworked = unworkedOf(views, devices)
  return unsaidOf(views, lightsFed(devices, unworked), unworked)
}

const known = new WeakMap<BoxView, { readonly trade: Trade; readonly routed: Result<RoutedTogether> }>()

/** The boxes that hang together with one; the same record and trade are routed once. */
export function routedTogether(view: BoxView, trade: Trade): Result<RoutedTogether> {
  const before = known.get(view)
  if (before?.trade === trade) return before.routed
  const views = tiedBoxes(view.record, view.box.id)
  const routed = routeTogether(views, trade)
  for (const each of views) known.set(each, { trade, routed })
  return routed
}

/**
 * The value of a setting without which the devices of a light would not work together as planned, and with which the
 * plan is proved; null where it may be any.
 */
export function settingOfPlan(
  view: BoxView,
  placeId: string,
  settingId: string,
  trade: Trade,
): string | null {
  const together = isTied(view) ? routedTogether(view, trade) : null
  if (!together?.ok) return null
  const values = together.value.schemes.flatMap(({ settings }) => settings[placeId]?.[settingId] ?? [])
  return values[0] ?? null
}

/**
 * Gives every conductor between the boxes a net, so that every terminal has what it asks for, at the least change:
 * over every way in which the chosen devices work their light together. Refused with what is missing: roles,
 * devices, a set that does not work one light, or conductors between two boxes.
 */
export function routeTogether(views: readonly BoxView[], trade: Trade): Result<RoutedTogether> {
  const ways = waysTogether(views, trade, { next: false })
  return ways.ok ? good(ways.value[0]!) : ways
}

/**
 * The runner-up: the next least way to wire the same boxes, with other conductors or other devices’ parts; null where
 * there is none, or where they cannot be wired at all.
 */
export function nextBest(views: readonly BoxView[], trade: Trade): RoutedTogether | null {
  const ways = waysTogether(views, trade, { next: true })
  return ways.ok ? (ways.value[1] ?? null) : null
}

/** Ways in which lights may be worked that are gone through, the likeliest first. */
const MOST_TRIES = 2000

/** The least way, and where it is asked for the next. */
function waysTogether(
  views: readonly BoxView[],
  trade: Trade,
  { next }: { readonly next: boolean },
): Result<readonly RoutedTogether[]> {
  const say = sayIn(views[0]!.region)
  const faults: Fault[] = []
  for (const view of views) {
    if (view.ends.length === 0)
      faults.push(
        fault(
          '/ends',
          'nothing-recorded',
          say`no conductors are recorded in ${view.room.name}, ${view.box.name}`,
        ),
      )
    for (const { end, name } of view.ends)
      if (end.role === null)
        faults.push(fault(`/ends/${end.id}/role`, 'no-role', say`${name} has no role yet`))
  }
  const boxes = views.map(view => ({ view, devices: plannedDevices(view, trade, faults) }))
  if (faults.length > 0) return refused(...faults)
  const all = boxes.flatMap(({ devices }) => devices)
  const unworked = unworkedOf(views, all)
  const unsaid = [
    ...unsaidFaults(views, lightsFed(all, unworked), unworked),
    ...waysNotKnown(views, trade),
    ...unprotected(views, trade),
  ]
  if (unsaid.length > 0) return refused(...(unsaid as [Fault, ...Fault[]]))
  const puzzle = new Puzzle(boxes, trade)
  for (const view of views)
    for (const each of view.ends)
      if (!puzzle.runs.has(each.conductor.id)) faults.push(...colourFaults(view, each))
  const count = next ? 2 : 1
  let found: readonly { readonly schemes: readonly Scheme[]; readonly carried: Carried }[] = []
  const below = () => (found.length < count ? Infinity : found.at(-1)!.carried.cost)
  const between = puzzle.between(below)
  const choices = puzzle.lights().map(({ groupId, devices }) => {
    const schemes = new Heard(schemesOf(devices, puzzle.netsOf(groupId), between))
    if (schemes.isEmpty)
      faults.push(
        fault(
          `/groups/${groupId}`,
          'no-set',
          say`${devices.map(({ model }) => model.name).join(say` and `)} do not work one light together`,
        ),
      )
    return schemes
  })
  if (faults.length > 0) return refused(...faults)
  let least: readonly Fault[] = []
  let tries = 0
  for (const schemes of combined(choices)) {
    if (++tries > MOST_TRIES) break
    if (schemes.reduce((sum, each) => sum + each.least, 0) >= below()) continue
    const ways = puzzle.carried(schemes, count, below())
    if (ways.ok)
      // Stable: of ways that cost the same the first stays first.
      found = [...found, ...ways.value.map(carried => ({ schemes, carried }))]
        .sort((a, b) => a.carried.cost - b.carried.cost)
        .slice(0, count)
    else if (least.length === 0 || ways.faults.length < least.length) least = ways.faults
  }
  if (found.length === 0) return refused(...(least as [Fault, ...Fault[]]))
  return good(
    found.map(({ schemes, carried }) => ({
      schemes,
      cost: carried.cost,
      boxes: boxes.map(({ view, devices }) => ({
        view,
        routed: assemble(
          view,
          trade,
          devices,
          wordsHere(view, devices, carried),
          carried.netOfEnd,
          carried.netOfTerminal,
        ),
      })),
    })),
  )
}

/** Nets that come into one box, or that its devices ask for. */
function wordsHere(
  view: BoxView,
  devices: readonly PlannedDevice[],
  { words, netOfEnd, netOfTerminal }: Carried,
): Record<string, string> {
  const here = new Set([
    ...view.ends.map(({ end }) => netOfEnd[end.id]),
    ...devices.flatMap(({ placeId, model }) =>
      model.terminals.map(({ id }) => netOfTerminal[keyOfTerminal({ placeId, terminalId: id })]),
    ),
  ])
  return Object.fromEntries(Object.entries(words).filter(([net]) => here.has(net)))
}

/** What is made one after another, as it is asked for, and can be gone through again. */
class Heard<Item> implements Iterable<Item> {
  readonly #items: Item[] = []

  constructor(readonly rest: Iterator<Item>) {}

  get isEmpty(): boolean {
    for (const _ of this) return false
    return true
  }

  *[Symbol.iterator](): Iterator<Item> {
    for (let at = 0; ; at++) {
      if (at === this.#items.length) {
        const next = this.rest.next()
        if (next.done) return
        this.#items.push(next.value)
      }
      yield this.#items[at]!
    }
  }
}
