import { caseOf, type Hypothesis, type Survey } from '@/core/identify'
import {
  terminalPoint,
  type Circuit,
  type CircuitJoint,
  type CircuitLoad,
  type Wire,
} from '@/core/model/circuit'
import { fault, refused, good, type Result } from '@/core/model/result'
import type { Role } from '@/core/model/vocabulary'
import type { BoxOfJoint } from './tester'

export interface HiddenCircuit {
  readonly circuit: Circuit
  readonly boxOfJoint: BoxOfJoint
}

const WATTS = 9
const OFF_LIMIT_MILLIAMPS = 1

/**
 * A circuit that looks just like what was seen, drawn by lot among all that do, the usual ones more often.
 * The same number gives the same circuit. `told`: roles of some conductors, by their ends, that it must give them.
 */
export function hiddenCircuitFor(
  survey: Survey,
  lot: number,
  told: ReadonlyMap<string, Role | null> = new Map(),
): Result<HiddenCircuit> {
  const held = caseOf(asAtFirst(survey))
  if (!held.ok) return held
  const { classes, classOf, frame } = held.value
  const fits = classes.map(roles =>
    frame.ends.every(({ id, index }) => (told.get(id) ?? roles[index]) === roles[index]),
  )
  const hypotheses = held.value.hypotheses.filter((_, at) => fits[classOf[at]!])
  const total = hypotheses.reduce((sum, { weight }) => sum + weight, 0)
  let rest = (lot - Math.floor(lot)) * total
  const drawn = hypotheses.find(({ weight }) => (rest -= weight) < 0) ?? hypotheses.at(-1)
  return drawn
    ? good(circuitOf(survey, held.value.frame, drawn))
    : refused(fault('/', 'no-such-circuit', 'no circuit would look like this and behave as it was seen to'))
}

/** What is only found out along the way must not change the circuit that is hidden: every light answers. */
const asAtFirst = (survey: Survey): Survey => ({
  ...survey,
  lights: survey.lights.map(light => ({ ...light, behaves: 'answers' })),
})

type Frame = Extract<ReturnType<typeof caseOf>, { ok: true }>['value']['frame']

/** One way of wiring as a circuit of its own. */
function circuitOf(survey: Survey, { ends, nodes }: Frame, hypothesis: Hypothesis): HiddenCircuit {
  const { beyond, lamps, sources, loads } = hypothesis
  const met = new Map<number, string[]>()
  const wires: Wire[] = []
  for (const { id, index, cable } of ends) {
    const node = beyond[index]!
    const runs = node >= 0 && node < ends.length
    if (!runs && beyond.includes(index)) continue
    const far = runs ? `end:${ends[node]!.id}` : `far:${id}`
    wires.push({ id, a: `end:${id}`, b: far, cable: `cable ${cable}` })
    if (!runs && node >= 0) met.set(node, [...(met.get(node) ?? []), far])
  }
  const named = new Map<number, string>([
    [nodes.earth, 'ground'],
    [nodes.neutral, 'neutral'],
    ...nodes.hot.map((node, at) => [node, `supply ${at + 1}:hot`] as const),
    ...nodes.lampHot.map((node, at) => [node, `lamp ${at + 1}:hot`] as const),
    ...nodes.lampNeutral.map((node, at) => [node, `lamp ${at + 1}:neutral`] as const),
    ...nodes.onHot.map((node, at) => [node, `further ${at + 1}:hot`] as const),
    ...nodes.onNeutral.map((node, at) => [node, `further ${at + 1}:neutral`] as const),
  ])
  const load = (id: string, groupId: string, kind: CircuitLoad['kind'], neutral: string): CircuitLoad => ({
    id,
    kind,
    groupId,
    watts: WATTS,
    hot: `${id}:hot`,
    neutral,
    ground: null,
    offLimitMilliamps: OFF_LIMIT_MILLIAMPS,
    ohmsShare: null,
  })
  const { joints, boxOfJoint } = seatsOf(survey)
  return {
    circuit: {
      nominalVolts: survey.nominalVolts,
      supplies: Array.from({ length: sources }, (_, at) => ({
        id: `supply ${at + 1}`,
        volts: survey.nominalVolts,
        phaseDegrees: 0,
        breakerOn: true,
        hot: `supply ${at + 1}:hot`,
        neutral: 'neutral',
        ground: 'ground',
      })),
      wires,
      joints: [
        ...joints,
        ...[...met].map(([node, members]) => ({
          id: `beyond ${named.get(node)}`,
          members: [named.get(node)!, ...members],
        })),
      ],
      devices: survey.devices.map(({ id, lightId, model, name }) => ({ id, groupId: lightId, model, name })),
      loads: [
        ...lamps.map(({ light, back }, at) =>
          load(`lamp ${at + 1}`, survey.lights[light]!.id, 'lamp', named.get(back)!),
        ),
        ...Array.from({ length: loads.length }, (_, at) =>
          load(`further ${at + 1}`, 'further', 'onward', `further ${at + 1}:neutral`),
        ),
      ],
      caps: [],
      bonds: [],
      plan: null,
    },
    boxOfJoint,
  }
}

/** Joints and seats of the boxes as they were seen. */
export function seatsOf(survey: Survey): {
  readonly joints: readonly CircuitJoint[]
  readonly boxOfJoint: BoxOfJoint
} {
  const members = new Map<string, string[]>()
  const boxOfJoint = new Map<string, string>()
  const put = (joint: string, box: string, member: string) => {
    members.set(joint, [...(members.get(joint) ?? []), member])
    boxOfJoint.set(joint, box)
  }
  for (const { boxId, ends } of survey.cables)
    for (const { id, seat } of ends)
      if (seat.kind === 'joint') put(seat.jointId, boxId, `end:${id}`)
      else if (seat.kind === 'terminal') {
        put(`seat:${id}`, boxId, `end:${id}`)
        put(`seat:${id}`, boxId, terminalPoint(seat.deviceId, seat.terminalId))
      }
  for (const { id, boxId, pigtails } of survey.devices)
    for (const { jointId, terminalId } of pigtails) put(jointId, boxId, terminalPoint(id, terminalId))
  // Metal of the strap itself: it stays when the conductors come apart.
  const tabs = (survey.tabs ?? []).map(({ a, b }) => ({
    id: `tab:${terminalPoint(a.deviceId, a.terminalId)}`,
    members: [terminalPoint(a.deviceId, a.terminalId), terminalPoint(b.deviceId, b.terminalId)],
  }))
  return { joints: [...[...members].map(([id, own]) => ({ id, members: own })), ...tabs], boxOfJoint }
}
