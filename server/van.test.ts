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

  it.each([
    [{ key: '', count: 1, based: 0 }, '/key'],
    [{ key: KEY, count: -1, based: 0 }, '/count'],
    [{ key: KEY, count: 1.5, based: 0 }, '/count'],
    [{ key: KEY, count: 1 }, '/based'],
  ])('%j is refused', async (given, at) => {
    expect(await countVan(given)).toMatchObject({ kind: 'refused', faults: [{ path: at }] })
  })
})
