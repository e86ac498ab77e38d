import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { quillbackRoad } from '@/demo/quillback'
import { boxView } from '../job/box-view'
import type { DeviceModel } from '../model/device'
import { rowsOf } from '../model/record'
import { alikeDevices, alikeSets, checkLight, checkPlace, placesOf, type Judgement } from '.'

/** The plain way: both forms without what they are called and cost, part after part. */
function differing(one: DeviceModel, other: DeviceModel): string[] {
  const plain = ({ id, name, price, minutes, instructions, tests, ...form }: DeviceModel) =>
    [form, id, name, price, minutes, instructions, tests][0] as object
  const [a, b] = [Object.entries(plain(one)), Object.entries(plain(other))]
  const text = (all: [string, unknown][], key: string) =>
    JSON.stringify(all.find(([name]) => name === key)?.[1] ?? null)
  return [...new Set([...a, ...b].map(([key]) => key))].filter(key => text(a, key) !== text(b, key))
}

describe('what is alike', () => {
  const record = quillbackRoad()

  it('loses nothing, says nothing twice, and folds only devices that differ in the one thing it names', () => {
    let folded = 0
    for (const { id } of rowsOf(record, 'boxes').slice(0, 8)) {
      const view = boxView(record, id)!
      for (const { place } of view.places) {
        const judged = checkPlace(view, place.id, trade)
        const folds = alikeDevices(judged)
        expect(folds.flatMap(({ all }) => all.map(({ device }) => device.id)).sort()).toEqual(
          judged.map(({ device }) => device.id).sort(),
        )
        for (const { by, all } of folds) {
          const [first, ...others] = all
          expect(by === null).toBe(others.length === 0)
          for (const other of others) {
            folded++
            expect(differing(first.device, other.device)).toEqual([by])
            expect(other.verdict).toBe(first.verdict)
            expect(other.meetsWant).toBe(first.meetsWant)
          }
        }
        const at = (judgement: Judgement) => judged.indexOf(judgement)
        const leaders = folds.map(({ all }) => at(all[0]))
        expect(leaders).toEqual([...leaders].sort((a, b) => a - b))
      }
    }
    expect(folded).toBeGreaterThan(10)
  })

  it('puts sets of the same devices together, at whatever places they stand', () => {
    const stair = rowsOf(record, 'groups').find(({ id }) => placesOf(record, id).length === 3)!
    const judged = checkLight(record, stair.id, trade)
    const folds = alikeSets(judged)
    expect(folds.flatMap(({ all }) => all.map(({ id }) => id)).sort()).toEqual(
      judged.map(({ id }) => id).sort(),
    )
    expect(folds.length).toBeLessThan(judged.length / 1.5)
    const words = ({ set }: (typeof judged)[number]) => set.members.map(model => model?.name ?? '').sort()
    for (const { all } of folds)
      for (const each of all) {
        expect(words(each)).toEqual(words(all[0]))
        expect(each.meetsWant).toBe(all[0].meetsWant)
      }
    // No two rows that could have been one.
    const rows = folds.map(({ all }) => `${all[0].set.kind} ${all[0].meetsWant} ${words(all[0]).join()}`)
    expect(new Set(rows).size).toBe(rows.length)
  })
})
