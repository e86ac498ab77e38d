import { boxView, willStand, type BoxView } from '../job/box-view'
import type { DeviceModel } from '../model/device'
import type { JobRecord } from '../model/record'
import { deviceNamed, devicesFor, type Trade } from '../model/trade'
import type { Opening } from '../model/vocabulary'
import { rankOf, worst, type Cure, type Line, type Verdict } from './line'
import { everyPlaceLines } from './every-place'
import { banLines, dimmingLines } from './bans'
import { loadLines } from './load'
import { unmet, type Lacking } from './needs'
import type { Question } from './place'
import { remembered } from './remembered'
import { reachLines } from './reach'
import { returnLines } from './returns'
import { groundLines } from './ground'
import { supplyLines } from './supply'
import { boxLines } from './box'
import { sharedGangLines } from './shared-gang'
import { keptSwitchLines } from './kept-switch'
import { locationLines } from './location'
import { passageLines } from './passage'
import { separationLines } from './separation'
import { breakerLines } from './circuit-load'
import { conductorLines, regionLines, terminationLines } from './wiring'

/** What one device would be here: the verdict, every line it rests on, and what it would take. */
export interface Judgement {
  readonly device: DeviceModel
  readonly verdict: Verdict
  readonly lines: readonly Line[]
  /** Cures of every condition, the cheapest first. */
  readonly cures: readonly Cure[]
  /** Readings and measurements that would settle what is not known. */
  readonly settledBy: readonly string[]
  /** Smallest share left over all limits, or null. */
  readonly leastSpare: number | null
  readonly meetsWant: boolean
  /** What is wanted and it would not do. */
  readonly unmet: readonly Lacking[]
}

const RULES: readonly ((question: Question) => Line[])[] = [
  regionLines,
  everyPlaceLines,
  reachLines,
  supplyLines,
  groundLines,
  returnLines,
  banLines,
  loadLines,
  dimmingLines,
  breakerLines,
  conductorLines,
  terminationLines,
  boxLines,
  sharedGangLines,
  keptSwitchLines,
  locationLines,
  separationLines,
  passageLines,
]

/** Holds one device against one place. The same question gives the same lines in the same order. */
export function check(question: Question): Judgement {
  const lines: Line[] = []
  for (const rule of RULES) for (const each of rule(question)) lines.push(each)
  let leastSpare: number | null = null
  let settledBy: string[] | null = null
  for (const each of lines) {
    if (each.spare !== null && (leastSpare === null || each.spare < leastSpare)) leastSpare = each.spare
    if (each.settledBy && !settledBy?.includes(each.settledBy)) (settledBy ??= []).push(each.settledBy)
  }
  // What is wanted of a light is wanted of what works it.
  const lacking = question.place.isolates
    ? []
    : unmet(
        question.view.record,
        question.place,
        {
          members: [question.device],
          price: question.device.price,
          beside: openingsBeside(question),
        },
        question.trade,
      )
  return {
    device: question.device,
    verdict: worst(lines),
    lines,
    cures: curesOf(lines),
    settledBy: settledBy ?? [],
    leastSpare,
    meetsWant: lacking.length === 0,
    unmet: lacking,
  }
}

/** Cures of every condition, each once: those of this visit first, then the cheapest. */
function curesOf(lines: readonly Line[]): readonly Cure[] {
  const all: Cure[] = []
  for (const { cures } of lines) if (cures.length > 0) all.push(...cures)
  if (all.length < 2) return all
  return [...new Map(all.map(cure => [cure.id, cure])).values()].sort(
    (a, b) => Number(b.here) - Number(a.here) || a.price - b.price || a.minutes - b.minutes,
  )
}

/** Openings of what else is in the box, as it will be. */
export const openingsBeside = remembered(
  ({ place }: Placed) => place,
  ({ view, place, trade }): readonly Opening[] =>
    view.places.flatMap(each => {
      if (each.group.id === place.group.id) return []
      const model = deviceNamed(trade, willStand(each) ?? '')
      return model ? [model.opening] : []
    }),
)

type Placed = Pick<Question, 'view' | 'place' | 'trade'>

/**
 * Every device of the catalogue for one place, the most useful first: what does what is wanted, then
 * the better verdict, then the lower price, then the id.
 */
export function checkPlace(view: BoxView, placeId: string, trade: Trade): Judgement[] {
  const place = view.places.find(each => each.place.id === placeId)
  if (!place) return []
  return devicesFor(trade, view.region.id, 'new')
    .map(device => check({ view, place, device, trade }))
    .sort(
      (a, b) =>
        Number(b.meetsWant) - Number(a.meetsWant) ||
        rankOf(a.verdict) - rankOf(b.verdict) ||
        a.device.price - b.device.price ||
        (a.device.id < b.device.id ? -1 : 1),
    )
}

/** Every place of a job. */
export function checkJob(record: JobRecord, trade: Trade): Record<string, Judgement[]> {
  return Object.fromEntries(
    Object.values(record.places)
      .sort((a, b) => (a.id < b.id ? -1 : 1))
      .flatMap(place => {
        const view = boxView(record, place.boxId)
        return view ? [[place.id, checkPlace(view, place.id, trade)]] : []
      }),
  )
}
