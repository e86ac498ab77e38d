import { afterAll, beforeEach, describe, expect, it } from 'vitest'
import { trade as shipped } from '@/catalogue'
import { currentTrade } from './catalogue'
import { pool } from './database'
import { changeLamp, loadLamps } from './lamps'

const KIND = 'magnetic-transformer'
const before = shipped.lamps[KIND]
const figures = {
  words: before.words,
  rating: before.rating,
  powerFactorIfNotPrinted: 0.8,
  offLimitMilliamps: before.offLimitMilliamps,
  dimming: before.dimming,
}
const now = async () => (await loadLamps()).find(({ kind }) => kind === KIND)!

beforeEach(() => pool().query('DELETE FROM lamp_facts WHERE kind = ?', [KIND]))
afterAll(async () => {
  await pool().query('DELETE FROM lamp_facts WHERE kind = ?', [KIND])
  await pool().query('UPDATE catalogue_state SET revision = revision + 1')
})

describe('figures of lamp kinds', () => {
  it('are those that came until somebody changes one; then every job reckons with it', async () => {
    expect(await now()).toEqual({ kind: KIND, fact: before, changed: false, version: 0 })
    expect(await changeLamp({ kind: KIND, figures, based: 0 })).toMatchObject({ kind: 'applied' })
    expect((await currentTrade()).lamps[KIND]).toEqual({ ...before, powerFactorIfNotPrinted: 0.8 })
    expect(await changeLamp({ kind: KIND, figures: null, based: 1 })).toMatchObject({
      kind: 'applied',
      entry: { changed: false, fact: before },
    })
    expect((await currentTrade()).lamps[KIND]).toEqual(before)
  })

  it('the same sent twice changes once; a change to what was changed meanwhile is refused with how it is now', async () => {
    await changeLamp({ kind: KIND, figures, based: 0 })
    expect(await changeLamp({ kind: KIND, figures, based: 0 })).toMatchObject({
      kind: 'applied',
      entry: { version: 1 },
    })
    const other = { ...figures, powerFactorIfNotPrinted: 0.7 }
    expect(await changeLamp({ kind: KIND, figures: other, based: 0 })).toMatchObject({
      kind: 'stale',
      entry: { version: 1, fact: { powerFactorIfNotPrinted: 0.8 } },
    })
  })

  it.each<[string, unknown, string]>([
    [
      'a power factor above one',
      { kind: KIND, figures: { ...figures, powerFactorIfNotPrinted: 1.2 }, based: 0 },
      '/figures/powerFactorIfNotPrinted',
    ],
    ['a kind that is none', { kind: 'candle', figures, based: 0 }, '/kind'],
    [
      'a figure left out',
      { kind: KIND, figures: { ...figures, dimming: undefined }, based: 0 },
      '/figures/dimming',
    ],
    ['no change at all', null, '/'],
  ])('%s is refused with its path, and nothing is stored', async (_, given, path) => {
    const outcome = await changeLamp(given)
    expect(outcome.kind === 'refused' && outcome.faults[0]!.path).toBe(path)
    expect(await now()).toMatchObject({ changed: false })
  })
})
