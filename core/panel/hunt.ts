import { lieBeside } from '../job/floors'
import type { BoxView } from '../job/box-view'
import { tiedBoxes } from '../job/tied'
import type { Breaker, BreakerTry, Room } from '../model/entities'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
import { isSwitchedOff } from '../safety'
import { linesIn } from './lines'
import { byPosition, thrownWith } from '../model/ties'

/** Where the hunt for the breaker of one light, or of one live conductor, stands. */
export interface Hunt {
  /** The breaker, or `main`, that made it dark; null while none did. */
  readonly found: Breaker | 'main' | null
  /** Still to be tried, the likeliest first. */
  readonly toTry: readonly HuntCandidate[]
  /** Known not to be it. */
  readonly ruledOut: readonly { readonly circuit: Breaker; readonly why: 'stayed-lit' | 'off-already' }[]
  /** The main switch did not make it dark either: something beyond this panel feeds it. */
  readonly fedFromElsewhere: boolean
  readonly tries: readonly BreakerTry[]
}

export interface HuntCandidate {
  readonly circuit: Breaker
  /** How likely it is, of 1. */
  readonly share: number
  readonly why: readonly HuntReason[]
  /** Rooms that are known to go dark with it, this one left out. */
  readonly darkens: readonly Room[]
  /** Put off by whoever stood at the panel: it may not be switched now. */
  readonly putOff: boolean
}

export type HuntReason =
  | 'same-light'
  | 'same-cable'
  | 'same-box'
  | 'same-room'
  | 'next-room'
  | 'same-floor'
  | 'elsewhere'
  | 'its-label'
  | 'another-room'
  | 'lights'
  | 'finder'
  | 'large'
  | 'another-line'

/** How many times likelier each makes a breaker; found by a reading, and said by a label only. */
const WORTH: Readonly<Record<HuntReason, readonly [found: number, labelled: number]>> = {
  'same-light': [40, 10],
  'same-cable': [20, 6],
  'same-box': [6, 10],
  'same-room': [12, 6],
  'next-room': [3, 2],
  'same-floor': [1.5, 1.2],
  elsewhere: [0.4, 0.7],
  'its-label': [8, 8],
  'another-room': [0.4, 0.4],
  lights: [1.3, 1.3],
  finder: [15, 15],
  large: [0.1, 0.1],
  'another-line': [0.05, 0.05],
}

/** A circuit that hardly feeds a light: of two poles, or larger than light circuits are, in times the usual. */
const LARGE_TIMES_USUAL = 1.7

/** What is looked at while breakers are tried: the light of a place, or a meter at a conductor, named or not. */
export interface Watched {
  readonly placeId: string | null
  readonly endId: string | null
}

/**
 * The hunt for what feeds one place of a box, or a conductor that a meter is left at. Breakers come in
 * the likeliest order by what their neighbours are on, by labels and the circuit finder; none of these proves
 * anything. What stayed lit while a breaker was off is not on it. The main switch is left for last.
 */
export function huntFor(view: BoxView, { placeId, endId }: Watched): Hunt {
  const { record, box } = view
  const tries = rowsWith(record, 'breakerTries', 'boxId', box.id).filter(
    each => each.placeId === placeId && each.endId === endId,
  )
  const circuits = [...rowsOf(record, 'circuits')].sort(byPosition)
  const last = (circuitId: string | null) =>
    tries.filter(each => each.circuitId === circuitId && each.shows !== 'not-tried').at(-1)
  const stayed = new Set(
    circuits
      .filter(({ id }) => last(id)?.shows === 'stayed-lit')
      .flatMap(circuit => [circuit, ...thrownWith(record, circuit)].map(({ id }) => id)),
  )
  const dark = circuits.find(({ id }) => last(id)?.shows === 'went-dark')
  const open = circuits.filter(({ id }) => !stayed.has(id) && id !== dark?.id)
  const main = last(null)?.shows
  const found = dark ?? (main === 'went-dark' ? 'main' : null)
  const off = open.filter(({ id }) => isSwitchedOff(record, id))
  const likely = open
    .filter(circuit => !off.includes(circuit))
    .map(circuit => ({ circuit, ...judged(view, { placeId, endId }, circuit, tries) }))
  const total = likely.reduce((sum, { worth }) => sum + worth, 0)
  return {
    found,
    toTry: likely
      .map(({ circuit, worth, why }): HuntCandidate => ({
        circuit,
        share: worth / total,
        why,
        darkens: darkenedBy(record, circuit).filter(({ id }) => id !== view.room.id),
        putOff: tries.some(each => each.circuitId === circuit.id && each.shows === 'not-tried'),
      }))
      .sort(
        (a, b) =>
          Number(a.putOff) - Number(b.putOff) || b.share - a.share || byPosition(a.circuit, b.circuit),
      ),
    ruledOut: circuits
      .filter(circuit => stayed.has(circuit.id) || off.includes(circuit))
      .map(circuit => ({ circuit, why: stayed.has(circuit.id) ? 'stayed-lit' : 'off-already' })),
    fedFromElsewhere: found === null && main === 'stayed-lit',
    tries,
  }
}

/** Rooms that are known to go dark with a breaker, by whatever says so, and with all that its handle throws. */
export const darkenedBy = (record: JobRecord, circuit: Breaker): Room[] => [
  ...new Set(
    [circuit, ...thrownWith(record, circuit)].flatMap(({ id }) =>
      rowsWith(record, 'feeds', 'circuitId', id).flatMap(
        ({ boxId }) => record.rooms[record.boxes[boxId]?.roomId ?? ''] ?? [],
      ),
    ),
  ),
]

function judged(
  view: BoxView,
  { placeId, endId }: Watched,
  circuit: Breaker,
  tries: readonly BreakerTry[],
): { worth: number; why: HuntReason[] } {
  const { record, region } = view
  const near = neighbours(view, placeId)
  const feeds = rowsWith(record, 'feeds', 'circuitId', circuit.id)
  let worth = 1
  const why: HuntReason[] = []
  const because = (reason: HuntReason, found: boolean) => {
    worth *= WORTH[reason][found ? 0 : 1]
    why.push(reason)
  }
  // The nearest of its neighbours says most; those further off then add nothing to it.
  const reached = near.find(({ boxes }) => feeds.some(({ boxId }) => boxes.has(boxId)))
  if (reached)
    because(
      reached.reason,
      feeds.some(({ boxId, basis }) => reached.boxes.has(boxId) && basis === 'reading'),
    )
  else if (feeds.length > 0)
    because(
      'elsewhere',
      feeds.some(({ basis }) => basis === 'reading'),
    )
  const label = circuit.labelHolds === 'no' ? '' : circuit.label.toLowerCase()
  const names = (name: string) => wordsOf(name).some(word => label.includes(word))
  if (names(view.room.name)) because('its-label', false)
  else if (!why.includes('elsewhere') && rowsOf(record, 'rooms').some(({ name }) => names(name)))
    because('another-room', false)
  if (/\blight/.test(label)) because('lights', false)
  // Two lines that are not joined are seldom of one circuit.
  if (linesIn(view).some(line => line.circuit?.id === circuit.id && line.end.end.id !== endId))
    because('another-line', true)
  if (tries.some(each => each.circuitId === circuit.id && each.hinted)) because('finder', false)
  if (circuit.poles > 1 || circuit.ratedAmps > LARGE_TIMES_USUAL * region.usualBreakerAmps)
    because('large', false)
  return { worth, why }
}

/** Words that a label could share with a room’s name. */
const wordsOf = (name: string): string[] =>
  name
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(word => word.length > 3 && word !== 'room')

/** Boxes that tell something of a box, the nearest first. */
function neighbours(
  { record, box, room, places }: BoxView,
  placeId: string | null,
): { reason: HuntReason; boxes: ReadonlySet<string> }[] {
  const groupId = places.find(({ place }) => place.id === placeId)?.group.id
  const rooms = rowsOf(record, 'rooms')
  const at = rooms.findIndex(({ id }) => id === room.id)
  // Where nobody said how two rooms lie, those next to each other in the list are taken for neighbours.
  const beside = rooms.filter(
    (each, index) =>
      each.id !== room.id &&
      (lieBeside(room, each) ?? (Math.abs(index - at) === 1 && each.floor === room.floor)),
  )
  const inRooms = (wanted: readonly ({ readonly id: string } | undefined)[]) =>
    new Set(
      rowsOf(record, 'boxes').flatMap(({ id, roomId }) =>
        wanted.some(each => each?.id === roomId) ? [id] : [],
      ),
    )
  const sameLight = rowsOf(record, 'places').flatMap(each =>
    each.groupId === groupId && each.boxId !== box.id ? [each.boxId] : [],
  )
  return [
    { reason: 'same-light', boxes: new Set(sameLight) },
    {
      reason: 'same-cable',
      boxes: new Set(
        tiedBoxes(record, box.id).flatMap(each => (each.box.id === box.id ? [] : [each.box.id])),
      ),
    },
    { reason: 'same-box', boxes: new Set([box.id]) },
    { reason: 'same-room', boxes: inRooms([room]) },
    { reason: 'next-room', boxes: inRooms(beside) },
    { reason: 'same-floor', boxes: inRooms(rooms.filter(({ floor }) => floor === room.floor)) },
  ]
}
