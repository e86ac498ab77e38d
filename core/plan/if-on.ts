import type { BoxView } from '../job/box-view'
import { tiedBoxes } from '../job/tied'
import { rowsWith, type JobRecord } from '../model/record'
import { moves, stepOfKey } from '../model/step-name'
import { keyOfTerminal } from '../model/terminal-key'
import type { Trade } from '../model/trade'
import { circuitBetween, routeBox, type BoxHalfDone, type DoneSoFar, type HalfDone } from '../route'
import { compile, type Compiled } from '../solve'
import { mayFeed } from '../safety'
import type { Step } from './step'
import { sayAbout } from '../model/say-for'

/**
 * What would happen if the power came on with the work as it stands: a hot meets another pole; an end in the air is
 * live; the shell of a lamp is, since its return is open or switched; neutrals of two circuits are joined; a lamp is fed
 * by one circuit and returns on another; a neutral meets ground; no ground reaches a box or a luminaire of metal.
 */
export interface IfOn {
  readonly kind:
    'short' | 'live-end' | 'live-shell' | 'neutrals-joined' | 'other-return' | 'ground-carries' | 'no-ground'
  /** Where: a pole, an end, the return of a lamp, a box’s metal. */
  readonly point: string
  readonly says: string
}

/** What the ticks of a box say is done. */
export function doneSoFar(keys: Iterable<string>): DoneSoFar {
  const done = {
    takenOut: new Set<string>(),
    parted: new Set<string>(),
    joined: new Set<string>(),
    landed: new Set<string>(),
    capped: new Set<string>(),
    cappedLeads: new Set<string>(),
  }
  for (const key of keys) {
    const name = stepOfKey(key)
    switch (name?.kind) {
      case 'take-out':
        done.takenOut.add(name.placeId)
        break
      case 'part':
        done.parted.add(name.jointId)
        break
      case 'joint':
        done.joined.add(name.netId)
        break
      case 'land':
        done.landed.add(keyOfTerminal(name.at))
        break
      case 'cap':
        done.capped.add(name.endId)
        break
      case 'cap-lead':
        done.cappedLeads.add(keyOfTerminal(name.at))
    }
  }
  return done
}

/**
 * What would be wrong with the power on in the middle of the work. Contacts may stand either way, so each counts as
 * closed where it would bring a hot somewhere, and as open where it would bring a neutral or a ground.
 */
export function ifOn(half: HalfDone): IfOn[] {
  const say = sayAbout(half.circuit)
  const compiled = compile(half.circuit)
  const live = liveIn(half, compiled)
  return [
    ...shorts(half, compiled),
    ...[...half.bare].flatMap(([point, { name }]): IfOn[] =>
      live(point) ? [{ kind: 'live-end', point, says: say`${name} would be live and bare` }] : [],
    ),
    ...liveShells(half, compiled, live),
    ...joinedNeutrals(half, compiled),
    ...otherReturns(half, compiled),
    ...groundCarries(half, compiled),
    ...ungrounded(half, compiled),
  ]
}

function shorts({ circuit }: HalfDone, { reach, net }: Compiled): IfOn[] {
  const say = sayAbout(circuit)
  const at = (point: string) => reach.find(net(point))
  return circuit.supplies.flatMap((supply): IfOn[] => {
    const hot = at(supply.hot)
    const meets =
      hot === at(supply.neutral)
        ? say`its neutral`
        : hot === at(supply.ground)
          ? 'ground'
          : circuit.supplies.find(other => other !== supply && at(other.hot) === hot)
            ? say`another hot`
            : circuit.supplies.find(other => at(other.neutral) === hot)
              ? say`another neutral`
              : null
    const says = say`the hot of ${supply.id} would meet ${meets}: a dead short`
    return meets ? [{ kind: 'short', point: supply.hot, says }] : []
  })
}

/**
 * Whether a hot reaches a point, through closed contacts and through lamps whose return no conductor holds: a contact
 * that would hold it may stand open.
 */
function liveIn({ circuit }: HalfDone, { reach, net }: Compiled): (point: string) => boolean {
  const at = (point: string) => reach.find(net(point))
  const held = new Set(circuit.supplies.flatMap(({ neutral, ground }) => [net(neutral), net(ground)]))
  const isHeld = (point: string) => held.has(net(point))
  const live = new Set(circuit.supplies.map(({ hot }) => at(hot)))
  for (let grown = true; grown;) {
    grown = false
    for (const { hot, neutral } of circuit.loads)
      for (const [one, other] of [
        [hot, neutral],
        [neutral, hot],
      ] as const)
        if (live.has(at(one)) && !isHeld(one) && !isHeld(other) && !live.has(at(other))) {
          live.add(at(other))
          grown = true
        }
  }
  return point => live.has(at(point)) && !isHeld(point)
}

/** Lamps whose return no conductor holds: hot comes to their shell, or to the lamp while a contact parts its return. */
function liveShells({ circuit }: HalfDone, { net }: Compiled, live: (point: string) => boolean): IfOn[] {
  const say = sayAbout(circuit)
  const neutrals = new Set(circuit.supplies.map(({ neutral }) => net(neutral)))
  return circuit.loads
    .filter(({ hot, neutral }) => !neutrals.has(net(neutral)) && (live(neutral) || live(hot)))
    .map(({ id, neutral }) => ({
      kind: 'live-shell',
      point: neutral,
      says: say`the return of ${id} would not be held, and its shell be live`,
    }))
}

function joinedNeutrals({ circuit }: HalfDone, { net }: Compiled): IfOn[] {
  const say = sayAbout(circuit)
  return circuit.supplies.flatMap((supply, at) =>
    circuit.supplies
      .slice(at + 1)
      .filter(other => other.neutral !== supply.neutral && net(other.neutral) === net(supply.neutral))
      .map(other => ({
        kind: 'neutrals-joined' as const,
        point: `${supply.neutral} ${other.neutral}`,
        says: say`the neutrals of ${supply.id} and ${other.id} would be joined`,
      })),
  )
}

/** Lamps whose hot may come from one circuit while their return is another’s. */
function otherReturns({ circuit }: HalfDone, { reach, net }: Compiled): IfOn[] {
  const say = sayAbout(circuit)
  const at = (point: string) => reach.find(net(point))
  return circuit.loads.flatMap(({ id, hot, neutral }): IfOn[] => {
    const feeding = circuit.supplies.filter(supply => at(supply.hot) === at(hot))
    const returns = circuit.supplies.filter(supply => net(supply.neutral) === net(neutral))
    const stray = feeding.find(each => !returns.some(other => net(other.neutral) === net(each.neutral)))
    return stray && returns.length > 0
      ? [
          {
            kind: 'other-return',
            point: neutral,
            says: say`${id} would be fed by ${stray.id} and return on ${returns[0]!.id}`,
          },
        ]
      : []
  })
}

function groundCarries({ circuit }: HalfDone, { reach, net }: Compiled): IfOn[] {
  const say = sayAbout(circuit)
  const at = (point: string) => reach.find(net(point))
  return circuit.supplies
    .filter(({ neutral, ground }) => at(neutral) === at(ground))
    .map(({ id, neutral }) => ({
      kind: 'ground-carries',
      point: neutral,
      says: say`the neutral of ${id} would meet ground, which would carry its current`,
    }))
}

function ungrounded({ circuit }: HalfDone, { net }: Compiled): IfOn[] {
  const say = sayAbout(circuit)
  const grounds = new Set(circuit.supplies.map(({ ground }) => net(ground)))
  const metal = [
    ...circuit.bonds.map(({ id, point }) => ({ id, point })),
    ...circuit.loads.flatMap(({ id, ground }) => (ground === null ? [] : [{ id, point: ground }])),
  ]
  return metal
    .filter(({ point }) => !grounds.has(net(point)))
    .map(({ id, point }) => ({ kind: 'no-ground', point, says: say`no ground would reach ${id}` }))
}

const ticksOf = ({ record, box }: BoxView): Set<string> =>
  new Set(rowsWith(record, 'steps', 'boxId', box.id).map(({ stepKey }) => stepKey))

function halfOf(view: BoxView, ticked: ReadonlySet<string>, trade: Trade): BoxHalfDone {
  const routed = routeBox(view, trade)
  return { view, routed: routed.ok ? routed.value : null, done: doneSoFar(ticked) }
}

/** What would be wrong in the boxes that hang together with one if the power came on now. */
export function ifOnNow(view: BoxView, trade: Trade): IfOn[] {
  const views = tiedBoxes(view.record, view.box.id)
  const begun = views.filter(each => [...ticksOf(each)].some(moves))
  if (begun.length === 0) return []
  const half = circuitBetween(
    views.map(each => halfOf(each, ticksOf(each), trade)),
    trade,
  )
  return newOf(ifOn(onlyOf(half, begun)), asFound(views, trade))
}

/** What would be wrong as it was found, by kind and point. */
function asFound(views: readonly BoxView[], trade: Trade): ReadonlySet<string> {
  const half = circuitBetween(
    views.map(each => halfOf(each, new Set(), trade)),
    trade,
  )
  return new Set(ifOn({ ...half, bare: new Map() }).map(keyOf))
}

const keyOf = ({ kind, point }: IfOn): string => `${kind} ${point}`

/** What the work brings about; what was so as found, apart from what is bare, is not its doing. */
const newOf = (wrong: readonly IfOn[], before: ReadonlySet<string>): IfOn[] =>
  wrong.filter(each => each.kind === 'short' || each.kind === 'live-end' || !before.has(keyOf(each)))

/** What was bare before anybody worked there is not the work’s doing. */
function onlyOf({ circuit, bare }: HalfDone, begun: readonly BoxView[]): HalfDone {
  const boxes = new Set(begun.map(({ box }) => box.id))
  return { circuit, bare: new Map([...bare].filter(([, { boxId }]) => boxes.has(boxId))) }
}

/** After each step of a box, done in their order: what the power would do if it came on there. */
export function ifOnAfter(view: BoxView, steps: readonly Step[], trade: Trade): Map<string, IfOn[]> {
  const views = tiedBoxes(view.record, view.box.id)
  const others = views.filter(each => each.box.id !== view.box.id)
  const begun = [view, ...others.filter(each => [...ticksOf(each)].some(moves))]
  const halves = others.map(each => halfOf(each, ticksOf(each), trade))
  const own = halfOf(view, new Set(), trade)
  const before = asFound(views, trade)
  const done = new Set<string>()
  const after = new Map<string, IfOn[]>()
  for (const { key } of steps) {
    done.add(key)
    if (!moves(key)) continue
    const half = circuitBetween([...halves, { ...own, done: doneSoFar(done) }], trade)
    after.set(key, newOf(ifOn(onlyOf(half, begun)), before))
  }
  return after
}

/** Boxes in which the work stands so that a breaker, or the main switch (null), may not go on; and why. */
export function heldOff(
  record: JobRecord,
  views: readonly BoxView[],
  circuitId: string | null,
  trade: Trade,
): { readonly view: BoxView; readonly why: IfOn }[] {
  const seen = new Set<string>()
  return views.flatMap(view => {
    if (seen.has(view.box.id) || !ticksOf(view).size || !mayFeed(view, circuitId)) return []
    for (const { box } of tiedBoxes(record, view.box.id)) seen.add(box.id)
    const [why] = ifOnNow(view, trade)
    return why ? [{ view, why }] : []
  })
}
