import { expect, test } from '@playwright/test'
import type { CableAsFound, Strand } from '@/demo/builder'
import { bareJob, strand } from '@/demo/usual'
import { bringIn, rows, saved, visit, quiet } from './helpers'

/** A switch by the door, all loose, two breakers that come in by some cables, and a lamp of one of them or not said. */
function boxFedBy(feeds: readonly CableAsFound[], circuit?: string) {
  const job = bareJob('fed-by-two', { breakers: ['7', '9'] })
  job.box({
    id: 'box',
    room: 'room',
    name: 'By the door',
    breakers: ['7', '9'],
    box: { depthMillimetres: 90, volumeCubicInches: 60 },
    controls: [
      {
        group: 'lamp',
        name: 'Lamp',
        old: 'old-switch',
        choice: 'switch-plain-15',
        lamps: [{ kind: 'led', wattsEach: 15, count: 2, dimmable: 'yes', powerFactor: 0.9 }],
      },
    ],
    cables: [
      ...feeds,
      {
        name: 'L',
        far: 'luminaire',
        entry: 'top',
        strands: [strand('black', 'loose', 'switched-load', { group: 'lamp', circuit }), ...RETURN],
      },
    ],
  })
  return job.record()
}

const RETURN = [strand('white', 'loose', 'neutral'), strand('bare', 'loose', 'ground')]
const feed = (name: string, hots: readonly Strand[]): CableAsFound => ({
  name,
  far: 'panel',
  entry: 'bottom',
  strands: [...hots, ...RETURN],
})

/** Two lines of two breakers, and nobody said whose is whose. */
const twoLines = () => boxFedBy(['A', 'B'].map(name => feed(name, [strand('black', 'loose', 'line')])))

/** Two hots of two breakers in one cable, and one white beside them. */
const oneNeutral = () =>
  boxFedBy(
    [
      feed('A', [
        strand('black', 'loose', 'line', { circuit: '7' }),
        strand('red', 'loose', 'line', { circuit: '9' }),
      ]),
    ],
    '9',
  )

test('which breaker is asked, conductor by conductor, and the light stays on its own @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringIn(request, twoLines())
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  await quiet(page)
  await expect(page.getByText('It cannot be wired yet')).toBeVisible()
  const answer = async (question: string, name: string) => {
    const asked = page.getByRole('group', { name: question, exact: true })
    await expect(asked.getByRole('radio', { name })).toBeInViewport({ ratio: 1 })
    await expect(page.locator('[data-selected]')).toBeInViewport()
    await asked.getByRole('radio', { name }).click()
    await saved(page)
    await expect(asked).toHaveCount(0)
  }
  await answer('Which breaker does A black belong to?', '7: Lights')
  await answer('Which breaker does B black belong to?', '9: Lights')
  // The neutrals beside them follow; that of the lamp does not.
  await answer('Which breaker does L white belong to?', '9: Lights')
  await expect(page.getByText('Proven.')).toBeVisible()
  expect(
    await rows(
      'SELECT id, role_circuit_id FROM ends WHERE job_id = ? AND role_circuit_id IS NOT NULL ORDER BY id',
      jobId,
    ),
  ).toEqual([
    { id: 'box-a-black-1-end', role_circuit_id: 'circuit-7' },
    { id: 'box-b-black-1-end', role_circuit_id: 'circuit-9' },
    { id: 'box-l-white-2-end', role_circuit_id: 'circuit-9' },
  ])
  // 7 brings nothing here: its hot is capped, that of 9 feeds the switch.
  await page.getByRole('button', { name: 'Show the table' }).click()
  await expect(page.getByRole('row', { name: 'Capped A black' })).toBeVisible()
  await expect(page.getByRole('row', { name: /screw B black$/ })).toBeVisible()
  await expect(page.getByRole('row', { name: /^the neutral of 9 B white L white/ })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await saved(page)
  await expect(page.getByRole('group', { name: 'Which breaker does L white belong to?' })).toBeVisible()
})

test('one neutral beside two hots: together or whose, and the plan keeps it whole @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringIn(request, oneNeutral())
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  await quiet(page)
  const asked = page.getByRole('group', { name: 'Whose neutral is A white, beside the hots of 7 and 9?' })
  await expect(asked.getByRole('radio')).toHaveCount(3)
  await asked.getByRole('radio', { name: 'Of 7 and 9 together' }).click()
  await saved(page)
  await expect(asked).toHaveCount(0)
  const shared = 'SELECT id FROM circuits WHERE job_id = ? AND shared_neutral_with_id IS NOT NULL'
  expect(await rows(shared, jobId)).toHaveLength(2)
  // All that return here have one neutral: nothing else is asked.
  await expect(page.getByText('Proven.')).toBeVisible()
  await page.getByRole('button', { name: 'Show the table' }).click()
  await expect(page.getByRole('row', { name: 'Capped A black' })).toBeVisible()
  await expect(page.getByRole('row', { name: /A white L white/ })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await saved(page)
  await expect(asked).toBeVisible()
  expect(await rows(shared, jobId)).toEqual([])
})
