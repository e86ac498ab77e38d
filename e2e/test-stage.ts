import { expect, type APIRequestContext, type Locator, type Page } from '@playwright/test'
import { usualBox } from '@/demo/usual'
import type { JobRecord } from '@/core/model/record'
import { bringIn, rows, saved } from './helpers'

/** What the conductors of the usual box truly are; nobody has told the record. */
const TRUTH: Readonly<Record<string, 'live' | 'switched' | 'dead'>> = {
  'A black': 'live',
  'B black': 'switched',
}

export const unread = (more: (record: JobRecord) => JobRecord = record => record) => {
  const { record } = usualBox({ proven: false })
  const ends = Object.fromEntries(
    Object.entries(record.ends).map(([id, end]) => [id, { ...end, role: null, roleGroupId: null }]),
  )
  return more({ ...record, ends, findings: {}, claims: {} })
}

export const open = async (page: Page, request: APIRequestContext, record = unread()) => {
  const jobId = await bringIn(request, record)
  await page.goto(`/jobs/${jobId}/boxes/box/test`)
  await expect(card(page)).toBeVisible()
  return jobId
}

export const card = (page: Page) =>
  page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: 'Next reading' }) })
    .last()
export const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).first().click()
export const answers = (page: Page) => page.getByRole('group', { name: 'What it shows' })

export const prove = async (page: Page) => {
  await press(page, 'It read 120 V')
  await press(page, /^Live point to/)
}

/** The card is of all that was read so far. */
export const settled = (page: Page) =>
  expect(
    page
      .locator('[aria-label="What it shows"][aria-busy="false"]')
      .or(page.getByText('Every conductor is proven')),
  ).toBeVisible()

/** What the wall shows for what the card asks. */
export async function shownAt(asked: Locator): Promise<string> {
  const places = await asked.getByRole('listitem').allInnerTexts()
  const standing = places
    .map(text => TRUTH[Object.keys(TRUTH).find(name => text.includes(name)) ?? ''] ?? 'dead')
    .slice(0, 2)
    .sort()
    .join(' ')
  const watched = (await asked.getByText(/watch the meter/).count()) > 0
  return watched
    ? standing === 'dead dead'
      ? 'Stays dead'
      : standing === 'dead live'
        ? 'Stays live'
        : 'Changes'
    : standing === 'dead live'
      ? 'About 120 V'
      : '0 to 5 V'
}

/** Reads the card as a person would, and presses what the wall shows. */
export async function answerTruly(page: Page) {
  await settled(page)
  const shown = await shownAt(card(page))
  await answers(page)
    .getByRole('button', { name: new RegExp(`^${shown}`) })
    .click()
}

export const readings = async (jobId: string) =>
  (await rows("SELECT COUNT(*) AS n FROM readings WHERE job_id = ? AND purpose = 'identify'", jobId))[0]!
    .n as number

/** Question after question, until there is none. */
export async function answerToTheEnd(page: Page, jobId: string) {
  for (let count = 0; count < 15; count++) {
    if (await page.getByRole('heading', { name: 'Every conductor is proven' }).isVisible()) return
    const before = await readings(jobId)
    await answerTruly(page)
    await expect.poll(() => readings(jobId)).toBe(before + 1)
    await saved(page)
    await settled(page)
  }
}
