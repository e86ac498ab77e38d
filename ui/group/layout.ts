import type { BoxView } from '@/core/job/box-view'
import { comesIn, isLoadRole } from '@/core/model/roles'
import type { Point } from '../drawing/goals'
import { layoutInGroup, type BoxLayout, type DrawnCable } from '../drawing/layout'
import type { BoxPicture } from '../drawing/picture'
import type { Scene } from './scene'
import { sayIn } from '@/core/words/say'

export interface PlacedBox {
  readonly view: BoxView
  readonly picture: BoxPicture
  readonly layout: BoxLayout
  readonly at: Point
}

export interface DrawnRun {
  readonly id: string
  readonly path: string
  /** Conductor ends in it: live where one of them is. */
  readonly ends: readonly string[]
}

export interface GroupLayout {
  readonly width: number
  readonly height: number
  readonly panel: {
    readonly at: Point
    readonly breakers: readonly { readonly id: string; readonly at: Point }[]
  }
  readonly boxes: readonly PlacedBox[]
  readonly lamps: readonly { readonly id: string; readonly at: Point }[]
  readonly runs: readonly DrawnRun[]
}

const PANEL_WIDTH = 128
const BREAKER_STEP = 62
const LAMP_WIDTH = 156
const LAMP_STEP = 148
const GAP = 36
const LANE_STEP = 17
const SHEATH_OUT = 26
/** Room above for the names of boxes. */
const TITLE = 28

/**
 * The panel, the boxes side by side, the lamps at the end; cables run above and below them, each in a
 * lane of its own so that no two lie on each other.
 */
export function layoutGroup({ boxes, circuit }: Scene): GroupLayout {
  const drawn = boxes.map(({ view, picture }) => ({ view, picture, layout: layoutInGroup(picture) }))
  const used = lanesUsed(drawn.map(({ layout }) => layout))
  const lanes = { top: TITLE + LANE_STEP * (used.top + 1), bottom: LANE_STEP * (used.bottom + 1) }
  const tallest = Math.max(...drawn.map(({ layout }) => layout.height), circuit.loads.length * LAMP_STEP)
  let x = PANEL_WIDTH + GAP
  const placed = drawn.map(each => {
    const at = { x, y: lanes.top + (tallest - each.layout.height) / 2 }
    x += each.layout.width + GAP
    return { ...each, at }
  })
  const width = x + LAMP_WIDTH
  const height = lanes.top + tallest + lanes.bottom
  const middle = height / 2
  const column = (at: number, count: number, step: number) => middle + (at - (count - 1) / 2) * step
  const breakers = circuit.supplies.map(({ id }, at) => ({
    id,
    at: { x: 14, y: column(at, circuit.supplies.length, BREAKER_STEP) },
  }))
  const lamps = circuit.loads.map(({ id }, at) => ({
    id,
    at: { x: x + LAMP_WIDTH / 2, y: column(at, circuit.loads.length, LAMP_STEP) },
  }))
  const router = new Lanes(lanes.top, lanes.top + tallest)
  return {
    width,
    height,
    panel: { at: { x: 0, y: middle }, breakers },
    boxes: placed,
    lamps,
    runs: runsOf(placed, circuit, breakers, lamps, router),
  }
}

/** A cable takes a lane on each side of the row that it comes out on. */
function lanesUsed(layouts: readonly BoxLayout[]): { top: number; bottom: number } {
  const all = layouts.flatMap(({ cables }) => cables)
  const on = (top: boolean) => new Set(all.filter(each => each.top === top).map(each => each.cable.id)).size
  return { top: on(true), bottom: on(false) }
}

/** Hands out lanes above and below the boxes, the nearest first. */
class Lanes {
  #above = 0
  #below = 0

  constructor(
    readonly top: number,
    readonly bottom: number,
  ) {}

  take(top: boolean): number {
    return top ? this.top - LANE_STEP * ++this.#above : this.bottom + LANE_STEP * ++this.#below
  }
}

/** Where a cable leaves a box, in the whole drawing. */
function mouthOf({ at, layout }: PlacedBox, { x, top }: DrawnCable): Point & { readonly top: boolean } {
  const edge = top ? layout.box.y - SHEATH_OUT : layout.box.y + layout.box.height + SHEATH_OUT
  return { x: at.x + x, y: at.y + edge, top }
}

function runsOf(
  boxes: readonly PlacedBox[],
  circuit: Scene['circuit'],
  breakers: readonly { readonly id: string; readonly at: Point }[],
  lamps: readonly { readonly id: string; readonly at: Point }[],
  lanes: Lanes,
): DrawnRun[] {
  const mouths = new Map<string, { box: PlacedBox; drawn: DrawnCable }[]>()
  for (const box of boxes)
    for (const drawn of box.layout.cables)
      mouths.set(drawn.cable.id, [...(mouths.get(drawn.cable.id) ?? []), { box, drawn }])
  return [...mouths].flatMap(([id, [first, second]]): DrawnRun[] => {
    const from = mouthOf(first!.box, first!.drawn)
    const ends = [first, second].flatMap(each => each?.drawn.strands.map(({ strand }) => strand.id) ?? [])
    const lane = lanes.take(from.top)
    if (second) {
      const to = mouthOf(second.box, second.drawn)
      if (to.top === from.top)
        return [{ id, ends, path: bent(from, [from.x, lane], [to.x, lane], [to.x, to.y]) }]
      // From above to below: down through the gap before the second box.
      const gap = second.box.at.x - GAP / 2 + (to.x % 9) - 4
      const other = lanes.take(to.top)
      return [
        {
          id,
          ends,
          path: bent(from, [from.x, lane], [gap, lane], [gap, other], [to.x, other], [to.x, to.y]),
        },
      ]
    }
    const cable = first!.box.view.cables.find(each => each.id === id)
    if (cable?.far === 'panel') {
      const breaker = breakers.find(each => each.id === supplyOf(first!.box.view, id)) ?? breakers[0]
      if (!breaker) return []
      const side = PANEL_WIDTH + 8 + breakers.indexOf(breaker) * 9
      return [
        {
          id,
          ends,
          path: bent(
            from,
            [from.x, lane],
            [side, lane],
            [side, breaker.at.y],
            [breaker.at.x + 100, breaker.at.y],
          ),
        },
      ]
    }
    const lamp = lamps.find(each => lampsOf(first!.box.view, id, circuit).includes(each.id))
    if (!lamp) return [{ id, ends, path: bent(from, [from.x, lane]) }]
    const side = lamp.at.x - LAMP_WIDTH / 2 - 6 - (lamps.indexOf(lamp) % 4) * 9
    return [
      {
        id,
        ends,
        path: bent(from, [from.x, lane], [side, lane], [side, lamp.at.y], [lamp.at.x - 30, lamp.at.y]),
      },
    ]
  })
}

const BEND = 9

/** A line through corners, each rounded as a cable is. */
function bent(from: Point, ...rest: readonly (readonly [number, number])[]): string {
  const corners = [[from.x, from.y] as const, ...rest]
  const towards = (a: readonly [number, number], b: readonly [number, number]) => {
    const length = Math.hypot(b[0] - a[0], b[1] - a[1])
    const by = Math.min(BEND, length / 2) / (length || 1)
    return `${a[0] + (b[0] - a[0]) * by} ${a[1] + (b[1] - a[1]) * by}`
  }
  return corners
    .map((corner, at) => {
      if (at === 0) return `M${corner[0]} ${corner[1]}`
      const next = corners[at + 1]
      if (!next) return `L${corner[0]} ${corner[1]}`
      return `L${towards(corner, corners[at - 1]!)} Q${corner[0]} ${corner[1]} ${towards(corner, next)}`
    })
    .join(' ')
}

function supplyOf(view: BoxView, cableId: string): string | null {
  const say = sayIn(view.region)

  const hot = view.ends.find(each => each.cable.id === cableId && comesIn(each.end.role))
  const circuit = view.feeds.find(each => each.circuit.id === hot?.end.roleCircuitId) ?? view.feeds[0]
  return circuit ? say`breaker ${circuit.circuit.breaker}` : null
}

/** Loads at the far end of a cable, by id of the circuit. */
function lampsOf(view: BoxView, cableId: string, circuit: Scene['circuit']): string[] {
  const say = sayIn(view.region)

  const inCable = view.ends.filter(each => each.cable.id === cableId)
  const onward = inCable[0] && say`onward by cable ${inCable[0].cable.name}`
  if (inCable.some(each => each.end.role === 'onward-feed')) return onward ? [onward] : []
  const load = inCable.find(each => isLoadRole(each.end.role))
  const groupId = load
    ? (load.end.roleGroupId ?? view.places[0]?.group.id)
    : view.record.loads[inCable[0]?.cable.farLoadId ?? '']?.groupId
  return circuit.loads.filter(each => each.groupId === groupId && each.kind === 'lamp').map(({ id }) => id)
}
