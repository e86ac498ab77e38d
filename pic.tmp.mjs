import { chromium } from 'playwright'
const [,, size, out, path] = process.argv
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const [width, height] = size.split('x').map(Number)
const p = await b.newPage({ viewport: { width, height } })
await p.goto('http://127.0.0.1:3000' + path)
await p.waitForSelector('[data-save="saved"]', { timeout: 20000 }).catch(() => console.log('not saved'))
await p.waitForTimeout(1500)
await p.screenshot({ path: out, fullPage: process.argv[5] === 'full' })
await b.close()
