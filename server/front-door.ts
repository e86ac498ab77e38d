import { randomBytes } from 'node:crypto'
import type { IncomingHttpHeaders, IncomingMessage, ServerResponse } from 'node:http'
import { SERVED_COOKIE, servedWords } from '@/core/model/served'
import { isLoopback, isServed, mayDo } from './who'

/** What the door goes by. */
export interface Door {
  /** Where it listens. */
  readonly served: string
  /** Names it answers to besides. */
  readonly names: readonly string[]
  /** The scripts that stand in its pages, each by its digest. */
  readonly scripts: readonly string[]
}

/** What every answer carries: nothing of it is framed, guessed at, or told to other sites. */
const ALWAYS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(self), geolocation=(self), microphone=(), payment=(), usb=()',
}

/** Data is read, never run or shown as a page. */
const FOR_DATA = "default-src 'none'; frame-ancestors 'none'"

/** Scripts are files of this application, or stand in its pages as they were made; a style attribute can carry no script. */
const policyFor = (scripts: readonly string[], nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' ${scripts.join(' ')} 'wasm-unsafe-eval'`,
    "worker-src 'self' blob:",
    `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ')

/** What is asked with; what makes requests into objects fails on some others. */
const METHODS = ['GET', 'HEAD', 'POST', 'DELETE', 'OPTIONS']

/**
 * Says itself how long it may be kept: a picture, or the catalogue, never changes under its name; what becomes of a job
 * is told as it comes, not packed together.
 */
const SAYS_ITSELF = /^\/(_next\/static\/|api\/(jobs\/[^/]+\/(photos\/|events$)|trade\/))/
const NOT_KEPT = 'private, no-store'

/**
 * Stands before every request: who asks, and what every answer is sent with. True where it has answered already.
 */
export function atTheDoor(door: Door, asked: IncomingMessage, answer: ServerResponse): boolean {
  const { headers, method = '' } = asked
  const path = (asked.url ?? '/').split('?', 1)[0]!
  for (const name of Object.keys(ALWAYS)) answer.setHeader(name, ALWAYS[name]!)
  if (!METHODS.includes(method)) return refused(asked, answer, 405, 'it is not asked that way')
  if (!isServed(headers.host ?? null, door.served, door.names))
    return refused(asked, answer, 421, 'not served under this name')
  if (!mayDo(method, { get: name => said(headers, name) }))
    return refused(asked, answer, 403, 'only pages of this application write')
  if (!isPlain(path)) return refused(asked, answer, 404, 'there is nothing of that name')
  if (path.startsWith('/api/')) answer.setHeader('content-security-policy', FOR_DATA)
  else if (!path.startsWith('/_next/static/')) {
    const nonce = randomBytes(16).toString('hex')
    answer.setHeader('content-security-policy', policyFor(door.scripts, nonce))
    if (headers.accept?.includes('text/html'))
      answer.appendHeader(
        'set-cookie',
        `${SERVED_COOKIE}=${servedWords({ nonce, openToAll: !isLoopback(door.served) })}; Path=/; SameSite=Strict`,
      )
  }
  if (!SAYS_ITSELF.test(path)) keptNowhere(answer)
  if (method === 'POST') shortly(asked, answer)
  return false
}

/** What answers a write is short: it is not packed, and its head goes out with it. */
function shortly(asked: IncomingMessage, answer: ServerResponse): void {
  delete asked.headers['accept-encoding']
  answer.flushHeaders = () => undefined
}

const said = (headers: IncomingHttpHeaders, name: string): string | null => {
  const value = headers[name]
  return typeof value === 'string' ? value : null
}

/** Whatever is said of it later, this answer is kept by nobody. */
function keptNowhere(answer: ServerResponse): void {
  answer.setHeader('cache-control', NOT_KEPT)
  const set = answer.setHeader.bind(answer)
  answer.setHeader = (name, value) =>
    name.toLowerCase() === 'cache-control' ? answer : (set(name, value) as typeof answer)
}

/** Nothing here has a name of other letters: the database is not asked for one. */
function isPlain(path: string): boolean {
  try {
    return /^[\x20-\x7e]*$/.test(decodeURIComponent(path))
  } catch {
    return false
  }
}

function refused(asked: IncomingMessage, answer: ServerResponse, status: number, message: string): true {
  asked.resume()
  const body = JSON.stringify({ kind: 'refused', faults: [{ path: '', code: 'who', message }] })
  answer.writeHead(status, {
    ...(status === 405 ? { allow: METHODS.join(', ') } : {}),
    'content-type': 'application/json; charset=utf-8',
    'content-length': Buffer.byteLength(body),
    'cache-control': NOT_KEPT,
  })
  answer.end(asked.method === 'HEAD' ? undefined : body)
  return true
}
