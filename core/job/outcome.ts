import type { Fault } from '../model/result'
import type { Change } from './change'
import type { UndoState } from './history'
import type { Versions } from './versions'

/** What somebody else changed meanwhile in a row a command was based on. */
export interface Stale {
  readonly entity: string
  readonly id: string
  /** The row as it is now; null where it is gone. */
  readonly now: Readonly<Record<string, unknown>> | null
  readonly version: number | null
  readonly fields: readonly string[]
}

/** What became of a command: the one answer the server gives and the browser takes. */
export type Outcome =
  | {
      readonly kind: 'applied'
      readonly revision: number
      readonly changes: readonly Change[]
      readonly versions: Versions
      readonly undo: UndoState
      /**
       * What would have held it back had its person known what others did meanwhile: done it is, and that may be against
       * what they rely on.
       */
      readonly held: readonly Fault[]
    }
  | { readonly kind: 'no-such-job' }
  | { readonly kind: 'refused'; readonly faults: readonly Fault[] }
  | { readonly kind: 'stale'; readonly stale: readonly Stale[] }
