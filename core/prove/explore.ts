import type { OutsideEvent } from '../model/device'
import type { Compiled, Situations } from '../solve'

/** One thing done to one device. */
export interface Move {
  readonly device: number
  readonly event: OutsideEvent
}

/** The states of one part that can come about, numbered from 0. */
export interface Explored {
  readonly count: number
  /** Index of each state’s situation. */
  readonly situationOf: Int32Array
  readonly moves: readonly Move[]
  /** State that follows a state by a move, or −1 where the device does not answer. */
  follows(at: number, move: number): number
  /** Every state a move leads on from, with the one it leads to. */
  eachStep(move: number, visit: (at: number, next: number) => void): void
  stateOf(at: number): number[]
  /** The fewest moves that lead to a state from how things come. */
  movesTo(at: number): Move[]
  /** Orders states by how few moves lead to them; no two are equal. */
  rank(at: number): number
}

/** What can be done to the devices of a part. */
const movesOf = (compiled: Compiled, part: readonly number[]): Move[] =>
  compiled.devices.flatMap(({ events, variables }, device) =>
    variables.some(variable => part.includes(variable)) ? events.map(event => ({ device, event })) : [],
  )

const combinationsOf = (compiled: Compiled, part: readonly number[]): number =>
  part.reduce((count, variable) => count * compiled.variables[variable]!.values.length, 1)

/** How far apart a change of each variable sets the numbers of combinations; the last moves fastest. */
function stridesOf(compiled: Compiled, part: readonly number[]): number[] {
  const strides = part.map(() => 1)
  for (let at = part.length - 2; at >= 0; at--)
    strides[at] = strides[at + 1]! * compiled.variables[part[at + 1]!]!.values.length
  return strides
}

/** All states of a part that hands, presence, sun and time can bring about; null beyond the budget. */
export function explore(situations: Situations, part: readonly number[], budget: number): Explored | null {
  const { compiled } = situations
  const moves = movesOf(compiled, part)
  const tracks = part.map(variable => trackOf(compiled, variable, moves))
  if (tracks.every(track => track !== null)) {
    if (combinationsOf(compiled, part) > budget) return null
    return everyCombination(situations, part, moves, tracks)
  }
  return byMoves(situations, part, moves, budget)
}

/** A variable that is moved alone, by its own device, and can come from its first value to every other. */
interface Track {
  readonly moves: readonly number[]
  /** Value that follows by each of those moves; the same value where nothing answers. */
  readonly next: readonly (readonly number[])[]
  /** Moves that lead to each value from the first. */
  readonly paths: readonly (readonly number[])[]
}

function trackOf(compiled: Compiled, variable: number, moves: readonly Move[]): Track | null {
  const { device, values, initial } = compiled.variables[variable]!
  const { variables, controls } = compiled.devices[device]!
  if (variables.length > 1 || compiled.hearings.length > 0) return null
  if (controls.some(({ electronic, tells }) => electronic || tells)) return null
  const own = moves.flatMap((move, at) => (move.device === device ? [at] : []))
  const next = own.map(at =>
    values.map((_, value) => {
      const control = controls.find(
        ({ event, from }) => event === moves[at]!.event && from.every(([, needed]) => needed === value),
      )
      return control?.to[0]?.[1] ?? value
    }),
  )
  const paths: (number[] | undefined)[] = values.map(() => undefined)
  paths[initial] = []
  const queue = [initial]
  for (let value = queue.shift(); value !== undefined; value = queue.shift())
    for (const [index, then] of next.entries())
      if (!paths[then[value]!]) {
        paths[then[value]!] = [...paths[value]!, own[index]!]
        queue.push(then[value]!)
      }
  const reached = paths.flatMap(path => (path ? [path] : []))
  return reached.length === values.length ? { moves: own, next, paths: reached } : null
}

/** Where every variable is moved by itself alone, every combination comes about: its number is its state. */
function everyCombination(
  situations: Situations,
  part: readonly number[],
  moves: readonly Move[],
  tracks: readonly Track[],
): Explored {
  const { compiled } = situations
  const strides = stridesOf(compiled, part)
  const sizes = part.map(variable => compiled.variables[variable]!.values.length)
  const count = combinationsOf(compiled, part)
  const situationOf = new Int32Array(count)
  const state = Uint8Array.from(compiled.initial)
  for (const variable of part) state[variable] = 0
  for (let at = 0; at < count; at++) {
    situationOf[at] = situations.of(state).index
    for (let index = part.length - 1; index >= 0; index--) {
      const variable = part[index]!
      if (++state[variable]! < sizes[index]!) break
      state[variable] = 0
    }
  }
  const valueAt = (at: number, index: number) => Math.floor(at / strides[index]!) % sizes[index]!
  const indexOf = moves.map((_, move) => tracks.findIndex(track => track.moves.includes(move)))
  const leaps = moves.map((_, move) => {
    const index = indexOf[move]!
    const { moves: own, next } = tracks[index]!
    return Int32Array.from(next[own.indexOf(move)]!, (to, from) => (to - from) * strides[index]!)
  })
  return {
    count,
    situationOf,
    moves,
    follows: (at, move) => {
      const leap = leaps[move]![valueAt(at, indexOf[move]!)]!
      return leap === 0 ? -1 : at + leap
    },
    eachStep: (move, visit) => {
      const stride = strides[indexOf[move]!]!
      const leap = leaps[move]!
      for (let from = 0; from < count; from += stride * leap.length)
        for (let value = 0; value < leap.length; value++) {
          const by = leap[value]!
          if (by === 0) continue
          const first = from + value * stride
          for (let at = first; at < first + stride; at++) visit(at, at + by)
        }
    },
    stateOf: at => {
      const whole = Array.from(compiled.initial)
      part.forEach((variable, index) => (whole[variable] = valueAt(at, index)))
      return whole
    },
    movesTo: at => tracks.flatMap(({ paths }, index) => paths[valueAt(at, index)]!.map(move => moves[move]!)),
    rank: at =>
      tracks.reduce((sum, { paths }, index) => sum + paths[valueAt(at, index)]!.length, 0) * count + at,
  }
}

/** Goes through a part in the order of the fewest moves. */
function byMoves(
  situations: Situations,
  part: readonly number[],
  moves: readonly Move[],
  budget: number,
): Explored | null {
  const { compiled } = situations
  const width = part.length
  const strides = stridesOf(compiled, part)
  const numberOf = new Map<number, number>()
  const states: number[][] = []
  const situationIndexes: number[] = []
  const came: { readonly from: number; readonly by: number }[] = []
  const successors: number[] = []
  const state = Uint8Array.from(compiled.initial)
  const next = new Uint8Array(state.length)
  const keyOf = (values: Uint8Array) => {
    let key = 0
    for (let at = 0; at < width; at++) key += values[part[at]!]! * strides[at]!
    return key
  }
  const add = (values: Uint8Array, key: number, from: number, by: number): number => {
    numberOf.set(key, states.length)
    came.push({ from, by })
    return states.push(part.map(variable => values[variable]!)) - 1
  }
  add(state, keyOf(state), -1, -1)
  for (let at = 0; at < states.length; at++) {
    for (let index = 0; index < width; index++) state[part[index]!] = states[at]![index]!
    const here = situations.of(state)
    situationIndexes.push(here.index)
    for (const [by, { device, event }] of moves.entries()) {
      if (!situations.follow(state, device, event, next, here)) {
        successors.push(-1)
        continue
      }
      const key = keyOf(next)
      const known = numberOf.get(key)
      if (known === undefined && states.length >= budget) return null
      successors.push(known ?? add(next, key, at, by))
    }
  }
  return {
    count: states.length,
    situationOf: Int32Array.from(situationIndexes),
    moves,
    follows: (at, move) => successors[at * moves.length + move]!,
    eachStep: (move, visit) => {
      for (let at = 0; at < states.length; at++) {
        const next = successors[at * moves.length + move]!
        if (next >= 0) visit(at, next)
      }
    },
    stateOf: at => {
      const whole = Array.from(compiled.initial)
      part.forEach((variable, index) => (whole[variable] = states[at]![index]!))
      return whole
    },
    movesTo: at => {
      const path: Move[] = []
      for (let here = came[at]!; here.by >= 0; here = came[here.from]!) path.unshift(moves[here.by]!)
      return path
    },
    rank: at => at,
  }
}
