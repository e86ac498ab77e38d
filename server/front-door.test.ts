import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises'
import { createHash } from 'node:crypto'
import { createServer, request, type IncomingHttpHeaders, type Server, type ServerResponse } from 'node:http'
import { connect, type AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { atTheDoor, type Door } from './front-door'
import { inlineScriptsIn } from './inline-scripts'

let server: Server
let port = 0
let passed: string[] = []
let reached: { readonly headSent: boolean; readonly packing: unknown } | null = null
const door: { now: Door } = { now: { served: '127.0.0.1', names: [], scripts: ["'sha256-x'"] } }

beforeAll(async () => {
  server = createServer((asked, answer) => {
    if (atTheDoor(door.now, asked, answer)) return
    passed.push(`${asked.method} ${asked.url}`)
    // As what serves pages does: it says that they may be kept, and sends that ahead.
    answer.setHeader('Cache-Control', 's-maxage=31536000')
    answer.flushHeaders()
    reached = { headSent: answer.headersSent, packing: asked.headers['accept-encoding'] }
    if (asked.url === '/api/long') return void longAnswer(answer)
    answer.end('ok')
  })
  await new Promise<void>(resolve => server.listen(0, '127.0.0.1', resolve))
  port = (server.address() as AddressInfo).port
})
afterAll(() => server.close())

const ask = (method: string, target: string, headers: Record<string, string> = {}) =>
  new Promise<{ status: number; headers: IncomingHttpHeaders }>((resolve, reject) => {
    passed = []
    request(
      { host: '127.0.0.1', port, method, path: target, headers: { host: `127.0.0.1:${port}`, ...headers } },
      answer => {
        answer.resume()
        answer.on('end', () => resolve({ status: answer.statusCode!, headers: answer.headers }))
      },
    )
      .on('error', reject)
      .end()
  })

/** As one writes who waits until what was written before is on its way. */
async function longAnswer(answer: ServerResponse): Promise<void> {
  for (let part = 0; part < 8; part++)
    if (!answer.write('x'.repeat(40_000))) await new Promise(resolve => answer.once('drain', resolve))
  answer.end()
}

describe('what answers a write', () => {
  it('goes out with its head, unpacked; what is asked for comes as it is made', async () => {
    const encodings = { 'accept-encoding': 'gzip' }
    expect((await ask('POST', '/api/jobs', { ...encodings, 'sec-fetch-site': 'same-origin' })).status).toBe(
      200,
    )
    expect(reached).toEqual({ headSent: false, packing: undefined })
    expect((await ask('GET', '/api/jobs/x/events', encodings)).status).toBe(200)
    expect(reached).toEqual({ headSent: true, packing: 'gzip' })
  })

  it('comes whole, however long it is', async () => {
    expect((await ask('POST', '/api/long', { 'sec-fetch-site': 'same-origin' })).status).toBe(200)
  })
})

describe('the front door', () => {
  it('sends every answer with what keeps it from others, and lets nobody keep it', async () => {
    for (const target of ['/', '/jobs/x/boxes/y/test', '/api/jobs/x', '/job?_rsc=1']) {
      const { status, headers } = await ask('GET', target)
      expect(status).toBe(200)
      expect(headers).toMatchObject({
        'x-content-type-options': 'nosniff',
        'x-frame-options': 'DENY',
        'cache-control': 'private, no-store',
      })
      const policy = headers['content-security-policy']!
      if (target.startsWith('/api/')) expect(policy).toMatch(/^default-src 'none'/)
      else expect(policy).toMatch(/script-src 'self' 'sha256-x' 'wasm-unsafe-eval';/)
      expect(policy).toMatch(/frame-ancestors 'none'/)
    }
    for (const target of [
      '/_next/static/a.js',
      '/api/jobs/x/photos/y',
      '/api/trade/r/n',
      '/api/jobs/x/events',
    ])
      expect((await ask('GET', target)).headers['cache-control']).toBe('s-maxage=31536000')
  })

  it('gives each page a number of its own for its styles, and tells it who gets in', async () => {
    const cookie = async () => (await ask('GET', '/', { accept: 'text/html' })).headers['set-cookie']![0]!
    const first = await cookie()
    expect(first).toMatch(/^every-room-page=[\da-f]{32}\.machine; Path=\/; SameSite=Strict$/)
    expect(await cookie()).not.toBe(first)
    expect((await ask('GET', '/', { accept: '*/*' })).headers['set-cookie']).toBeUndefined()
    door.now = { ...door.now, served: '0.0.0.0' }
    expect(await cookie()).toMatch(/\.network;/)
    door.now = { ...door.now, served: '127.0.0.1' }
  })

  it.each([
    ['GET', '/', { host: 'elsewhere.example' }, 421],
    ['POST', '/api/jobs', { origin: 'http://elsewhere.example' }, 403],
    ['POST', '/api/jobs', { 'sec-fetch-site': 'cross-site' }, 403],
    ['DELETE', '/api/jobs/x', { 'sec-fetch-site': 'same-site' }, 403],
    ['GET', '/api/jobs/%C3%A9', {}, 404],
    ['GET', '/api/jobs/%ff', {}, 404],
    ['GET', '/api/jobs/%00', {}, 404],
    ['PUT', '/api/jobs', {}, 405],
    ['PATCH', '/api/jobs', {}, 405],
    ['TRACE', '/', {}, 405],
    ['PROPFIND', '/', {}, 405],
  ])('%s %s %j: %i, and nothing behind it hears of it', async (method, target, headers, status) => {
    const answer = await ask(method, target, headers as Record<string, string>)
    expect(answer.status).toBe(status)
    expect(answer.headers['x-frame-options']).toBe('DENY')
    expect(passed).toEqual([])
  })

  it('refuses who says no name at all', async () => {
    const said = await new Promise<string>((resolve, reject) => {
      const socket = connect(port, '127.0.0.1', () => socket.write('GET / HTTP/1.0\r\n\r\n'))
      let all = ''
      socket.on('data', part => (all += part.toString()))
      socket.on('end', () => resolve(all))
      socket.on('error', reject)
    })
    expect(said).toMatch(/^HTTP\/1\.\d 421 /)
  })
})

describe('scripts in pages', () => {
  it('are known by their digest, those of files are not, each once', async () => {
    const folder = await mkdtemp(path.join(tmpdir(), 'pages-'))
    await mkdir(path.join(folder, 'deep'))
    await writeFile(
      path.join(folder, 'a.html'),
      '<script>one()</script><script src="/x.js" async=""></script>',
    )
    await writeFile(
      path.join(folder, 'deep', 'b.html'),
      '<script id="y">two("</div>")</script><script>one()</script>',
    )
    await writeFile(path.join(folder, 'c.txt'), '<script>three()</script>')
    const digest = (script: string) => `'sha256-${createHash('sha256').update(script).digest('base64')}'`
    expect(inlineScriptsIn(folder)).toEqual([digest('one()'), digest('two("</div>")')].sort())
    await rm(folder, { recursive: true })
  })
})
