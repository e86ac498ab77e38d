import type { BoxView } from '../job/box-view'
import { isHotRole } from '../identify'
import type { Role, Severity, TesterShows } from '../model/vocabulary'
import { deviceNamed, type Trade } from '../model/trade'
import { figure } from '../model/units'
import { boxFill } from './fill'

/** Something wrong that the record itself shows. It stays until closed, mended or handed over in writing. */
export interface RaisedDefect {
  readonly ruleId: string
  readonly severity: Severity
  readonly what: string
  readonly cure: string
  readonly factId: string
  readonly minutes: number
}

type DefectRule = (view: BoxView, trade: Trade) => RaisedDefect[]

const raised = (
  ruleId: string,
  severity: Severity,
  what: string,
  cure: string,
  factId: string,
  minutes = 10,
): RaisedDefect => ({ ruleId, severity, what, cure, factId, minutes })

const undersized: DefectRule = (view, trade) =>
  view.cables.flatMap(cable => {
    const inCable = view.ends.filter(
      each => each.cable.id === cable.id && !view.region.groundColours.includes(each.conductor.insulation),
    )
    const limits = inCable.flatMap(each => trade.conductors[each.conductor.gauge].breakerNotAboveAmps ?? [])
    const limit = Math.min(...limits)
    const over = view.feeds.find(({ circuit }) => circuit.ratedAmps > limit)
    const least = inCable.find(each => trade.conductors[each.conductor.gauge].breakerNotAboveAmps === limit)
    if (!over || !least) return []
    const { breaker } = view.region.words
    return [
      raised(
        `undersized-${cable.id}`,
        'danger',
        `Cable ${cable.name} is ${least.conductor.gauge} on a ${figure(over.circuit.ratedAmps)} A ${breaker} (at most ${figure(limit)} A)`,
        `A ${breaker} of ${figure(limit)} A, or the piece replaced.`,
        'conductor-breaker',
        20,
      ),
    ]
  })

const ungroundedMetal: DefectRule = view => {
  if (view.box.material !== 'metal' || view.ends.length === 0) return []
  const ground = view.ends.some(({ conductor }) => view.region.groundColours.includes(conductor.insulation))
  if (!ground)
    return [
      raised(
        'no-ground-metal-box',
        'danger',
        `Metal box without a ${view.region.words.ground}`,
        'A ground brought in, or as local code permits; mark it.',
        'ground-present',
        60,
      ),
    ]
  return view.box.bonded === 'no'
    ? [
        raised(
          'box-not-bonded',
          'danger',
          'The metal box is not bonded',
          'A bonding screw or clip with a pigtail.',
          'ground-present',
          3,
        ),
      ]
    : []
}

const bareCopper: DefectRule = view =>
  view.joints
    .filter(joint => joint.bareShows)
    .map(joint =>
      raised(
        `bare-${joint.id}`,
        'danger',
        'Bare copper shows outside a joint',
        'Make the joint again.',
        'joint',
        2,
      ),
    )

const tapeOnly: DefectRule = view =>
  view.joints
    .filter(joint => joint.connector === 'tape-only')
    .map(joint =>
      raised(
        `tape-${joint.id}`,
        'danger',
        'A joint is held by tape only',
        'Make it in a connector.',
        'joint',
        2,
      ),
    )

const twoUnderOne: DefectRule = (view, trade) => {
  const held = new Map<string, string[]>()
  for (const { end, name } of view.ends)
    if (end.seat === 'terminal') {
      const key = `${end.deviceId}/${end.terminal}`
      held.set(key, [...(held.get(key) ?? []), name])
    }
  return [...held].flatMap(([key, names]) => {
    const [deviceId = '', terminalId] = key.split('/')
    const model = deviceNamed(trade, view.record.devices[deviceId]?.modelId ?? '')
    const most = model?.terminals.find(terminal => terminal.id === terminalId)?.atMost ?? 1
    return names.length > most
      ? [
          raised(
            `crowded-${key}`,
            'defect',
            `${names.join(' and ')} sit under one screw`,
            'A pigtail to the screw.',
            'termination',
            3,
          ),
        ]
      : []
  })
}

const aluminium: DefectRule = view =>
  view.ends.some(({ conductor }) => conductor.metal === 'aluminium')
    ? [
        raised(
          'aluminium',
          'danger',
          'Aluminium conductors',
          'Connectors listed for aluminium, copper pigtails.',
          'aluminium',
          20,
        ),
      ]
    : []

const setBack: DefectRule = view => {
  const back = view.box.setBackMillimetres ?? 0
  const limit = view.box.surface === 'wood' ? 0 : 6
  if (view.box.surface === 'not-known' || back <= limit) return []
  return [
    raised(
      'set-back',
      view.box.surface === 'wood' ? 'danger' : 'defect',
      `The box sits ${figure(back)} mm back in ${view.box.surface} (at most ${limit} mm)`,
      'An extension ring.',
      'set-back',
      30,
    ),
  ]
}

const overfull: DefectRule = (view, trade) => {
  if (view.region.fillBy !== 'volume' || view.box.volumeCubicInches === null || view.ends.length === 0)
    return []
  const yokes = view.places.filter(each => each.found).map(() => 1)
  const fill = boxFill(view, trade, yokes)
  return fill.cubicInches > view.box.volumeCubicInches + 1e-9
    ? [
        raised(
          'overfull',
          'defect',
          `Overfull as found: ${figure(fill.cubicInches, 2)} of ${figure(view.box.volumeCubicInches, 2)} in³`,
          'An extension ring or a deeper box.',
          'box-fill',
          30,
        ),
      ]
    : []
}

/** A white that feeds or returns a switch and carries no mark says neutral to the next person. */
const unmarkedWhite: DefectRule = view =>
  view.ends
    .filter(
      ({ end, conductor }) =>
        view.region.id === 'north-america-120' &&
        conductor.insulation === 'white' &&
        conductor.markedAs === null &&
        (end.seat === 'terminal' ||
          end.role === 'line' ||
          end.role === 'loop-feed' ||
          end.role === 'loop-return'),
    )
    .map(({ end, name }) =>
      raised(
        `unmarked-${end.id}`,
        'defect',
        `${name} is used as hot and not marked`,
        'Mark it at both ends.',
        'remark',
        2,
      ),
    )

const cloth: DefectRule = view =>
  view.cables
    .filter(cable => cable.sheath === 'cloth')
    .map(cable =>
      raised(
        `cloth-${cable.id}`,
        'remark',
        `Cable ${cable.name} is cloth covered: its insulation may crumble`,
        'Sleeve the ends; bend them as little as possible.',
        'joint',
        5,
      ),
    )

const wrongLabel: DefectRule = view =>
  view.feeds
    .filter(({ circuit }) => circuit.labelHolds === 'no')
    .map(({ circuit }) =>
      raised(
        `label-${circuit.id}`,
        'defect',
        `The panel’s label for ${circuit.breaker} names something else: “${circuit.label}”`,
        'A new directory entry.',
        'dead',
        2,
      ),
    )

const looseEnd: DefectRule = view =>
  view.ends
    .filter(({ end }) => end.seat === 'loose')
    .map(({ end, name }) =>
      raised(`loose-${end.id}`, 'danger', `${name} ends loose in the box`, 'Cap it on its own.', 'joint', 1),
    )

/** The old system: hot and neutral both go to a two-place switch, so the lamp’s shell is live at times. */
const twoSupplyPair: DefectRule = (view, trade) =>
  view.places.flatMap(({ found, group }) => {
    const model = deviceNamed(trade, found?.modelId ?? '')
    const travellers = model?.terminals.filter(terminal => terminal.wants === 'traveller') ?? []
    const roles = travellers.flatMap(({ id }) => rolesOnTerminal(view, found!.id, id))
    if (!roles.some(isHotRole) || !roles.includes('neutral')) return []
    return [
      raised(
        `two-supply-${found!.id}`,
        'danger',
        `${group.name}: the old system with ${view.region.words.hot} and neutral on one switch; the lamp’s shell is live while it is dark`,
        'Rewire it: one conductor switched, the return straight to neutral.',
        'joint',
        60,
      ),
    ]
  })

/** Roles of what sits on a terminal, directly or by a pigtail from a joint. */
function rolesOnTerminal(view: BoxView, deviceId: string, terminalId: string): (Role | null)[] {
  const joints = view.pigtails
    .filter(each => each.deviceId === deviceId && each.terminal === terminalId)
    .map(each => each.jointId)
  return view.ends
    .filter(
      ({ end }) =>
        (end.deviceId === deviceId && end.terminal === terminalId) ||
        (end.jointId !== null && joints.includes(end.jointId)),
    )
    .map(({ end }) => end.role)
}

/** Free conductor to work on, in millimetres: 6 in. */
const FREE_LEAST_MILLIMETRES = 150

const shortConductor: DefectRule = ({ box: { freeLengthMillimetres: free } }) =>
  free === null || free >= FREE_LEAST_MILLIMETRES
    ? []
    : [
        raised(
          'short-conductor',
          'defect',
          `Only ${figure(free)} mm of conductor is free (at least ${FREE_LEAST_MILLIMETRES} mm)`,
          'A pigtail on each short conductor; where it leaves no room, a new cable.',
          'free-conductor',
          10,
        ),
      ]

const switchedNeutral: DefectRule = (view, trade) =>
  view.ends.flatMap(({ end, name }) => {
    if (end.role !== 'neutral' || end.seat !== 'terminal') return []
    const model = deviceNamed(trade, view.record.devices[end.deviceId ?? '']?.modelId ?? '')
    const terminal = model?.terminals.find(({ id }) => id === end.terminal)
    const switches = model?.contacts.some(({ between }) => between.includes(terminal?.id ?? ''))
    return switches
      ? [
          raised(
            `switched-neutral-${end.id}`,
            'danger',
            `${name}, a neutral, is switched: the lamp is live while it is off`,
            'The hot to the switch, the neutral through to the lamp.',
            'switched-neutral',
            20,
          ),
        ]
      : []
  })

/** Each pair once, at the circuit of the two that comes first. */
const sharedNeutral: DefectRule = view =>
  view.feeds.flatMap(({ circuit }) => {
    const { circuits } = view.record
    const partner = circuit.sharedNeutralWithId === null ? undefined : circuits[circuit.sharedNeutralWithId]
    const isSecond =
      partner && view.feeds.some(each => each.circuit.id === partner.id) && partner.id < circuit.id
    if (!partner || isSecond || (circuit.poles > 1 && partner.poles > 1)) return []
    const { breaker } = view.region.words
    return [
      raised(
        `shared-neutral-${circuit.id}`,
        'danger',
        `${circuit.breaker} and ${partner.breaker} share a neutral and are not switched off together`,
        `A common handle tie, or one ${breaker} of two poles.`,
        'shared-neutral',
        15,
      ),
    ]
  })

const RECEPTACLE_WORDS: Partial<
  Record<TesterShows, readonly [severity: Severity, what: string, cure: string]>
> = {
  'open-ground': [
    'danger',
    'has no ground',
    'Find where its ground ends, or mark and protect it as local code permits.',
  ],
  'open-neutral': ['danger', 'has an open neutral', 'Find the open joint with the power off.'],
  'open-hot': ['remark', 'is dead', 'Find what feeds it.'],
  'hot-neutral-reversed': [
    'danger',
    'has hot and neutral reversed',
    'Exchange the two, after each is proven.',
  ],
  'hot-ground-reversed': [
    'danger',
    'has hot on its ground',
    'Switch off now; exchange them after each is proven.',
  ],
  other: ['defect', 'is wired wrong', 'Identify its conductors.'],
}

const receptacle: DefectRule = view =>
  view.places.flatMap(({ place, found }) => {
    const [severity, what, cure] = RECEPTACLE_WORDS[found?.testerShows ?? 'correct'] ?? []
    return severity && what && cure
      ? [
          raised(
            `receptacle-${place.id}`,
            severity,
            `The receptacle${view.box.gangs > 1 ? ` in gang ${place.gang}` : ''} ${what}`,
            cure,
            'receptacle-tester',
            15,
          ),
        ]
      : []
  })

const RULES: readonly DefectRule[] = [
  twoSupplyPair,
  undersized,
  ungroundedMetal,
  bareCopper,
  looseEnd,
  aluminium,
  tapeOnly,
  twoUnderOne,
  setBack,
  shortConductor,
  switchedNeutral,
  sharedNeutral,
  receptacle,
  overfull,
  unmarkedWhite,
  wrongLabel,
  cloth,
]

const ORDER: readonly Severity[] = ['danger', 'defect', 'remark']

/** Everything wrong by rule in one box, the worst first. */
export const raisedDefects = (view: BoxView, trade: Trade): RaisedDefect[] =>
  RULES.flatMap(rule => rule(view, trade)).sort(
    (a, b) => ORDER.indexOf(a.severity) - ORDER.indexOf(b.severity) || (a.ruleId < b.ruleId ? -1 : 1),
  )
