import { eliminate } from './linear'
import type { Nets } from './nets'

/** Something that carries current between two nets: ohmic, capacitive, or both, in siemens. */
export interface Element {
  readonly a: number
  readonly b: number
  readonly siemens: number
  readonly capacitive?: number
  /** The points its two ends are at, where that matters. */
  readonly points?: readonly [string, string]
}

export interface Phasor {
  readonly real: number
  readonly imaginary: number
}

/** A current put into a net from outside, in amperes. */
export interface Injection extends Phasor {
  readonly net: number
}

/** Voltages of nets against the panel's neutral. Null where a net hangs on nothing. */
export interface Potentials {
  at(net: number): Phasor | null
  /** Magnitude at a net, in volts. */
  volts(net: number): number | null
  /** Magnitude between two nets, in volts. */
  between(a: number, b: number): number | null
  /** Current through an element from `a` to `b`, in amperes; 0 where an end floats. */
  current(element: Element): Phasor
}

/**
 * Nodal analysis: nets whose potential is given, elements between nets, the rest is solved. `nets` says
 * which are one piece of metal; `fixed` is keyed by the set's name.
 */
export function potentials(
  nets: Nets,
  fixed: ReadonlyMap<number, Phasor>,
  elements: readonly Element[],
  injections: readonly Injection[] = [],
): Potentials {
  const known = new Map(fixed)
  const linked = elements
    .map(element => ({ ...element, a: nets.find(element.a), b: nets.find(element.b) }))
    .filter(({ a, b, siemens, capacitive }) => a !== b && (siemens > 0 || (capacitive ?? 0) > 0))
  const free = reachedBy(fixed, linked)
  const column = new Map(free.map((net, at) => [net, at]))
  const size = free.length
  // Real and imaginary parts stand beside each other only where something is capacitive.
  const reactive = linked.some(each => each.capacitive)
  const order = reactive ? 2 * size : size
  const matrix = Array.from({ length: order }, () => new Float64Array(order))
  const right = new Float64Array(order)
  const rightImaginary = new Float64Array(order)
  for (const { a, b, siemens, capacitive = 0 } of linked)
    for (const [here, there] of [
      [a, b],
      [b, a],
    ] as const) {
      const row = column.get(here)
      if (row === undefined) continue
      const other = column.get(there)
      stamp(matrix, size, reactive, row, row, siemens, capacitive)
      if (other !== undefined) stamp(matrix, size, reactive, row, other, -siemens, -capacitive)
      else {
        const { real, imaginary } = known.get(there)!
        right[row]! += siemens * real - capacitive * imaginary
        const into = siemens * imaginary + capacitive * real
        if (reactive) right[row + size]! += into
        else rightImaginary[row]! += into
      }
    }
  for (const { net, real, imaginary } of injections) {
    const row = column.get(nets.find(net))
    if (row === undefined) continue
    right[row]! += real
    if (reactive) right[row + size]! += imaginary
    else rightImaginary[row]! += imaginary
  }
  eliminate(matrix, right, rightImaginary)
  free.forEach((net, at) =>
    known.set(net, { real: right[at]!, imaginary: reactive ? right[at + size]! : rightImaginary[at]! }),
  )
  return answers(nets, known)
}

function stamp(
  matrix: Float64Array[],
  size: number,
  reactive: boolean,
  row: number,
  column: number,
  siemens: number,
  capacitive: number,
) {
  matrix[row]![column]! += siemens
  if (!reactive) return
  matrix[row + size]![column + size]! += siemens
  matrix[row]![column + size]! -= capacitive
  matrix[row + size]![column]! += capacitive
}

function answers(nets: Nets, known: ReadonlyMap<number, Phasor>): Potentials {
  const at = (net: number) => known.get(nets.find(net)) ?? null
  const difference = (a: number, b: number): Phasor | null => {
    const left = at(a)
    const right = at(b)
    return left && right
      ? { real: left.real - right.real, imaginary: left.imaginary - right.imaginary }
      : null
  }
  return {
    at,
    volts: net => {
      const here = at(net)
      return here && magnitude(here)
    },
    between: (a, b) => {
      if (nets.find(a) === nets.find(b)) return 0
      const across = difference(a, b)
      return across && magnitude(across)
    },
    current: ({ a, b, siemens, capacitive = 0 }) => {
      const across = difference(a, b)
      if (!across) return { real: 0, imaginary: 0 }
      return {
        real: siemens * across.real - capacitive * across.imaginary,
        imaginary: siemens * across.imaginary + capacitive * across.real,
      }
    },
  }
}

export const magnitude = ({ real, imaginary }: Phasor): number => Math.hypot(real, imaginary)

/** Nets that hang on a given potential through anything that conducts; the rest float. */
function reachedBy(fixed: ReadonlyMap<number, Phasor>, elements: readonly Element[]): number[] {
  const neighbours = new Map<number, number[]>()
  for (const { a, b } of elements) {
    neighbours.set(a, [...(neighbours.get(a) ?? []), b])
    neighbours.set(b, [...(neighbours.get(b) ?? []), a])
  }
  const reached = new Set(fixed.keys())
  const queue = [...reached]
  for (let net = queue.pop(); net !== undefined; net = queue.pop())
    for (const next of neighbours.get(net) ?? [])
      if (!reached.has(next)) {
        reached.add(next)
        queue.push(next)
      }
  return [...reached].filter(net => !fixed.has(net)).sort((a, b) => a - b)
}
