import type { BoxView } from '../job/box-view'
import { houseRule } from '../job/box-view'
import { claimStatus } from '../identify'
import { rowsWith } from '../model/record'
import type { Result } from '../model/result'
import type { Trade } from '../model/trade'
import { changedTerminals, isAsFound, routeBox, type PlannedDevice, type RoutedBox } from '../route'
import { clampedSinceOff, isolationOf, type Isolation, type SafetyNeed } from '../safety'

/**
 * `record` and `reading` touch nothing bare; `switch` is at the panel; `live` is one reading with
 * nobody holding anything; `touch` needs a box proven dead.
 */
export type StepKind = 'record' | 'reading' | 'switch' | 'live' | 'touch' | 'power'

export interface Step {
  readonly key: string
  readonly kind: StepKind
  readonly says: string
  readonly why: string
  readonly minutes: number
  readonly parts: readonly string[]
  /** Done by a tick, or by what the record shows. */
  readonly doneBy: 'tick' | 'record'
  readonly done: boolean
  /** What holds this step back now; empty when it may be done. */
  readonly holds: readonly string[]
}

export interface BoxPlan {
  readonly routed: Result<RoutedBox>
  readonly steps: readonly Step[]
  readonly isolation: Isolation
}

/** The work on one box in its safe order, each step with what still holds it back. */
export function planBox(view: BoxView, trade: Trade): BoxPlan {
  const isolation = isolationOf(view)
  const routed = routeBox(view, trade)
  const ticked = new Set(rowsWith(view.record, 'steps', 'boxId', view.box.id).map(step => step.stepKey))
  const drafts = [...beforeSteps(view, isolation), ...(routed.ok ? workSteps(view, routed.value, trade) : [])]
  return { routed, isolation, steps: withHolds(view, drafts, ticked, isolation, routed) }
}

type Draft = Omit<Step, 'done' | 'holds'> & { readonly done?: boolean }

function beforeSteps(view: BoxView, isolation: Isolation): Draft[] {
  const open = (kind: SafetyNeed['kind']) => isolation.needs.some(need => need.kind === kind)
  const { breaker, panel } = view.region.words
  const what = isolation.toSwitchOff
    .map(circuit =>
      circuit ? `${breaker} ${circuit.breaker} (${circuit.label || 'no label'})` : 'the main switch',
    )
    .join(' and ')
  const unproven = view.ends.filter(
    each => each.end.role !== null && each.end.role !== 'spare' && claimStatus(view, each).proof !== 'proven',
  )
  return [
    step('photo', 'record', 'Take a photo of the box as it is', 'It is the only way back.', 1),
    {
      ...step(
        'tester',
        'reading',
        'Prove the tester on a known live point',
        'A dead tester reads every wire as dead.',
        1,
      ),
      doneBy: 'record',
      done: !open('prove-tester'),
    },
    {
      ...step(
        'reference',
        'reading',
        'Prove the reference: live point to reference reads nominal',
        'In an ungrounded metal box everything reads 0: bring a reference in.',
        1,
      ),
      doneBy: 'record',
      done: !open('prove-reference'),
    },
    ...unproven.map(each => ({
      ...step(
        `identify:${each.end.id}`,
        'live' as const,
        `Identify ${each.name}: ${claimStatus(view, each).settledBy}`,
        'Connected by what it was proven to be, never by its colour. Probes only; nobody holds anything.',
        2,
      ),
      doneBy: 'record' as const,
      done: false,
    })),
    {
      ...step(
        'isolate',
        'switch',
        `Switch off ${what} and hold it off`,
        `Labels at the ${panel} are not believed until a reading agrees.`,
        2,
      ),
      doneBy: 'record',
      done: !open('switch-off'),
    },
    {
      ...step(
        'dead',
        'reading',
        `Read dead at every conductor: ${isolation.endsReadDead} of ${isolation.ends} done`,
        'At most 5 V on a low-impedance meter to the proven reference, whatever circuits are known.',
        Math.max(1, isolation.ends * 0.5),
      ),
      doneBy: 'record',
      done: !open('read-dead') && isolation.ends > 0,
    },
    {
      ...step(
        'tester-again',
        'reading',
        'Prove the tester again on the known live point',
        'Only then do the dead readings count.',
        1,
      ),
      doneBy: 'record',
      done: !open('prove-tester-again'),
    },
  ]
}

function step(
  key: string,
  kind: StepKind,
  says: string,
  why: string,
  minutes: number,
  parts: readonly string[] = [],
): Draft {
  return { key, kind, says, why, minutes, parts, doneBy: 'tick' }
}

function workSteps(view: BoxView, routed: RoutedBox, trade: Trade): Draft[] {
  const nameOf = (endId: string) => view.ends.find(each => each.end.id === endId)?.name ?? endId
  const { ground, breaker } = view.region.words
  const jointStep = (netId: string) => {
    const joint = routed.joints.find(each => each.netId === netId)
    return joint && !isAsFound(view, joint) ? [jointDraft(view, routed, joint.id, nameOf, trade)] : []
  }
  const nets = Object.keys(routed.nets).sort()
  const netsOf = (kind: string) => nets.filter(net => net === kind || net.startsWith(`${kind}:`))
  const replaced = routed.devices.filter(device => device.isNew)
  const untouched = routed.joints.filter(joint => isAsFound(view, joint)).flatMap(({ endIds }) => endIds)
  const neutralJoints = view.joints.filter(joint =>
    view.ends.some(
      ({ end }) => end.jointId === joint.id && end.role === 'neutral' && !untouched.includes(end.id),
    ),
  )
  return [
    ...neutralJoints.map(joint => ({
      ...step(
        `clamp:${joint.id}`,
        'reading' as const,
        'Clamp the neutral before its joint is opened: 0 A',
        'With its own breaker off, a shared or borrowed neutral reads 0 V until it is opened, and can then stand at line voltage.',
        1,
      ),
      doneBy: 'record' as const,
      done: clampedIdle(view, joint.id),
    })),
    ...replaced
      .filter(device => view.places.find(place => place.place.id === device.placeId)?.found)
      .map(device =>
        step(
          `take-out:${device.placeId}`,
          'touch',
          `Gang ${device.gang}: take out the old device and spread the conductors`,
          'Each keeps its flag until it is landed again.',
          3,
        ),
      ),
    ...routed.remarks.map(remark =>
      step(
        `remark:${remark.endId}`,
        'touch',
        `Mark ${nameOf(remark.endId)} ${remark.as} here, and at its other end`,
        'It leaves its colour’s meaning.',
        1,
        [`tape, ${remark.as}`],
      ),
    ),
    ...netsOf('ground').flatMap(jointStep),
    ...netsOf('neutral').flatMap(jointStep),
    ...netsOf('line').flatMap(jointStep),
    ...netsOf('load').flatMap(jointStep),
    ...routed.devices.flatMap(device => landSteps(view, routed, device, nameOf)),
    ...view.ends
      .filter(each => routed.seats[each.end.id]?.kind === 'cap' && each.end.seat !== 'cap')
      .map(each =>
        step(`cap:${each.end.id}`, 'touch', `Cap ${each.name} on its own`, 'It may be live.', 1, ['cap']),
      ),
    ...routed.cappedLeads.map(lead => {
      const device = routed.devices.find(each => each.placeId === lead.placeId)
      const terminal = device?.model.terminals.find(each => each.id === lead.terminalId)
      return step(
        `cap-lead:${lead.placeId}.${lead.terminalId}`,
        'touch',
        `Cap the unused “${terminal?.word ?? lead.terminalId}” on its own`,
        'An unused lead can be live.',
        1,
        ['cap'],
      )
    }),
    step(
      'tug',
      'touch',
      'Tug every joint and terminal; no copper shows',
      'What slips now would slip behind the wall.',
      1,
    ),
    ...tapeSteps(view, replaced),
    step(
      'fold',
      'touch',
      `Fold the conductors in: ${ground} first, neutrals and hots apart, device top up and level, plate on`,
      'Folded, not shoved.',
      4,
    ),
    step(
      'power',
      'power',
      `Switch the ${breaker} on again`,
      'Only with every conductor landed, capped and folded in. Record it: the box may be live from then on.',
      2,
    ),
  ]
}

/** Since the power went off: what another circuit sends back comes and goes with its lamps. */
function clampedIdle(view: BoxView, jointId: string): boolean {
  const clamped = clampedSinceOff(view)
  return view.ends.some(({ end }) => end.jointId === jointId && clamped.has(end.id))
}

function jointDraft(
  view: BoxView,
  routed: RoutedBox,
  jointId: string,
  nameOf: (endId: string) => string,
  trade: Trade,
): Draft {
  const joint = routed.joints.find(each => each.id === jointId)!
  const pigtails = routed.pigtails.filter(each => joint.pigtailIds.includes(each.id))
  const leads = joint.leads.map(lead => leadWord(routed, lead))
  const members = [
    ...joint.endIds.map(nameOf),
    ...leads,
    ...pigtails.map(each => `a ${each.insulation} pigtail ${pigtailGoal(view, routed, each.to)}`),
  ]
  const connectors = joint.connectors.map(each => each.words)
  const lever = connectors[0]?.startsWith('lever')
  return step(
    `joint:${joint.netId}`,
    'touch',
    `Join ${routed.nets[joint.netId]}: ${members.join(', ')} in ${connectors.join(' linked to ')}`,
    leads.length > 0
      ? 'The stranded lead lies slightly ahead of the solid conductors; one wire a slot.'
      : 'One wire a slot; solid conductors side by side.',
    trade.minutes[lever ? 'lever-joint' : 'twist-joint']! * joint.connectors.length + pigtails.length,
    [
      ...connectors,
      ...pigtails.map(each => `pigtail, ${each.insulation} ${each.gauge}, ${each.millimetres} mm`),
    ],
  )
}

function leadWord(routed: RoutedBox, lead: { placeId: string; terminalId: string }): string {
  const device = routed.devices.find(each => each.placeId === lead.placeId)
  const word = device?.model.terminals.find(each => each.id === lead.terminalId)?.word ?? lead.terminalId
  return routed.devices.length > 1 ? `“${word}” of gang ${device?.gang}` : `“${word}”`
}

function pigtailGoal(
  view: BoxView,
  routed: RoutedBox,
  to: { placeId: string; terminalId: string } | 'box',
): string {
  return to === 'box' ? `to the ${view.region.words.box}’s bonding screw` : `to ${leadWord(routed, to)}`
}

const HOLD_WORDS = {
  screw: 'hooked clockwise three quarters round, one conductor to the screw',
  clamp: 'straight under the clamp',
  'push-in': 'pushed in to the stop, solid copper only',
  lead: 'by its lead',
} as const

function landSteps(
  view: BoxView,
  routed: RoutedBox,
  device: PlannedDevice,
  nameOf: (endId: string) => string,
): Draft[] {
  const { instructions } = device.model
  const changed = device.isNew ? null : changedTerminals(view, routed, device.placeId)
  return device.model.terminals.flatMap(terminal => {
    if (terminal.joins === 'lead' || changed?.includes(terminal.id) === false) return []
    const ends = Object.entries(routed.seats).flatMap(([endId, seat]) =>
      seat.kind === 'terminal' && seat.placeId === device.placeId && seat.terminalId === terminal.id
        ? [endId]
        : [],
    )
    const pigtails = routed.pigtails.filter(
      each => each.to !== 'box' && each.to.placeId === device.placeId && each.to.terminalId === terminal.id,
    )
    if (ends.length + pigtails.length === 0) return []
    const what = [...ends.map(nameOf), ...pigtails.map(each => `the ${each.insulation} pigtail`)].join(
      ' and ',
    )
    const torque = instructions.screwNewtonMetres ? `, ${instructions.screwNewtonMetres} N·m` : ''
    return [
      step(
        `land:${device.placeId}.${terminal.id}`,
        'touch',
        `${what} on “${terminal.word}”: strip ${instructions.stripMillimetres} mm, ${HOLD_WORDS[terminal.joins]}${torque}`,
        'As its sheet gives it.',
        1,
      ),
    ]
  })
}

function tapeSteps(view: BoxView, replaced: readonly PlannedDevice[]): Draft[] {
  const value = houseRule(view.record, 'tape-terminals', 'no')
  const wanted = value === 'yes' || (value === 'metal-boxes' && view.box.material === 'metal')
  if (!wanted) return []
  return replaced.map(device =>
    step(
      `tape:${device.placeId}`,
      'touch',
      `Gang ${device.gang}: tape round the device’s terminals`,
      'House rule.',
      1,
      ['tape'],
    ),
  )
}

function withHolds(
  view: BoxView,
  drafts: readonly Draft[],
  ticked: ReadonlySet<string>,
  isolation: Isolation,
  routed: Result<RoutedBox>,
): Step[] {
  const isDone = (draft: Draft) => draft.done ?? ticked.has(draft.key)
  const openBefore = (index: number, wanted: (draft: Draft) => boolean) =>
    drafts.slice(0, index).find(draft => wanted(draft) && !isDone(draft))
  return drafts.map((draft, index) => {
    const holds: string[] = []
    if (draft.kind === 'touch') {
      holds.push(...isolation.needs.map(need => needWords(view, need)))
      if (!routed.ok) holds.push(...routed.faults.map(each => each.message))
      const before = openBefore(index, other => other.key.startsWith('clamp:') || other.kind === 'live')
      if (before) holds.push(before.says)
    }
    if (draft.kind === 'power') {
      const before = openBefore(index, other => other.kind === 'touch')
      if (before) holds.push(`Not before: ${before.says}`)
    }
    return { ...draft, done: isDone(draft), holds: [...new Set(holds)] }
  })
}

/** A need of the safe sequence, as a person is told it. */
export function needWords(view: BoxView, need: SafetyNeed): string {
  const { breaker } = view.region.words
  switch (need.kind) {
    case 'prove-tester':
      return 'Prove the tester on a known live point'
    case 'prove-reference':
      return 'Prove the reference against a live point'
    case 'switch-off':
      return need.circuit ? `Switch off ${breaker} ${need.circuit.breaker}` : 'Switch off the main switch'
    case 'read-dead':
      return need.volts === null
        ? `Read dead at ${need.end.name}`
        : `${need.end.name} read ${need.volts} V: not dead. Stop, find what feeds it`
    case 'prove-tester-again':
      return 'Prove the tester again on the known live point'
  }
}
