import { boxView, isOwnLead, runsThrough, type BoxView } from '../job/box-view'
import type { Room, Row } from '../model/entities'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
import { deviceNamed, type Trade } from '../model/trade'
import { claimStatus } from '../identify'
import { isolationOf, mayReturnIn } from '../safety'
import { learnedPace } from './pace'
import { progressOf } from './progress'
import { isForWiring } from './settled'
import { planBox } from './steps'
import {
  boxByBox,
  inThisOrder,
  inTurn,
  leastWalks,
  minutesOf,
  type Limits,
  type Ordered,
  type Piece,
} from './walks'
import { sayFor } from '../model/say-for'

/** Between `apart` and `live` a box is made safe to stand: its conductors capped one by one, and covered. */
export const TURN_KINDS = ['apart', 'safe', 'live', 'close', 'work'] as const
export type TurnKind = (typeof TURN_KINDS)[number]

/** A box in one stretch of the day. */
export interface Turn {
  readonly boxId: string
  readonly kind: TurnKind
  /** Who does it; null where nobody of the crew may. */
  readonly who: string | null
  /** Minutes from the start of the day. */
  readonly from: number
  readonly minutes: number
}

export const TURN_WORDS: Readonly<Record<Turn['kind'], string>> = {
  apart: 'Read dead, take apart',
  safe: 'Cap each, cover',
  live: 'Read live',
  close: 'Put together, close',
  work: 'Wire',
}

/** What happens between two walks to the panel. */
export interface DayStretch {
  readonly off: readonly string[]
  /** Thrown at the walk before it. */
  readonly toOff: readonly string[]
  readonly toOn: readonly string[]
  /** Boxes that are apart while what may feed them is on: capped and covered. */
  readonly standing: readonly string[]
  readonly walkMinutes: number
  readonly from: number
  readonly minutes: number
  readonly turns: readonly Turn[]
}

export interface Day {
  readonly stretches: readonly DayStretch[]
  readonly walks: number
  /** No order has fewer. */
  readonly walksAtLeast: number
  /** Walks and minutes when every box is done by itself, in the order of the record. */
  readonly boxByBox: { readonly walks: number; readonly minutes: number }
  readonly minutes: number
  /** What the least order would take, where somebody gave another. */
  readonly best: { readonly walks: number; readonly minutes: number }
  /** Needs that are not kept, in words. */
  readonly broken: readonly string[]
  /** Boxes that wait for a device or for roles, and are not in the day. */
  readonly waiting: readonly string[]
  /** Boxes that are wired, of all that hold a control. */
  readonly wired: { readonly done: number; readonly of: number }
  /** What it takes that no box stands bare while a breaker is on: boxes, minutes, and caps wanted at once. */
  readonly madeSafe: { readonly boxes: number; readonly minutes: number; readonly caps: number }
  /** Share of the planned minutes that work took on this job so far; 1 where nothing was finished. */
  readonly pace: number
}

/** Minutes of a working day. */
export const DAY_MINUTES = 480
const APART_MINUTES = 3
/** A live identification of a box, at the least. */
const LIVE_MINUTES = 5
/** What was only read: its conductors back in their joints and on their screws, folded in. */
const CLOSE_MINUTES = 5

/**
 * The order of the work that is open: pieces per box, walks to the panel, who does what and when. In the least order,
 * or in the one that somebody gave. Minutes are the plan's, times what this job has taught.
 */
export function dayOf(record: JobRecord, trade: Trade): Day {
  const crew = rowsOf(record, 'crew')
  const hands = crew.filter(({ atPanel }) => !atPanel).length || 1
  const pace = learnedPace(record, trade)
  const views = rowsOf(record, 'boxes').flatMap(({ id }) => boxView(record, id) ?? [])
  const open = views.flatMap(view => {
    const pieces = piecesOf(view, trade, pace)
    return pieces.length > 0 ? [{ view, pieces }] : []
  })
  const waiting = views.filter(view => isWaiting(view, trade)).map(({ box }) => box.id)
  const walkMinutes = crew.some(({ atPanel }) => atPanel) ? HELPER_MINUTES : trade.minutes.switching
  const readers = crew.filter(({ atPanel, readsLive }) => readsLive && !atPanel).length
  const limits: Limits = {
    hands,
    readers: crew.length > 0 ? readers : hands,
    walkMinutes,
    all: rowsOf(record, 'circuits').map(({ id }) => id),
    offAtMost: offLimits(record),
  }
  const pieces = open.flatMap(each => each.pieces)
  const given = givenOrder(record, open)
  const best = leastWalks(pieces, limits)
  const used = given ? inThisOrder(given, limits) : best
  const stretches = timed(used, pieces, crew, walkMinutes)
  const took = (of: Ordered) =>
    of.walks * walkMinutes + of.stretches.reduce((sum, { minutes }) => sum + minutes, 0)
  const alone = boxByBox(pieces)
  return {
    stretches,
    walks: used.walks,
    walksAtLeast: best.atLeast,
    best: { walks: best.walks, minutes: took(best) },
    minutes: took(used),
    boxByBox: {
      walks: alone,
      minutes: alone * walkMinutes + minutesOf(inTurn(pieces, limits), 1),
    },
    broken: brokenNeeds(record, stretches, walkMinutes),
    waiting,
    wired: {
      done: views.filter(view => view.places.length > 0 && isWired(view, trade)).length,
      of: views.filter(view => view.places.length > 0).length,
    },
    madeSafe: madeSafe(record, stretches),
    pace,
  }
}

/** A helper at the panel is told by radio. */
const HELPER_MINUTES = 0.5

/** Nothing can be done at it yet, though something is to be done. */
const isWaiting = (view: BoxView, trade: Trade): boolean =>
  view.places.length > 0 && !isWired(view, trade) && piecesOf(view, trade, 1).length === 0

const isWired = (view: BoxView, trade: Trade): boolean =>
  progressOf(view, trade).stages.some(({ stage, state }) => stage === 'wire' && state === 'done')

/** Work at one box as pieces between walks: what is to be read live, and what the plan or the devices ask for. */
function piecesOf(view: BoxView, trade: Trade, pace: number): Piece[] {
  if (view.ends.length === 0 || isWired(view, trade)) return []
  if (view.box.kind === 'control' ? view.places.length === 0 : !isForWiring(view)) return []
  const breakers = isolationOf(view).toSwitchOff.flatMap(circuit =>
    circuit ? [circuit.id] : rowsOf(view.record, 'circuits').map(({ id }) => id),
  )
  const through = runsThrough(view)
  const unread = view.ends.filter(
    each =>
      each.end.role !== 'spare' &&
      !isOwnLead(each) &&
      !through.has(each.end.id) &&
      claimStatus(view, each).proof !== 'proven',
  )
  const first = isWantedLit(view.record, view.room)
  const { id } = view.box
  const base = { boxId: id, breakers, first }
  const safeMinutes = (view.ends.length * trade.minutes['lever-joint'] + trade.minutes.covering) * pace
  // What may be another circuit’s return is read once more, on its own.
  const parted = view.joints.flatMap(({ id: jointId }) => mayReturnIn(view, jointId)).length
  const readings: Piece[] =
    unread.length === 0
      ? []
      : [
          {
            ...base,
            id: `${id}:apart`,
            kind: 'apart',
            minutes:
              (APART_MINUTES + (view.ends.length + parted) * trade.minutes.reading) * pace + safeMinutes,
            safeMinutes,
            after: [],
          },
          {
            ...base,
            id: `${id}:live`,
            kind: 'live',
            minutes: Math.max(LIVE_MINUTES, unread.length * trade.minutes.reading) * pace,
            after: [`${id}:apart`],
          },
        ]
  const minutes = workMinutes(view, trade)
  if (readings.length === 0 && minutes === 0) return []
  const after = readings.length > 0 ? [`${id}:live`] : []
  // Nothing stays open overnight: what is not wired is put together again.
  const last: Piece =
    minutes > 0
      ? { ...base, id: `${id}:work`, kind: 'work', minutes: minutes * pace, after }
      : { ...base, id: `${id}:close`, kind: 'close', minutes: CLOSE_MINUTES * pace, after }
  return [...readings, last]
}

/** By the open steps of its plan; by the sheets of its devices while there is no plan yet. */
function workMinutes(view: BoxView, trade: Trade): number {
  const chosen = view.places.filter(({ choice }) => choice !== null)
  const { routed, steps } = planBox(view, trade)
  if (!routed.ok)
    return chosen.reduce((sum, { choice }) => sum + (deviceNamed(trade, choice!.modelId)?.minutes ?? 0), 0)
  if (!isForWiring(view)) return 0
  const open = steps.filter(({ done }) => !done)
  if (!open.some(({ kind }) => kind === 'touch')) return 0
  return open
    .filter(({ kind }) => kind === 'touch' || kind === 'reading' || kind === 'record')
    .reduce((sum, step) => sum + step.minutes, 0)
}

const offLimits = (record: JobRecord): Record<string, number> =>
  Object.fromEntries(
    rowsWith(record, 'keeps', 'kind', 'off-at-most').flatMap(({ circuitId, minutes }) =>
      circuitId !== null && minutes !== null ? [[circuitId, minutes]] : [],
    ),
  )

/** The pieces in the order somebody gave their boxes; boxes that came later stand at the end. */
function givenOrder(
  record: JobRecord,
  open: readonly { readonly view: BoxView; readonly pieces: readonly Piece[] }[],
): Piece[] | null {
  const turns = rowsOf(record, 'turns')
  if (turns.length === 0) return null
  const place = (boxId: string) => turns.find(turn => turn.boxId === boxId)?.position ?? Infinity
  return [...open].sort((a, b) => place(a.view.box.id) - place(b.view.box.id)).flatMap(({ pieces }) => pieces)
}

/** Who does which piece and when: the longest to whoever is free, live readings to those who may take them. */
function timed(
  { stretches }: Ordered,
  pieces: readonly Piece[],
  crew: readonly Row<'crew'>[],
  walkMinutes: number,
): DayStretch[] {
  const people = crew
    .filter(({ atPanel }) => !atPanel)
    .sort((a, b) => Number(b.readsLive) - Number(a.readsLive))
  const names = people.length > 0 ? people : [{ name: '', readsLive: true }]
  let clock = 0
  let off: readonly string[] = []
  const apart = new Map<string, readonly string[]>()
  return stretches.map((stretch): DayStretch => {
    const toOff = stretch.off.filter(id => !off.includes(id))
    const toOn = off.filter(id => !stretch.off.includes(id))
    const from = clock + (toOff.length + toOn.length > 0 ? walkMinutes : 0)
    const free = names.map(() => from)
    const turns = stretch.pieces.flatMap((id): Turn[] => {
      const piece = pieces.find(each => each.id === id)!
      const may = names.flatMap(({ readsLive }, at) => (piece.kind !== 'live' || readsLive ? [at] : []))
      const at = may.reduce<number | null>(
        (best, each) => (best === null || free[each]! < free[best]! ? each : best),
        null,
      )
      const begins = free[at ?? 0]!
      free[at ?? 0] = begins + piece.minutes
      const { safeMinutes = 0 } = piece
      const own = { boxId: piece.boxId, who: at === null ? null : names[at]!.name }
      const toApart = piece.minutes - safeMinutes
      return [
        { ...own, kind: piece.kind, from: begins, minutes: toApart },
        ...(safeMinutes > 0
          ? [{ ...own, kind: 'safe' as const, from: begins + toApart, minutes: safeMinutes }]
          : []),
      ]
    })
    clock = Math.max(from, ...free)
    off = stretch.off
    const standing = [...apart].flatMap(([boxId, breakers]) =>
      breakers.every(id => stretch.off.includes(id)) ? [] : [boxId],
    )
    for (const id of stretch.pieces) {
      const { kind, boxId, breakers } = pieces.find(each => each.id === id)!
      if (kind === 'apart') apart.set(boxId, breakers)
      else if (kind !== 'live') apart.delete(boxId)
    }
    return { off: stretch.off, toOff, toOn, standing, walkMinutes, from, minutes: clock - from, turns }
  })
}

function madeSafe(record: JobRecord, stretches: readonly DayStretch[]): Day['madeSafe'] {
  const capped = stretches.flatMap(({ turns }) => turns.filter(({ kind }) => kind === 'safe'))
  const endsIn = (boxId: string) => rowsWith(record, 'ends', 'boxId', boxId).length
  const standing = new Set<string>()
  const caps = stretches.map(({ turns }) => {
    for (const { kind, boxId } of turns) if (kind === 'safe') standing.add(boxId)
    const now = [...standing].reduce((sum, boxId) => sum + endsIn(boxId), 0)
    for (const { kind, boxId } of turns) if (kind === 'close' || kind === 'work') standing.delete(boxId)
    return now
  })
  return {
    boxes: capped.length,
    minutes: capped.reduce((sum, { minutes }) => sum + minutes, 0),
    caps: Math.max(0, ...caps),
  }
}

const isWantedLit = (record: JobRecord, { id }: Room): boolean =>
  rowsWith(record, 'keeps', 'roomId', id).some(({ kind }) => kind === 'lit-tonight')

/** Needs that this day does not keep, and live readings that nobody of the crew may take. */
function brokenNeeds(record: JobRecord, stretches: readonly DayStretch[], walkMinutes: number): string[] {
  const say = sayFor(record)

  const turns = stretches.flatMap(each => each.turns)
  const tooLong = rowsWith(record, 'keeps', 'kind', 'off-at-most').flatMap(
    ({ circuitId, minutes }): string[] => {
      if (circuitId === null || minutes === null) return []
      const { breaker, label } = record.circuits[circuitId]!
      const longest = longestOff(stretches, circuitId, walkMinutes)
      return longest > minutes + 1e-9
        ? [
            say`${breaker} (${label || say`no label`}) is off for ${Math.round(longest)} min at a stretch; ${minutes} are allowed`,
          ]
        : []
    },
  )
  const late = rowsOf(record, 'rooms').filter(
    room =>
      // Where people pass through nobody has to ask for it.
      (room.kind === 'passage' || isWantedLit(record, room)) &&
      turns.some(
        ({ boxId, kind, from, minutes }) =>
          (kind === 'work' || kind === 'close') &&
          record.boxes[boxId]!.roomId === room.id &&
          from + minutes > DAY_MINUTES,
      ),
  )
  return [
    ...tooLong,
    ...late.map(({ name, kind }) =>
      kind === 'passage'
        ? say`${name} is not finished within the day, and nobody passes through in the dark: a light for the night`
        : say`${name} is not finished within the day`,
    ),
    ...(turns.some(({ who }) => who === null) ? [say`nobody of the crew may take live readings`] : []),
  ]
}

function longestOff(stretches: readonly DayStretch[], circuitId: string, walkMinutes: number): number {
  let longest = 0
  let run = 0
  for (const { off, minutes } of stretches) {
    run = off.includes(circuitId) ? run + minutes + (run > 0 ? walkMinutes : 0) : 0
    longest = Math.max(longest, run)
  }
  return longest
}
