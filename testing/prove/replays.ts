import type { Circuit } from '@/core/model/circuit'
import { Situations, compile, describeState, solve } from '@/core/solve'
import { staticFindings } from '@/core/prove/joined'
import { unlikePlan } from '@/core/prove/plan'
import type { Counterexample } from '@/core/prove/prove'
import { stateFindings } from '@/core/prove/shown'
import { signalsApart } from '@/core/prove/signals'

/** Makes a counterexample’s moves anew and solves where they lead: null where it shows, else why not. */
export function replayed(circuit: Circuit, counterexample: Counterexample): string | null {
  const compiled = compile(circuit)
  const { property, moves, state } = counterexample
  if (state === null) {
    const lasting = [...staticFindings(compiled), ...signalsApart(compiled), ...unlikePlan(compiled)]
    return lasting.some(each => each.property === property) ? null : 'no lasting finding'
  }
  const situations = new Situations(compiled)
  const path = moves.map(({ device, event }) => ({
    device: circuit.devices.findIndex(placed => placed.id === device),
    event,
  }))
  const judged = property === 'every-place-acts' ? path.slice(0, -1) : path
  let here: readonly number[] = Array.from(compiled.initial)
  for (const { device, event } of judged) {
    const next = situations.after(here, device, event)
    if (!next) return `${circuit.devices[device]!.id} does not answer to ${event}`
    here = next
  }
  if (JSON.stringify(describeState(compiled, here)) !== JSON.stringify(state)) return 'another state'
  const solved = solve(compiled, here)
  if (property !== 'every-place-acts')
    return stateFindings(compiled, solved).some(each => each.property === property)
      ? null
      : 'no finding there'
  const last = path.at(-1)!
  const then = situations.after(here, last.device, last.event)
  if (!then) return 'the last move does nothing'
  const lights = solve(compiled, then).lights
  const { groupId } = circuit.devices[last.device]!
  const same = circuit.loads.some(
    (load, at) => load.kind === 'lamp' && load.groupId === groupId && lights[at] === solved.lights[at],
  )
  return same ? null : 'the lamp answers'
}
