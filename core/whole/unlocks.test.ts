import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { quillbackRoad } from '@/demo/quillback'
import { checkLight, checkPlace } from '../check'
import { boxView } from '../job/box-view'
import { rowsOf } from '../model/record'
import { choicesOf } from './options'
import { whatUnlocks } from './unlocks'

describe('what to find out first in a house', () => {
  const record = quillbackRoad()
  const lights = choicesOf(record, trade)

  it('no other thing is waited for by more lights', () => {
    const first = whatUnlocks(lights)!
    const waiting = (says: string, boxId: string) =>
      lights.filter(({ waitsFor }) => waitsFor.some(each => each.says === says && each.boxId === boxId))
        .length
    expect(first.lights.length).toBe(waiting(first.thing.says, first.thing.boxId))
    for (const { waitsFor } of lights)
      for (const { says, boxId } of waitsFor)
        expect(waiting(says, boxId)).toBeLessThanOrEqual(first.lights.length)
    expect(first.open).toBe(
      lights.filter(({ options, waiting: of }) => options.length === 0 && of > 0).length,
    )
  })

  it('each thing stands at a candidate that is not known, in a box of its light', () => {
    let things = 0
    for (const { groupId, places, waitsFor, options } of lights) {
      if (options.length > 0) expect(waitsFor).toEqual([])
      const view = boxView(record, places[0]!.boxId)!
      const place = view.places.find(({ place: { id } }) => id === places[0]!.placeId)!
      const said = (
        place.placesInGroup === 1
          ? checkPlace(view, place.place.id, trade)
          : checkLight(record, groupId, trade)
      ).flatMap(({ verdict, settledBy }) => (verdict === 'not-known' ? settledBy : []))
      for (const { says, boxId } of waitsFor) {
        things++
        expect(said).toContain(says)
        expect(rowsOf(record, 'places').some(each => each.boxId === boxId && each.groupId === groupId)).toBe(
          true,
        )
      }
    }
    expect(things).toBeGreaterThan(5)
  })
})
