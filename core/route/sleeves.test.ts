import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { fedAtTheSwitch, usualBox } from '@/demo/usual'
import { mayReferToGround } from '../job/ground-referenced'
import type { Insulation } from '../model/vocabulary'
import { routeBox } from '.'

/** A switch fed at 230 V by cables of these colours: hot, neutral, ground. */
function wiredIn(hot: Insulation, neutral: Insulation, ground: Insulation) {
  const colours: Partial<Record<Insulation, Insulation>> = { black: hot, white: neutral, bare: ground }
  return usualBox({
    region: 'europe-230',
    choice: 'switch-230-10',
    cables: fedAtTheSwitch(true, { gauge: '1.5 mm²' }).map(cable => ({
      ...cable,
      strands: cable.strands.map(each => ({ ...each, insulation: colours[each.insulation]! })),
    })),
  })
}

const marked = (view: ReturnType<typeof wiredIn>) => {
  const routed = routeBox(view, trade)
  if (!routed.ok) throw new Error(routed.faults[0]!.message)
  return routed.value.remarks.map(({ endId, as }) => [
    view.ends.find(({ end }) => end.id === endId)!.conductor.insulation,
    as,
  ])
}

describe('a colour that was the neutral’s beside some others only', () => {
  it('is left beside those, and gets its sleeve where it is used as neutral beside newer ones', () => {
    expect(marked(wiredIn('red', 'black', 'green'))).toEqual([])
    expect(marked(wiredIn('brown', 'blue', 'green-yellow'))).toEqual([])
    expect(marked(wiredIn('brown', 'black', 'green-yellow'))).toEqual([
      ['black', 'blue'],
      ['black', 'blue'],
    ])
  })
})

describe('what sends its current into the ground', () => {
  it.each([
    ['north-america-120', 'allowed', true],
    ['north-america-120', 'not-allowed', false],
    ['europe-230', 'allowed', false],
    ['europe-230', 'not-allowed', false],
  ] as const)('in %s with the house rule %s: %s', (region, rule, may) => {
    expect(mayReferToGround(usualBox({ region, rules: { 'ground-referenced': rule }, cables: [] }))).toBe(may)
  })
})
