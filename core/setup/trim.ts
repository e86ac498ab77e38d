import type { TrimRecord, TrimSeen } from '../model/trim-trial'

export interface TrimTrial {
  readonly next: TrimNext
  /** The lamp that failed first on the way down, and at which level; null where none did. */
  readonly first: { readonly lamp: string; readonly level: number } | null
  /** The lowest level at which all of them were seen to burn steadily; null where none was. */
  readonly steady: number | null
  /** How many times the light was turned off and on. */
  readonly tries: number
}

/**
 * `look`: at this level, does every lamp burn steadily? `start`: save this level, turn the light off and on, does every
 * lamp start? `found`: this is the low end. `none`: no level of this dimmer does for these lamps.
 */
export type TrimNext =
  | { readonly kind: 'look' | 'start' | 'found'; readonly level: number }
  | { readonly kind: 'none'; readonly lamp: string }

/** Whether somebody can have seen that, asked what he was asked. */
const answers = (next: TrimNext, { saw }: TrimSeen): boolean =>
  next.kind === 'look'
    ? saw === 'all-steady' || saw === 'fails'
    : next.kind === 'start' && (saw === 'all-start' || saw === 'stays-dark')

/**
 * A trial of the low end on the levels that a dimmer has (the lowest first), from what was seen so far: all lamps on, down
 * from the highest until one fails, up a level, saved, off and on; where one stays dark a level more, until all of them
 * start. Null where something was seen that was not asked, or where it has no level.
 */
export function trimTrial({ levels, seen }: TrimRecord): TrimTrial | null {
  const highest = levels.at(-1)
  if (highest === undefined) return null
  let trial: TrimTrial = { next: { kind: 'look', level: highest }, first: null, steady: null, tries: 0 }
  for (const each of seen) {
    if (!answers(trial.next, each)) return null
    trial = after(levels, trial, each)
  }
  return trial
}

function after(levels: readonly number[], trial: TrimTrial, seen: TrimSeen): TrimTrial {
  const level = trial.next.kind === 'none' ? Infinity : trial.next.level
  switch (seen.saw) {
    case 'all-steady': {
      const lower = levels.findLast(each => each < level)
      const next: TrimNext = lower === undefined ? { kind: 'start', level } : { kind: 'look', level: lower }
      return { ...trial, next, steady: level }
    }
    case 'fails': {
      const { steady } = trial
      const next: TrimNext =
        steady === null ? { kind: 'none', lamp: seen.lamp } : { kind: 'start', level: steady }
      return { ...trial, next, first: { lamp: seen.lamp, level } }
    }
    case 'all-start':
      return { ...trial, next: { kind: 'found', level }, tries: trial.tries + 1 }
    case 'stays-dark': {
      const higher = levels.find(each => each > level)
      const next: TrimNext =
        higher === undefined ? { kind: 'none', lamp: seen.lamp } : { kind: 'start', level: higher }
      return { ...trial, next, tries: trial.tries + 1 }
    }
  }
}

/** What is seen where lamps burn steadily on every level down to one, and there one fails; null: none does on any. */
export function seenDownTo(
  { levels }: Pick<TrimRecord, 'levels'>,
  failed: { level: number; lamp: string } | null,
): TrimSeen[] {
  const steady = levels.filter(level => failed === null || level > failed.level)
  return [
    ...steady.map((): TrimSeen => ({ saw: 'all-steady' })),
    ...(failed === null ? [] : [{ saw: 'fails' as const, lamp: failed.lamp }]),
  ]
}

/**
 * The level, in percent, below which lamps are expected to fail: what they draw follows it, and the dimmer lives on so many
 * watts that go through them. Above 100 no level is expected to do.
 */
export const expectedLowEnd = (minimumWatts: number, lampWatts: number): number =>
  lampWatts > 0 ? (100 * minimumWatts) / lampWatts : Infinity
