import { describe, expect, it } from 'vitest'
import { BRITISH } from './british'
import { later, sayIn, SOURCE, type Language } from './say'

const plain = sayIn({ language: SOURCE })
const british = sayIn({ language: BRITISH })

describe('a sentence', () => {
  it('stands as it is in the language of the source', () => {
    expect(plain`Breaker ${4} feeds ${'the stair'}.`).toBe('Breaker 4 feeds the stair.')
    expect(plain(later`pigtail, ${'black'}`)).toBe('pigtail, black')
  })

  it('takes the words of its region, with their articles and capitals', () => {
    expect(british`A breaker, the ground and a ground.`).toBe('An MCB, the earth and an earth.')
    expect(british`Ground and hot, grounded.`).toBe('Earth and line, earthed.')
    expect(british` each traveler; `).toBe(' each strapper; ')
  })

  it('leaves alone what a person wrote', () => {
    const room = 'Ground floor, hot tub'
    expect(british`Make ${room} dead at the panel.`).toBe(
      'Make Ground floor, hot tub dead at the consumer unit.',
    )
  })

  it('takes whole words only', () => {
    expect(british`background, hotel, boxed, grounding`).toBe('background, hotel, boxed, grounding')
    expect(british`Ladder on firm ground.`).toBe('Ladder on firm ground.')
  })

  it('says a question mark where a value is not known', () => {
    const nobody: string | undefined = undefined
    expect(plain`Key with ${nobody}`).toBe('Key with ?')
    expect(british`Key with ${nobody}, breaker ${null}`).toBe('Key with ?, MCB ?')
  })

  it('is counted', () => {
    expect([0, 1, 2].map(many => plain.count(many, '# box left', '# boxes left'))).toEqual([
      '0 boxes left',
      '1 box left',
      '2 boxes left',
    ])
    expect(british.count(1, 'one breaker in {0}', '# breakers in {0}', 'the hot room')).toBe(
      'one MCB in the hot room',
    )
  })
})

/** Another language, with an order and plural forms of its own. */
const POLISH: Language = {
  locale: 'pl',
  terms: [],
  sentences: {
    '{0} read {1} V': '{1} V na {0}',
    '# box left | # boxes left': 'została # puszka | zostały # puszki | zostało # puszek | zostało # puszki',
  },
}

describe('a third language is a file', () => {
  const polish = sayIn({ language: POLISH })

  it('puts values where it wants them', () => expect(polish`${'A'} read ${120} V`).toBe('120 V na A'))

  it('has as many plural forms as it needs', () =>
    expect([1, 2, 5, 22].map(many => polish.count(many, '# box left', '# boxes left'))).toEqual([
      'została 1 puszka',
      'zostały 2 puszki',
      'zostało 5 puszek',
      'zostały 22 puszki',
    ]))

  it('says in the language of the source what it has no sentence for', () =>
    expect(polish`Nothing yet`).toBe('Nothing yet'))
})
