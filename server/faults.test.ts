import path from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { usualBox } from '@/demo/usual'
import { parseJobFile, writeJobFile } from '@/core/format/job-file'
import { ENTITY_NAMES } from '@/core/model/entities'
import { good } from '@/core/model/result'
import { doneByTest } from '@/testing/origin'
import { bringIn } from './bring-in'
import { csvOf } from './csv'
import { closePool } from './database'
import { missingTables } from './health'
import { answered, log, parsedJson } from './http'
import { applyCommand } from './commands'
import { loadJob, loadJobFile, removeJob } from './jobs'
import { migrate } from './migrate'

/* Files and moments that once were answered as a fault of ours. */

beforeAll(async () => {
  await migrate(path.join(import.meta.dirname, 'migrations'))
})
afterAll(closePool)

const record = usualBox().record
const fileWith = (change: (file: Record<string, Record<string, unknown>[]>) => void): string => {
  const file = JSON.parse(writeJobFile({ record, extra: {} })) as Record<string, Record<string, unknown>[]>
  change(file)
  return JSON.stringify(file)
}
const refusedAt = (text: string): string[] => {
  const parsed = parseJobFile(text)
  return parsed.ok ? [] : parsed.faults.map(each => each.path)
}

describe('a file that cannot be', () => {
  it.each<[string, (file: Record<string, Record<string, unknown>[]>) => void, string]>([
    ['a row that every object has', file => void (file.boxes![0]!.roomId = 'constructor'), '/boxes/0/roomId'],
    ['a day there is not', file => (file.readings![0]!.at = '2026-02-30T10:00:00.000Z'), '/readings/0/at'],
    ['an hour there is not', file => (file.readings![0]!.at = '2026-02-20T25:00:00.000Z'), '/readings/0/at'],
    ['half a character', file => (file.rooms![0]!.name = 'Hall \ud83d'), '/rooms/0/name'],
    ['an id twice', file => void file.rooms!.push({ ...file.rooms![0]! }), '/rooms/1'],
    [
      'a name twice',
      file => void file.rooms!.push({ ...file.rooms![0]!, id: 'again', name: ' ROOM ' }),
      '/rooms/0/name',
    ],
  ])('%s is refused where it stands', (_, change, at) => {
    expect(refusedAt(fileWith(change))).toContain(at)
  })

  it.each([60, 100_000])('%i levels deep is read or refused, never a fault of ours', levels => {
    const deep = `${'['.repeat(levels)}${']'.repeat(levels)}`
    const text = fileWith(() => undefined).replace(/^\{/, `{"more":${deep},`)
    expect(refusedAt(text)).toEqual(levels > 64 ? ['/'] : [])
    expect(parsedJson(deep) === null).toBe(levels > 64)
    if (levels < 64) {
      const parsed = parseJobFile(text)
      expect(parsed.ok && writeJobFile(parsed.value)).toContain('"more"')
    }
  })

  it.each<[string, unknown]>([
    ['deeper than the database looks', JSON.parse(`${'['.repeat(55)}${']'.repeat(55)}`)],
    ['half a character', { '\ud83d': 'x\udc00' }],
    ['nothing but a name', { constructor: null, '': [] }],
  ])('what is not known here is kept as it came: %s', async (_, odd) => {
    const text = fileWith(file => {
      Object.assign(file.rooms![0]!, { odd })
      Object.assign(file, { more: odd })
    })
    const stored = await bringIn(text)
    if (!stored.ok) throw new Error(JSON.stringify(stored.faults))
    const file = (await loadJobFile(stored.value))!
    await removeJob(stored.value)
    expect(file.extra).toEqual({ more: odd })
    expect(Object.values(file.record.rooms)[0]).toMatchObject({ extra: { odd } })
  })

  it('a row may be called what every object has', () => {
    const text = fileWith(file => {
      file.rooms!.push({ ...file.rooms![0]!, id: 'constructor', name: 'Another' })
    })
    expect(refusedAt(text)).toEqual([])
  })

  // Every row was held against every other: this would go on for hours.
  it('of forty thousand rooms is read like any other', () => {
    const text = fileWith(file => {
      const [room] = file.rooms!
      for (let at = 0; at < 40_000; at++) file.rooms!.push({ ...room!, id: `r${at}`, name: `Room ${at}` })
    })
    expect(refusedAt(text)).toEqual([])
    expect(refusedAt(text.replaceAll('"Room 39999"', '"Room 7"'))).toHaveLength(2)
  }, 60_000)
})

describe('a job that is started', () => {
  it('twice under one id is made once; under a taken id it is refused', async () => {
    const id = `started-${Date.now().toString(36)}`
    const wish = (name: string) => JSON.stringify({ start: { id, name, regionId: 'europe-230' } })
    const both = await Promise.all([bringIn(wish('Lane 3')), bringIn(wish('Lane 3'))])
    expect(both).toEqual([good(id), good(id)])
    const other = await bringIn(wish('Lane 4'))
    expect(other.ok).toBe(false)
    const copy = (name: string) => JSON.stringify({ copy: { id: `${id}-copy`, jobId: id, name } })
    expect(await bringIn(copy('Lane 3, copy'))).toEqual(good(`${id}-copy`))
    expect(await bringIn(copy('Lane 3, copy'))).toEqual(good(`${id}-copy`))
    expect(await removeJob(id)).toBe(true)
    expect(await removeJob(`${id}-copy`)).toBe(true)
  })
})

describe('a file whose numbers run to the end', () => {
  it('takes readings all the same', async () => {
    const id = `late-${Date.now().toString(36)}`
    const text = fileWith(file => {
      ;(file.job as unknown as Record<string, unknown>).id = id
      for (const rows of Object.values(file))
        if (Array.isArray(rows))
          for (const row of rows) if ('seq' in row) row.seq = 999_999_000 + Number(row.seq)
    })
    expect(await bringIn(text)).toEqual(good(id))
    const stored = (await loadJob(id))!
    const reading = Object.values(stored.record.readings)[0]!
    const outcome = await applyCommand(id, {
      id: `${id}-reading`,
      origin: doneByTest(),
      name: 'take a reading',
      boxId: 'box',
      edits: [{ kind: 'add', entity: 'readings', row: { ...reading, id: 'one-more' } }],
    })
    expect(outcome.kind).toBe('applied')
    const file = await loadJobFile(id)
    expect(parseJobFile(writeJobFile(file!)).ok).toBe(true)
    await removeJob(id)
  })
})

describe('what goes out', () => {
  it('is never a formula, whatever stands on its other lines', () => {
    for (const cell of ['=1+1', '+1', '-1', '@x', '=HYPERLINK("x")\nsecond line', '\t=1', 'safe'])
      expect(
        csvOf([[cell]])
          .replace(/^"?/, '')
          .startsWith("'"),
      ).toBe(cell !== 'safe')
  })
})

describe('the database', () => {
  it('has every table, and says which it has not', async () => {
    expect(await missingTables(ENTITY_NAMES)).toEqual([])
    expect(await missingTables([...ENTITY_NAMES, 'nowhere' as never])).toEqual(['nowhere'])
  })

  it('away is said as that, with when to ask again', async () => {
    log.level = 'silent'
    for (const code of ['ECONNREFUSED', 'PROTOCOL_CONNECTION_LOST', 'ER_CON_COUNT_ERROR']) {
      const answer = await answered(() => Promise.reject(Object.assign(new Error('no'), { code })))
      expect(answer.status).toBe(503)
      expect(answer.headers.get('retry-after')).toBe('5')
    }
  })
})
