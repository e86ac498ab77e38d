import type { HalfDone } from '@/core/route'
import { compile, solve, stateAt, stateCount } from '@/core/solve'

/** Solved state by state, not by what could be joined: shorts, and volts at what is bare in the air. */
export function dangers({ circuit, bare }: HalfDone): string[] {
  const compiled = compile(circuit)
  const found = new Set<string>()
  const count = Math.min(stateCount(compiled), 256)
  for (let at = 0; at < count; at++) {
    const { shorts, potentials } = solve(compiled, stateAt(compiled, at))
    for (const { kind } of shorts) if (kind !== 'neutral-ground') found.add(kind)
    for (const [point, { name }] of bare) {
      const volts = potentials.volts(compiled.net(point))
      if (volts !== null && volts > 50) found.add(`${name} at ${Math.round(volts)} V`)
    }
  }
  return [...found]
}
