import type { Frame } from './frame'
import type { HypothesisLamp } from './hypothesis'

/** What one cable, or two that belong together, can be: a node for each end, and what that adds. */
export interface Option {
  readonly joins: readonly (readonly [end: number, node: number])[]
  readonly sources?: number
  readonly lamps?: readonly HypothesisLamp[]
  /** What else lets current through beyond, from an end that must be hot in the box all the time. */
  readonly fed?: readonly (readonly [hotEnd: number, back: number])[]
  /** Cables that feed something further on: by which conductor is chosen last, when it is known what is hot. */
  readonly further?: readonly number[]
}

/** How far a circuit is thought of already. */
export interface SoFar {
  readonly sources: number
  readonly lamps: readonly HypothesisLamp[]
  readonly further: readonly number[]
  /** Sources that come into a box already: the same one does not come twice. */
  readonly sourcesIn: (box: number) => readonly number[]
}

/** What a cable can be that runs to no other of these boxes: its conductors in any order. */
export function* leaving(frame: Frame, soFar: SoFar, cable: number): Generator<Option> {
  const { nodes, cables } = frame
  const { ends, box } = cables[cable]!
  const { none, one: ones, two: twos, three: threes } = ordersOf(frame, cable)
  const { lamps, further } = soFar
  const [lampHot, secondHot] = [nodes.lampHot[lamps.length]!, nodes.lampHot[lamps.length + 1]!]
  const lampBack = nodes.lampNeutral[lamps.length]!
  const feeds = feedsOf(frame, soFar, box)
  const lights = lightsLeft(frame, lamps)
  const as = (chosen: readonly number[], goals: readonly number[], adds: Omit<Option, 'joins'>): Option => ({
    joins: chosen.map((end, at) => [end, goals[at]!]),
    ...adds,
  })
  if (none) yield { joins: [] }
  if (ends.length >= 2 && further.length < nodes.onHot.length) yield { joins: [], further: [cable] }
  for (const one of ones) {
    for (const { node, sources } of feeds) yield as(one, [node], { sources })
    for (const light of lights)
      yield as(one, [lampHot], { lamps: [{ light, over: lampHot, back: nodes.neutral }] })
  }
  for (const two of twos) {
    for (const { node, sources } of feeds) {
      yield as(two, [node, nodes.neutral], { sources })
      for (const light of lights)
        yield as(two, [node, lampHot], { sources, lamps: [{ light, over: lampHot, back: nodes.neutral }] })
    }
    for (const light of lights)
      yield as(two, [lampHot, lampBack], { lamps: [{ light, over: lampHot, back: lampBack }] })
  }
  for (const three of threes) {
    const [first, second] = three as [number, number]
    for (const { node, sources } of feeds)
      for (const light of lights)
        yield as(three, [node, lampHot, nodes.neutral], {
          sources,
          lamps: [{ light, over: lampHot, back: nodes.neutral }],
        })
    if (soFar.sources + 1 < frame.survey.circuitsAtMost && first < second) {
      const [one, other] = nodes.hot.slice(soFar.sources)
      yield as(three, [one!, other!, nodes.neutral], { sources: 2 })
    }
    // A hot that goes on beside the switched conductor, as to a fan or half a receptacle; two hots with one neutral.
    for (const light of lights)
      yield as([second, three[2]!], [lampHot, lampBack], {
        lamps: [{ light, over: lampHot, back: lampBack }],
        fed: [[first, lampBack]],
      })
    if (first < second)
      yield {
        joins: [],
        fed: [
          [first, three[2]!],
          [second, three[2]!],
        ],
      }
    for (const light of lights)
      for (const other of lightsLeft(frame, lamps, light)) {
        if (light === other && first > second) continue
        yield as(three, [lampHot, secondHot, lampBack], {
          lamps: [
            { light, over: lampHot, back: lampBack },
            { light: other, over: secondHot, back: lampBack },
          ],
        })
      }
  }
}

/** By which of its conductors a cable feeds something further on. */
export function* feedingFurther(frame: Frame, cable: number, at: number): Generator<Option> {
  for (const [a, b] of ordersOf(frame, cable).two)
    yield {
      joins: [
        [a!, frame.nodes.onHot[at]!],
        [b!, frame.nodes.onNeutral[at]!],
      ],
    }
}

/**
 * What conductors of a pair of cables meet at a luminaire where their others run through: the feed and the lamp
 * where it is fed there, or both sides of the lamp; and a neutral that is brought down to a place besides.
 */
export function* metAtLuminaire(
  frame: Frame,
  soFar: SoFar,
  near: readonly number[],
  far: readonly number[],
): Generator<Option> {
  const { nodes, ends } = frame
  const lampHot = nodes.lampHot[soFar.lamps.length]!
  const lampBack = nodes.lampNeutral[soFar.lamps.length]!
  for (const light of lightsLeft(frame, soFar.lamps)) {
    const met = function* (
      own: readonly number[],
      others: readonly number[],
      adds: Omit<Option, 'joins'>,
    ): Generator<Option> {
      const running = near.length - own.length
      if (running !== far.length - others.length || running < 0) return
      if (own.length + others.length > 2 && running < TRAVELLERS) return
      for (const a of arranged(near, own.length))
        for (const b of arranged(far, others.length))
          yield {
            joins: [
              ...own.map((node, at) => [a[at]!, node] as const),
              ...others.map((node, at) => [b[at]!, node] as const),
            ],
            ...adds,
          }
    }
    const { neutral } = nodes
    for (const { node, sources } of feedsOf(frame, soFar, ends[near[0]!]!.box)) {
      const loop = { sources, lamps: [{ light, over: lampHot, back: neutral }] }
      for (const [one, other] of [
        [node, lampHot],
        [lampHot, node],
      ] as const)
        for (const down of [
          [[one], [other]],
          [[one, neutral], [other]],
          [[one], [other, neutral]],
          [
            [one, neutral],
            [other, neutral],
          ],
        ] as const)
          yield* met(down[0], down[1], loop)
    }
    const between = { lamps: [{ light, over: lampHot, back: lampBack }] }
    yield* met([lampBack], [lampHot], between)
    yield* met([lampHot], [lampBack], between)
    yield* met([lampBack], [lampHot, lampBack], between)
    yield* met([lampHot, lampBack], [lampBack], between)
  }
}

/** A neutral is brought down beside a pair of travellers. */
const TRAVELLERS = 2

/** A circuit not thought of yet, or one that feeds other boxes already. */
function feedsOf({ nodes, survey }: Frame, { sources, sourcesIn }: SoFar, box: number) {
  const here = sourcesIn(box)
  return [
    ...(sources < survey.circuitsAtMost ? [{ node: nodes.hot[sources]!, sources: 1 }] : []),
    ...nodes.hot
      .slice(0, sources)
      .flatMap((node, source) => (here.includes(source) ? [] : [{ node, sources: 0 }])),
  ]
}

/** Lights that may have one more cable to lamps. */
function lightsLeft({ survey }: Frame, lamps: readonly HypothesisLamp[], taken?: number): number[] {
  return survey.lights.flatMap(({ cablesAtMost }, light) => {
    const used = lamps.filter(lamp => lamp.light === light).length + (light === taken ? 1 : 0)
    return used < cablesAtMost ? [light] : []
  })
}

/** Ordered choices of so many conductors of a cable whose others end for themselves. */
interface Orders {
  readonly none: boolean
  readonly one: readonly (readonly number[])[]
  readonly two: readonly (readonly number[])[]
  readonly three: readonly (readonly number[])[]
}

const orders = new WeakMap<Frame, Orders[]>()

/** A frame never changes, so its orders are listed once. */
function ordersOf(frame: Frame, cable: number): Orders {
  let known = orders.get(frame)
  if (!known) orders.set(frame, (known = frame.cables.map(({ ends }) => listed(frame, ends))))
  return known[cable]!
}

function listed(frame: Frame, ends: readonly number[]): Orders {
  const isAlone = (end: number) => frame.ends[end]!.foundNode === end
  const ofMany = (many: number) =>
    arranged(ends, many).filter(chosen => ends.every(end => chosen.includes(end) || isAlone(end)))
  return { none: ends.every(isAlone), one: ofMany(1), two: ofMany(2), three: ofMany(3) }
}

/** All ordered choices of `many` out of some, in a fixed order. */
function arranged(from: readonly number[], many: number): number[][] {
  if (many === 0) return [[]]
  return from.flatMap(first =>
    arranged(
      from.filter(each => each !== first),
      many - 1,
    ).map(rest => [first, ...rest]),
  )
}
