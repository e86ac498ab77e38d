import type { Frame } from '@/core/identify/frame'
import type { Hypothesis } from '@/core/identify/hypothesis'
import { ZERO, type Standing } from '@/core/identify/standing'

/*
 * Every network beyond one small box, one after another: each end on the hot, on the neutral, on none, or on one of the others;
 * the lamp of each light between any two of those; besides, on what is capped by itself and on no source, something that lets
 * current through to one. Nothing is left out early.
 */

/** Those that trip no breaker and let each switch work its light and no other, wherever the others stand. */
export function* everyNetwork(frame: Frame, standing: Standing): Generator<Hypothesis> {
  const { ends, nodes, survey } = frame
  const free = ends.filter(({ ground }) => !ground).map(({ index }) => index)
  const sides = [nodes.neutral, nodes.hot[0]!, ...free]
  const pairs = sides.flatMap((over, at) => sides.slice(at + 1).map(back => ({ over, back })))
  for (const beyond of everyBeyond(frame, free)) {
    const bare: Hypothesis = { beyond, sources: 1, lamps: [], loads: [] }
    const drives = drivesOf(frame, standing, bare)
    if (!drives) continue
    const ways = survey.lights.map((_, light) =>
      pairs.filter(pair => isWorked(frame, drives, pair, light)).map(pair => ({ light, ...pair })),
    )
    for (const lamps of everyChoice(ways)) {
      const sure = lamps.map(({ over, back }) => [over, back] as const)
      yield { ...bare, lamps, sure }
      for (const { index, seat } of ends) {
        if (seat.kind !== 'alone' || !free.includes(index) || beyond[index] !== -1) continue
        for (const source of [nodes.neutral, nodes.hot[0]!]) {
          const load = [index, source] as const
          yield { ...bare, lamps, loads: [load], sure: [...sure, load] }
        }
      }
    }
  }
}

function everyChoice<Item>(lists: readonly (readonly Item[])[]): Item[][] {
  return lists.reduce<Item[][]>((all, list) => all.flatMap(some => list.map(item => [...some, item])), [[]])
}

function* everyBeyond({ ends, nodes }: Frame, free: readonly number[]): Generator<Int16Array> {
  const beyond = new Int16Array(ends.length).fill(-1)
  for (const { index, ground } of ends) if (ground) beyond[index] = nodes.earth
  const choices = [-1, nodes.neutral, nodes.hot[0]!]
  for (let number = 0; number < choices.length ** free.length; number++) {
    let rest = number
    for (const end of free) {
      beyond[end] = choices[rest % choices.length]!
      rest = Math.floor(rest / choices.length)
    }
    yield beyond.slice()
    const none = free.filter(end => beyond[end] === -1)
    for (const [at, a] of none.entries())
      for (const b of none.slice(at + 1)) {
        const met = beyond.slice()
        met[b] = a
        yield met
      }
  }
}

/** What drives each node in every position of the switches; null where a breaker trips. */
function drivesOf({ switches, nodes }: Frame, standing: Standing, network: Hypothesis): number[][] | null {
  const drives: number[][] = []
  for (let position = 0; position < 1 << switches.length; position++) {
    standing.fill(network, { power: 'on', apart: 0, lampsOut: -1, off: 0 }, position)
    if ((standing.drive(nodes.hot[0]!) & ZERO) !== 0) return null
    drives.push(Array.from({ length: nodes.count }, (_, node) => standing.drive(node)))
  }
  return drives
}

function isWorked(
  { switches }: Frame,
  drives: readonly (readonly number[])[],
  { over, back }: { readonly over: number; readonly back: number },
  light: number,
): boolean {
  const lit = drives.map(at => at[over] !== 0 && at[back] !== 0 && at[over] !== at[back])
  return switches.every(({ light: own }, each) =>
    lit.every((shines, position) => (shines !== lit[position ^ (1 << each)]) === (own === light)),
  )
}
