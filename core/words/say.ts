/**
 * A sentence stands in the source as North America says it, and is its own key. A language says it by a sentence
 * of its own, or word by word by its terms; what a person wrote goes in as a value and is never touched.
 */
export interface Language {
  /** BCP 47: decides which forms a count has. */
  readonly locale: string
  /** Whole words of the source and what is said instead; longer ones win. Written small, they hold for capitals too. */
  readonly terms: readonly (readonly [word: string, instead: string])[]
  /** By the sentence of the source, values as {0}, {1} in its order; forms of a count between bars. */
  readonly sentences: Readonly<Record<string, string>>
}

/** The language of the source. */
export const SOURCE: Language = { locale: 'en-US', terms: [], sentences: {} }

/** What stands in a sentence; a question mark where it is not known. */
type Value = string | number | null | undefined

export interface Say {
  (sentence: TemplateStringsArray | string, ...values: readonly Value[]): string
  /**
   * The form of a count, # where the number goes; in the order of the locale's categories (one, other in English).
   * With no number in sight the forms may leave it out; other values go where {0}, {1} stand.
   */
  readonly count: (count: number, one: string, other: string, ...values: readonly Value[]) => string
}

/** A sentence left in the language of the source, to be said where it is shown: what is kept, and what is compared. */
export const later = (parts: TemplateStringsArray, ...values: readonly (string | number)[]): string =>
  parts.reduce((whole, part, index) => `${whole}${values[index - 1]}${part}`)

interface Compiled {
  /** One more than `order`. */
  readonly parts: readonly string[]
  readonly order: readonly number[]
}

const sayers = new WeakMap<Language, Say>()

/** How everything is said in a region; the same function for the same language. */
export function sayIn({ language }: { readonly language: Language }): Say {
  let say = sayers.get(language)
  if (!say) sayers.set(language, (say = sayerOf(language)))
  return say
}

/** A sentence of the source as a key: values as {0}, {1}; white space at its ends is none of it. */
export const keyOf = (parts: readonly string[]): string => whole(parts).trim()

const whole = (parts: readonly string[]): string =>
  parts.reduce((key, part, index) => (index === 0 ? part : `${key}{${index - 1}}${part}`), '')

/** What a language makes of a key. */
export function inLanguage(language: Language, key: string): string {
  return language.sentences[key] ?? byTerms(language)(key)
}

function sayerOf(language: Language): Say {
  const plain = language.terms.length === 0 && Object.keys(language.sentences).length === 0
  const tagged = new WeakMap<TemplateStringsArray, Compiled>()
  const texts = new Map<string, string>()

  const text = (sentence: string): string => {
    if (plain) return sentence
    let said = texts.get(sentence)
    if (said === undefined) texts.set(sentence, (said = spaced([sentence], key => inLanguage(language, key))))
    return said
  }

  const say = (sentence: TemplateStringsArray | string, ...values: readonly Value[]): string => {
    if (typeof sentence === 'string') return text(sentence)
    if (plain) return sentence.reduce((said, part, index) => `${said}${values[index - 1] ?? '?'}${part}`)
    let compiled = tagged.get(sentence)
    if (!compiled)
      tagged.set(sentence, (compiled = compile(spaced(sentence, key => inLanguage(language, key)))))
    const { parts, order } = compiled
    return parts.reduce((said, part, index) => `${said}${values[order[index - 1]!] ?? '?'}${part}`)
  }

  const rules = new Intl.PluralRules(language.locale)
  const categories = CATEGORIES.filter(each => rules.resolvedOptions().pluralCategories.includes(each))
  const count = (number: number, one: string, other: string, ...values: readonly Value[]): string => {
    const forms = text(`${one} | ${other}`).split(' | ')
    const form = forms[categories.indexOf(rules.select(number))] ?? forms.at(-1)!
    return form
      .replace(/\{(\d+)\}/g, (_, at: string) => `${values[Number(at)] ?? '?'}`)
      .replaceAll('#', String(number))
  }
  return Object.assign(say, { count })
}

const CATEGORIES: readonly Intl.LDMLPluralRule[] = ['zero', 'one', 'two', 'few', 'many', 'other']

/** Says the key between the white space that stood round it. */
function spaced(parts: readonly string[], said: (key: string) => string): string {
  const sentence = whole(parts)
  const [, before, key, after] = /^(\s*)([\s\S]*?)(\s*)$/.exec(sentence)!
  return key === '' ? sentence : `${before}${said(key!)}${after}`
}

function compile(sentence: string): Compiled {
  const pieces = sentence.split(/\{(\d+)\}/)
  return {
    parts: pieces.filter((_, index) => index % 2 === 0),
    order: pieces.filter((_, index) => index % 2 === 1).map(Number),
  }
}

const replacers = new WeakMap<Language, (key: string) => string>()

function byTerms(language: Language): (key: string) => string {
  let replacer = replacers.get(language)
  if (!replacer) replacers.set(language, (replacer = replacerOf(language.terms)))
  return replacer
}

function replacerOf(terms: Language['terms']): (key: string) => string {
  if (terms.length === 0) return key => key
  const instead = new Map(terms)
  const longestFirst = terms.map(([word]) => word).sort((a, b) => b.length - a.length)
  const any = new RegExp(`(?<![\\p{L}\\d])(?:${longestFirst.map(escaped).join('|')})(?![\\p{L}\\d])`, 'giu')
  return key =>
    key.replace(any, found => {
      const exact = instead.get(found)
      if (exact !== undefined) return exact
      const small = instead.get(found.charAt(0).toLowerCase() + found.slice(1))
      return small === undefined ? found : small.charAt(0).toUpperCase() + small.slice(1)
    })
}

const escaped = (word: string): string => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
