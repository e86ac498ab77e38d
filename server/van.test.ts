import path from 'node:path'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { closePool, pool } from './database'
import { migrate } from './migrate'
import { countVan, loadVan } from './van'

const KEY = 'device:van-test'

beforeAll(async () => {
  await migrate(path.join(import.meta.dirname, 'migrations'))
})
beforeEach(async () => {
  await pool().execute('DELETE FROM van_stock WHERE item_key = ?', [KEY])
})
afterAll(async () => {
  await pool().execute('DELETE FROM van_stock WHERE item_key = ?', [KEY])
  await closePool()
})

describe('the van', () => {
  it('is counted, and what it has none of is not listed', async () => {
    expect(await countVan({ key: KEY, count: 3, based: 0 })).toEqual({ kind: 'applied', key: KEY, count: 3 })
    expect((await loadVan())[KEY]).toBe(3)
    await countVan({ key: KEY, count: 0, based: 3 })
    expect(await loadVan()).not.toHaveProperty([KEY])
  })

  it('the same count sent twice is one; a count from before is refused with how many there are', async () => {
    await countVan({ key: KEY, count: 2, based: 0 })
    expect(await countVan({ key: KEY, count: 2, based: 0 })).toMatchObject({ kind: 'applied', count: 2 })
    expect(await countVan({ key: KEY, count: 9, based: 0 })).toEqual({ kind: 'stale', key: KEY, count: 2 })
  })

  it('by three hundred at once is counted by each of them, or told that another was first', async () => {
    const keys = Array.from({ length: 38 }, (_, at) => `${KEY}-${at}`)
    const outcomes = await Promise.all(
      Array.from({ length: 300 }, (_, at) =>
        countVan({ key: keys[Math.floor(at / 8)]!, count: 1 + (at % 9), based: 0 }),
      ),
    )
    expect(outcomes.every(({ kind }) => kind === 'applied' || kind === 'stale')).toBe(true)
    for (const key of keys) {
      const first = outcomes.find(each => each.kind === 'applied' && each.key === key)
      expect(first?.kind === 'applied' && first.count).toBe((await loadVan())[key])
      await pool().execute('DELETE FROM van_stock WHERE item_key = ?', [key])
    }
  }, 60_000)

  it.each([
    [{ key: '', count: 1, based: 0 }, '/key'],
    [{ key: KEY, count: -1, based: 0 }, '/count'],
    [{ key: KEY, count: 1.5, based: 0 }, '/count'],
    [{ key: KEY, count: 1 }, '/based'],
  ])('%j is refused', async (given, at) => {
    expect(await countVan(given)).toMatchObject({ kind: 'refused', faults: [{ path: at }] })
  })
})
