import type { Frame, FrameEnd } from './frame'
import { keyOf, type Answer, type Question } from './question'

/** Two ends in different boxes, and whether they sounded as one conductor with every box apart. */
export interface Followed {
  readonly a: number
  readonly b: number
  readonly sounds: boolean
}

/** Readings that follow a conductor from box to box: dead, by continuity, with all conductors of all boxes apart. */
export function followedIn(
  { survey, indexOf, ends }: Frame,
  taken: readonly { readonly question: Question; readonly answer: Answer }[],
): Followed[] {
  return taken.flatMap(({ question: { kind, apart, from, to }, answer }): Followed[] => {
    if (kind !== 'continuity' || apart.length < survey.boxes.length) return []
    if (from.kind !== 'end' || to.kind !== 'end') return []
    const [a, b] = [indexOf.get(from.end), indexOf.get(to.end)]
    if (a === undefined || b === undefined || ends[a]!.box === ends[b]!.box) return []
    return [{ a, b, sounds: answer !== 'silent' }]
  })
}

/** How likely, beside the others, two ends are of one conductor; by what can be seen, and what was followed. */
const OTHER_COLOUR = 0.2
const OTHER_SEAT = 0.3
const SAID_TO_GO_ELSEWHERE = 0.3
const SAID_TO_RUN = 3
const SILENT = 0.6
const SOUNDED = 100

/**
 * Where there are too many ways of wiring to think of them all: the two ends that are likeliest to be of one
 * conductor and have not been tried. Null where every conductor that can be followed was.
 */
export function nextToFollow(
  frame: Frame,
  followed: readonly Followed[],
  skipped: ReadonlySet<string> = new Set(),
): Question | null {
  const { ends, cables, survey } = frame
  const sounded = followed.filter(({ sounds }) => sounds)
  const done = new Set(sounded.flatMap(({ a, b }) => [a, b]))
  const tried = new Set(followed.flatMap(({ a, b }) => [`${a} ${b}`, `${b} ${a}`]))
  const free = ends.filter(({ ground, other, index }) => !ground && other < 0 && !done.has(index))
  const between = (one: number, other: number, list: readonly Followed[]) =>
    list.filter(({ a, b }) =>
      [
        [a, b],
        [b, a],
      ].some(([x, y]) => ends[x!]!.cable === one && ends[y!]!.cable === other),
    ).length
  const runsElsewhere = (own: number, other: number) =>
    sounded.some(({ a, b }) =>
      [
        [a, b],
        [b, a],
      ].some(([x, y]) => ends[x!]!.cable === own && ends[y!]!.cable !== other),
    )
  const likely = (a: FrameEnd, b: FrameEnd): number => {
    if (cables[a.cable]!.ends.length !== cables[b.cable]!.ends.length) return 0
    if (runsElsewhere(a.cable, b.cable) || runsElsewhere(b.cable, a.cable)) return 0
    let share =
      SILENT **
      between(
        a.cable,
        b.cable,
        followed.filter(({ sounds }) => !sounds),
      )
    if (between(a.cable, b.cable, sounded) > 0) share *= SOUNDED
    for (const { cable } of [a, b]) {
      const { far } = survey.cables[cable]!
      share *= far === 'box' ? SAID_TO_RUN : far === 'not-known' ? 1 : SAID_TO_GO_ELSEWHERE
    }
    if (a.insulation !== b.insulation) share *= OTHER_COLOUR
    if ((a.seat.kind === 'terminal') !== (b.seat.kind === 'terminal')) share *= OTHER_SEAT
    return share
  }
  const asked = (a: FrameEnd, b: FrameEnd): Question => ({
    kind: 'continuity',
    power: 'off',
    apart: survey.boxes.map(({ id }) => id),
    from: { kind: 'end', end: a.id },
    to: { kind: 'end', end: b.id },
    work: null,
  })
  let best: { question: Question; share: number } | null = null
  for (const a of free)
    for (const b of free) {
      if (a.box >= b.box || tried.has(`${a.index} ${b.index}`)) continue
      const share = likely(a, b)
      if (share <= (best?.share ?? 0)) continue
      const question = asked(a, b)
      if (!skipped.has(keyOf(question))) best = { question, share }
    }
  return best?.question ?? null
}
