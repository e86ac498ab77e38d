import path from 'node:path'
import Papa from 'papaparse'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { usualBox } from '@/demo/usual'
import { seedCatalogue } from './catalogue'
import { closePool, pool } from './database'
import { removeJob, storeJobFile } from './jobs'
import { migrate } from './migrate'
import { pickListCsv } from './pick-list'
import { countVan } from './van'

const KEY = 'device:dimmer-led-200-neutral'
const jobId = `pick-${process.pid}`

beforeAll(async () => {
  await migrate(path.join(import.meta.dirname, 'migrations'))
  await seedCatalogue()
  await pool().execute('DELETE FROM van_stock WHERE item_key = ?', [KEY])
  const { record } = usualBox({ choice: 'dimmer-led-200-neutral' })
  const rooms = Object.fromEntries(
    Object.entries(record.rooms).map(([id, room]) => [id, { ...room, name: '=Room' }]),
  )
  await storeJobFile(
    { record: { ...record, rooms, job: { ...record.job, id: jobId } }, extra: {} },
    { jobId, demo: null },
  )
})

afterAll(async () => {
  await pool().execute('DELETE FROM van_stock WHERE item_key = ?', [KEY])
  await removeJob(jobId)
  await closePool()
})

describe('the pick list as a table', () => {
  const rowOf = async () =>
    Papa.parse<string[]>((await pickListCsv(jobId))!.text).data.find(row => row[1]?.includes('LED 200 W'))

  it('says what is needed, what the van has, and what is left to buy', async () => {
    expect(await rowOf()).toEqual([
      'device',
      'Dimmer, LED 200 W, neutral, with companion terminal',
      '1',
      '0',
      '1',
      '46',
      // A spreadsheet is kept from reckoning with it.
      "'=Room, By the door",
    ])
    await countVan({ key: KEY, count: 4, based: 0 })
    expect((await rowOf())!.slice(2, 5)).toEqual(['1', '4', '0'])
  })

  it('there is none of a job that is not there', async () => {
    expect(await pickListCsv('no-such-job')).toBeNull()
  })
})
