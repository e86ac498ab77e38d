import type { Circuit } from '../model/circuit'
import { fault, good, refused, type Fault, type Result } from '../model/result'
import { compile, solve, stateFromWords, type Compiled, type Solution, type StateInWords } from '../solve'
import { sayAbout } from '../model/say-for'

/** How things stand while a reading is taken: what a reading has to name to mean anything. */
export interface Stand {
  /** Values of devices’ variables; what is left out is as it comes. */
  readonly state: StateInWords
  /** Breakers that are off, by supply id. */
  readonly off: readonly string[]
  /** Joints taken apart, by id. */
  readonly opened: readonly string[]
  /** Points taken out of their joint or off their terminal. */
  readonly lifted: readonly string[]
}

export const AS_IT_COMES: Stand = { state: {}, off: [], opened: [], lifted: [] }

/** A circuit as it stands, solved. */
export interface Standing {
  readonly circuit: Circuit
  readonly compiled: Compiled
  readonly off: ReadonlySet<string>
  readonly solution: Solution
}

/** Refused with the path of what the circuit does not have. */
export function standing(circuit: Circuit, stand: Stand): Result<Standing> {
  const faults = faultsOfStand(circuit, stand)
  if (faults.length > 0) return refused(...faults)
  const apart = takenApart(circuit, stand)
  const compiled = compile(apart)
  const off = new Set(stand.off)
  const state = stateFromWords(compiled, stand.state)
  const solution = solve(compiled, state, { off, neutralsLost: new Set() })
  return good({ circuit: apart, compiled, off, solution })
}

function faultsOfStand(circuit: Circuit, { state, off, opened, lifted }: Stand): Fault[] {
  const say = sayAbout(circuit)
  const supplies = new Set(circuit.supplies.map(({ id }) => id))
  const joints = new Set(circuit.joints.map(({ id }) => id))
  const members = new Set(circuit.joints.flatMap(joint => joint.members))
  const devices = new Map(circuit.devices.map(({ id, model }) => [id, model]))
  return [
    ...off.flatMap((id, at) =>
      supplies.has(id) ? [] : [fault(`/off/${at}`, 'no-such-breaker', say`there is no ${id}`)],
    ),
    ...opened.flatMap((id, at) =>
      joints.has(id) ? [] : [fault(`/opened/${at}`, 'no-such-joint', say`there is no joint ${id}`)],
    ),
    ...lifted.flatMap((point, at) =>
      members.has(point) ? [] : [fault(`/lifted/${at}`, 'not-held', say`nothing holds ${point}`)],
    ),
    ...Object.entries(state).flatMap(([id, values]) => {
      const model = devices.get(id)
      if (!model) return [fault(`/state/${id}`, 'no-such-device', say`there is no device ${id}`)]
      return Object.entries(values).flatMap(([variable, value]) =>
        model.variables.some(each => each.id === variable && each.values.includes(value))
          ? []
          : [
              fault(
                `/state/${id}/${variable}`,
                'impossible-state',
                say`${id} has no “${variable}” that is “${value}”`,
              ),
            ],
      )
    }),
  ]
}

/** The circuit with joints opened and points lifted. */
function takenApart(circuit: Circuit, { opened, lifted }: Stand): Circuit {
  if (opened.length === 0 && lifted.length === 0) return circuit
  const out = new Set(lifted)
  return {
    ...circuit,
    joints: circuit.joints
      .filter(({ id }) => !opened.includes(id))
      .map(joint => ({ ...joint, members: joint.members.filter(member => !out.has(member)) })),
  }
}
