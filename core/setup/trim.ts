/** A dimmer whose low end can be set: levels in whole percent. */
export interface Trimmed {
  readonly lowest: number
  readonly highest: number
  readonly step: number
}

/** What somebody saw of the lamps, one after the other. */
export type TrimSeen =
  | { readonly saw: 'all-steady' }
  /** Flickers or drops out while the level goes down. */
  | { readonly saw: 'fails'; readonly lamp: string }
  | { readonly saw: 'all-start' }
  /** Stays dark when the light is turned off and on. */
  | { readonly saw: 'stays-dark'; readonly lamp: string }

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
 * A trial of the low end, from what was seen so far: all lamps on, down by a step until one fails, up a step, saved, off
 * and on; where one stays dark a step more, until all of them start. Null where something was seen that was not asked.
 */
export function trimTrial(dimmer: Trimmed, seen: readonly TrimSeen[]): TrimTrial | null {
  let trial: TrimTrial = {
    next: { kind: 'look', level: dimmer.highest },
    first: null,
    steady: null,
    tries: 0,
  }
  for (const each of seen) {
    if (!answers(trial.next, each)) return null
    trial = after(dimmer, trial, each)
  }
  return trial
}

function after({ lowest, highest, step }: Trimmed, trial: TrimTrial, seen: TrimSeen): TrimTrial {
  const level = trial.next.kind === 'none' ? highest : trial.next.level
  switch (seen.saw) {
    case 'all-steady': {
      const next: TrimNext =
        level <= lowest ? { kind: 'start', level } : { kind: 'look', level: Math.max(lowest, level - step) }
      return { ...trial, next, steady: level }
    }
    case 'fails': {
      // The last step down may be a short one: up again to what was seen to do.
      const { steady } = trial
      const next: TrimNext =
        steady === null ? { kind: 'none', lamp: seen.lamp } : { kind: 'start', level: steady }
      return { ...trial, next, first: { lamp: seen.lamp, level } }
    }
    case 'all-start':
      return { ...trial, next: { kind: 'found', level }, tries: trial.tries + 1 }
    case 'stays-dark': {
      const next: TrimNext =
        level >= highest
          ? { kind: 'none', lamp: seen.lamp }
          : { kind: 'start', level: Math.min(highest, level + step) }
      return { ...trial, next, tries: trial.tries + 1 }
    }
  }
}
