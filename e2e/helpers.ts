import AxeBuilder from '@axe-core/playwright'
import { expect, type APIRequestContext, type Locator, type Page } from '@playwright/test'
import mysql, { type RowDataPacket } from 'mysql2/promise'
import { writeJobFile } from '@/core/format/job-file'
import type { JobRecord } from '@/core/model/record'
import { quillbackRoad } from '@/demo/quillback'
import { usualBox, type UsualBox } from '@/demo/usual'
import { doneByTest } from '@/testing/origin'

let counter = 0

/** A job of the test's own, brought in through the open format, so that tests never meet. */
export async function bringIn(request: APIRequestContext, record: JobRecord): Promise<string> {
  const id = `e2e-${process.pid}-${Date.now().toString(36)}-${++counter}`
  const text = writeJobFile({ record: { ...record, job: { ...record.job, id } }, extra: {} })
  const answer = await request.post('/api/jobs', {
    data: text,
    headers: { 'content-type': 'application/json' },
  })
  expect(answer.status()).toBe(201)
  return id
}

export const bringInBox = (request: APIRequestContext, given: UsualBox): Promise<string> =>
  bringIn(request, usualBox(given).record)

export const bringInDemo = (request: APIRequestContext): Promise<string> => bringIn(request, quillbackRoad())

/** What the database holds, asked directly. */
export async function rows(sql: string, ...values: (string | number)[]): Promise<RowDataPacket[]> {
  const db = await mysql.createConnection({ uri: process.env.DATABASE_URL! })
  try {
    const [found] = await db.execute<RowDataPacket[]>(sql, values)
    return found
  } finally {
    await db.end()
  }
}

/** Opens a page and waits until it listens: what is pressed before that is nobody's. */
export async function visit(page: Page, path: string): Promise<void> {
  await page.goto(path)
  await expect(page.locator('[data-save="opening"], [data-coming]')).toHaveCount(0)
}

/**
 * Waits until nothing is fetched any more, for so long at the most: once in a thousand times a request is counted as
 * going on that has long ended, and nobody would wait for it.
 */
export const quiet = (page: Page): Promise<void> =>
  page.waitForLoadState('networkidle', { timeout: 20_000 }).catch((error: Error) => {
    if (error.name !== 'TimeoutError') throw error
  })

/** Waits until the page says that everything is in the database. */
export const saved = (page: Page) => expect(page.locator('[data-save]')).toHaveAttribute('data-save', 'saved')

/** Waits until what is needed once there is no connection any more has come. */
export async function atHand(page: Page): Promise<void> {
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await expect(page.locator('html[data-at-hand]')).toBeAttached()
}

export const pick = (page: Page, group: string, name: string) =>
  page.getByRole('group', { name: group, exact: true }).getByRole('radio', { name, exact: true }).check()

export const stage = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Stages' })
    .getByRole('link', { name: new RegExp(`^${name}`) })
    .click()

/** Off, locked and tagged: by the first who is named there, or by somebody who says his name. */
export async function lockOff(within: Page | Locator) {
  const group = within.getByRole('group', { name: /^Off, locked and tagged\. Key with$/ }).first()
  await expect(group).toBeVisible()
  const named = group.getByRole('button', { name: /Key with / })
  if ((await named.count()) > 0) return named.first().click()
  const name = group.getByLabel('Name of who keeps it off')
  await name.fill('Rowan Vale')
  await name.press('Enter')
}

/** Does what a box’s page asks for, one thing after another, until so many steps are left to be ticked. */
export async function workThrough(page: Page, left = 0) {
  const ticks = page.getByRole('button', { name: /^Done: / })
  const clamps = page.getByRole('button', { name: /: it shows 0\.00 A$/ })
  const zeros = page.getByRole('button', { name: /: 0 V$/, disabled: false })
  const again = page.getByRole('button', { name: 'It read 120 V' })
  const open = async () =>
    `${await ticks.count()} ${await clamps.count()} ${await zeros.count()} ${await again.count()}`
  while ((await ticks.count()) > left) {
    const before = await open()
    let next = ticks
    for (const each of [zeros, clamps, again]) if ((await each.count()) > 0) next = each
    await expect(next.first()).toBeEnabled()
    await next.first().click()
    await expect.poll(open).not.toBe(before)
  }
  await saved(page)
}

/** Everything on Prove shows what it should: what one look confirms with one press. How many tests that were. */
export async function passAll(page: Page): Promise<number> {
  const atOnce = page.getByRole('button', { name: /^Passed: / })
  const one = page.getByRole('radio', { name: 'Passed', checked: false })
  const passed = page.getByRole('radio', { name: 'Passed', checked: true })
  await expect(atOnce.or(one).first()).toBeVisible()
  while ((await atOnce.count()) + (await one.count()) > 0) {
    const before = await passed.count()
    await ((await atOnce.count()) > 0 ? atOnce : one).first().click()
    await expect.poll(() => passed.count()).toBeGreaterThan(before)
  }
  return passed.count()
}

/**
 * The accessibility violations of the page as it stands, each with its first element: all rules, or those named.
 * The product has no frames, so the page is judged in one go.
 */
export async function violations(page: Page, rules?: readonly string[]): Promise<string[]> {
  expect(page.frames()).toHaveLength(1)
  const axe = new AxeBuilder({ page }).setLegacyMode(true)
  const found = await (rules ? axe.withRules([...rules]) : axe).analyze()
  return found.violations.map(each => `${each.id}: ${each.nodes[0]?.target.join(' ')}`)
}

/** Where a command that is sent beside every page comes from: somebody who had all of the job before him. */
export async function seenBeside(request: APIRequestContext, jobId: string) {
  const job = (await (await request.get(`/api/jobs/${jobId}`)).json()) as { revision: number }
  return doneByTest(job.revision)
}

/** A candidate with all that was judged of it. */
export async function opened(card: Locator): Promise<Locator> {
  const why = card.getByRole('button', { name: /^Why/ })
  await expect(why).toBeVisible()
  if ((await why.getAttribute('aria-expanded')) !== 'true') await why.click()
  return card
}

/** The row of a candidate, found by its name. */
export async function foundByName(page: Page, name: string): Promise<Locator> {
  await page.getByLabel('Find by name').fill(name)
  return page.getByRole('article', { name, exact: true })
}

/** Of rows alike but for one thing the one that is named: shown in its row, where another leads it. */
export async function shownOf(lead: Locator, named: Locator, by: string | RegExp): Promise<Locator> {
  await expect(lead.or(named).first()).toBeVisible()
  if (await named.isVisible()) return named
  await opened(lead)
  await lead
    .getByRole('group', { name: /^Alike but for/ })
    .getByRole('radio', { name: by })
    .check()
  await expect(named).toBeVisible()
  return named
}

/** Goes to a page of the job: from above, or on a phone by its menu. */
export async function toPage(page: Page, name: string): Promise<void> {
  const menu = page.getByRole('button', { name: 'Every page' })
  if (await menu.isVisible()) {
    await menu.click()
    await page.getByRole('dialog', { name: 'Pages' }).getByRole('link', { name, exact: true }).click()
  } else {
    await page.getByRole('navigation', { name: 'Job' }).getByRole('link', { name, exact: true }).click()
  }
}
