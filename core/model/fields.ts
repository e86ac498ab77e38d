import type { PlanOfRoom } from './floor-plan'
import type { KeyedIn, Program } from './light-program'
import type { Site } from './site'
import type { TrimRecord } from './trim-trial'

/**
 * A field says once what a column holds. From it come the TypeScript row, the check at the door, the
 * published JSON Schema and the order of keys in a file.
 */
export type Field =
  | { readonly kind: 'id'; readonly nullable: false }
  | { readonly kind: 'ref'; readonly to: string; readonly onRemove: OnRemove; readonly nullable: boolean }
  | { readonly kind: 'text'; readonly min: number; readonly max: number; readonly nullable: boolean }
  | { readonly kind: 'choice'; readonly of: readonly string[]; readonly nullable: boolean }
  | {
      readonly kind: 'number'
      readonly min: number
      readonly max: number
      readonly whole: boolean
      readonly nullable: boolean
    }
  | { readonly kind: 'flag'; readonly nullable: false }
  | { readonly kind: 'instant'; readonly nullable: boolean }
  /** Something that hangs together as a whole: it is said, and refused, at once. */
  | { readonly kind: 'shape'; readonly of: keyof Shapes; readonly nullable: boolean }

export interface Shapes {
  readonly plan: PlanOfRoom
  readonly program: Program
  readonly site: Site
  readonly trim: TrimRecord
  readonly keyed: KeyedIn
}

/** What happens to this row when the row it points at is removed. */
export type OnRemove = 'remove' | 'clear'

export type Fields = Readonly<Record<string, Field>>

/** The id of a row of one table: a plain text may be one, that of another table is not. */
export type Id<Name extends string> = string & { readonly idOf?: Name }

type Bare<F extends Field, Name extends string> = F extends { kind: 'choice'; of: readonly (infer Choice)[] }
  ? Choice
  : F extends { kind: 'number' }
    ? number
    : F extends { kind: 'flag' }
      ? boolean
      : F extends { kind: 'shape'; of: infer Of extends keyof Shapes }
        ? Shapes[Of]
        : F extends { kind: 'ref'; to: infer To extends string }
          ? Id<To>
          : F extends { kind: 'id' }
            ? Id<Name>
            : string

type ValueOf<F extends Field, Name extends string> = F extends { nullable: true }
  ? Bare<F, Name> | null
  : Bare<F, Name>

/** Fields of a later version that this one does not know; kept, never read. */
export type Extra = Readonly<Record<string, unknown>>

export type RowOf<F extends Fields, Name extends string = never> = {
  readonly [Key in keyof F]: ValueOf<F[Key], Name>
} & {
  readonly extra?: Extra
}

export const id = { kind: 'id', nullable: false } as const
export const flag = { kind: 'flag', nullable: false } as const
/** UTC, ISO 8601 with milliseconds. */
export const instant = { kind: 'instant', nullable: false } as const

export const shape = <const Of extends keyof Shapes>(of: Of) =>
  ({ kind: 'shape', of, nullable: false }) as const

export const maybeShape = <const Of extends keyof Shapes>(of: Of) =>
  ({ kind: 'shape', of, nullable: true }) as const

export const ref = <To extends string>(to: To) =>
  ({ kind: 'ref', to, onRemove: 'remove', nullable: false }) as const

export const maybeRef = <To extends string>(to: To, onRemove: OnRemove = 'clear') =>
  ({ kind: 'ref', to, onRemove, nullable: true }) as const

export const text = (max: number, min = 0) => ({ kind: 'text', min, max, nullable: false }) as const

export const maybeText = (max: number) => ({ kind: 'text', min: 1, max, nullable: true }) as const

export const choice = <const Of extends readonly string[]>(of: Of) =>
  ({ kind: 'choice', of, nullable: false }) as const

export const maybeChoice = <const Of extends readonly string[]>(of: Of) =>
  ({ kind: 'choice', of, nullable: true }) as const

export const whole = (min: number, max: number) =>
  ({ kind: 'number', min, max, whole: true, nullable: false }) as const

export const maybeWhole = (min: number, max: number) =>
  ({ kind: 'number', min, max, whole: true, nullable: true }) as const

export const maybeNumber = (min: number, max: number) =>
  ({ kind: 'number', min, max, whole: false, nullable: true }) as const

export const number = (min: number, max: number) =>
  ({ kind: 'number', min, max, whole: false, nullable: false }) as const
