import type { Line, Settling, Verdict } from './line'

/** Something to be found out, and where. */
export interface ToFindOut {
  readonly says: string
  readonly boxId: string
  readonly stage: Settling
}

/** What to find out first, and how far that leads. */
export interface Decider {
  readonly first: ToFindOut
  /** With how many other things it decides anything. */
  readonly besides: number
  /** Of so many that are not known yet, so many are known with all of these. */
  readonly decides: number
  readonly open: number
}

/** Lines of one candidate, with the box that each is about. */
export interface OfCandidate {
  readonly verdict: Verdict
  readonly lines: readonly (readonly [boxId: string, line: Line])[]
}

/**
 * The one thing to find out next, so that most of what is not known yet is known for the least that has to be found out.
 * Of the things that go together, what is only looked at comes before what is read; null where nothing is not known, or
 * nothing that could be found out would settle it.
 */
export function whatDecides(candidates: readonly OfCandidate[]): Decider | null {
  const known = new Map<string, ToFindOut>()
  const asked = new Map<string, number>()
  const open: ReadonlySet<string>[] = []
  let unknown = 0
  for (const { verdict, lines } of candidates) {
    if (verdict !== 'not-known') continue
    unknown++
    const own = new Set<string>()
    let isSettled = true
    for (const [boxId, line] of lines) {
      if (line.verdict !== 'not-known') continue
      if (!line.settledBy) isSettled = false
      else {
        const key = `${boxId} ${line.settledBy}`
        known.set(key, { says: line.settledBy, boxId, stage: line.settledOn })
        own.add(key)
      }
    }
    for (const key of own) asked.set(key, (asked.get(key) ?? 0) + 1)
    if (isSettled) open.push(own)
  }
  let best: { readonly needs: ReadonlySet<string>; readonly decides: number } | null = null
  const seen = new Set<string>()
  for (const needs of open) {
    const name = [...needs].sort().join('\n')
    if (seen.has(name)) continue
    seen.add(name)
    const decides = open.filter(each => [...each].every(key => needs.has(key))).length
    const isBetter =
      best === null ||
      decides * best.needs.size > best.decides * needs.size ||
      (decides * best.needs.size === best.decides * needs.size && needs.size < best.needs.size)
    if (isBetter) best = { needs, decides }
  }
  if (best === null) return null
  const [first] = [...best.needs].sort(
    (a, b) =>
      Number(known.get(a)!.stage === 'test') - Number(known.get(b)!.stage === 'test') ||
      asked.get(b)! - asked.get(a)! ||
      (a < b ? -1 : 1),
  )
  return { first: known.get(first!)!, besides: best.needs.size - 1, decides: best.decides, open: unknown }
}
