import { theControl } from '../job/place-name'
import { capital } from '../words/capital'
import { houseRule } from '../model/house-rules'
import { type BoxView, type EndView } from '../job/box-view'
import { toExchange } from '../job/exchange'
import { smallPart } from '../model/small-part'
import type { Trade } from '../model/trade'
import {
  changedTerminals,
  foundJointOf,
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
import { cutFirst, jointDraft } from './joint-step'
import { cureSteps } from './cure-steps'
import { settingSteps } from './setting-steps'
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
          replaced.some(({ placeId, model }) => placeId === place.id && model.behind)
            ? say`${capital(theControl(view.record, place))}: take the wires off the switch, keep it, and spread the conductors`
            : say`${capital(theControl(view.record, place))}: take out the old device and spread the conductors`,
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
    ...netsOf('own').flatMap(jointStep),
    ...routed.devices.flatMap(device => [
      ...settingSteps(view, device, 'set-before', trade),
      ...landSteps(view, routed, device, nameOf, trade),
    ]),
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
    ...routed.devices.flatMap(device => settingSteps(view, device, 'set-under', trade)),
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
function lastOn({ region, record, places }: BoxView): string {
  const say = sayIn(region)
  const blank = places.filter(({ place }) => place.retired).map(({ place }) => theControl(record, place))
  if (blank.length === 0) return say`device top up and level, plate on`
  if (blank.length === places.length) return say`blank plate on`
  return say`device top up and level, plate on, blank over ${blank.join(say` and `)}`
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
    const sheet = terminal.sheet ?? instructions
    const torque = sheet.screwNewtonMetres
      ? `, ${torqueWords(measuresOf(view.record), sheet.screwNewtonMetres)}`
      : ''
    return [
      step(
        { kind: 'land', at: { placeId: device.placeId, terminalId: terminal.id } },
        'touch',
        say`${what} on “${terminal.word}”: strip ${lengthWords(measuresOf(view.record), sheet.stripMillimetres)}, ${say(HOLD_WORDS[terminal.joins])}${torque}${tails.says}`,
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
      say`${capital(theControl(view.record, view.record.places[device.placeId]!))}: tape round the device’s terminals`,
      say`House rule.`,
      trade.minutes.taping,
      [smallPart('tape', later`tape`)],
    ),
  )
}
