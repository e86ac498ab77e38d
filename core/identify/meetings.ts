import type { Frame } from './frame'

/** Pairs of ends that are one metal beyond the boxes, by no source. */
export type Meeting = readonly (readonly [a: number, b: number])[]

/** The end that stands for all that an end meets. */
export const firstOf = (meeting: Meeting, end: number): number =>
  meeting.find(([, b]) => b === end)?.[0] ?? end

type Cables = readonly [one: number, other: number]

/** What cables of different boxes may meet beyond those that are known to: one pair more than would join the boxes. */
const BEYOND_JOINING = 1

/**
 * Every way in which conductors may meet beyond the boxes, fewest cables first. Runs that were followed stand in all of
 * them; of two cables that meet any conductors may. `sounded`: ends that sounded as one with every box apart, whose
 * cables are taken to meet. `isFree`: whether an end may meet another so. `fits` is asked after each pair; what it
 * refuses is not gone on with.
 */
export function* meetings(
  frame: Frame,
  sounded: Meeting,
  isFree: (end: number) => boolean,
  fits: (pairs: Meeting) => boolean,
): Generator<Meeting> {
  const { cables, ends } = frame
  if (frame.survey.boxes.length === 1) return yield* withinOneBox(frame, isFree, fits)
  const free = cables.map(cable => cable.ends.filter(end => ends[end]!.other < 0 && isFree(end)))
  const isKnown = ([a, b]: Cables) =>
    sounded.some(pair => [a, b].every(cable => pair.some(end => ends[end]!.cable === cable)))
  const pairs = cables.flatMap((one, a) =>
    cables.flatMap((other, b): Cables[] =>
      a < b && one.box !== other.box && free[a]!.length > 0 && free[b]!.length > 0 ? [[a, b]] : [],
    ),
  )
  const known = pairs.filter(isKnown)
  const others = pairs.filter(pair => !isKnown(pair))
  const most = componentsOf(frame, sounded) - 1 + BEYOND_JOINING
  // What sounded as one is supposed to meet first; all else after it.
  const asSounded = sounded
    .filter(pair => pair.every(end => free[ends[end]!.cable]!.includes(end)))
    .filter((pair, at, all) => !all.slice(0, at).some(other => other.some(end => pair.includes(end))))
  if (asSounded.length > 0 && fits(asSounded)) yield asSounded
  for (let count = 0; count <= most; count++)
    for (const chosen of choices(others, count))
      yield* matched(
        [...known.map(pair => ({ pair, least: 0 })), ...chosen.map(pair => ({ pair, least: 1 }))],
        free,
        [],
        fits,
      )
}

/** In one box two may be one. */
function* withinOneBox(
  { ends }: Frame,
  isFree: (end: number) => boolean,
  fits: (pairs: Meeting) => boolean,
): Generator<Meeting> {
  if (!fits([])) return
  yield []
  const free = ends.filter(({ index, ground, other }) => !ground && other < 0 && isFree(index))
  for (const [at, a] of free.entries())
    for (const b of free.slice(at + 1)) {
      const pair: Meeting = [[a.index, b.index]]
      if (a.foundNode !== b.foundNode && fits(pair)) yield pair
    }
}

/** How many parts the boxes fall into, by the runs that are known. */
function componentsOf({ ends, survey }: Frame, sounded: Meeting): number {
  const part = survey.boxes.map((_, box) => box)
  const rootOf = (box: number): number => (part[box] === box ? box : rootOf(part[box]!))
  for (const { box, other } of ends) if (other >= 0) part[rootOf(box)] = rootOf(ends[other]!.box)
  for (const [a, b] of sounded) part[rootOf(ends[a]!.box)] = rootOf(ends[b]!.box)
  return new Set(part.map((_, box) => rootOf(box))).size
}

function* choices<Item>(items: readonly Item[], count: number, from = 0): Generator<readonly Item[]> {
  if (count === 0) return yield []
  for (let at = from; at < items.length; at++)
    for (const rest of choices(items, count - 1, at + 1)) yield [items[at]!, ...rest]
}

/** Every partial matching of the conductors of the cables that meet, most of them first. */
function* matched(
  meeting: readonly { readonly pair: Cables; readonly least: number }[],
  free: readonly (readonly number[])[],
  chosen: Meeting,
  fits: (pairs: Meeting) => boolean,
): Generator<Meeting> {
  const [first, ...rest] = meeting
  if (!first) {
    if (chosen.length === 0 && !fits(chosen)) return
    return yield chosen
  }
  const taken = new Set(chosen.flat())
  const [near, far] = first.pair.map(cable => free[cable]!.filter(end => !taken.has(end))) as [
    number[],
    number[],
  ]
  for (const pairs of matchings(near, far, [], added => fits([...chosen, ...added])))
    if (pairs.length >= first.least) yield* matched(rest, free, [...chosen, ...pairs], fits)
}

function* matchings(
  near: readonly number[],
  far: readonly number[],
  chosen: Meeting,
  fits: (pairs: Meeting) => boolean,
): Generator<Meeting> {
  const [first, ...rest] = near
  if (first === undefined) return yield chosen
  for (const end of far) {
    const more: Meeting = [...chosen, [first, end]]
    if (fits(more))
      yield* matchings(
        rest,
        far.filter(each => each !== end),
        more,
        fits,
      )
  }
  yield* matchings(rest, far, chosen, fits)
}
