/** A phone or desk that had a job open, and was not heard since. What was done there nobody else knows. */
export interface Unheard {
  readonly device: string
  /** Who had it; empty where nobody said. */
  readonly by: string
  /** When it was heard last; UTC, ISO 8601. */
  readonly since: string
}

/** What the server tells a phone that lets itself be heard. */
export interface Heard {
  readonly line: string
  readonly revision: number
  readonly unheard: readonly Unheard[]
}

/** Whether a phone knows what everybody else did. */
export interface Touch {
  /** Since when it hears nothing itself; null while it does. */
  readonly lostSince: string | null
  readonly unheard: readonly Unheard[]
  /** What was said aloud since of what feeds a box; null where nobody asked, or something was switched on here since. */
  readonly asked: { readonly boxId: string; readonly said: string } | null
}

export const IN_TOUCH: Touch = { lostSince: null, unheard: [], asked: null }

/** What was said aloud of what feeds a box; null where nobody asked. */
export const saidOf = ({ asked }: Touch, boxId: string): string | null =>
  asked?.boxId === boxId ? asked.said : null

/**
 * Whether somebody may have switched the power on without its being known here: this phone hears nothing, or another one
 * that had the job open is not heard. Then nothing is touched before the people themselves were asked.
 */
export const mayMissAnOn = ({ lostSince, unheard }: Touch): boolean =>
  lostSince !== null || unheard.length > 0
