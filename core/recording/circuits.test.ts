import { describe, expect, it } from 'vitest'
import { quillbackRoad } from '@/demo/quillback'
import { outsideOf } from '../route/outside'
import { trade } from '@/catalogue'
import { boxView } from '../job/box-view'
import { rowsOf } from '../model/record'
import { sharersOf } from '../model/ties'
import { circuitAdded, circuitsTied } from '.'
import { plainPen, written } from '@/testing/recording/plain-pen'

const house = quillbackRoad()
const ids = rowsOf(house, 'circuits').map(({ id }) => id)

describe('a neutral that circuits share', () => {
  it.each([2, 3, 4])('%s of them, seen from each the others', count => {
    const together = ids.slice(0, count)
    const after = written(house, circuitsTied(plainPen(), house, 'sharedNeutralWithId', together))
    for (const id of together)
      expect(
        sharersOf(after, after.circuits[id]!)
          .map(each => each.id)
          .sort(),
      ).toEqual(together.filter(other => other !== id).sort())
    const less = written(after, circuitsTied(plainPen(), after, 'sharedNeutralWithId', together.slice(0, -1)))
    expect(sharersOf(less, less.circuits[together.at(-1)!]!)).toEqual([])
    for (const id of together.slice(0, -1))
      expect(sharersOf(less, less.circuits[id]!)).toHaveLength(count > 2 ? count - 2 : 0)
  })

  it('one alone shares it with nobody', () => {
    const after = written(house, circuitsTied(plainPen(), house, 'sharedNeutralWithId', ['circuit-11']))
    expect(sharersOf(after, after.circuits['circuit-11']!)).toEqual([])
    expect(sharersOf(after, after.circuits['circuit-13']!)).toEqual([])
  })

  it('three hots on one neutral stand a third of a turn apart, two face each other', () => {
    const view = boxView(house, 'box-island')!
    const shared = (count: number) => {
      const record = written(
        house,
        circuitsTied(plainPen(), house, 'sharedNeutralWithId', ids.slice(0, count)),
      )
      const feeds = ids.slice(0, count).map(circuitId => {
        const id = `feed-${circuitId}`
        return [id, { id, boxId: view.box.id, circuitId, basis: 'label' as const }]
      })
      return outsideOf(
        [boxView({ ...record, ends: {}, feeds: Object.fromEntries(feeds) }, view.box.id)!],
        trade,
      ).supplies
    }
    expect(
      shared(2)
        .map(({ phaseDegrees }) => phaseDegrees)
        .sort((a, b) => a - b),
    ).toEqual([0, 180])
    expect(
      shared(3)
        .map(({ phaseDegrees }) => phaseDegrees)
        .sort((a, b) => a - b),
    ).toEqual([0, 120, 240])
    expect(new Set(shared(3).map(({ neutral }) => neutral)).size).toBe(1)
  })

  it('a circuit that is added says no more than its place', () => {
    const after = written(house, [circuitAdded(plainPen(), house, 'c99', '99')])
    expect(after.circuits.c99).toMatchObject({
      breaker: '99',
      label: '',
      protection: 'not-known',
      labelHolds: 'not-known',
    })
  })
})
