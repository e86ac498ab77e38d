import { FULL_TO, solve, type Compiled, type Situation } from '../solve'

/** What losing a neutral that two circuits share would put on their loads. */
export interface LostNeutral {
  readonly supplies: readonly string[]
  readonly loads: readonly { readonly id: string; readonly volts: number }[]
}

/** Situations looked at for the worst; there are seldom more than a few. */
const LOOKED_AT = 64

/** For each shared neutral, the worst a loss of it can do in the situations met; none that does no harm. */
export function lostNeutrals(compiled: Compiled, situations: readonly Situation[]): LostNeutral[] {
  const { supplies, nominalVolts, loads } = compiled.circuit
  const shared = new Map<string, string[]>()
  for (const { neutral, id } of supplies) shared.set(neutral, [...(shared.get(neutral) ?? []), id])
  return [...shared].flatMap(([neutral, ids]) => {
    if (ids.length < 2) return []
    let worst: LostNeutral | null = null
    let most = FULL_TO * nominalVolts
    for (const { solution } of situations.slice(0, LOOKED_AT)) {
      const { loadVolts } = solve(compiled, solution.state, {
        off: new Set(),
        neutralsLost: new Set([neutral]),
      })
      const highest = Math.max(0, ...loadVolts)
      if (highest <= most) continue
      most = highest
      worst = {
        supplies: ids,
        loads: loads.map((load, at) => ({ id: load.id, volts: Math.round(loadVolts[at]! * 10) / 10 })),
      }
    }
    return worst ? [worst] : []
  })
}
