import type { BoxView } from '../job/box-view'
import { tiedBoxes } from '../job/tied'
import { rowsWith, type JobRecord } from '../model/record'
import type { Trade } from '../model/trade'
import { circuitBetween, routeBox, type BoxHalfDone, type DoneSoFar, type HalfDone } from '../route'
import { compile } from '../solve'
import { sharersOf } from '../panel'
import type { Step } from './step'

/** What would happen if the power came on with the work as it stands. */
export type IfOn =
  { readonly kind: 'short'; readonly says: string } | { readonly kind: 'live-end'; readonly says: string }

/** What the ticks of a box say is done. */
export function doneSoFar(keys: Iterable<string>): DoneSoFar {
  const all = [...keys]
  const of = (kind: string) =>
    new Set(all.filter(key => key.startsWith(`${kind}:`)).map(key => key.slice(kind.length + 1)))
  return {
    takenOut: of('take-out'),
    joined: of('joint'),
    landed: of('land'),
    capped: of('cap'),
    cappedLeads: of('cap-lead'),
  }
}

/**
 * What would be wrong with the power on in the middle of the work: a hot joined to a neutral, a ground or another
 * hot in some position of the devices, and every end in the air that a hot reaches, through closed contacts and
 * through lamps whose return is open. Contacts may stand either way, so each counts as closed.
 */
export function ifOn({ circuit, bare }: HalfDone): IfOn[] {
  const compiled = compile(circuit)
  const at = (point: string) => compiled.reach.find(compiled.net(point))
  const held = new Set(circuit.supplies.flatMap(({ neutral, ground }) => [at(neutral), at(ground)]))
  const shorts = circuit.supplies.flatMap((supply): IfOn[] => {
    const hot = at(supply.hot)
    const meets =
      hot === at(supply.neutral)
        ? 'its neutral'
        : hot === at(supply.ground)
          ? 'ground'
          : circuit.supplies.find(other => other !== supply && at(other.hot) === hot)
            ? 'another hot'
            : circuit.supplies.find(other => at(other.neutral) === hot)
              ? 'another neutral'
              : null
    return meets ? [{ kind: 'short', says: `the hot of ${supply.id} would meet ${meets}: a dead short` }] : []
  })
  const live = new Set(circuit.supplies.map(({ hot }) => at(hot)))
  for (let grown = true; grown;) {
    grown = false
    for (const { hot, neutral } of circuit.loads)
      for (const [one, other] of [
        [at(hot), at(neutral)],
        [at(neutral), at(hot)],
      ] as const)
        if (live.has(one) && !held.has(one) && !live.has(other) && !held.has(other)) {
          live.add(other)
          grown = true
        }
  }
  const ends = [...bare].flatMap(([point, { name }]): IfOn[] => {
    return live.has(at(point)) ? [{ kind: 'live-end', says: `${name} would be live and bare` }] : []
  })
  return [...shorts, ...ends]
}

const ticksOf = ({ record, box }: BoxView): Set<string> =>
  new Set(rowsWith(record, 'steps', 'boxId', box.id).map(({ stepKey }) => stepKey))

const MOVES = ['take-out', 'joint', 'land', 'cap', 'cap-lead'] as const

/** Steps after which something in the box is elsewhere than before. */
export const moves = (key: string): boolean => MOVES.some(kind => key.startsWith(`${kind}:`))

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
  return ifOn(onlyOf(half, begun))
}

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
  const done = new Set<string>()
  const after = new Map<string, IfOn[]>()
  for (const { key } of steps) {
    done.add(key)
    if (!moves(key)) continue
    const half = circuitBetween([...halves, { ...own, done: doneSoFar(done) }], trade)
    after.set(key, ifOn(onlyOf(half, begun)))
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

function mayFeed(view: BoxView, circuitId: string | null): boolean {
  const tied = tiedBoxes(view.record, view.box.id)
  const feeding = tied.flatMap(({ feeds, record }) =>
    feeds.flatMap(({ circuit }) => [circuit, ...sharersOf(record, circuit)]),
  )
  return circuitId === null || feeding.length === 0 || feeding.some(({ id }) => id === circuitId)
}
