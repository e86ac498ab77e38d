import type { Frame } from './frame'
import type { HypothesisLamp } from './hypothesis'

/** What one cable, or two that belong together, can be: a node for each end, and what that adds. */
export interface Option {
  readonly joins: readonly (readonly [end: number, node: number])[]
  readonly sources?: number
  readonly lamps?: readonly HypothesisLamp[]
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
  const { lamps, further } = soFar
  const [lampHot, secondHot] = [nodes.lampHot[lamps.length]!, nodes.lampHot[lamps.length + 1]!]
  const lampBack = nodes.lampNeutral[lamps.length]!
  const feeds = feedsOf(frame, soFar, box)
  const lights = lightsLeft(frame, lamps)
  /** These ends to these nodes; the others of the cable must end for themselves. */
  const as = (chosen: readonly number[], goals: readonly number[], adds: Omit<Option, 'joins'>): Option[] =>
    ends.every(end => chosen.includes(end) || isAlone(frame, end))
      ? [{ joins: chosen.map((end, at) => [end, goals[at]!]), ...adds }]
      : []
  yield* as([], [], {})
  if (ends.length >= 2 && further.length < nodes.onHot.length) yield { joins: [], further: [cable] }
  for (const one of arranged(ends, 1)) {
    for (const { node, sources } of feeds) yield* as(one, [node], { sources })
    for (const light of lights) yield* as(one, [lampHot], { lamps: [{ light, back: nodes.neutral }] })
  }
  for (const two of arranged(ends, 2)) {
    for (const { node, sources } of feeds) {
      yield* as(two, [node, nodes.neutral], { sources })
      for (const light of lights)
        yield* as(two, [node, lampHot], { sources, lamps: [{ light, back: nodes.neutral }] })
    }
    for (const light of lights) yield* as(two, [lampHot, lampBack], { lamps: [{ light, back: lampBack }] })
  }
  for (const three of arranged(ends, 3)) {
    const [first, second] = three as [number, number]
    for (const { node, sources } of feeds)
      for (const light of lights)
        yield* as(three, [node, lampHot, nodes.neutral], {
          sources,
          lamps: [{ light, back: nodes.neutral }],
        })
    if (soFar.sources + 1 < frame.survey.circuitsAtMost && first < second) {
      const [one, other] = nodes.hot.slice(soFar.sources)
      yield* as(three, [one!, other!, nodes.neutral], { sources: 2 })
    }
    for (const light of lights)
      for (const other of lightsLeft(frame, lamps, light)) {
        if (light === other && first > second) continue
        yield* as(three, [lampHot, secondHot, lampBack], {
          lamps: [
            { light, back: lampBack },
            { light: other, back: lampBack },
          ],
        })
      }
  }
}

/** By which of its conductors a cable feeds something further on. */
export function* feedingFurther(frame: Frame, cable: number, at: number): Generator<Option> {
  const { ends } = frame.cables[cable]!
  for (const two of arranged(ends, 2))
    if (ends.every(end => two.includes(end) || isAlone(frame, end)))
      yield {
        joins: [
          [two[0]!, frame.nodes.onHot[at]!],
          [two[1]!, frame.nodes.onNeutral[at]!],
        ],
      }
}

/** What the two last conductors of a pair of cables meet at a luminaire where the others run through. */
export function* metAtLuminaire(
  frame: Frame,
  soFar: SoFar,
  near: readonly number[],
  far: readonly number[],
): Generator<Option & { readonly joins: readonly [Join, Join] }> {
  const { nodes, ends } = frame
  const lampHot = nodes.lampHot[soFar.lamps.length]!
  const lampBack = nodes.lampNeutral[soFar.lamps.length]!
  for (const light of lightsLeft(frame, soFar.lamps))
    for (const a of near)
      for (const b of far) {
        const loop = { lamps: [{ light, back: nodes.neutral }] }
        for (const { node, sources } of feedsOf(frame, soFar, ends[a]!.box)) {
          yield {
            joins: [
              [a, node],
              [b, lampHot],
            ],
            sources,
            ...loop,
          }
          yield {
            joins: [
              [a, lampHot],
              [b, node],
            ],
            sources,
            ...loop,
          }
        }
        const between = { lamps: [{ light, back: lampBack }] }
        yield {
          joins: [
            [a, lampBack],
            [b, lampHot],
          ],
          ...between,
        }
        yield {
          joins: [
            [a, lampHot],
            [b, lampBack],
          ],
          ...between,
        }
      }
}

type Join = readonly [end: number, node: number]

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

const isAlone = ({ ends }: Frame, end: number) => ends[end]!.foundNode === end

/** All ordered choices of `many` out of some, in a fixed order. */
function* arranged(from: readonly number[], many: number): Generator<number[]> {
  if (many === 0) {
    yield []
    return
  }
  for (const first of from)
    for (const rest of arranged(
      from.filter(each => each !== first),
      many - 1,
    ))
      yield [first, ...rest]
}
