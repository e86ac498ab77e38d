import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { protectedBox, type ProtectedBox } from '@/testing/route/protected-box'
import { testList } from '.'

const box: ProtectedBox = {
  ...{ out: 'behind', back: 'behind', choice: 'dimmer-led-150-neutral' },
  ...{ onward: true, receptacle: 'before', second: true },
}

const listOf = (given: ProtectedBox, gang: number) => {
  const view = protectedBox(given)
  return testList(
    view,
    view.places.find(({ place }) => place.gang === gang)!,
    trade,
  )
}

const READINGS = ['ground-continuity', 'line-neutral', 'line-ground', 'neutral-ground']

describe('what is tried at a receptacle', () => {
  it('is read at its contacts: it has no lamp to look at', () => {
    const list = listOf(box, 4)
    expect(list.map(({ key }) => key)).toEqual(READINGS)
    expect(list.map(({ says, expect }) => `${says} ${expect}`).join()).not.toMatch(/lamp|luminaire/)
    expect(list.map(({ power }) => power)).toEqual(['off', 'on', 'on', 'on'])
  })

  it('with protection: its button takes down just what hangs behind it', () => {
    const tried = (given: ProtectedBox) => listOf(given, 1).find(({ key }) => key === 'protection')!.expect
    expect(tried(box)).toBe(
      'It goes dead, and with it Light, what cable C feeds; its reset button brings them back',
    )
    expect(tried({ ...box, receptacle: 'behind' })).toContain('with it Light, Shelf receptacle, what cable C')
    expect(tried({ ...box, out: 'before', back: 'before', onward: false })).toBe(
      'It goes dead; its reset button brings it back',
    )
    expect(listOf(box, 1).map(({ key }) => key)).toEqual([...READINGS, 'protection'])
  })
})
