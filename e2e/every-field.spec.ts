import { readFileSync } from 'node:fs'
import path from 'node:path'
import { expect, test, type Locator, type Page } from '@playwright/test'
import { ENTITIES, ENTITY_NAMES, JOB_FIELDS, type EntityName } from '@/core/model/entities'
import type { Fields } from '@/core/model/fields'
import { quillbackRoad } from '@/demo/quillback'
import { unfold } from './hand'
import { HANDS } from './hands'
import type { ByHand } from './hand-kinds'
import { bringIn, rows, saved, visit, quiet } from './helpers'

const STAIR = 'box-stair-bottom'

const fieldsOfEntity = (entity: EntityName | 'job'): Fields =>
  entity === 'job' ? JOB_FIELDS : (ENTITIES[entity] as Fields)

/** The titles of the tests of a file. */
const titlesIn = (file: string): string[] =>
  [...readFileSync(file, 'utf8').matchAll(/^\s*test\(\s*['"`]([^'"`]+)/gm)].map(match => match[1]!)

test('every field and every value has its hand, its test, or its reason', () => {
  const root = path.resolve(import.meta.dirname, '..')
  for (const entity of ['job', ...ENTITY_NAMES] as const)
    for (const [name, field] of Object.entries(fieldsOfEntity(entity))) {
      if (field.kind === 'id') continue
      const hand = (HANDS[entity] as Record<string, ByHand>)[name]!
      const where = `${entity}.${name}`
      if (hand.by === 'nobody') expect(hand.why.length, where).toBeGreaterThan(10)
      if (hand.by === 'test')
        expect(
          titlesIn(path.join(root, hand.file)).some(title => title.startsWith(hand.title)),
          `${where}: ${hand.title}`,
        ).toBe(true)
      if (field.kind === 'choice' && (hand.by === 'pick' || hand.by === 'select'))
        expect([...Object.keys(hand.words), ...Object.keys(hand.but ?? {})].sort(), where).toEqual(
          [...field.of].sort(),
        )
    }
})

const snake = (name: string) => name.replace(/[A-Z]/g, letter => `_${letter.toLowerCase()}`)

/** Sets each value, sees it in the database, and takes them all back, one press each. */
async function goThrough(
  page: Page,
  scope: Locator,
  entity: EntityName | 'job',
  jobId: string,
  id: string,
  names: readonly string[],
) {
  for (const name of names) {
    const hand = (HANDS[entity] as Record<string, ByHand>)[name]!
    const where = `${entity}.${name}`
    const column = `\`${snake(name)}\``
    const read = async () =>
      (
        await rows(
          entity === 'job'
            ? `SELECT ${column} AS v FROM jobs WHERE id = ?`
            : `SELECT ${column} AS v FROM \`${snake(entity)}\` WHERE job_id = ? AND id = ?`,
          ...(entity === 'job' ? [jobId] : [jobId, id]),
        )
      )[0]!.v as unknown
    const before = await read()
    let steps = 0
    const set = async (value: unknown, act: () => Promise<unknown>) => {
      const was = await read()
      await act()
      if (String(was) !== String(value)) steps++
      await expect.poll(read, { message: `${where} = ${String(value)}` }).toEqual(value)
    }
    if (hand.by === 'pick')
      for (const [value, words] of Object.entries(hand.words)) {
        const group = scope.getByRole('group', { name: hand.label, exact: true }).first()
        const asNumber = fieldsOfEntity(entity)[name]!.kind === 'number'
        await set(asNumber ? Number(value) : value, () =>
          group.getByRole('radio', { name: words, exact: true }).click(),
        )
      }
    if (hand.by === 'select')
      for (const [value, words] of Object.entries(hand.words))
        await set(value, () =>
          scope.getByLabel(hand.label, { exact: true }).first().selectOption({ label: words }),
        )
    if (hand.by === 'text' || hand.by === 'number')
      for (const [at, value] of hand.values.entries()) {
        const field = scope.getByLabel(hand.label, { exact: true }).first()
        await set(hand.kept?.[at] ?? value, async () => {
          await field.fill(String(value))
          await field.blur()
        })
      }
    if (hand.by === 'check') {
      const box = scope.getByRole('checkbox', { name: hand.label }).first()
      const is = before === 1
      await set(is ? 0 : 1, () => (is ? box.uncheck() : box.check()))
      await set(is ? 1 : 0, () => (is ? box.check() : box.uncheck()))
    }
    await saved(page)
    const isSheet = (await page.getByRole('dialog').count()) > 0
    if (isSheet) continue
    for (; steps > 0; steps--) {
      await page.getByRole('button', { name: /^Undo/ }).click()
      await saved(page)
    }
    await expect.poll(read, { message: `${where} taken back` }).toEqual(before)
  }
}

const names = (entity: EntityName | 'job') =>
  Object.entries(HANDS[entity]).flatMap(([name, hand]) =>
    hand.by === 'test' || hand.by === 'nobody' ? [] : [name],
  )

test('by hand: a box, its light, its lamps, its old device', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}/boxes/${STAIR}/look`)
  await quiet(page)
  const all = page.locator('main')
  const boxFields = names('boxes').filter(name => name !== 'kind')
  await goThrough(page, all, 'boxes', jobId, STAIR, boxFields)
  await unfold(page, 'Its places, and how it answers', 'More of its print', 'More of the old device')
  await goThrough(page, all, 'groups', jobId, 'stair-light', names('groups'))
  await goThrough(page, all, 'loads', jobId, 'stair-light-lamp-1', names('loads'))
  await goThrough(page, all, 'devices', jobId, `${STAIR}-1-old`, names('devices'))
  await goThrough(page, all, 'feeds', jobId, `${STAIR}-on-4`, names('feeds'))
})

test('by hand: a cable, a conductor, a joint, an end', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}/boxes/${STAIR}/look`)
  await quiet(page)
  const all = page.locator('main')
  const cable = page
    .locator('details')
    .filter({ has: page.locator('summary', { hasText: 'Cable A' }) })
    .first()
  await unfold(page, 'Cable A', 'More of this cable')
  await goThrough(page, cable, 'cables', jobId, `${STAIR}-a`, names('cables'))
  const strand = (name: string) => page.getByRole('button', { name: new RegExp(`^Cable ${name}`) }).first()
  await strand('B, red').press('Enter')
  const panel = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: /^Conductor B / }) })
    .last()
  await goThrough(page, panel, 'conductors', jobId, `${STAIR}-b-red-1`, names('conductors'))
  await goThrough(page, panel, 'ends', jobId, `${STAIR}-b-red-1-end`, ['seat'])
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await strand('A, bare').press('Enter')
  const ground = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: /^Conductor A bare/ }) })
    .last()
  await goThrough(page, ground, 'ends', jobId, `${STAIR}-a-bare-3-end`, ['seenAtSheath'])
  await goThrough(page, ground, 'joints', jobId, `${STAIR}-joint-grounds`, names('joints'))
  await visit(page, `/jobs/${jobId}/boxes/${STAIR}/test`)
  await strand('A, black').press('Enter')
  await goThrough(page, all, 'ends', jobId, `${STAIR}-a-black-1-end`, ['role'])
})

test('by hand: the house, a room, a circuit', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}`)
  await page.getByRole('button', { name: 'The house' }).click()
  await goThrough(page, page.getByRole('dialog'), 'job', jobId, jobId, names('job'))
  await page.getByRole('button', { name: 'Close' }).click()
  const title = page.getByRole('heading', { level: 1 })
  for (let left = 30; left > 0 && (await title.textContent()) !== 'Quillback Road 27'; left--) {
    await page.getByRole('button', { name: /^Undo/ }).click()
    await saved(page)
  }
  await expect(title).toHaveText('Quillback Road 27')
  expect(await rows('SELECT back_feed FROM jobs WHERE id = ?', jobId)).toEqual([{ back_feed: 'no' }])
  await page.getByRole('button', { name: 'Edit Stair' }).click()
  await goThrough(page, page.getByRole('dialog'), 'rooms', jobId, 'stair', names('rooms'))
  await visit(page, `/jobs/${jobId}/panel`)
  await page.getByRole('button', { name: 'Edit breaker 4', exact: true }).click()
  await goThrough(page, page.getByRole('dialog'), 'circuits', jobId, 'circuit-4', names('circuits'))
})
