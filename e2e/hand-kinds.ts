import type { ENTITIES, EntityName } from '@/core/model/entities'
import { YES_NO_UNKNOWN } from '@/core/model/vocabulary'
import { plain } from '@/ui/words'

/** Values of a choice by the words that stand for them in the interface. */
export type Words = Readonly<Record<string, string>>

export const worded = <Value extends string>(
  values: readonly Value[],
  words: (value: Value) => string,
): Words => Object.fromEntries(values.map(value => [value, words(value)]))

/** How hands set a field, change it and take it back; or in which test they do; or why they do not. */
export type ByHand =
  | { readonly by: 'pick' | 'select'; readonly label: string; readonly words: Words; readonly but?: Words }
  | {
      readonly by: 'text' | 'number'
      readonly label: string
      readonly values: readonly (string | number)[]
      /** Where it is kept otherwise than it is typed, by the value that is typed. */
      readonly kept?: readonly number[]
    }
  | { readonly by: 'check'; readonly label: string }
  | { readonly by: 'test'; readonly file: string; readonly title: string; readonly but?: Words }
  | { readonly by: 'nobody'; readonly why: string }

export const pick = (label: string, words: Words, but?: Words): ByHand => ({ by: 'pick', label, words, but })
export const select = (label: string, words: Words, but?: Words): ByHand => ({
  by: 'select',
  label,
  words,
  but,
})
export const text = (label: string, ...values: string[]): ByHand => ({ by: 'text', label, values })
export const number = (label: string, ...values: number[]): ByHand => ({ by: 'number', label, values })
/** A length in inches, kept in mm: pairs of the two. */
export const length = (
  label: string,
  ...pairs: (readonly [inches: number, millimetres: number])[]
): ByHand => ({
  by: 'number',
  label,
  values: pairs.map(([inches]) => inches),
  kept: pairs.map(([, millimetres]) => millimetres),
})
export const check = (label: string): ByHand => ({ by: 'check', label })
export const inTest = (file: string, title: string, but?: Words): ByHand => ({ by: 'test', file, title, but })
export const nobody = (why: string): ByHand => ({ by: 'nobody', why })
export const MADE_WITH_ROW = nobody('It is said by where the row is added, and moves with it.')
export const GIVEN = nobody(
  'The order and the moment of what happened at the wall are given, and never said.',
)
export const RECKONED = nobody('It is worked out from readings, and void when they change.')
export const ASKED = nobody('It is said by the question that was asked, and by the answer that was pressed.')

export const yesNo = worded(YES_NO_UNKNOWN, plain)

/** How hands say each field of some tables. */
export type HandsOf<Names extends EntityName> = {
  readonly [Name in Names]: { readonly [Field in Exclude<keyof (typeof ENTITIES)[Name], 'id'>]: ByHand }
}
