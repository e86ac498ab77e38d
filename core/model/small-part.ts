import type { SmallPartKind } from './vocabulary'

/** A small thing to have at hand: what kind it is, and which exactly. */
export interface SmallPart {
  readonly kind: SmallPartKind
  readonly words: string
}

export const smallPart = (kind: SmallPartKind, words: string): SmallPart => ({ kind, words })
