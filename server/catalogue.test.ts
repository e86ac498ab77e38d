import path from 'node:path'
import Papa from 'papaparse'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { CatalogueOutcome } from '@/core/model/catalogue'
import { changeCatalogue, currentTrade, loadCatalogue, loadCatalogueUndo, seedCatalogue } from './catalogue'
import { bringInCatalogue, catalogueCsv } from './catalogue-files'
import { closePool, pool } from './database'
import { migrate } from './migrate'

let counter = 0
const commandId = () => `c-${process.pid}-${Date.now().toString(36)}-${++counter}`

const entryOf = async (id: string) => (await loadCatalogue()).find(({ device }) => device.id === id) ?? null

const ID = 'switch-plain-15'

/** Changes one device by hand. */
async function edit(fields: object, more: { id?: string; based?: number } = {}): Promise<CatalogueOutcome> {
  const entry = (await entryOf(ID))!
  return changeCatalogue({
    id: more.id ?? commandId(),
    name: 'edit a device',
    puts: [{ based: more.based ?? entry.version, device: { ...entry.device, ...fields } }],
  })
}

beforeAll(async () => {
  await migrate(path.join(import.meta.dirname, 'migrations'))
})

beforeEach(async () => {
  await pool().query('DELETE FROM catalogue_devices')
  await pool().query('DELETE FROM catalogue_log')
  await pool().query('UPDATE catalogue_state SET revision = revision + 1')
  await seedCatalogue()
})

afterAll(async () => {
  await pool().query('DELETE FROM catalogue_devices')
  await pool().query('DELETE FROM catalogue_log')
  await seedCatalogue()
  await closePool()
})

describe('the catalogue in the database', () => {
  it('is what came with the application, put in once', async () => {
    expect(await seedCatalogue()).toBe(0)
    const entries = await loadCatalogue()
    expect(entries.length).toBeGreaterThanOrEqual(70)
    expect(entries.every(({ from }) => from === 'shipped')).toBe(true)
    expect((await currentTrade()).devices).toEqual(entries.map(({ device }) => device))
  })

  it('a change is seen at once by whoever judges devices, and can be taken back and done again', async () => {
    expect(await edit({ price: 99 })).toMatchObject({ kind: 'applied' })
    const priceNow = async () => (await currentTrade()).devices.find(({ id }) => id === ID)!.price
    expect(await priceNow()).toBe(99)
    expect((await entryOf(ID))!.from).toBe('changed')
    const { undo } = await loadCatalogueUndo()
    expect(undo).toMatchObject({ name: 'edit a device' })
    const back = await changeCatalogue({ id: commandId(), name: 'undo', undoes: undo!.id })
    expect(back.kind).toBe('applied')
    expect(await priceNow()).not.toBe(99)
    expect((await entryOf(ID))!.from).toBe('shipped')
    const { redo } = await loadCatalogueUndo()
    await changeCatalogue({ id: commandId(), name: 'redo', undoes: redo!.id })
    expect(await priceNow()).toBe(99)
    expect((await loadCatalogueUndo()).redo).toBeNull()
  })

  it('what a person changed stays when a newer catalogue comes; what nobody touched becomes the newer one', async () => {
    await edit({ price: 99 })
    // The application had other figures before.
    for (const id of [ID, 'switch-plain-20'])
      await pool().query(
        "UPDATE catalogue_devices SET shipped = JSON_SET(shipped, '$.minutes', 77), model = JSON_SET(model, '$.minutes', 77) WHERE id = ?",
        [id],
      )
    expect(await seedCatalogue()).toBe(2)
    expect((await entryOf(ID))!.device).toMatchObject({ price: 99, minutes: 77 })
    expect((await entryOf('switch-plain-20'))!.device.minutes).not.toBe(77)
  })

  it('of the older form it is read as it would be written today, changed or not, and taken back as it was', async () => {
    const sensor = (await entryOf('sensor-neutral'))!.device
    const { sees: _sees, ...bare } = sensor
    const older = (price: number) =>
      JSON.stringify({
        ...bare,
        form: 1,
        price,
        settings: [
          {
            id: 'delay',
            name: 'Off after',
            values: ['30 s (walk test)', '10 min', '20 min', '30 min'],
            initial: '20 min',
            why: 'So.',
          },
        ],
      })
    await pool().query("UPDATE catalogue_devices SET shipped = ?, model = ? WHERE id = 'sensor-neutral'", [
      older(1),
      older(99),
    ])
    await pool().query('UPDATE catalogue_state SET revision = revision + 1')
    const look = async () => {
      const { device, from } = (await entryOf('sensor-neutral'))!
      const delay = device.settings.find(({ id }) => id === 'delay')!
      return {
        form: device.form,
        price: device.price,
        from,
        delay: [delay.initial, delay.kind],
        sees: device.sees,
      }
    }
    const now = { form: 2, price: 99, from: 'changed', delay: ['20 min', 'duration'], sees: sensor.sees }
    expect(await look()).toEqual(now)
    await seedCatalogue()
    expect(await look()).toEqual(now)
    const entry = (await entryOf('sensor-neutral'))!
    await changeCatalogue({
      id: commandId(),
      name: 'edit a device',
      puts: [{ based: entry.version, device: { ...entry.device, price: 5 } }],
    })
    expect(await look()).toEqual({ ...now, price: 5 })
    const { undo } = await loadCatalogueUndo()
    expect((await changeCatalogue({ id: commandId(), name: 'undo', undoes: undo!.id })).kind).toBe('applied')
    expect(await look()).toEqual(now)
  })

  it('sent twice it is applied once, and answered alike', async () => {
    const id = commandId()
    const entry = (await entryOf(ID))!
    const command = {
      id,
      name: 'edit a device',
      puts: [{ based: entry.version, device: { ...entry.device, price: 5 } }],
    }
    const [one, two] = await Promise.all([changeCatalogue(command), changeCatalogue(command)])
    expect([one.kind, two.kind]).toEqual(['applied', 'applied'])
    expect((await entryOf(ID))!.version).toBe(entry.version + 1)
  })

  it('of two who change the same, the later is shown how it is now', async () => {
    const { version } = (await entryOf(ID))!
    await edit({ price: 5 }, { based: version })
    expect(await edit({ price: 6 }, { based: version })).toMatchObject({
      kind: 'stale',
      now: [{ device: { id: ID, price: 5 } }],
    })
    expect((await entryOf(ID))!.device.price).toBe(5)
  })

  it('what makes no sense is refused with its path, and nothing is stored', async () => {
    const before = await loadCatalogue()
    expect(await edit({ price: -1, does: ['fly'] })).toMatchObject({
      kind: 'refused',
      faults: expect.arrayContaining([
        expect.objectContaining({ path: '/puts/0/device/price' }),
        expect.objectContaining({ path: '/puts/0/device/does/0' }),
      ]),
    })
    expect(await changeCatalogue({ id: commandId(), name: 'undo', undoes: 'nothing' })).toMatchObject({
      kind: 'refused',
    })
    expect(await changeCatalogue(null)).toMatchObject({ kind: 'refused' })
    expect(await loadCatalogue()).toEqual(before)
  })
})

describe('a catalogue that goes out and comes in', () => {
  const table = async () =>
    Papa.parse<string[]>(catalogueCsv((await loadCatalogue()).map(({ device }) => device))).data

  it('as it went out there is nothing new in it', async () => {
    const csv = catalogueCsv((await loadCatalogue()).map(({ device }) => device))
    expect(await bringInCatalogue(commandId(), csv)).toMatchObject({
      kind: 'refused',
      faults: [{ code: 'nothing-new' }],
    })
  })

  it('changed in a spreadsheet it comes in as one edit, taken back as one', async () => {
    const rows = await table()
    const [head] = rows
    for (const row of rows.slice(1)) if (row[0]!.startsWith('timer-')) row[head!.indexOf('price')] = '12,5'
    const outcome = await bringInCatalogue(commandId(), Papa.unparse(rows, { delimiter: ';' }))
    if (outcome.kind !== 'applied') throw new Error(JSON.stringify(outcome))
    expect(outcome.changed.length).toBeGreaterThan(3)
    expect((await entryOf('timer-linked'))!.device.price).toBe(12.5)
    await changeCatalogue({ id: commandId(), name: 'undo', undoes: outcome.undo.undo!.id })
    expect((await entryOf('timer-linked'))!.device.price).not.toBe(12.5)
    expect((await loadCatalogue()).every(({ from }) => from === 'shipped')).toBe(true)
  })

  it('with one fault in it nothing of it comes in', async () => {
    const rows = await table()
    rows[3]![rows[0]!.indexOf('price')] = '1'
    rows[5]![rows[0]!.indexOf('gangs')] = 'two'
    const outcome = await bringInCatalogue(commandId(), Papa.unparse(rows))
    expect(outcome).toMatchObject({ kind: 'refused', faults: [{ path: 'row 6, column “gangs”' }] })
    expect((await loadCatalogue()).every(({ from }) => from === 'shipped')).toBe(true)
  })

  it('a name that a spreadsheet would reckon with goes out harmless and comes back as it was', async () => {
    await edit({ name: '=1+1' })
    const csv = catalogueCsv((await loadCatalogue()).map(({ device }) => device))
    expect(csv).toContain(`"'=1+1"`)
    expect(await bringInCatalogue(commandId(), csv)).toMatchObject({ faults: [{ code: 'nothing-new' }] })
  })
})
