import type { BoxView } from '@/core/job/box-view'
import { looksLikeGround } from '@/core/model/regions'
import type { Trade } from '@/core/model/trade'
import { foundJointOf } from '@/core/route/as-found'
import { assemble } from '@/core/route/assemble'
import { carryingCost, type Runner } from '@/core/route/carry'
import type { RoutedBox } from '@/core/route/planned'
import type { Boxed, Puzzle } from '@/core/route/puzzle'
import { isNeeded } from '@/core/route/route-box'
import type { Scheme } from '@/core/route/schemes'

/**
 * The least that a scheme costs over every way to use the conductors between some boxes, each on any net or on none;
 * null where no way brings every net to all that want it. Slow: it tries them all, and counts what each costs from
 * the boxes as they would stand.
 */
export function leastSpread(puzzle: Puzzle, schemes: readonly Scheme[]): number | null {
  const netOfTerminal: Record<string, string | null> = Object.assign({}, ...schemes.map(({ nets }) => nets))
  for (const { devices } of puzzle.boxes)
    for (const { placeId, model } of devices)
      for (const { id } of model.terminals) netOfTerminal[`${placeId}.${id}`] ??= null
  const runners = puzzle.edges.flatMap(edge => edge.runners)
  const fixed = fixedNets(puzzle)
  // A net that no supply and no lamp brings in is not there.
  const brought = new Set(Object.values(fixed))
  for (const { devices } of puzzle.boxes)
    for (const { placeId, model } of devices)
      for (const terminal of model.terminals) {
        const net = netOfTerminal[`${placeId}.${terminal.id}`]
        const made = net?.startsWith('traveller:') || net?.startsWith('signal:')
        if (!net || made || brought.has(net)) continue
        if (isNeeded(model, terminal)) return null
        netOfTerminal[`${placeId}.${terminal.id}`] = null
      }
  const boxesOf = wantedIn(puzzle, fixed, netOfTerminal)
  let least: number | null = null
  for (const netOf of everySpread(runners, [...boxesOf.keys()], puzzle.trade.routeCosts)) {
    if (![...boxesOf].every(([net, boxes]) => isTree(runners, netOf, net, boxes))) continue
    const cost = costOf(puzzle, runners, netOf, fixed, netOfTerminal)
    if (least === null || cost < least) least = cost
  }
  return least
}

/** Nets of the ends that no conductor to another of the boxes has. */
function fixedNets({ boxes, runs }: Puzzle): Record<string, string> {
  const [{ view }] = boxes as [Boxed]
  const circuit = view.feeds[0]!.circuit.id
  const group = view.places[0]!.group.id
  return Object.fromEntries(
    boxes.flatMap(({ view: own }) =>
      own.ends
        .filter(({ conductor }) => !runs.has(conductor.id))
        .map(({ end, conductor }) => [
          end.id,
          looksLikeGround(own.region, conductor)
            ? 'ground'
            : end.role === 'neutral'
              ? `neutral:${circuit}`
              : end.role === 'line'
                ? `line:${circuit}`
                : `load:${group}`,
        ]),
    ),
  )
}

function wantedIn(
  { boxes }: Puzzle,
  fixed: Readonly<Record<string, string>>,
  netOfTerminal: Readonly<Record<string, string | null>>,
): Map<string, Set<string>> {
  const wanted = new Map<string, Set<string>>()
  for (const { view, devices } of boxes)
    for (const net of [
      ...view.ends.map(({ end }) => fixed[end.id]),
      ...devices.flatMap(({ placeId, model }) =>
        model.terminals.map(({ id }) => netOfTerminal[`${placeId}.${id}`]),
      ),
    ])
      if (net && net !== 'ground') wanted.set(net, (wanted.get(net) ?? new Set()).add(view.box.id))
  return wanted
}

function* everySpread(
  runners: readonly Runner[],
  nets: readonly string[],
  costs: Trade['routeCosts'],
  before: ReadonlyMap<string, string> = new Map(),
  at = 0,
): Generator<ReadonlyMap<string, string>> {
  const runner = runners[at]
  if (!runner) {
    yield before
    return
  }
  yield* everySpread(runners, nets, costs, before, at + 1)
  const beside = runners.slice(0, at).filter(each => pairOf(each) === pairOf(runner))
  for (const net of nets)
    if (
      !beside.some(({ conductorId }) => before.get(conductorId) === net) &&
      carryingCost(runner, net, costs) < Infinity
    )
      yield* everySpread(runners, nets, costs, new Map([...before, [runner.conductorId, net]]), at + 1)
}

const pairOf = ({ a, b }: Runner) => `${a.view.box.id} ${b.view.box.id}`

/** Whether a net’s conductors join just the boxes that want it and those between, none twice. */
function isTree(
  runners: readonly Runner[],
  netOf: ReadonlyMap<string, string>,
  net: string,
  wanting: ReadonlySet<string>,
): boolean {
  const own = runners.filter(({ conductorId }) => netOf.get(conductorId) === net)
  const met = new Map<string, number>()
  for (const { a, b } of own)
    for (const { view } of [a, b]) met.set(view.box.id, (met.get(view.box.id) ?? 0) + 1)
  if (own.length === 0) return wanting.size === 1
  if (own.length !== met.size - 1) return false
  if ([...met].some(([box, count]) => count === 1 && !wanting.has(box))) return false
  const reached = new Set([own[0]!.a.view.box.id])
  for (const box of reached)
    for (const { a, b } of own) {
      if (a.view.box.id === box) reached.add(b.view.box.id)
      if (b.view.box.id === box) reached.add(a.view.box.id)
    }
  return [...wanting].every(box => reached.has(box)) && reached.size === met.size
}

function costOf(
  { boxes, trade }: Puzzle,
  runners: readonly Runner[],
  netOf: ReadonlyMap<string, string>,
  fixed: Readonly<Record<string, string>>,
  netOfTerminal: Readonly<Record<string, string | null>>,
): number {
  const { routeCosts: costs } = trade
  let cost = 0
  for (const runner of runners) {
    const net = netOf.get(runner.conductorId)
    if (net) cost += carryingCost(runner, net, costs)
  }
  const used = runners.filter(({ conductorId }) => netOf.has(conductorId))
  const cables = new Map(used.map(runner => [runner.a.each.cable.id, runner]))
  // Every net here is of the one light’s circuit.
  cost += ringsIn([...cables.values()]) * costs.anotherCable
  for (const each of boxes) {
    const netOfEnd = Object.fromEntries(
      each.view.ends.map(({ end, conductor }) => [end.id, fixed[end.id] ?? netOf.get(conductor.id) ?? null]),
    )
    const routed = assemble(each.view, trade, each.devices, {}, netOfEnd, grounded(each, netOfTerminal))
    cost += anew(each.view, routed) * costs.newJoint + moved(each.view, routed) * costs.moved
  }
  return cost
}

/** Ground comes into every box of a chain. */
const grounded = (
  { devices }: Boxed,
  netOfTerminal: Readonly<Record<string, string | null>>,
): Record<string, string | null> => ({
  ...netOfTerminal,
  ...Object.fromEntries(
    devices.flatMap(({ placeId, model }) =>
      model.terminals
        .filter(({ wants }) => wants === 'ground')
        .map(({ id }) => [`${placeId}.${id}`, 'ground'] as const),
    ),
  ),
})

/** Edges less nodes and pieces: how many rings cables close. */
function ringsIn(cables: readonly Runner[]): number {
  const boxes = [...new Set(cables.flatMap(({ a, b }) => [a.view.box.id, b.view.box.id]))]
  const piece = new Map(boxes.map(box => [box, box]))
  for (const { a, b } of cables) {
    const [from, to] = [piece.get(a.view.box.id)!, piece.get(b.view.box.id)!]
    for (const box of boxes) if (piece.get(box) === from) piece.set(box, to)
  }
  return cables.length - boxes.length + new Set(piece.values()).size
}

const anew = (view: BoxView, routed: RoutedBox): number =>
  routed.joints.filter(joint => !foundJointOf(view, joint, routed.pigtails)).length

/** Conductors that sit on a device that stays, and will not sit there. */
const moved = (view: BoxView, routed: RoutedBox): number =>
  view.ends.filter(({ end }) => {
    const place = view.places.find(({ found, choice }) => found?.id === end.deviceId && !choice)
    if (end.deviceId === null || !place) return false
    const seat = routed.seats[end.id]
    return !(seat?.kind === 'terminal' && seat.placeId === place.place.id && seat.terminalId === end.terminal)
  }).length
