import { chromium } from 'playwright'
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const shots = [['desk', 1280, 800], ['phone', 390, 844]]
const job = 'quillback-road-27'
const page0 = await (await b.newContext()).newPage()
const open = async (page, path) => { await page.goto('http://127.0.0.1:3000' + path); await page.waitForFunction(() => !document.querySelector('[data-save="opening"]')) }
for (const [name, width, height] of shots) {
  const page = await (await b.newContext({ viewport: { width, height } })).newPage()
  await open(page, `/jobs/${job}/boxes/box-reading-room/choose`)
  const btn = page.getByRole('button', { name: 'No control here any more' })
  if (await btn.count()) { await btn.scrollIntoViewIfNeeded(); await page.screenshot({ path: `/tmp/a-${name}.png` }); await btn.click(); await page.waitForTimeout(800) }
  await page.evaluate(() => window.scrollTo(0, 0))
  await page.screenshot({ path: `/tmp/b-${name}.png` })
  await open(page, `/jobs/${job}/boxes/box-reading-room/wire`)
  await page.waitForTimeout(1500)
  await page.screenshot({ path: `/tmp/c-${name}.png` })
  if (name === 'phone') { const q = page.getByRole('radio', { name: 'Always on' }); if (await q.count()) { await q.click({ force: true }); await page.waitForTimeout(2500); await page.screenshot({ path: `/tmp/d-${name}.png` }) ; await page.screenshot({ path: `/tmp/e-${name}.png`, fullPage: true }) } }
}
const page = await (await b.newContext({ viewport: { width: 390, height: 844 } })).newPage()
await open(page, `/jobs/${job}/boxes/box-reading-room/choose`)
await page.getByRole('button', { name: 'Put a control here after all' }).click(); await page.waitForTimeout(800)
await b.close()
