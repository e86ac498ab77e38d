import type { Role } from '../model/vocabulary'

/**
 * One whole circuit that would look like what was seen: what each conductor end is joined to beyond its
 * box. The boxes themselves are the same in all of them.
 */
export interface Hypothesis {
  /** Node that each end is joined to, or −1 where it leads nowhere. */
  readonly beyond: Int16Array
  /** How many circuits feed it. */
  readonly sources: number
  readonly lamps: readonly HypothesisLamp[]
  /** What else lets current through beyond the boxes, between two nodes each. */
  readonly loads: readonly (readonly [a: number, b: number])[]
  /** Loads among them that would show in a reading across them, as a lamp that was seen lit does. */
  readonly sure?: readonly (readonly [a: number, b: number])[]
  /** The same without a load that no reading needs: one that did would speak against it. */
  readonly bare?: Hypothesis
}

/** A circuit with what it makes of the conductors. */
export interface Weighed extends Hypothesis {
  /** What each conductor end is for, in the order of the frame’s ends. */
  readonly roles: readonly Role[]
  /** How usual it is, by colours, counts and where cables were taken to go; never 0. */
  readonly weight: number
}

/** Lamps of one light: the node of their hot contacts, and the one their current returns by. */
export interface HypothesisLamp {
  readonly light: number
  readonly over: number
  readonly back: number
}
