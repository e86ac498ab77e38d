import type { Site } from './site'

export type Turns = 'on' | 'off'

/** A clock time in minutes since midnight, or a dusk or dawn and so many minutes after it (before, where less than 0). */
export type Moment =
  | { readonly kind: 'clock'; readonly minute: number }
  | { readonly kind: 'dusk' | 'dawn'; readonly plus: number }

export type When = Moment | { readonly kind: 'earlier' | 'later'; readonly of: readonly [Moment, Moment] }

export interface ProgramEvent {
  readonly turns: Turns
  readonly when: When
  /** Days of the week it happens on, 1 Monday to 7 Sunday. */
  readonly days: readonly number[]
  /** Dates it happens between, both included, as `MM-DD`; the second may lie in the year after. Null: all year. */
  readonly between: { readonly from: string; readonly to: string } | null
  /** A clock time that goes by the days and dates of its night, as dusk and dawn do. */
  readonly ofThatNight: boolean
  /** The clock time, in minutes since midnight, at which it happens where its dusk or dawn does not; null for not at all. */
  readonly instead: number | null
  /** Happens by lot up to so many minutes before or after. */
  readonly vary: number
}

export interface Program {
  readonly events: readonly ProgramEvent[]
  /** What its clock does when clocks are put forward and back. */
  readonly daylightSaving: 'follows' | 'stands'
}

/** What was keyed into a clock: its program, and where its house stood by what was known. */
export interface KeyedIn {
  readonly program: Program
  readonly site: Site | null
}

/** 1 Monday to 7 Sunday. */
export const EVERY_DAY: readonly number[] = [1, 2, 3, 4, 5, 6, 7]

/** The one moment, or the two of a pair. */
export const momentsOf = (when: When): readonly Moment[] => ('of' in when ? when.of : [when])
