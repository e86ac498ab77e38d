import type { Role } from '../model/vocabulary'
import { SOURCES, type Frame } from './frame'
import type { Ledger } from './ledger'
import { networks } from './networks'

/** Unseen loads that the simplest network may need before nothing is said to fit. */
const UNSEEN_AT_MOST = 4
/**
 * Unseen loads that a rival may have beyond what the simplest network needs, while nothing was read live: dead, a lamp
 * sounds like a wire, also one of another circuit.
 */
const UNSEEN_WHILE_DEAD = 2
/** How far is searched, in things supposed: what a person waits for, and what goes on beside. */
const SOON = 2_000
/** What is not gone through in the end is not proven. */
const FURTHER_AND_FURTHER: readonly number[] = [8_000, 30_000, 200_000]

/** Whether an answer is wanted at once, or as much as is ever said. */
export type Reach = 'soon' | 'far'

/** What a search came to, and the reading to take next. */
interface Searched<Worth> {
  readonly unrivalled: Unrivalled
  readonly next: Worth | null
  /** Nothing is asked before more was searched. */
  readonly further: boolean
}
/** From so many minutes on a reading is not asked for before all was searched that others might tell. */
const A_TRIP = 2
const SOME = 6
/** Rivals looked for to each claim, so that the next reading is chosen against several. */
const A_FEW = 3

/** What no network speaks against, as far as was searched. */
export interface Unrivalled {
  /** False where no network at all agrees with every reading. */
  readonly fits: boolean
  /** Whether all was gone through. */
  readonly finished: boolean
  /** For each end, whether it has one role in every network that at most one reading speaks against. */
  readonly closed: readonly boolean[]
}

/**
 * Looks for networks beyond what is usual: for one that agrees with the readings, and for such as would give another
 * role to an end on which all that is thought of agrees. What it finds the ledger learns, until it forgets it before
 * the next reading is taken.
 */
export class Rivals {
  constructor(readonly frame: Frame) {}

  /** As far as is searched while something else is asked for anyway. */
  briefly(ledger: Ledger): Unrivalled {
    return this.#search(ledger, SOON)
  }

  /** As far as is ever searched. */
  thoroughly(ledger: Ledger): Unrivalled {
    return this.#search(ledger, FURTHER_AND_FURTHER.at(-1)!)
  }

  /** No further than until there is a reading worth taking that costs no trip. */
  untilWorth<Worth extends { readonly minutes: number }>(
    ledger: Ledger,
    nextOf: () => Worth | null,
    reach: Reach = 'far',
  ): Searched<Worth> {
    let unrivalled = this.briefly(ledger)
    let next = nextOf()
    for (const steps of FURTHER_AND_FURTHER) {
      if (unrivalled.finished || (next && next.minutes < A_TRIP)) break
      if (reach === 'soon') return { unrivalled, next: null, further: true }
      unrivalled = this.#search(ledger, steps)
      next = nextOf()
    }
    return { unrivalled, next, further: false }
  }

  #search(ledger: Ledger, steps: number): Unrivalled {
    const { frame } = this
    const { taken } = ledger
    const all = legsIn(ledger)
    const none = frame.ends.map(() => false)
    let simplest: number | null = null
    let finished = true
    for (let unseen = 0; unseen <= UNSEEN_AT_MOST && simplest === null && finished; unseen++)
      for (const legs of all) {
        if (simplest !== null) break
        const enough = ledger.agreed ? 1 : SOME
        const agreeing = networks(frame, legs, taken, null, { steps, unseen, misread: 0, enough })
        for (const each of agreeing.found) ledger.learn(each)
        if (agreeing.found.length > 0) simplest = unseen
        else finished &&= agreeing.finished
      }
    if (simplest === null && !ledger.agreed) {
      if (!finished) return { fits: true, finished: false, closed: none }
      const bound = { steps, unseen: UNSEEN_AT_MOST, misread: 1, enough: SOME } as const
      for (const legs of all)
        for (const each of networks(frame, legs, taken, null, bound).found) ledger.learn(each)
      return { fits: false, finished: true, closed: none }
    }
    const unseen = (simplest ?? UNSEEN_AT_MOST) + (isReadLive(ledger) ? 0 : UNSEEN_WHILE_DEAD)
    let claims: readonly (Role | null)[] = claimsOf(ledger)
    finished = true
    for (const legs of all) {
      const rivals = networks(frame, legs, taken, claims, { steps, unseen, misread: 1, enough: A_FEW })
      for (const each of rivals.found) ledger.learn(each)
      claims = rivals.unrefuted
      finished &&= rivals.finished
    }
    return { fits: true, finished, closed: claims.map(role => finished && role !== null) }
  }
}

/**
 * How many hots are supposed. Live all circuits of one leg give the same roles and the same readings, so one stands for
 * them all; a second is supposed too where two ends that may both be hot showed something between them while a switch
 * was worked, and for certain once two hots showed double. With the breakers off the hot of each circuit is metal of its
 * own: where that was read, several are supposed.
 */
function legsIn(ledger: Ledger): readonly number[] {
  const {
    taken,
    of: { frame },
  } = ledger
  const least = taken.some(({ answer }) => answer === 'double') ? 2 : 1
  const isDeadBetween = taken.some(
    ({ question: { from, to, kind }, answer }) =>
      kind === 'continuity' &&
      answer !== 'wire' &&
      [from, to].every(
        spot => spot.kind === 'panel-hot' || (spot.kind === 'end' && !isGround(frame, spot.end)),
      ),
  )
  const most = isReadLive(ledger) ? least + 1 : SOURCES
  if (isDeadBetween) return Array.from({ length: most - least + 1 }, (_, at) => least + at)
  if (least > 1) return [frame.survey.circuitsAtMost > least ? SOURCES : least]
  const isBetweenHots = taken.some(
    ({ question: { from, to, work, kind }, answer }) =>
      kind === 'volts' &&
      work !== null &&
      from.kind === 'end' &&
      to.kind === 'end' &&
      !isGround(frame, from.end) &&
      !isGround(frame, to.end) &&
      answer !== 'stays-dead',
  )
  return isBetweenHots ? [1, 2] : [1]
}

const isGround = ({ ends, indexOf }: Frame, end: string): boolean =>
  ends[indexOf.get(end) ?? -1]?.ground ?? false

const isReadLive = ({ taken }: Ledger): boolean => taken.some(({ question }) => question.kind === 'volts')

/** The role that all ways thought of agree on, end by end; null where they do not. */
function claimsOf({ of: { frame, classes, classOf }, standing }: Ledger): (Role | null)[] {
  const lists = [...new Set(standing.map(at => classOf[at]!))].map(own => classes[own]!)
  return frame.ends.map(({ index, ground }) => {
    const role = lists[0]?.[index] ?? null
    return ground || lists.some(list => list[index] !== role) ? null : role
  })
}
