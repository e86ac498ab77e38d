import type { Role } from '../model/vocabulary'
import type { Hypothesis, Weighed } from './hypothesis'
import { PASSIVE, type Judged } from './judge'
import type { Meeting } from './meetings'
import { join, root } from './metal'

export const OPEN = -1

/** What a search for networks may spend and suppose. */
export interface Bound {
  /** Suppositions made and networks looked at. */
  readonly steps: number
  /** Unseen things that let current through, beside the lamps of the lights. */
  readonly unseen: number
  /** Readings that may be false. */
  readonly misread: 0 | 1
  /** Networks that are enough: for each claim, or in all where none are made. */
  readonly enough: number
}

export interface Searched {
  readonly found: readonly Weighed[]
  /** Whether all of it was gone through, or every claim has a rival. */
  readonly finished: boolean
  /** Claims that no network found speaks against, end by end; null where none was made or one does. */
  readonly unrefuted: readonly (Role | null)[]
  readonly steps: number
}

/** What is one metal as found, runs that were followed included. */
export interface Metal {
  readonly root: number
  /** Ends whose far side is not known. */
  readonly ends: readonly number[]
  readonly isGround: boolean
  /** Lights whose switches are on it. */
  readonly lights: readonly number[]
}

/** All that is supposed before it is asked which conductors do it: what drives each metal, what meets, where lamps hang. */
export interface Whole {
  readonly meeting: Meeting
  readonly metals: readonly Metal[]
  readonly drives: readonly number[]
  /** Both sides of the lamp of each light. */
  readonly lamps: readonly (readonly [over: Side, back: Side])[]
  /** Its network without lamps, each metal driven by the first of its conductors. */
  readonly asFound: Hypothesis
  /** What the readings as found make of it; null before they were held against it. */
  readonly judged: Judged | null
}

/** What is supposed of each metal so far, and room to work out what the switches make of it. */
export interface Supposed {
  readonly metals: readonly Metal[]
  /** For each switch and position the metals it joins. */
  readonly contacts: readonly (readonly (readonly (readonly [number, number])[])[])[]
  /** For each switch of a light that answers the metals it joins, and whether no other switch is on them. */
  readonly places: readonly { readonly metals: readonly number[]; readonly alone: boolean }[]
  readonly drives: Int16Array
  /** Readings as found between two of them. */
  readonly readings: readonly {
    readonly a: number
    readonly b: number
    readonly bit: number
    readonly times: number
    readonly watched: boolean
  }[]
  readonly together: Uint16Array
  readonly by: Int16Array
}

/** Works out what drives each metal with the switches so; false where a breaker trips. */
export function stands(
  { metals, contacts, drives, together, by }: Supposed,
  position: number,
  joined: readonly (readonly [number, number])[] = [],
): boolean {
  for (let metal = 0; metal < metals.length; metal++) {
    together[metal] = metal
    by[metal] = PASSIVE
  }
  for (const [a, b] of joined) join(together, a, b)
  for (let at = 0; at < contacts.length; at++)
    for (const [a, b] of contacts[at]![(position >> at) & 1]!) join(together, a, b)
  for (let metal = 0; metal < metals.length; metal++) {
    const drive = drives[metal]!
    if (drive === PASSIVE || drive === OPEN) continue
    const net = root(together, metal)
    if (by[net] !== PASSIVE && by[net] !== drive) return false
    by[net] = drive
  }
  return true
}

/** One side of a lamp: out on a source, on a metal of the boxes, or on nothing that leads here. */
export type Side = { readonly out: number } | { readonly metal: number }
export const NOWHERE: Side = { out: PASSIVE }
