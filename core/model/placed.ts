import { instant, text, whole } from './fields'

/**
 * Where something that happened at the wall stands among what others did: what a row says of it. It is given when the
 * command is applied, from what the command says of its person, and is never written by hand.
 */
export const PLACED = {
  /** Order in which it was taken in: for lists, and for rows from before it was kept what their person had seen. */
  seq: whole(0, 1_000_000_000),
  at: instant,
  /** Revision of the job that it came with; 0 for rows from before that was kept. */
  revision: whole(0, 1_000_000_000),
  /** Revision of the job that its person had before him. */
  seen: whole(0, 1_000_000_000),
  /** The phone or desk it was done on, and how many things had been done there. */
  device: text(40),
  deviceNumber: whole(0, 1_000_000_000),
  /** Who had that phone; empty where nobody said. */
  by: text(80),
} as const

export const PLACED_NAMES: readonly string[] = Object.keys(PLACED)

/** Where nobody else works, or nobody kept what anybody had seen: it stands in the order it was taken in. */
export const ALONE = { revision: 0, seen: 0, device: '', deviceNumber: 0, by: '' } as const

/** What is needed to tell which of two came first. */
export interface Placed {
  readonly seq: number
  readonly revision: number
  readonly seen: number
  readonly device: string
  readonly deviceNumber: number
}

/**
 * Whether who did one thing knew of another: it had come to it as part of the job, or was done before on his own phone. Two
 * things of which neither was known to who did the other have no order: whatever must be later than the other is not. A
 * phone’s own count says something only of what it did not have back from the server: one that was ended before it wrote
 * down how far it had counted counts anew.
 */
export function knew(later: Placed, earlier: Placed): boolean {
  if (isOneCommand(later, earlier)) return earlier.seq < later.seq
  if (earlier.revision <= later.seen) return true
  const isOneDevice = later.device !== '' && later.device === earlier.device
  return isOneDevice && earlier.deviceNumber < later.deviceNumber && later.revision > earlier.seen
}

/** Of one command, or both from before it was kept what anybody had seen: in the order they were taken in. */
const isOneCommand = (one: Placed, other: Placed): boolean =>
  one.revision === other.revision &&
  (one.revision === 0 || (one.device === other.device && one.deviceNumber === other.deviceNumber))

/** Whether who did it knew of each of some others. */
export const knewAll = (later: Placed, earlier: readonly Placed[]): boolean =>
  earlier.every(each => knew(later, each))

/** Whether neither was known to who did the other. */
export const atOnce = (one: Placed, other: Placed): boolean =>
  one !== other && !knew(one, other) && !knew(other, one)
