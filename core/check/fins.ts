import { sharesGang } from '../job/place-name'
import type { PlaceView } from '../job/box-view'
import type { DeviceModel, Rating } from '../model/device'
import { occupantOf } from './box'
import { line, type Cure, type Line } from './line'
import type { Question } from './place'
import { sayIn, type Say } from '../words/say'

/** Sides of a device whose fins are broken off to make room. */
export type SidesOff = 0 | 1 | 2

const isFinned = (model: DeviceModel | null): boolean =>
  model?.ratings.some(({ oneSide }) => oneSide !== null) ?? false

/** The limit that is left with the fins of so many sides broken off. */
export const limitWith = ({ limit, oneSide, bothSides }: Rating, sides: SidesOff): number =>
  sides === 0 ? limit : sides === 1 ? (oneSide ?? limit) : (bothSides ?? oneSide ?? limit)

/** What stands in a gang, in an order of gangs that may be another than the one there is. */
interface Standing {
  readonly place: PlaceView
  readonly model: DeviceModel
}

/** Fins come off only where the neighbour has fins too: a plain switch leaves them their place. */
const sidesAt = (order: readonly (Standing | null)[], at: number): SidesOff =>
  [order[at - 1], order[at + 1]].filter(each => isFinned(each?.model ?? null)).length as SidesOff

/** Devices of the box by their gangs, the one asked about in its own. */
function orderIn({ view, place, device, trade }: Question): (Standing | null)[] {
  const order: (Standing | null)[] = Array.from({ length: view.box.gangs }, () => null)
  for (const each of view.places) {
    const model = each.place.id === place.place.id ? device : occupantOf(each, trade)
    const at = each.place.gang - 1
    if (model && !isFinned(order[at]?.model ?? null)) order[at] = { place: each, model }
  }
  return order
}

export const sidesOff = (question: Question): SidesOff =>
  question.view.box.gangs === 1 ? 0 : sidesAt(orderIn(question), question.place.place.gang - 1)

/** Beyond this many gangs no order is looked for: nobody builds such a box. */
const MOST_GANGS = 6

/**
 * Another order of the gangs in which every device of the box bears its load, changing least; null where there is none.
 * `bears` says whether a device bears the load of its place with so many sides off.
 */
export function orderThatBears(
  question: Question,
  bears: (place: PlaceView, model: DeviceModel, sides: SidesOff) => boolean,
): readonly (DeviceModel | null)[] | null {
  const now = orderIn(question)
  if (question.view.places.some(({ place }) => sharesGang(question.view.record, place))) return null
  if (now.length < 2 || now.length > MOST_GANGS || now.some(each => (each?.model.size.gangs ?? 1) > 1))
    return null
  let best: { order: readonly (Standing | null)[]; moved: number } | null = null
  for (const order of orders(now)) {
    const moved = order.filter((each, at) => each !== now[at]).length
    if (best && moved >= best.moved) continue
    const all = order.every((each, at) => !each || bears(each.place, each.model, sidesAt(order, at)))
    if (all) best = { order, moved }
  }
  return best ? best.order.map(each => each?.model ?? null) : null
}

function* orders<Item>(items: readonly Item[]): Generator<readonly Item[]> {
  if (items.length <= 1) yield items
  for (const [at, item] of items.entries())
    for (const rest of orders([...items.slice(0, at), ...items.slice(at + 1)])) yield [item, ...rest]
}

export const orderCure = (order: readonly (DeviceModel | null)[], minutes: number, say: Say): Cure => ({
  id: 'gang-order',
  says: say`Put them in this order: ${order.map((model, at) => say`gang ${at + 1} ${model?.name ?? say`empty`}`).join('; ')}.`,
  price: 0,
  minutes,
  here: true,
})

/** That fins come off, where they do. */
export function finLines(question: Question): Line[] {
  const say = sayIn(question.view.region)

  const sides = sidesOff(question)
  if (sides === 0 || !isFinned(question.device)) return []
  return [
    line(
      'fins',
      'fits',
      say`Its fins come off on ${say.count(sides, 'one side', 'both sides')}: the next device has fins too.`,
      'fins',
    ),
  ]
}
