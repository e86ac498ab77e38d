import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { BRITISH } from '../core/words/british'
import { inLanguage } from '../core/words/say'
import { sentences, sentencesFile, SENTENCES_FILE } from './sentences'

const { said, unsaid } = sentences()
const all = [...said]

/** Places of values in a sentence, each once. */
const places = (sentence: string) => [...new Set(sentence.match(/\{\d+\}/g) ?? [])].sort()

describe('what people are told', () => {
  it('goes through the language of the job, all of it', () => expect(unsaid).toEqual([]))

  it('is in the file of all sentences as it was read through', () =>
    expect(sentencesFile()).toBe(readFileSync(SENTENCES_FILE, 'utf8')))

  it('is all that the languages have sentences and words for', () => {
    expect(Object.keys(BRITISH.sentences).filter(key => !said.has(key))).toEqual([])
    const text = all.join('\n').toLowerCase()
    expect(BRITISH.terms.map(([word]) => word.toLowerCase()).filter(word => !text.includes(word))).toEqual([])
  })

  it('keeps its values in every language', () => {
    for (const key of all) expect(places(inLanguage(BRITISH, key)), key).toEqual(places(key))
  })
})

/** Written down apart from the languages: what an electrician of the one place would not say of his own house. */
const NOT_THERE = {
  'North America': [
    all,
    /\b(colou?red-in|colour\w*|aluminium|travellers?|grey|neighbour\w*|armoured|earth(ed|s)?|MCBs?|RCBOs?|sockets?|strappers?|consumer units?|fuse board|two-way|intermediate|metre|hob)\b/i,
  ],
  '230 V': [
    all.map(key => inLanguage(BRITISH, key)),
    /\b(colors?|colored|aluminum|travelers?|gray|neighbors?|armored|(?<!firm )grounds?|grounded|hots?|breakers?|receptacles?|panels?|pigtails?|three-way|four-way)\b/i,
  ],
} as const

describe.each(Object.entries(NOT_THERE))('in %s', (_, [sentencesThere, foreign]) => {
  it('nothing is said in the words of elsewhere', () =>
    expect(sentencesThere.filter(each => foreign.test(each))).toEqual([]))

  it('a and an stand before the right words', () => {
    const wrong =
      /(?<![\d}] )\b[Aa] (?:[aeio]|u(?!n[ist]|se)|MCB|RCD|RCBO|AFDD)|\b[Aa]n (?![aeiouAEIOU]|MCB|RCD|RCBO|hour|LED|{)/
    expect(sentencesThere.filter(each => wrong.test(each))).toEqual([])
  })

  it('no word stands twice, and no space is lost', () =>
    expect(
      sentencesThere
        .filter(each => /\b(\p{L}+) \1\b/iu.test(each.replace(/'[^']*'/g, '')))
        .concat(sentencesThere.filter(each => /[,;]\p{L}/u.test(each))),
    ).toEqual([]))
})
