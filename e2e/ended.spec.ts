import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { chromium, expect, test, type BrowserContext } from '@playwright/test'
import { bringInBox, rows, saved, visit } from './helpers'

/* A phone whose battery is empty ends its browser without a word: nothing that was kept may depend on one. */

/** A browser with a folder of its own, that can be ended and begun again. */
function browser() {
  const folder = mkdtempSync(path.join(tmpdir(), 'every-room-browser-'))
  const { launchOptions, baseURL } = test.info().project.use
  const options = {
    ...launchOptions,
    ...(baseURL ? { baseURL } : {}),
    viewport: { width: 1280, height: 800 },
  }
  return {
    open: (): Promise<BrowserContext> => chromium.launchPersistentContext(folder, options),
    end: async () => {
      const its = () =>
        readdirSync('/proc')
          .filter(name => /^\d+$/.test(name) && commandOf(name).includes(folder))
          .map(Number)
      for (const pid of its()) ended(pid)
      await expect.poll(() => its().length).toBe(0)
    },
    remove: () => rmSync(folder, { recursive: true, force: true, maxRetries: 5 }),
  }
}

function commandOf(pid: string): string {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8')
  } catch {
    return ''
  }
}

function ended(pid: number) {
  try {
    process.kill(pid, 'SIGKILL')
  } catch {
    // It went with another one.
  }
}

const switchedOn = async (context: BrowserContext, jobId: string) => {
  const page = await context.newPage()
  await visit(page, `/jobs/${jobId}/panel`)
  await page.getByRole('button', { name: 'Edit breaker 7', exact: true }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Found on', exact: true }).click()
  return page
}

test('what is kept without the server outlives the end of the browser', async ({ request }) => {
  const jobId = await bringInBox(request, { choice: 'dimmer-led-150-neutral', isolated: true })
  const phone = browser()
  const first = await phone.open()
  await first.route('**/commands', route => route.abort())
  const page = await switchedOn(first, jobId)
  await expect(page.getByText('Kept here, waiting for the server')).toBeVisible()
  await phone.end()

  const second = await phone.open()
  const again = await second.newPage()
  await visit(again, `/jobs/${jobId}`)
  await expect
    .poll(() => rows('SELECT found_so FROM switchings WHERE job_id = ? AND `to` = ?', jobId, 'on'))
    .toEqual([{ found_so: 1 }])
  await saved(again)
  await second.close()
  phone.remove()
})

test('what is done after the browser was ended counts after what was done before', async ({ request }) => {
  const jobId = await bringInBox(request, { choice: 'dimmer-led-150-neutral', isolated: true })
  const phone = browser()
  for (let round = 0; round < 3; round++) {
    const context = await phone.open()
    await saved(await switchedOn(context, jobId))
    await phone.end()
  }
  const on = await rows(
    'SELECT device, device_number AS number FROM switchings WHERE job_id = ? AND `to` = ? ORDER BY seq',
    jobId,
    'on',
  )
  expect(on).toHaveLength(3)
  expect(new Set(on.map(({ device }) => device)).size).toBe(1)
  const numbers = on.map(({ number }) => Number(number))
  expect(numbers).toEqual([...new Set(numbers)].sort((a, b) => a - b))
  phone.remove()
})
