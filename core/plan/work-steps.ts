import { houseRule } from '../model/house-rules'
import { type BoxView, type EndView } from '../job/box-view'
import { toExchange } from '../job/exchange'
import { smallPart } from '../model/small-part'
import type { Trade } from '../model/trade'
import { RUNS_THROUGH } from '../model/vocabulary'
import {
  changedTerminals,
  foundJointOf,
  isOneConductor,
  kindOfNet,
  type NetKind,
  type PlannedDevice,
  type RoutedBox,
} from '../route'
import {
  clampedSinceOff,
  holdersOf,
  isApart,
  isPartedIn,
  mayReturnIn,
  onAgain,
  toReadParted,
} from '../safety'
import { tailsOf } from './aluminium'
import { cureSteps } from './cure-steps'
import { SEEN_DONE, step, type Draft } from './step'
import { sayIn, later } from '../words/say'
import { INSULATION_WORDS } from '../words/of-vocabulary'
import { lengthWords, measuresOf, torqueWords } from '../model/measures'

/** The work at an opened box, once it is dead: what comes out, what is joined and landed, and the power back. */
export function workSteps(view: BoxView, routed: RoutedBox, trade: Trade): Draft[] {
  const say = sayIn(view.region)

  const nameOf = (endId: string) => view.ends.find(each => each.end.id === endId)?.name ?? endId
  const jointStep = (netId: string) => {
    const joint = routed.joints.find(each => each.netId === netId)
    return joint && !foundJointOf(view, joint, routed.pigtails)
      ? [jointDraft(view, routed, joint.id, nameOf, trade)]
      : []
  }
  const nets = Object.keys(routed.nets).sort()
  const netsOf = (kind: NetKind) => nets.filter(net => kindOfNet(net) === kind)
  const replaced = routed.devices.filter(device => device.isNew)
  const untouched = routed.joints
    .filter(joint => foundJointOf(view, joint, routed.pigtails) !== null)
    .flatMap(({ endIds }) => endIds)
  const clamped = clampedSinceOff(view)
  const mayReturn = view.joints
    .flatMap(({ id }) => mayReturnIn(view, id))
    .filter(({ end }) => !untouched.includes(end.id))
  const cures = cureSteps(view, trade)
  const exchanges = toExchange(view)
  const [only, ...others] = [...new Set(onAgain(view).flatMap(id => holdersOf(view.record, id)))]
  const { freeMillimetres: free } = view.region
  return [
    ...signedFor(view, replaced, trade),
    ...mayReturn.map(({ end, name }) => ({
      ...step(
        { kind: 'clamp', endId: end.id },
        'reading' as const,
        say`Clamp ${name} before its joint is opened: 0 A`,
        say`Every other circuit on and drawing first, lamps lit: with nothing drawn, 0 A proves nothing. With its own breaker off, a shared or borrowed neutral reads 0 V until it is opened, and can then stand at line voltage.`,
        trade.minutes.reading,
      ),
      doneBy: 'record' as const,
      done: clamped.has(end.id),
    })),
    ...view.joints.flatMap(({ id }) => partingOf(view, id, mayReturn, trade)),
    ...view.places
      .filter(
        ({ place, found }) =>
          found && (place.retired || replaced.some(({ placeId }) => placeId === place.id)),
      )
      .map(({ place }) =>
        step(
          { kind: 'take-out', placeId: place.id },
          'touch',
          say`Gang ${place.gang}: take out the old device and spread the conductors`,
          say`Each keeps its flag until it is landed again${free === null ? '' : say`; at least ${lengthWords(measuresOf(view.record), free)} of it stay free where it leaves the sheath`}.`,
          trade.minutes['taking-out'],
        ),
      ),
    ...cures.first,
    ...exchanges.map(({ back, feed }) =>
      step(
        { kind: 'exchange', endId: back.end.id },
        'touch',
        say`At the other end of cable ${back.cable.name}: ${back.name} and ${feed.name} change places, so that ${back.name} feeds`,
        say`A conductor in a neutral’s color may feed a switch, never return from it. Every conductor there read dead as well; here the two are then read anew.`,
        trade.minutes.termination * 2,
      ),
    ),
    ...routed.remarks.map(remark =>
      step(
        { kind: 'remark', endId: remark.endId },
        'touch',
        say`Mark ${nameOf(remark.endId)} ${say(INSULATION_WORDS[remark.as])} here, and at its other end`,
        say`It leaves its color’s meaning.`,
        trade.minutes.marking,
        [smallPart('tape', later`tape, ${remark.as}`)],
      ),
    ),
    ...netsOf('ground').flatMap(jointStep),
    ...netsOf('neutral').flatMap(jointStep),
    ...netsOf('line').flatMap(jointStep),
    ...netsOf('load').flatMap(jointStep),
    ...netsOf('traveller').flatMap(jointStep),
    ...netsOf('signal').flatMap(jointStep),
    ...routed.devices.flatMap(device => landSteps(view, routed, device, nameOf, trade)),
    ...view.ends
      .filter(each => routed.seats[each.end.id]?.kind === 'cap' && each.end.seat !== 'cap')
      .map(each =>
        step(
          { kind: 'cap', endId: each.end.id },
          'touch',
          say`Cap ${each.name} on its own`,
          say`${cutFirst(view, [each.end.id])}It may be live.`,
          trade.minutes.capping,
          [smallPart('cap', later`cap`)],
        ),
      ),
    ...routed.cappedLeads.map(lead => {
      const device = routed.devices.find(each => each.placeId === lead.placeId)
      const terminal = device?.model.terminals.find(each => each.id === lead.terminalId)
      return step(
        { kind: 'cap-lead', at: lead },
        'touch',
        say`Cap the unused “${terminal?.word ?? lead.terminalId}” on its own`,
        say`An unused lead can be live.`,
        trade.minutes.capping,
        [smallPart('cap', later`cap`)],
      )
    }),
    step(
      { kind: 'tug' },
      'touch',
      say`Tug every joint and terminal; no copper shows`,
      say`What slips now would slip behind the wall.`,
      trade.minutes.tugging,
    ),
    ...tapeSteps(view, replaced, trade),
    ...cures.last,
    step(
      { kind: 'fold' },
      'touch',
      say`Fold the conductors in, back to front: ${foldOrder(view, routed)}; ${lastOn(view)}`,
      say`Folded, not shoved.`,
      trade.minutes.folding,
    ),
    {
      ...step(
        { kind: 'power' },
        'power',
        only === undefined || others.length > 0
          ? say`Switch the breaker on again`
          : say`${only} takes the lock off and switches the breaker on again`,
        say`Only with every conductor landed, capped and folded in. Record it: the box may be live from then on.`,
        trade.minutes.switching,
      ),
      before:
        others.length > 0 ? [say`Each takes off his own lock first: ${[only, ...others].join(', ')}`] : [],
    },
  ]
}

/** A joint that may carry another circuit’s return: let apart without touching it, then read on every side. */
function partingOf(view: BoxView, jointId: string, mayReturn: readonly EndView[], trade: Trade): Draft[] {
  const say = sayIn(view.region)

  const own = mayReturn.filter(({ end }) => end.jointId === jointId)
  if (own.length === 0) return []
  const open = new Set(toReadParted(view).map(({ end }) => end.id))
  const isParted = isPartedIn(view, jointId)
  return [
    {
      ...step(
        { kind: 'part', jointId },
        'touch',
        say`Let ${own.map(({ name }) => name).join(', ')} apart, one by one, by the insulation`,
        say`Insulated tools; no hand on copper: once it is open, one side of a shared neutral can stand at line voltage.`,
        trade.minutes.parting,
      ),
      ...(isApart(view) ? SEEN_DONE : {}),
    },
    ...own.map(({ end, name }) => ({
      ...step(
        { kind: 'parted', endId: end.id },
        'reading' as const,
        say`Read ${name} to ground, on its own: dead`,
        say`At most 5 V on a low-impedance meter, before hands: only an open neutral shows what stands on it.`,
        trade.minutes.reading,
      ),
      doneBy: 'record' as const,
      done: isParted && !open.has(end.id),
    })),
  ]
}

/** What closes the box. */
function lastOn({ region, places }: BoxView): string {
  const say = sayIn(region)
  const blank = places.filter(({ place }) => place.retired).map(({ place }) => place.gang)
  if (blank.length === 0) return say`device top up and level, plate on`
  if (blank.length === places.length) return say`blank plate on`
  return say`device top up and level, plate on, blank over gang ${blank.join(say` and `)}`
}

/** A radio system that the customer decides on is signed for before it is put in. */
function signedFor(view: BoxView, replaced: readonly PlannedDevice[], trade: Trade): Draft[] {
  const say = sayIn(view.region)

  const radio = replaced.filter(({ model }) => model.radio !== null)
  if (radio.length === 0 || houseRule(view.record, 'radio-systems') !== 'customer') return []
  const systems = [...new Set(radio.map(({ model }) => model.name))].join(', ')
  return [
    step(
      { kind: 'sign' },
      'record',
      say`The customer signs for the radio system: ${systems}`,
      say`House rule: the customer decides.`,
      trade.minutes.signature,
    ),
  ]
}

/** What goes to the back of the box first: what nobody will want again, then neutrals and hots apart. */
function foldOrder(view: BoxView, routed: RoutedBox): string {
  const say = sayIn(view.region)

  const nets = new Set(routed.joints.map(({ netId }) => kindOfNet(netId)))
  const caps = Object.values(routed.seats).some(({ kind }) => kind === 'cap')
  return [
    ...(nets.has('ground') ? [say`the ground joint`] : []),
    ...(caps ? [say`what is capped`] : []),
    ...(nets.has('neutral') ? [say`neutrals to one side`] : []),
    say`hot and switched to the other`,
    say`the device’s own conductors last`,
  ].join(', ')
}

function jointDraft(
  view: BoxView,
  routed: RoutedBox,
  jointId: string,
  nameOf: (endId: string) => string,
  trade: Trade,
): Draft {
  const say = sayIn(view.region)

  const joint = routed.joints.find(each => each.id === jointId)!
  const pigtails = routed.pigtails.filter(each => joint.pigtailIds.includes(each.id))
  // What bonds the box already stays on its screw.
  const bonded = view.box.bonded === 'yes' || view.pigtails.some(({ deviceId }) => deviceId === null)
  const cut = pigtails.filter(({ to }) => to !== 'box' || !bonded)
  const leads = joint.leads.map(lead => leadWord(view, routed, lead))
  const tails = tailsOf(view.ends, joint.endIds, leads.length > 0, trade, say)
  const members = [
    ...joint.endIds.map(tails.nameOf),
    ...leads,
    ...pigtails.map(
      each => say`a ${say(INSULATION_WORDS[each.insulation])} pigtail ${pigtailGoal(view, routed, each.to)}`,
    ),
  ]
  if (isOneConductor(joint)) {
    const [only] = pigtails.filter(({ to }) => to !== 'box')
    return step(
      { kind: 'joint', netId: joint.netId },
      'touch',
      say`One ${say(INSULATION_WORDS[only!.insulation])} conductor of ${only!.gauge} from the box’s bonding screw ${pigtailGoal(view, routed, only!.to)}`,
      say`The metal of the box brings it; no connector.`,
      trade.minutes.termination * 2,
      [
        smallPart('pigtail', later`pigtail, ${only!.insulation} ${only!.gauge}`, only!.millimetres),
        ...(bonded ? [] : [smallPart('screw', later`bonding screw, ${view.region.screws.bonding}`)]),
      ],
    )
  }
  const pieces = tails.holder === null ? joint.connectors : []
  // Thicker than any in the table: the electrician takes one that is listed for it.
  const connectors =
    pieces.length > 0
      ? pieces.map(({ words }) => words)
      : [tails.holder ?? say`a connector listed for these gauges`]
  const lever = pieces[0]?.kind === 'lever'
  const strip = pieces[0]?.stripMillimetres
  const byArea = pieces.some(({ by }) => by === 'area')
  const habit = tails.holder === null ? jointHabit(view, lever, leads.length > 0) : say`Tug each.`
  return step(
    { kind: 'joint', netId: joint.netId },
    'touch',
    say`Join ${routed.nets[joint.netId]}: ${members.join(', ')} in ${connectors.join(say` linked to `)}${strip ? say`, each stripped ${lengthWords(measuresOf(view.record), strip)}` : ''}${tails.says}`,
    `${cutFirst(view, joint.endIds)}${tails.why}${habit}${byArea ? say` Chosen by copper area: see the connector’s own table.` : ''}`,
    (tails.holder === null ? trade.minutes[lever ? 'lever-joint' : 'twist-joint'] * connectors.length : 0) +
      cut.length * trade.minutes['cut-pigtail'] +
      tails.minutes,
    [
      ...tails.parts,
      ...(tails.holder === null ? connectors.map(words => smallPart('connector', words)) : []),
      ...cut.map(each =>
        smallPart('pigtail', later`pigtail, ${each.insulation} ${each.gauge}`, each.millimetres),
      ),
      ...cut
        .filter(({ to }) => to === 'box')
        .map(() => smallPart('screw', later`bonding screw, ${view.region.screws.bonding}`)),
    ],
  )
}

/** How wires lie in a joint, by its kind and the house rule. */
function jointHabit(view: BoxView, lever: boolean, hasLeads: boolean): string {
  const say = sayIn(view.region)

  if (lever)
    return hasLeads ? say`One wire a slot, stranded leads too; tug each.` : say`One wire a slot; tug each.`
  const twist = houseRule(view.record, 'pre-twist')
  const first = twist === 'yes' || (twist === 'stranded' && hasLeads) ? say`Twist them together first. ` : ''
  return say`${first}Solid ones side by side${hasLeads ? say`, the stranded lead slightly ahead` : ''}; no copper shows; tug each.`
}

/** Said where a conductor that runs through unbroken is to end here. */
function cutFirst(view: BoxView, endIds: readonly string[]): string {
  const say = sayIn(view.region)

  const { freeMillimetres: free } = view.region
  const through = view.joints.filter(({ connector }) => RUNS_THROUGH.includes(connector))
  const own = through.filter(({ id }) =>
    view.ends.some(({ end }) => end.jointId === id && endIds.includes(end.id)),
  )
  if (own.length === 0) return ''
  const where = own.every(({ connector }) => connector === 'looped')
    ? say`in the middle of its loop`
    : say`only if ${free === null ? say`enough stays` : say`${lengthWords(measuresOf(view.record), free)} stay`} free on each side of the cut; else leave it, and ask for another plan`
  return say`It runs through unbroken: cut it first, ${where}. `
}

function leadWord(
  { region }: BoxView,
  routed: RoutedBox,
  lead: { placeId: string; terminalId: string },
): string {
  const device = routed.devices.find(each => each.placeId === lead.placeId)
  const word = device?.model.terminals.find(each => each.id === lead.terminalId)?.word ?? lead.terminalId
  return routed.devices.length > 1 ? sayIn(region)`“${word}” of gang ${device?.gang}` : `“${word}”`
}

function pigtailGoal(
  view: BoxView,
  routed: RoutedBox,
  to: { placeId: string; terminalId: string } | 'box',
): string {
  const say = sayIn(view.region)

  return to === 'box' ? say`to the box’s bonding screw` : say`to ${leadWord(view, routed, to)}`
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
  trade: Trade,
): Draft[] {
  const say = sayIn(view.region)

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
    const tails = tailsOf(view.ends, ends, true, trade, say)
    const what = [
      ...ends.map(tails.nameOf),
      ...pigtails.map(each => say`the ${say(INSULATION_WORDS[each.insulation])} pigtail`),
    ].join(say` and `)
    const torque = instructions.screwNewtonMetres
      ? `, ${torqueWords(measuresOf(view.record), instructions.screwNewtonMetres)}`
      : ''
    return [
      step(
        { kind: 'land', at: { placeId: device.placeId, terminalId: terminal.id } },
        'touch',
        say`${what} on “${terminal.word}”: strip ${lengthWords(measuresOf(view.record), instructions.stripMillimetres)}, ${say(HOLD_WORDS[terminal.joins])}${torque}${tails.says}`,
        say`${cutFirst(view, ends)}${tails.why}As its sheet gives it.`,
        trade.minutes.termination + tails.minutes,
        tails.parts,
      ),
    ]
  })
}

function tapeSteps(view: BoxView, replaced: readonly PlannedDevice[], trade: Trade): Draft[] {
  const say = sayIn(view.region)

  const value = houseRule(view.record, 'tape-terminals')
  const wanted = value === 'yes' || (value === 'metal-boxes' && view.box.material === 'metal')
  if (!wanted) return []
  return replaced.map(device =>
    step(
      { kind: 'tape', placeId: device.placeId },
      'touch',
      say`Gang ${device.gang}: tape round the device’s terminals`,
      say`House rule.`,
      trade.minutes.taping,
      [smallPart('tape', later`tape`)],
    ),
  )
}
