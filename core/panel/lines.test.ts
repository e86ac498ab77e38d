import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { fedAtTheSwitch, passingThrough, usualBox } from '@/demo/usual'
import { boxView } from '../job/box-view'
import { progressOf } from '../plan'
import type { JobRecord } from '../model/record'
import { huntFor, linesIn, linesToTell } from '.'

const two = usualBox({ breakers: ['7', '8'], cables: [...fedAtTheSwitch(true), ...passingThrough(true)] })
const told = (circuits: Readonly<Record<string, string>>, record: JobRecord = two.record) => {
  const ends = Object.fromEntries(
    Object.entries(record.ends).map(([id, end]) => [id, { ...end, roleCircuitId: circuits[id] ?? null }]),
  )
  return boxView({ ...record, ends }, 'box')!
}
const namesOf = (ends: readonly { readonly name: string }[]) => ends.map(({ name }) => name)

describe('the lines of a box', () => {
  it('are one of each metal, with what is joined and the neutrals of their cables', () => {
    const lines = linesIn(told({}))
    expect(lines.map(({ end, hots, neutrals }) => [end.name, namesOf(hots), namesOf(neutrals)])).toEqual([
      ['A black', ['A black'], ['A white', 'B white']],
      ['C black', ['C black', 'D black'], ['C white', 'D white']],
    ])
  })

  it('in a box of one line nothing is left to tell', () => {
    expect(linesToTell(usualBox())).toEqual([])
  })

  it('what is in one joint with the neutral of another line belongs to neither', () => {
    const { record } = two
    const joint = record.ends['box-a-white-2-end']!.jointId
    const ends = {
      ...record.ends,
      'box-c-white-2-end': { ...record.ends['box-c-white-2-end']!, jointId: joint },
    }
    const lines = linesIn(told({}, { ...record, ends }))
    expect(lines.map(({ neutrals }) => namesOf(neutrals))).toEqual([[], ['D white']])
  })

  it('are to be told until each has its breaker, and Test is not done before', () => {
    const test = (view: typeof two) => progressOf(view, trade).stages.find(({ stage }) => stage === 'test')
    const open = told({ 'box-a-black-1-end': 'circuit-7' })
    expect(namesOf(linesToTell(open).map(({ end }) => end))).toEqual(['C black'])
    expect(test(open)).toMatchObject({ missing: 'not known which breaker feeds C black' })
    expect(linesToTell(told({ 'box-a-black-1-end': 'circuit-7', 'box-c-black-1-end': 'circuit-8' }))).toEqual(
      [],
    )
  })

  it('a breaker that another line is on is tried late', () => {
    const hunt = (circuits: Readonly<Record<string, string>>) =>
      huntFor(told(circuits), { placeId: null, endId: 'box-c-black-1-end' }).toTry
    expect(hunt({}).map(({ share }) => share)).toEqual([0.5, 0.5])
    const [first, last] = hunt({ 'box-a-black-1-end': 'circuit-7' })
    expect(first!.circuit.breaker).toBe('8')
    expect(last!.why).toContain('another-line')
  })
})
