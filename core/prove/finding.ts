import type { Compiled } from '../solve'
import type { PropertyId } from './vocabulary'

/** What went wrong: the property, the points concerned, one plain sentence. */
export interface Finding {
  readonly property: PropertyId
  readonly points: readonly string[]
  readonly says: string
  /** Two points joined by what is wrong: the way between them can be shown. */
  readonly way?: readonly [from: string, to: string]
}

export const finding = (
  property: PropertyId,
  points: readonly string[],
  says: string,
  way?: readonly [from: string, to: string],
): Finding => (way ? { property, points, says, way } : { property, points, says })

export const inVolts = (value: number) => `${Math.round(value)} V`

export const nameOf = (compiled: Compiled, device: number): string => {
  const placed = compiled.circuit.devices[device]!
  return placed.name ?? placed.id
}
