import { modelStanding } from '../job/kept-switch'
import { theControl, whichControl } from '../job/place-name'
import { keyOfTerminal } from '../model/terminal-key'
import { racewayGround } from '../job/raceway'
import { willStand, workedFrom, type BoxView, type EndView } from '../job/box-view'
import { circuitsOf, type Seen } from '../job/circuits'
import { cablesBeyond, isolatingIn, leavingEnds, type IsolatedPole } from '../job/isolated'
import { hangingOn, protectingIn } from '../job/protected'
import { isLoadRole } from '../model/roles'
import type { DeviceModel, Terminal } from '../model/device'
import { mayReferToGround } from '../job/ground-referenced'
import type { JobRecord } from '../model/record'
import { looksLikeGround, mayBeNeutral } from '../model/regions'
import { fault, good, refused, type Fault, type Result } from '../model/result'
import { deviceNamed, type Trade } from '../model/trade'
import { isMiddle, isTwoPlace, onlyTells } from '../model/make-up'
import type { Protection, Unworked } from '../model/vocabulary'
import { byPosition, sharersOf } from '../model/ties'
import { assemble } from './assemble'
import { feedOfLight, netOfConductor, waysIn, type Ways } from './feed'
import type { PlannedDevice, RoutedBox } from './planned'
import { unsaidFaults } from './unsaid'
import { alwaysOn, unworkedOf } from './unworked'
import { keyOf, netOf } from './net'
import { sayIn } from '../words/say'

/**
 * Gives every conductor end and every terminal of one box its net and its seat: ends of one net meet in
 * a joint, one conductor to a screw, pigtails where more want it, what is unused capped one by one.
 * Refused with what is missing: a conductor without a role, a net that does not reach this box, a
 * conductor whose colour may not do what is asked of it.
 */
export function routeAlone(view: BoxView, trade: Trade): Result<RoutedBox> {
  const say = sayIn(view.region)

  const faults: Fault[] = []
  if (view.ends.length === 0)
    return refused(fault('/ends', 'nothing-recorded', say`no conductors are recorded in this box`))
  const devices = plannedDevices(view, trade, faults)
  for (const { end, name } of view.ends)
    if (end.role === null) faults.push(fault(`/ends/${end.id}/role`, 'no-role', say`${name} has no role yet`))
  if (faults.length > 0) return refused(...(faults as [Fault, ...Fault[]]))
  const ways = waysIn([view], trade)
  const unworked = unworkedOf([view], devices)
  faults.push(
    ...unsaidFaults([view], lightsFed(devices, unworked), unworked),
    ...waysNotKnown([view], trade),
    ...unprotected([view], trade),
  )
  if (faults.length > 0) return refused(...(faults as [Fault, ...Fault[]]))
  const nets: Record<string, string> = {}
  const netOfEnd: Record<string, string | null> = {}
  for (const each of view.ends) {
    const net = netLeaving(ways, [view], { view, each }, unworked)
    if (net !== null) nets[net] = netWords(view, net)
    netOfEnd[each.end.id] = net
  }
  for (const each of view.ends) faults.push(...colourFaults(view, each))
  const present = new Set(Object.values(netOfEnd))
  if (racewayGround(view) === 'continuous') {
    present.add('ground')
    nets.ground ??= netWords(view, 'ground')
  }
  const netOfTerminal: Record<string, string | null> = {}
  for (const net of [...protectedNets(ways, view, devices), ...partedLoads(devices)]) {
    present.add(net)
    nets[net] ??= netWords(view, net)
  }
  for (const device of devices)
    for (const terminal of device.model.terminals) {
      const net = netWanted(ways, view, device, terminal, present)
      const here = net !== null && (present.has(net) || terminal.wants === 'own')
      if (here && terminal.wants === 'own') nets[net] = netWords(view, net)
      if (net !== null && !here && isNeeded(device.model, terminal))
        faults.push(
          fault(
            `/places/${device.placeId}/${terminal.id}`,
            'net-missing',
            say`“${terminal.word}” of ${device.model.name} needs ${netWords(view, net)}, which does not reach this box`,
          ),
        )
      netOfTerminal[keyOfTerminal({ placeId: device.placeId, terminalId: terminal.id })] = here ? net : null
    }
  if (faults.length > 0) return refused(...faults)
  return good(assemble(view, trade, devices, nets, netOfEnd, netOfTerminal))
}

/** Lights that ask for a feed: their devices do, or they are fed all the time. */
export const lightsFed = (
  devices: readonly PlannedDevice[],
  unworked: ReadonlyMap<string, Unworked>,
): string[] => [
  ...new Set([
    ...devices
      .filter(({ model: { terminals } }) =>
        terminals.some(({ wants }) => wants === 'line' || wants === 'neutral' || wants === 'common'),
      )
      .map(({ groupId }) => groupId),
    ...alwaysOn(unworked),
  ]),
]

/** The net of a conductor that leaves the boxes, by its role; the switched one of a light that is always on is fed. */
export function netLeaving(
  ways: Ways,
  views: readonly BoxView[],
  seen: Seen,
  unworked: ReadonlyMap<string, Unworked>,
): string | null {
  const light = isLoadRole(seen.each.end.role) ? ways.circuits.lightOf(seen) : null
  return light !== null && unworked.get(light) === 'always-on'
    ? (feedOfLight(ways, views, light)?.line ?? null)
    : netOfConductor(ways, seen)
}

export function plannedDevices(view: BoxView, trade: Trade, faults: Fault[]): PlannedDevice[] {
  const say = sayIn(view.region)

  return view.places.flatMap(place => {
    if (place.place.retired) return []
    const modelId = willStand(place)
    if (modelId === null) {
      faults.push(
        fault(
          `/places/${place.place.id}`,
          'nothing-chosen',
          say`no device is chosen for ${theControl(view.record, place.place)}`,
        ),
      )
      return []
    }
    const known = deviceNamed(trade, modelId)
    const model = modelStanding(place, trade)
    if (!known) {
      faults.push(
        fault(`/places/${place.place.id}/modelId`, 'unknown-device', say`the catalogue has no “${modelId}”`),
      )
      return []
    }
    if (!model) {
      faults.push(
        fault(
          `/places/${place.place.id}/modelId`,
          'nothing-kept',
          say`${known.name} stands behind a switch, and none that could stay is recorded there`,
        ),
      )
      return []
    }
    if (place.workingInGroup === 1 && (isTwoPlace(model) || isMiddle(model)))
      faults.push(
        fault(
          `/places/${place.place.id}`,
          place.placesInGroup > 1 ? 'no-set' : 'other-place-not-known',
          place.placesInGroup > 1
            ? say`${model.name} works ${place.group.name} only together with another, and every other place is retired`
            : say`${model.name} works ${place.group.name} together with another: where that is, is not recorded`,
        ),
      )
    if (model.isolates && !isWorked(view.record, place.group.id))
      faults.push(
        fault(
          `/places/${place.place.id}`,
          'other-place-not-known',
          say`${model.name} parts what ${place.group.name} works, and where that is worked from is not recorded`,
        ),
      )
    if (place.workingInGroup === 1 && onlyTells(model))
      faults.push(
        fault(
          `/places/${place.place.id}/modelId`,
          'no-set',
          say`${model.name} works only beside a main at another place of the same light`,
        ),
      )
    return [
      {
        placeId: place.place.id,
        gang: place.place.gang,
        part: place.place.part,
        groupId: place.group.id,
        model,
        isNew: place.choice !== null,
      },
    ]
  })
}

const isWorked = (record: JobRecord, groupId: string): boolean =>
  workedFrom(record, groupId).some(({ retired }) => !retired)

export function netWords(view: BoxView, key: string): string {
  const say = sayIn(view.region)

  const { record, feeds } = view
  const net = netOf(key)
  if ('beyond' in net) return beyondWords(view, net.kind, net.beyond)
  switch (net.kind) {
    case 'line':
    case 'neutral': {
      const circuit = feeds.length > 1 ? say` of ${breakersOf(view, net.kind, net.circuitId)}` : ''
      return say`the ${net.kind === 'line' ? say`hot` : say`neutral`}${circuit}${byWords(view, net.by)}`
    }
    case 'load':
      return say`the switched conductor to ${record.groups[net.groupId]?.name ?? say`the lamp`}`
    case 'traveller':
      return say`a traveler of ${record.groups[net.groupId]?.name ?? say`the light`}`
    case 'signal':
      return say`the signal of ${record.groups[net.groupId]?.name ?? say`the light`}`
    case 'control-plus':
    case 'control-minus':
      return say`the ${net.kind === 'control-plus' ? say`+` : say`−`} of the control pair to ${record.groups[net.groupId]?.name ?? say`the light`}`
    case 'own':
      return say`a wire of its own`
    case 'ground':
      return say`the ground`
  }
}

function beyondWords({ record, region }: BoxView, pole: IsolatedPole, placeId: string): string {
  const say = sayIn(region)
  const place = record.places[placeId]
  const which = place ? whichControl(record, place) : ''
  const isolator = which === '' ? say`the isolator` : say`the isolator, ${which}`
  switch (pole) {
    case 'line':
      return say`the hot beyond ${isolator}`
    case 'load':
      return say`the switched conductor beyond ${isolator}`
    case 'neutral':
      return say`the neutral beyond ${isolator}`
  }
}

function byWords({ record, region }: BoxView, by: string | null): string {
  const say = sayIn(region)
  if (by === null) return ''
  const place = record.places[by]
  return place
    ? say` behind the protection of ${record.groups[place.groupId]?.name ?? '?'}`
    : say` of cable ${record.cables[by]?.name ?? '?'}`
}

/** A neutral that circuits share is all of theirs. */
function breakersOf({ record, region }: BoxView, kind: 'line' | 'neutral', id: string): string {
  const circuit = record.circuits[id]
  if (!circuit) return '?'
  const all = kind === 'neutral' ? [circuit, ...sharersOf(record, circuit)].sort(byPosition) : [circuit]
  return all.map(({ breaker }) => breaker).join(sayIn(region)` and `)
}

export function netWanted(
  ways: Ways,
  view: BoxView,
  device: PlannedDevice,
  terminal: Pick<Terminal, 'id' | 'wants'>,
  present: ReadonlySet<string | null>,
): string | null {
  const behind = behindOn(ways, device, terminal)
  if (behind !== null) return present.has(behind) ? behind : null
  switch (terminal.wants) {
    case 'line':
      // What stays live beyond an isolator comes in only where it goes on.
      if (
        poleOf(device.model, 'from', terminal.id) === 'line' &&
        !present.has(keyOf({ kind: 'line', beyond: device.placeId }))
      )
        return null
      return feedOfLight(ways, [view], device.groupId)?.line ?? null
    case 'load':
      return keyOf({ kind: 'load', groupId: device.groupId })
    case 'neutral': {
      const neutral = feedOfLight(ways, [view], device.groupId)?.neutral ?? null
      const retrofit = device.model.supply.some(
        way => way.kind === 'line-ground' && way.ground === terminal.id && way.retrofitOnly,
      )
      return !present.has(neutral) && retrofit && mayReferToGround(view) ? 'ground' : neutral
    }
    case 'control-plus':
    case 'control-minus': {
      const net = keyOf({ kind: terminal.wants, groupId: device.groupId })
      return present.has(net) || hasDrivers(ways, device.groupId) ? net : null
    }
    case 'ground':
      return 'ground'
    case 'signal':
      return null
    case 'own':
      return keyOf({ kind: 'own', placeId: device.placeId })
    case 'beyond': {
      const pole = poleOf(device.model, 'to', terminal.id)
      const net = pole && keyOf({ kind: pole, beyond: device.placeId })
      return pole !== 'line' || present.has(net) ? net : null
    }
    case 'common':
    case 'traveller':
    case 'pass':
      return `places:${device.groupId}`
  }
}

/** Whether anything of a light is told its level over a pair. */
const hasDrivers = ({ views }: Ways, groupId: string): boolean =>
  views.some(({ places }) =>
    places.some(
      ({ group, loads }) => group.id === groupId && loads.some(({ phase }) => phase === 'control-pair'),
    ),
  )

/** The pole of an isolator that a terminal is of; null for any other. */
function poleOf({ isolates }: DeviceModel, side: 'from' | 'to', terminalId: string): IsolatedPole | null {
  const own = Object.entries(isolates ?? {}).find(([, pole]) => pole[side] === terminalId)
  return own ? (own[0] as IsolatedPole) : null
}

/** The switched conductors that isolators in these boxes part, whether or not one leads on before them. */
export const partedLoads = (devices: readonly PlannedDevice[]): string[] =>
  devices.flatMap(({ model, groupId }) => (model.isolates ? [keyOf({ kind: 'load', groupId })] : []))

/** The net of a terminal behind the protection of its device; null for any other. */
function behindOn(
  { circuits }: Ways,
  { placeId, groupId, model }: PlannedDevice,
  { id }: Pick<Terminal, 'id'>,
): string | null {
  const { hot, neutral } = model.outlet?.protects ?? {}
  const whose = circuits.ofLight(groupId)
  if ((id !== hot && id !== neutral) || whose.kind !== 'known') return null
  return id === hot
    ? keyOf({ kind: 'line', circuitId: whose.circuitId, by: placeId })
    : keyOf({ kind: 'neutral', circuitId: circuits.neutralOf(whose.circuitId), by: placeId })
}

/** Nets behind what protects them in a box that anything else there asks for: its own terminals bring them. */
export function protectedNets(
  ways: Ways,
  view: BoxView,
  devices: readonly PlannedDevice[],
  asked: readonly (string | null)[] = [],
): string[] {
  const all = devices.flatMap(device => device.model.terminals.map(terminal => ({ device, terminal })))
  const brought = all.flatMap(({ device, terminal }) => behindOn(ways, device, terminal) ?? [])
  if (brought.length === 0) return []
  // Of its own terminals none asks for what only it brings.
  const wanted = all.map(({ device, terminal }) => netWanted(ways, view, device, terminal, new Set()))
  return brought.filter(net => wanted.includes(net) || asked.includes(net))
}

/** What would be left without the protection it has: the receptacle goes that it hangs on, and no breaker protects it. */
export function unprotected(views: readonly BoxView[], trade: Trade): Fault[] {
  return protectingIn(views, trade).flatMap(one => {
    const {
      view,
      place: { place, group, choice },
    } = one
    const isProtected =
      view.feeds.length > 0 && view.feeds.every(({ circuit }) => PROTECTS_PEOPLE.includes(circuit.protection))
    if ((!place.retired && !choice) || isProtected || hangingOn(one).length === 0) return []
    return [
      fault(
        `/places/${place.id}`,
        'protection-lost',
        sayIn(
          view.region,
        )`what hangs behind ${group.name} would lose its ground-fault protection, which no breaker gives`,
      ),
    ]
  })
}

/** Which cable leads on from an isolator to what it parts has to be known before anything is joined. */
export function waysNotKnown(views: readonly BoxView[], trade: Trade): Fault[] {
  const leaving = leavingEnds(views)
  return isolatingIn(views, trade, 'planned').flatMap(one => {
    const { view, place } = one
    if (cablesBeyond(one, circuitsOf(views), leaving).length > 0) return []
    const names = place.loads.map(({ name }) => name).join(sayIn(view.region)` and `)
    return [
      fault(
        `/places/${place.place.id}`,
        'isolator-way',
        sayIn(
          view.region,
        )`which cable leads on from ${theControl(view.record, place.place)} to ${names} is not known`,
      ),
    ]
  })
}

const PROTECTS_PEOPLE: readonly Protection[] = ['ground-fault', 'dual', 'residual-current']

export const isNeeded = (model: DeviceModel, terminal: Terminal) =>
  terminal.wants !== 'ground'
    ? !Object.values(model.outlet?.protects ?? {}).includes(terminal.id) &&
      !Object.values(model.isolates?.line ?? {}).includes(terminal.id)
    : model.groundRequired

/** What a conductor may not be used for: its colour, or that it is unfit, does not let it. */
export function colourFaults(view: BoxView, { end, conductor, name }: EndView): Fault[] {
  const say = sayIn(view.region)

  const { groundColours } = view.region
  const path = `/ends/${end.id}/role`
  if (end.role === 'neutral' && !mayBeNeutral(view.region, conductor))
    return [
      fault(path, 'not-neutral-coloured', say`${name} may not be made a neutral: it is not neutral-colored`),
    ]
  if (end.role === 'ground' && !groundColours.includes(conductor.insulation))
    return [fault(path, 'not-ground-coloured', say`${name} may not be made a ground`)]
  if (conductor.unfit && end.role !== null && end.role !== 'spare')
    return [
      fault(
        `/ends/${end.id}/unfit`,
        'unfit',
        say`${name} is too short or damaged, and no other conductor leads where it does`,
      ),
    ]
  const carries = end.role !== null && end.role !== 'ground' && end.role !== 'spare'
  if (carries && looksLikeGround(view.region, conductor))
    return [fault(path, 'ground-coloured', say`${name} is ground by its color and may carry nothing else`)]
  return []
}
