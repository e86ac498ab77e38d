import { expect, test } from '@playwright/test'
import { bringInBox, rows, saved, violations, visit } from './helpers'

test('jobs are found by words of name and address, and stand by when they were last worked on or by name @phone', async ({
  page,
  request,
}) => {
  const mark = `Reed${Date.now().toString(36)}`
  const ids = [await bringInBox(request, {}), await bringInBox(request, {})] as const
  await rows('UPDATE jobs SET name = ?, address = ? WHERE id = ?', `A ${mark}`, 'Low Lane 4', ids[0])
  await rows('UPDATE jobs SET name = ?, address = ? WHERE id = ?', `B ${mark}`, 'High Lane 7', ids[1])
  await page.goto('/')
  const names = page.getByRole('listitem').getByRole('link', { name: new RegExp(`^[AB] ${mark}`) })
  await expect(names).toHaveText([new RegExp(`^B ${mark}`), new RegExp(`^A ${mark}`)])
  await page.getByLabel('Order').selectOption('By name')
  await expect(names).toHaveText([new RegExp(`^A ${mark}`), new RegExp(`^B ${mark}`)])
  await page.getByLabel('Find a job').fill(`lane low ${mark.toLowerCase()}`)
  await expect(names).toHaveText([new RegExp(`^A ${mark}`)])
  await page.getByLabel('Find a job').fill('nowhere at all')
  await expect(page.getByText('No job has all of these words in its name or address.')).toBeVisible()
  expect(await violations(page)).toEqual([])

  // What is worked on comes first.
  await visit(page, `/jobs/${ids[0]}/boxes/box/look`)
  await page.getByLabel('Notes').fill('Seen again')
  await page.getByLabel('Notes').blur()
  await saved(page)
  await page.goto('/')
  await expect(names.first()).toHaveText(new RegExp(`^A ${mark}`))
})
