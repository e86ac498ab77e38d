/**
 * How people live with a room: how often they come, how long they stay, and how much they move meanwhile. Plain figures
 * that anybody can correct; a seed makes a timeline of them, the same for the same seed.
 */
export interface Habits {
  /** Visits that begin in each hour of a day, on average: 24 figures for a working day, 24 for the others. */
  readonly visits: { readonly workday: readonly number[]; readonly restDay: readonly number[] }
  /** The share of visits that only pass through, and for how many seconds. */
  readonly passing: { readonly share: number; readonly seconds: number }
  /** How many minutes the other visits last, on average. */
  readonly stayMinutes: number
  /** The share of staying visits in which somebody sits down. */
  readonly sitting: number
  /** Seconds between two movements of somebody who stands about, and of one who sits, on average. */
  readonly walksEvery: number
  readonly stirsEvery: number
  /** When people sleep here, in hours of the day; null where nobody does. */
  readonly sleeps: { readonly from: number; readonly to: number } | null
}
