import { noSuchTerminals } from '../job/no-such-terminals'
import { tabsOf } from '../job/tabs'
import { houseRule } from '../model/house-rules'
import { runsThrough, type BoxView } from '../job/box-view'
import { BLANK } from '../model/blank-rows'
import { keptApart } from '../job/low-voltage'
import { lookingForPlaces } from '../job/looking'
import { placeName } from '../job/place-name'
import { readingsInNoDoubt } from '../job/power-said'
import type { Reading } from '../model/entities'
import { rowsWith } from '../model/record'
import { looksLikeGround, type Region } from '../model/regions'
import { fault, good, refused, type Fault, type Result } from '../model/result'
import { deviceNamed, type Trade } from '../model/trade'
import type { Allowed } from './candidates'
import { tellsFromGround } from './ground'
import type { Accounted } from './identified'
import type { Taken } from './ledger'
import { answerOfVolts, type Answer, type Question, type Spot } from './question'
import type { Survey, SurveyCable, SurveyDevice, SurveyEnd, SurveyLight, SurveySeat } from './survey'
import { sayIn } from '../words/say'

/** What was recorded of some boxes that hang together, as Identify takes it. Refused with what is missing. */
export function surveyOf(views: readonly BoxView[], trade: Trade): Result<Survey> {
  const [first] = views
  if (!first) return refused(fault('/boxes', 'nothing-seen', 'no box is recorded'))
  const faults: Fault[] = []
  const devices = views.flatMap(view => {
    const say = sayIn(view.region)
    return view.places.flatMap(({ found, group, place }): SurveyDevice[] => {
      if (!found) return []
      const model = deviceNamed(trade, found.modelId)
      if (!model) {
        faults.push(
          fault(
            `/devices/${found.id}/modelId`,
            'unknown-device',
            say`the catalogue has no “${found.modelId}”`,
          ),
        )
        return []
      }
      return [
        {
          id: found.id,
          name: placeName(view.record, place),
          boxId: view.box.id,
          lightId: group.id,
          model,
          pigtails: view.pigtails.flatMap(({ jointId, deviceId, terminal }) =>
            deviceId === found.id && terminal !== null ? [{ jointId, terminalId: terminal }] : [],
          ),
        },
      ]
    })
  })
  for (const view of views)
    for (const { group } of lookingForPlaces(view, trade))
      faults.push(
        fault(
          `/groups/${group.id}/everyPlace`,
          'place-missing',
          sayIn(first.region)`where is the other switch of ${group.name}? Its place is not recorded`,
        ),
      )
  faults.push(...views.flatMap(view => noSuchTerminals(view, trade)))
  if (faults.length > 0) return refused(...faults)
  const circuits = new Set(views.flatMap(view => view.feeds.map(({ circuit }) => circuit.id)))
  return good({
    nominalVolts: first.region.nominalVolts,
    nominalBand: first.region.nominalBand,
    hints: first.region.hints,
    boxes: views.map(({ box, room }) => ({ id: box.id, name: `${room.name}, ${box.name}` })),
    cables: views.flatMap(view => cablesOf(view, views, trade)),
    devices,
    tabs: tabsIn(views, trade),
    lights: lightsOf(views, devices),
    circuitsAtMost: Math.min(3, Math.max(1, circuits.size)),
  })
}

/** The tabs between parts that were found beside each other. */
const tabsIn = (views: readonly BoxView[], trade: Trade) =>
  tabsOf(views.flatMap(view => standingIn(view, trade)))

/** What was found at the places of a box. */
const standingIn = ({ places }: BoxView, trade: Trade) =>
  places.flatMap(({ found, place }) => {
    const model = deviceNamed(trade, found?.modelId ?? '')
    return found && model ? [{ id: found.id, place, model }] : []
  })

/** A conductor that runs through unbroken is of what lies beyond: nothing can be held to it, or part it. */
function cablesOf(view: BoxView, views: readonly BoxView[], trade: Trade): SurveyCable[] {
  const through = outOfReach(views, trade)
  return view.cables.map(cable => ({
    id: `${cable.id} in ${view.box.id}`,
    boxId: view.box.id,
    name: cable.name,
    far: cable.far,
    ends: view.ends
      .filter(each => each.cable.id === cable.id && !through.has(each.end.id))
      .map(({ end, conductor, name }): SurveyEnd => ({
        id: end.id,
        name,
        insulation: conductor.insulation,
        ground: looksLikeGround(view.region, conductor),
        faded: conductor.faded,
        seat: seatOf(end),
        otherEnd:
          views
            .flatMap(other => other.ends)
            .find(
              other =>
                other.end.id !== end.id && other.conductor.id === conductor.id && !through.has(other.end.id),
            )?.end.id ?? null,
      })),
  }))
}

/** Ends that nothing is held to: of what runs through unbroken, and of pairs that no mains comes near. */
const outOfReach = (views: readonly BoxView[], trade: Trade): ReadonlySet<string> =>
  new Set(views.flatMap(view => [...runsThrough(view), ...keptApart(view, trade)]))

function seatOf({ seat, deviceId, terminal, jointId }: BoxView['ends'][number]['end']): SurveySeat {
  if (seat === 'terminal' && deviceId !== null && terminal !== null)
    return { kind: 'terminal', deviceId, terminalId: terminal }
  return seat === 'joint' && jointId !== null ? { kind: 'joint', jointId } : { kind: 'alone' }
}

/**
 * A light that nothing works by hand says nothing by answering; nor does one of which something is isolated: how that
 * stood was not said.
 */
function lightsOf(views: readonly BoxView[], devices: readonly SurveyDevice[]): SurveyLight[] {
  const places = views.flatMap(view => view.places)
  const groups = new Map(places.map(({ group }) => [group.id, group]))
  return [...groups.values()]
    .filter(({ id }) => devices.some(({ lightId }) => lightId === id))
    .map(group => ({
      id: group.id,
      name: group.name,
      cablesAtMost: Math.max(1, rowsWith(views[0]!.record, 'loads', 'groupId', group.id).length),
      behaves:
        group.behaves === 'answers' && !places.some(each => each.isolates && each.group.id === group.id)
          ? 'answers'
          : 'not-known',
    }))
}

/**
 * Readings of these boxes that say all they need to, in the order they were taken: those that were asked for, and those
 * that somebody took by hand. None of which nobody knows whether the power was on.
 */
export function takenIn(views: readonly BoxView[], trade: Trade): Taken[] {
  const boxes = views.map(({ box }) => box.id)
  const through = outOfReach(views, trade)
  return views
    .flatMap(view => readingsInNoDoubt(view).map(reading => ({ region: view.region, reading })))
    .sort((a, b) => a.reading.seq - b.reading.seq || (a.reading.id < b.reading.id ? -1 : 1))
    .flatMap(({ region, reading }) => {
      const { id, answer } = reading
      if ([reading.fromEndId, reading.toEndId].some(end => through.has(end ?? ''))) return []
      const asked = answer === null ? askedByHand(reading) : questionOf(reading, boxes)
      const question = asked && { ...asked, ...standOf(reading, views) }
      // At the holder of one light its own lamps are out as well: lamps of two are not reckoned with.
      const spots = question ? [question.from, question.to] : []
      // A device that a tab joins to another comes off with it: what that leaves is not reckoned with.
      const tabbed = tabsIn(views, trade).some(({ a, b }) => [a, b].some(of => of.deviceId === question?.off))
      if (tabbed) return []
      const lamps = spots.flatMap(spot => (spot.kind === 'lamp-holder' ? [spot.light] : []))
      if (question?.lampsOut !== undefined && lamps.some(light => light !== question.lampsOut)) return []
      return question ? [{ id, question, answer: answer ?? answerOfVolts(reading.value, region) }] : []
    })
}

/** What was out or off meanwhile, of what hangs together here; of nothing else does it make a difference. */
function standOf(
  { lampsOutGroupId, offDeviceId }: Reading,
  views: readonly BoxView[],
): Pick<Question, 'lampsOut' | 'off'> {
  const places = views.flatMap(view => view.places)
  const lamps = places.find(({ group, found }) => found !== null && group.id === lampsOutGroupId)
  const device = places.find(({ found }) => found !== null && found.id === offDeviceId)
  return {
    ...(lamps ? { lampsOut: lamps.group.id } : {}),
    ...(device ? { off: device.found!.id } : {}),
  }
}

/**
 * What a reading taken by hand asks: volts with the breaker on, by a meter that no phantom moves, between two conductors
 * or to a ground that was brought in. With the breaker off any volts are another circuit’s.
 */
function askedByHand(reading: Reading): Question | null {
  const { purpose, instrument, fromEndId, toEndId, reference, breaker, switchPosition, boxId } = reading
  if (purpose !== 'identify' || fromEndId === null || instrument !== 'low-impedance-meter') return null
  const to =
    toEndId === null && reference !== null ? ({ kind: 'earth' } as const) : spotOf(toEndId, null, null)
  if (to === null || breaker === 'off') return null
  return {
    kind: 'volts',
    power: 'on',
    apart: switchPosition === 'separated' ? [boxId] : [],
    from: { kind: 'end', end: fromEndId },
    to,
    work: null,
  }
}

function questionOf(reading: Reading, boxes: readonly string[]): Question | null {
  const { purpose, instrument, fromEndId, toEndId, toSpot, toGroupId } = reading
  if (purpose !== 'identify' || fromEndId === null) return null
  if (instrument !== 'low-impedance-meter' && instrument !== 'continuity') return null
  const to = spotOf(toEndId, toSpot, toGroupId)
  return (
    to && {
      kind: instrument === 'continuity' ? 'continuity' : 'volts',
      power: reading.breaker,
      apart: reading.stand === 'as-found' ? [] : reading.stand === 'this-box' ? [reading.boxId] : boxes,
      from: { kind: 'end', end: fromEndId },
      to,
      work: reading.workedDeviceId,
    }
  )
}

function spotOf(end: string | null, spot: Reading['toSpot'], light: string | null): Spot | null {
  if (end !== null) return { kind: 'end', end }
  if (spot === 'lamp-holder') return light === null ? null : { kind: 'lamp-holder', light }
  // The metal of a box says whether that is grounded, and nothing of a conductor.
  return spot === null || spot === 'box-metal' ? null : { kind: spot }
}

type QuestionFields = Omit<Reading, 'id' | 'boxId' | 'seq' | 'at' | 'extra'>

/** The row of a reading that answers a question; `value` as it was shown, in the unit of its instrument. */
export function readingFor(question: Question, answer: Answer, value: number, boxes: number): QuestionFields {
  const { kind, power, apart, from, to, work, lampsOut = null, off = null } = question
  const everything = apart.length === boxes && boxes > 1
  return {
    ...BLANK.readings,
    instrument: kind === 'continuity' ? 'continuity' : 'low-impedance-meter',
    fromEndId: from.kind === 'end' ? from.end : null,
    toEndId: to.kind === 'end' ? to.end : null,
    toSpot: to.kind === 'end' ? null : to.kind,
    toGroupId: to.kind === 'lamp-holder' ? to.light : null,
    value,
    breaker: power,
    switchPosition: apart.length > 0 ? 'separated' : 'not-known',
    stand: apart.length === 0 ? 'as-found' : everything ? 'all-boxes' : 'this-box',
    workedDeviceId: work,
    lampsOutGroupId: lampsOut,
    offDeviceId: off,
    answer: answer as Reading['answer'],
  }
}

const OPEN_OHMS = 100_000
/** Of nominal; in Ω where nothing sounds. */
const FIGURES: Partial<Record<Answer, number>> = { nominal: 1, 'stays-live': 1, double: 2, between: 0.5 }

/** The figure that is kept with an answer given by a button, in the unit of its instrument. */
export const valueOf = (answer: Answer, { nominalVolts }: Pick<Region, 'nominalVolts'>): number =>
  answer === 'silent' ? OPEN_OHMS : nominalVolts * (FIGURES[answer] ?? 0)

/** Conductors that a clamp meter found to carry current, or that were silent with their neutral lifted. */
export const accountedIn = (views: readonly BoxView[]): Accounted => ({
  toldFromGround: new Set(
    views.flatMap(view =>
      readingsInNoDoubt(view).flatMap(reading => (tellsFromGround(reading) ? [reading.fromEndId!] : [])),
    ),
  ),
})

/** The house’s rule on finding the line: live where conductors are apart, dead by continuity only, or whichever is shorter. */
export function allowedBy({ record }: BoxView): Allowed {
  const rule = houseRule(record, 'finding-line')
  return rule === 'live' ? { live: true, prefers: 'live' } : { live: rule !== 'dead' }
}
