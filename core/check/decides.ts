import type { Asked, Line, Settling, Verdict } from './line'

/** Something to be found out, and where. */
export interface ToFindOut {
  readonly says: string
  readonly boxId: string
  readonly stage: Settling
  /** What of it can be said at once, each by itself; none where one has to go there. */
  readonly asked: readonly Asked[]
}

/** One thing, as it is told from others: what is passed over is named so. */
export const nameOfThing = ({ boxId, says }: Pick<ToFindOut, 'boxId' | 'says'>): string => `${boxId} ${says}`

/** What to find out, and how far that leads. */
export interface Decider {
  /** What goes together to decide anything, the first to be found out first. */
  readonly things: readonly [ToFindOut, ...ToFindOut[]]
  /** Of so many that are not known yet, so many are known with all of these. */
  readonly decides: number
  readonly open: number
}

/** Lines of one candidate, with the box that each is about. */
export interface OfCandidate {
  readonly verdict: Verdict
  readonly lines: readonly (readonly [boxId: string, line: Line])[]
}

/** Things that are weighed together; where more is not known, those that most wait for. */
const WEIGHED = 12

/**
 * What to find out next, so that most of what is not known yet is known for each thing that has to be found out.
 * Of the things that go together, what is only looked at comes before what is read; null where nothing is not known, or
 * nothing that could be found out would settle it. What is passed over cannot be found out now.
 */
export function whatDecides(
  candidates: readonly OfCandidate[],
  passedOver: readonly string[] = [],
): Decider | null {
  const open = candidates.filter(({ verdict }) => verdict === 'not-known')
  const things = new Map<string, Omit<ToFindOut, 'asked'> & { asked: readonly Asked[]; waiting: number }>()
  const needs: string[][] = []
  for (const { lines } of open) {
    const unknown = lines.filter(([, { verdict }]) => verdict === 'not-known')
    const own = new Set<string>()
    let isWithinReach = true
    for (const [boxId, { settledBy, settledOn, asked }] of unknown) {
      const key = settledBy && nameOfThing({ boxId, says: settledBy })
      if (!key || passedOver.includes(key)) {
        isWithinReach = false
        continue
      }
      const thing = things.get(key) ?? { says: settledBy, boxId, stage: settledOn, asked: [], waiting: 0 }
      thing.asked = together(thing.asked, asked)
      if (!own.has(key)) thing.waiting++
      things.set(key, thing)
      own.add(key)
    }
    if (isWithinReach) needs.push([...own])
  }
  const weighed = [...things].sort(([, a], [, b]) => b.waiting - a.waiting).slice(0, WEIGHED)
  const bitOf = new Map(weighed.map(([key], at) => [key, 1 << at]))
  const masks = new Map<number, number>()
  for (const keys of needs) {
    if (!keys.every(key => bitOf.has(key))) continue
    const mask = keys.reduce((all, key) => all | bitOf.get(key)!, 0)
    masks.set(mask, (masks.get(mask) ?? 0) + 1)
  }
  let best = { mask: 0, size: 1, decides: 0 }
  for (let mask = 1; mask < 1 << weighed.length; mask++) {
    let decides = 0
    for (const [own, times] of masks) if ((own & ~mask) === 0) decides += times
    const size = weighed.filter((_, at) => mask & (1 << at)).length
    const gain = decides * best.size - best.decides * size
    if (decides > 0 && (gain > 0 || (gain === 0 && size < best.size))) best = { mask, size, decides }
  }
  const [first, ...others] = weighed
    .flatMap(([, thing], at) => (best.mask & (1 << at) ? [thing] : []))
    .sort((a, b) => Number(a.stage === 'test') - Number(b.stage === 'test') || b.waiting - a.waiting)
    .map(({ says, boxId, stage, asked }): ToFindOut => ({ says, boxId, stage, asked }))
  return first ? { things: [first, ...others], decides: best.decides, open: open.length } : null
}

/** What one asks or the other, each once. */
const together = (some: readonly Asked[], others: readonly Asked[]): readonly Asked[] =>
  others.length === 0
    ? some
    : [...new Map([...some, ...others].map(each => [JSON.stringify(each), each])).values()]
