import type { Say } from '../words/say'
import { lengthWords, type Measures } from './measures'
import { rounded } from './units'
import type { SmallPartKind } from './vocabulary'

/** A small thing to have at hand: what kind it is, and which exactly. */
export interface SmallPart {
  readonly kind: SmallPartKind
  /** In the language of the source; with its length, how it is told from others of its kind. */
  readonly words: string
  readonly millimetres?: number
}

/** The same for two that can stand for each other. */
export const partKey = ({ words, millimetres }: SmallPart): string =>
  millimetres === undefined ? words : `${words}, ${rounded(millimetres, 1)} mm`

/** As it is said on a job. */
export const partWords = (say: Say, measures: Measures, { words, millimetres }: SmallPart): string =>
  millimetres === undefined ? say(words) : `${say(words)}, ${lengthWords(measures, millimetres)}`

export const smallPart = (kind: SmallPartKind, words: string, millimetres?: number): SmallPart => ({
  kind,
  words,
  ...(millimetres !== undefined && { millimetres }),
})
