import { expect, test, type Page } from '@playwright/test'
import { bringInDemo, rows, saved, violations, visit } from './helpers'

const lies = async (jobId: string, room: string) => {
  const [at] = await rows('SELECT plan_column, plan_row FROM rooms WHERE job_id = ? AND id = ?', jobId, room)
  return [at!.plan_column, at!.plan_row]
}
const picture = async (page: Page, jobId: string) => {
  await visit(page, `/jobs/${jobId}`)
  await page.getByRole('radio', { name: 'Picture' }).check()
  return page.getByRole('region', { name: 'Ground floor' })
}

test('the house as a picture: each box says its stage and its breaker, and leads there @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  const ground = await picture(page, jobId)
  const [stair, kitchen] = [
    ground.getByRole('heading', { name: 'Stair' }),
    ground.getByRole('heading', { name: 'Kitchen' }),
  ]
  const [left, right] = [await stair.boundingBox(), await kitchen.boundingBox()]
  expect(left!.y).toBeCloseTo(right!.y, 0)
  expect(left!.x).toBeLessThan(right!.x)
  expect(await violations(page)).toEqual([])
  const overflow = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  )
  expect(overflow).toBeLessThanOrEqual(0)
  await ground.getByRole('link', { name: /^By the island: Test; breaker 1 and 5$/ }).click()
  await expect(page).toHaveURL(new RegExp(`/jobs/${jobId}/boxes/box-island/test$`))
})

test('rooms are put where they lie, by keys and by dragging', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  const ground = await picture(page, jobId)
  await page.getByRole('button', { name: 'Move rooms' }).click()
  const room = (name: string) => ground.getByRole('button', { name, exact: true })
  // By keys: one to the right, where the other one goes to its place.
  expect(await lies(jobId, 'stair')).toEqual([1, 0])
  expect(await lies(jobId, 'kitchen')).toEqual([2, 0])
  await room('Stair').press('ArrowRight')
  await saved(page)
  expect([await lies(jobId, 'stair'), await lies(jobId, 'kitchen')]).toEqual([
    [2, 0],
    [1, 0],
  ])
  await expect(room('Stair')).toBeFocused()
  // By a press on the room, and one on an empty place.
  await room('Bath').click()
  await ground.getByRole('button', { name: 'Column 4, row 2' }).click()
  await saved(page)
  expect(await lies(jobId, 'bath')).toEqual([3, 1])
  // By dragging, left of all: the floor makes room.
  const [from, to] = [await room('Pantry').boundingBox(), await room('Reading room').boundingBox()]
  await page.mouse.move(from!.x + 20, from!.y + 20)
  await page.mouse.down()
  await page.mouse.move(to!.x + 20, to!.y + 20, { steps: 8 })
  await page.mouse.move(to!.x - to!.width / 2, to!.y + 20, { steps: 8 })
  await page.mouse.up()
  await saved(page)
  expect(await lies(jobId, 'pantry')).toEqual([0, 0])
  expect(await lies(jobId, 'reading-room')).toEqual([1, 0])
  expect(await lies(jobId, 'bath')).toEqual([4, 1])
  expect(await violations(page)).toEqual([])
  // One move is one step back.
  await page.getByRole('button', { name: 'Undo' }).click()
  await saved(page)
  expect(await lies(jobId, 'pantry')).toEqual([3, 0])
  expect(await lies(jobId, 'bath')).toEqual([3, 1])
})
