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
  const linked: Linked[] = []
  let reactive = false
  for (const { a, b, siemens, capacitive = 0 } of elements) {
    const left = nets.find(a)
    const right = nets.find(b)
    if (left === right || (siemens <= 0 && capacitive <= 0)) continue
    linked.push({ a: left, b: right, siemens, capacitive })
    if (capacitive > 0) reactive = true
  }
  const known = new Known(nets.size)
  for (const [net, phasor] of fixed) known.set(net, phasor.real, phasor.imaginary)
  const column = new Int32Array(nets.size).fill(-1)
  const free = reachedBy(known, linked)
  free.forEach((net, at) => (column[net] = at))
  const size = free.length
  // Real and imaginary parts stand beside each other only where something is capacitive.
  const order = reactive ? 2 * size : size
  const matrix = Array.from({ length: order }, () => new Float64Array(order))
  const right = new Float64Array(order)
  const rightImaginary = new Float64Array(order)
  const put = (row: number, real: number, imaginary: number) => {
    right[row]! += real
    if (reactive) right[row + size]! += imaginary
    else rightImaginary[row]! += imaginary
  }
  const half = (here: number, there: number, siemens: number, capacitive: number) => {
    const row = column[here]!
    if (row < 0) return
    stamp(matrix, size, reactive, row, row, siemens, capacitive)
    const other = column[there]!
    if (other >= 0) return stamp(matrix, size, reactive, row, other, -siemens, -capacitive)
    const real = known.real[there]!
    const imaginary = known.imaginary[there]!
    put(row, siemens * real - capacitive * imaginary, siemens * imaginary + capacitive * real)
  }
  for (const { a, b, siemens, capacitive } of linked) {
    half(a, b, siemens, capacitive)
    half(b, a, siemens, capacitive)
  }
  for (const { net, real, imaginary } of injections) {
    const row = column[nets.find(net)]!
    if (row >= 0) put(row, real, imaginary)
  }
  eliminate(matrix, right, rightImaginary)
  free.forEach((net, at) => known.set(net, right[at]!, reactive ? right[at + size]! : rightImaginary[at]!))
  return answers(nets, known)
}

interface Linked {
  readonly a: number
  readonly b: number
  readonly siemens: number
  readonly capacitive: number
}

/** Potentials by the name of the set; those that are not known float. */
class Known {
  readonly real: Float64Array
  readonly imaginary: Float64Array
  readonly is: Uint8Array

  constructor(size: number) {
    this.real = new Float64Array(size)
    this.imaginary = new Float64Array(size)
    this.is = new Uint8Array(size)
  }

  set(net: number, real: number, imaginary: number): void {
    this.real[net] = real
    this.imaginary[net] = imaginary
    this.is[net] = 1
  }
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

function answers(nets: Nets, known: Known): Potentials {
  /** What stands between two nets; null where one of them floats. */
  const across = (a: number, b: number): Phasor | null => {
    const left = nets.find(a)
    const right = nets.find(b)
    if (!known.is[left] || !known.is[right]) return null
    return {
      real: known.real[left]! - known.real[right]!,
      imaginary: known.imaginary[left]! - known.imaginary[right]!,
    }
  }
  return {
    at: net => {
      const set = nets.find(net)
      return known.is[set] ? { real: known.real[set]!, imaginary: known.imaginary[set]! } : null
    },
    volts: net => {
      const set = nets.find(net)
      return known.is[set] ? Math.hypot(known.real[set]!, known.imaginary[set]!) : null
    },
    between: (a, b) => {
      if (nets.find(a) === nets.find(b)) return 0
      const drop = across(a, b)
      return drop && magnitude(drop)
    },
    current: ({ a, b, siemens, capacitive = 0 }) => {
      const drop = across(a, b)
      if (!drop) return { real: 0, imaginary: 0 }
      return {
        real: siemens * drop.real - capacitive * drop.imaginary,
        imaginary: siemens * drop.imaginary + capacitive * drop.real,
      }
    },
  }
}

export const magnitude = ({ real, imaginary }: Phasor): number => Math.hypot(real, imaginary)

/** Sets that hang on a given potential through anything that conducts; the rest float. */
function reachedBy(known: Known, linked: readonly Linked[]): number[] {
  const reached = known.is.slice()
  const free: number[] = []
  for (let grew = true; grew;) {
    grew = false
    for (const { a, b } of linked) {
      if (reached[a] === reached[b]) continue
      const fresh = reached[a] ? b : a
      reached[fresh] = 1
      free.push(fresh)
      grew = true
    }
  }
  return free.sort((a, b) => a - b)
}
