import { expect, test } from '@playwright/test'
import { isolatedFan } from '@/testing/route/isolated-fan'
import { bringIn, rows, saved, stage, violations, visit } from './helpers'

test('a fan is isolated beside its ceiling, and wired so', async ({ page, request }) => {
  const [{ record }] = isolatedFan({
    ...{ runsOn: true, light: 'at-switch', oneBox: false, old: 'old-fan-isolator-230' },
    ...{ isolator: null, choice: 'switch-230-10', seen: true },
  }) as [ReturnType<typeof isolatedFan>[number]]
  const notSaid = Object.entries(record.loads).map(([id, load]) => [id, { ...load, isolatedAtId: null }])
  const jobId = await bringIn(request, { ...record, loads: Object.fromEntries(notSaid) })

  // As one of two controls of its light it would be one of a pair: it is said to be none.
  await visit(page, `/jobs/${jobId}/boxes/ceiling/look`)
  const said = page.getByRole('checkbox', { name: /^Works nothing: it isolates Bath fan/ })
  await expect(said).toHaveCount(2)
  await said.first().check()
  await expect(page.getByText('Worked from', { exact: true })).toBeVisible()
  await expect(page.getByRole('group', { name: 'Wanted here' })).toHaveCount(0)
  expect(await violations(page)).toEqual([])
  await saved(page)
  expect(await rows('SELECT id, isolated_at_id FROM loads WHERE job_id = ? ORDER BY id', jobId)).toEqual([
    { id: 'bath-lamp-1', isolated_at_id: 'ceiling-1' },
    { id: 'bath-lamp-2', isolated_at_id: null },
  ])

  await stage(page, 'Choose')
  const isolator = page.getByRole('article', { name: /^Fan isolator, three poles/ })
  await isolator.getByRole('button', { name: /^Choose/ }).click()
  await saved(page)
  expect(
    await rows('SELECT model_id FROM choices WHERE job_id = ? AND place_id = ?', jobId, 'ceiling-1'),
  ).toEqual([{ model_id: 'fan-isolator-230' }])

  await stage(page, 'Wire')
  await expect(page.getByText(/^Proven/).first()).toBeVisible()
  await expect(page.getByText(/Switched L out/).first()).toBeVisible()
  await stage(page, 'Prove')
  await expect(page.getByText(/Isolator off, the fan’s switch on/)).toBeVisible()
  await expect(page.getByText('On here: work Bath fan from its switch')).toBeVisible()

  // The switch stays the only control of its light.
  await visit(page, `/jobs/${jobId}/boxes/switch/choose`)
  await expect(page.getByRole('article', { name: /^Switch, plain, 10 A/ }).first()).toBeVisible()
})
