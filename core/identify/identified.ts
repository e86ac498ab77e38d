import type { Proof, Role } from '../model/vocabulary'
import type { Ledger, Taken } from './ledger'
import type { Unrivalled } from './rivals'
import type { Case } from './case'
import type { Answer, Question } from './question'
import { OPEN, Standing } from './standing'

/** What is known of one conductor end, and why. */
export interface Identified {
  readonly endId: string
  readonly proof: Proof
  /** Roles that remain, the likeliest first; shares of 1. */
  readonly candidates: readonly { readonly role: Role; readonly share: number }[]
  /** The light that a switched conductor serves, by the likeliest way of wiring; else null. */
  readonly lightId: string | null
  /** Readings that bear on it, in the order they were taken, by their ids. */
  readonly why: readonly string[]
  /** A neutral that nothing tells from a ground yet. */
  readonly groundOpen: boolean
}

/** What else tells a neutral from a ground. */
export interface Accounted {
  /**
   * Ends that a clamp meter found to carry the current of a light that was on, and such as were silent to
   * ground once the neutral of their circuit was lifted at the panel.
   */
  readonly toldFromGround: ReadonlySet<string>
}

/**
 * Each end of the case with its standing. *Proven*: every way of wiring that at most one reading
 * speaks against agrees on it, so that it stands whichever single reading is left out, and a
 * reading bears on it by an instrument that can prove; a neutral needs its ground accounted for as well. While no way of wiring agrees with all readings, nothing is proven.
 */
export function identified(ledger: Ledger, accounted: Accounted, { fits, closed }: Unrivalled): Identified[] {
  const { of: held, standing } = ledger
  const { frame, classes, classOf } = held
  const weights = new Map<number, number>()
  for (const at of standing) {
    const own = ledger.worth(at)
    weights.set(classOf[at]!, (weights.get(classOf[at]!) ?? 0) + own)
  }
  const total = [...weights.values()].reduce((sum, each) => sum + each, 0)
  const left = [...weights.keys()]
  const whyOf = bearing(ledger, left)
  const lights = lightsIn(ledger)
  return frame.ends.map((end): Identified => {
    const shares = new Map<Role, number>()
    for (const [own, weight] of weights) {
      const role = classes[own]![end.index]!
      shares.set(role, (shares.get(role) ?? 0) + weight / total)
    }
    const candidates = [...shares]
      .map(([role, share]) => ({ role, share }))
      .sort((a, b) => b.share - a.share || (a.role < b.role ? -1 : 1))
    const why = whyOf[end.index]!
    const groundOpen = candidates[0]?.role === 'neutral' && !groundAccounted(ledger, end.index, accounted)
    const settled =
      (end.ground || closed[end.index]!) &&
      candidates.length === 1 &&
      isBorneOut(ledger, end.index, candidates[0]!.role, why) &&
      !groundOpen
    return {
      endId: end.id,
      candidates,
      lightId: candidates.length === 1 ? lights[end.index]! : null,
      why: why.map(({ id }) => id),
      groundOpen,
      proof: !fits ? 'contradicted' : settled ? 'proven' : why.length > 0 ? 'indicated' : 'assumed',
    }
  })
}

const NEUTRAL_READINGS = 2

/** Which light each end serves that is one metal with its lamp, in the likeliest way of wiring left. */
function lightsIn({ of: held, standing: left, worth }: Ledger): (string | null)[] {
  const { frame } = held
  const none = frame.ends.map(() => null)
  const [first] = left
  if (first === undefined) return none
  const likeliest = held.hypotheses[left.reduce((best, at) => (worth(at) > worth(best) ? at : best), first)]!
  const metal = new Standing(frame)
  metal.fill(likeliest, { power: 'on', apart: 0, lampsOut: -1, off: 0 }, OPEN)
  return frame.ends.map(({ index }) => {
    const lamp = likeliest.lamps.findIndex(
      ({ over }) => metal.root(over) === metal.root(index) && metal.drive(index) === 0,
    )
    return lamp < 0 ? null : frame.survey.lights[likeliest.lamps[lamp]!.light]!.id
  })
}

/**
 * A reading bears on it, by an instrument that can prove. A neutral must itself have been read, and twice:
 * whites in a joint that nobody measured may lead nowhere, whatever else is known.
 */
export function isBorneOut(
  { of: held, taken }: Ledger,
  end: number,
  role: Role,
  why: readonly Taken[],
): boolean {
  // That nothing else can be so was searched: it takes a reading here that would have shown it.
  if (role === 'spare') return taken.some(reading => isHeldTo(held, reading, end))
  const proving = why.filter(({ question }) => canProve(question))
  return role === 'neutral'
    ? proving.filter(reading => touches(held, reading, end)).length >= NEUTRAL_READINGS
    : proving.length > 0
}

/** A light that is watched shows much, but it is no measurement. */
const canProve = ({ kind }: Question): boolean => kind !== 'light'

/** A ground that is there to be seen in the same box, or what only a neutral does under load or lifted. */
function groundAccounted({ of: { frame } }: Ledger, end: number, { toldFromGround }: Accounted): boolean {
  const { box, foundNode } = frame.ends[end]!
  return (
    frame.ends.some(other => other.box === box && other.ground) ||
    frame.ends.some(other => toldFromGround.has(other.id) && other.foundNode === foundNode)
  )
}

const SAYS_NOTHING: readonly Answer[] = ['dead', 'stays-dead', 'silent', 'stays-dark']

/** Whether a reading was held to the metal of an end, and showed something: 0 V alone proves nothing. */
export function touches(
  held: Case,
  { question, answer }: Pick<Taken, 'question' | 'answer'>,
  end: number,
): boolean {
  return !SAYS_NOTHING.includes(answer) && isHeldTo(held, { question }, end)
}

/** Whether a reading was held to the metal of an end, whatever it showed. */
function isHeldTo({ frame }: Case, { question }: Pick<Taken, 'question'>, end: number): boolean {
  const { index, foundNode } = frame.ends[end]!
  return [question.from, question.to].some(spot => {
    if (spot.kind !== 'end') return false
    const other = frame.ends[frame.indexOf.get(spot.end)!]!
    return (
      other.index === index ||
      (question.apart.length === 0 && question.off === undefined && other.foundNode === foundNode)
    )
  })
}

/** For each end, the readings that touch its metal or that spoke against another role for it. */
function bearing(ledger: Ledger, left: readonly number[]): readonly (readonly Taken[])[] {
  const { of: held, taken, spokeAgainst } = ledger
  const { frame, classes, classOf } = held
  return frame.ends.map(({ index }) => {
    const roles = new Set(left.map(own => classes[own]![index]!))
    return taken.filter(
      (reading, at) =>
        touches(held, reading, index) ||
        spokeAgainst[at]!.some(hypothesis => !roles.has(classes[classOf[hypothesis]!]![index]!)),
    )
  })
}
