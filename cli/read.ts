import { theControl } from '../core/job/place-name'
import { parseArgs } from 'node:util'
import type { BoxView } from '@/core/job/box-view'
import { tiedSets } from '@/core/job/tied'
import { pointsOf, terminalPoint, type Circuit } from '@/core/model/circuit'
import type { JobRecord } from '@/core/model/record'
import { fault, good, refused, type Result } from '@/core/model/result'
import { deviceNamed, type Trade } from '@/core/model/trade'
import { TEST_INSTRUMENTS, read, type Stand, type Test } from '@/core/read'
import { foundCircuit } from '@/core/route'
import { bad, type Answer } from './outcome'

const MANY = { type: 'string', multiple: true, default: [] as string[] } as const

/** Options of `read`; what can be said more than once is a list. */
function optionsOf(rest: readonly string[]) {
  try {
    const { values } = parseArgs({
      args: [...rest],
      options: {
        at: { type: 'string' },
        to: { type: 'string' },
        with: { type: 'string' },
        box: { type: 'string' },
        state: MANY,
        off: MANY,
        open: MANY,
        lift: MANY,
      },
    })
    return good(values)
  } catch (error) {
    return refused(fault('/options', 'usage', error instanceof Error ? error.message : String(error)))
  }
}

/**
 * What an instrument shows at a point of the wiring as found. Without an instrument: every point there is,
 * in words. The piece of wiring is the one that has the point.
 */
export function readPoint(
  record: JobRecord,
  views: readonly BoxView[],
  trade: Trade,
  rest: readonly string[],
): Answer {
  const options = optionsOf(rest)
  if (!options.ok) return bad(...options.faults)
  const { at, with: instrument } = options.value
  const asked = new Set(views.map(view => view.box.id))
  const sets = tiedSets(record).filter(set => set.some(view => asked.has(view.box.id)))
  if (instrument === undefined)
    return { code: 0, output: { ok: true, points: sets.flatMap(set => pointsIn(set, trade)) } }
  const stand = standOf(options.value)
  if (!stand.ok) return bad(...stand.faults)
  const test = testOf(instrument, at, options.value.to)
  if (!test.ok) return bad(...test.faults)
  const circuit = circuitWith(sets, trade, at!)
  if (!circuit.ok) return bad(...circuit.faults)
  const shown = read(circuit.value, stand.value, test.value)
  if (!shown.ok) return bad(...shown.faults)
  const ok = shown.value.kind !== 'refused'
  return { code: ok ? 0 : 1, output: { ok, test: test.value, stand: stand.value, shown: shown.value } }
}

function testOf(instrument: string, at: string | undefined, to: string | undefined): Result<Test> {
  const known = TEST_INSTRUMENTS.find(each => each === instrument)
  if (!known) return refused(fault('/with', 'unknown-instrument', `one of: ${TEST_INSTRUMENTS.join(', ')}`))
  if (at === undefined) return refused(fault('/at', 'usage', 'say where: --at POINT'))
  switch (known) {
    case 'low-impedance-meter':
    case 'high-impedance-meter':
    case 'continuity':
      return to === undefined
        ? refused(fault('/to', 'usage', 'this instrument has two leads: --to POINT'))
        : good({ instrument: known, from: at, to })
    default:
      return good({ instrument: known, at })
  }
}

/** States are said as `DEVICE.VARIABLE=VALUE`. */
function standOf(given: {
  readonly state: string[]
  readonly off: string[]
  readonly open: string[]
  readonly lift: string[]
}): Result<Stand> {
  const state: Record<string, Record<string, string>> = {}
  for (const [index, each] of given.state.entries()) {
    const parts = /^(.+)\.([^.=]+)=(.+)$/.exec(each)
    if (!parts) return refused(fault(`/state/${index}`, 'usage', 'a state is DEVICE.VARIABLE=VALUE'))
    const [, device, variable, value] = parts
    state[device!] = { ...state[device!], [variable!]: value! }
  }
  return good({ state, off: given.off, opened: given.open, lifted: given.lift })
}

/** The piece of wiring that has a point, a conductor, a load or a device of this name. */
function circuitWith(sets: readonly BoxView[][], trade: Trade, at: string): Result<Circuit> {
  const undecided: string[] = []
  for (const set of sets) {
    const circuit = foundCircuit(set, trade)
    if (!circuit.ok) {
      undecided.push(set.map(view => view.box.id).join(' + '))
      continue
    }
    const { wires, loads, devices } = circuit.value
    const names = [...wires, ...loads, ...devices].map(({ id }) => id)
    if (pointsOf(circuit.value).has(at) || names.includes(at)) return circuit
  }
  const why = undecided.length > 0 ? ` (not known yet, roles are missing: ${undecided.join(', ')})` : ''
  return refused(fault('/at', 'unknown-point', `nothing is called “${at}”${why}`))
}

/** Every point of some boxes that a tester can be put to, with its name. */
function pointsIn(set: readonly BoxView[], trade: Trade) {
  return set.flatMap(view => [
    ...view.ends.map(each => ({
      point: `end:${each.end.id}`,
      conductor: each.conductor.id,
      says: `${view.room.name}, ${view.box.name}: ${each.name}`,
    })),
    ...view.places.flatMap(({ found, place }) =>
      (deviceNamed(trade, found?.modelId ?? '')?.terminals ?? []).map(terminal => ({
        point: terminalPoint(found!.id, terminal.id),
        says: `${view.room.name}, ${view.box.name}: ${theControl(view.record, place)}, “${terminal.word}”`,
      })),
    ),
    ...view.places.flatMap(({ loads }) => loads.map(({ name }) => ({ point: name, says: 'lamp' }))),
  ])
}
