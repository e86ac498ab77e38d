import { randomBytes } from 'node:crypto'
import { NextResponse, type NextRequest } from 'next/server'
import { isServed, mayDo } from './server/who'

/** What every answer carries: nothing of it is framed, guessed at, or told to other sites. */
const ALWAYS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(self), geolocation=(), microphone=(), payment=(), usb=()',
}

/** Scripts run by this page’s own number alone; a style attribute can carry no script. */
const policyFor = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic' 'wasm-unsafe-eval'`,
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

const allowedNames = () => (process.env.HOST_NAMES ?? '').split(/[\s,]+/).filter(Boolean)

/** Every request comes through here first: who asks, and what every answer is sent with. */
export function proxy(request: NextRequest): NextResponse {
  const { headers, method, nextUrl } = request
  if (!isServed(headers.get('host'), process.env.HOSTNAME ?? '127.0.0.1', allowedNames()))
    return refused(421, 'not served under this name')
  if (!mayDo(method, headers)) return refused(403, 'only pages of this application write')
  if (!isPlain(nextUrl.pathname)) return refused(404, 'there is nothing of that name')
  const nonce = randomBytes(16).toString('base64')
  const policy = policyFor(nonce)
  const passed = new Headers(headers)
  passed.set('content-security-policy', policy)
  const answer = NextResponse.next({ request: { headers: passed } })
  for (const [name, value] of Object.entries(ALWAYS)) answer.headers.set(name, value)
  answer.headers.set('content-security-policy', policy)
  // A picture never changes under its name, and says itself how long it may be kept.
  if (!/^\/api\/jobs\/[^/]+\/photos\//.test(nextUrl.pathname))
    answer.headers.set('cache-control', 'private, no-store')
  return answer
}

/** Nothing here has a name of other letters: the database is not asked for one. */
function isPlain(pathname: string): boolean {
  try {
    return /^[\x20-\x7e]*$/.test(decodeURIComponent(pathname))
  } catch {
    return false
  }
}

const refused = (status: number, message: string): NextResponse =>
  NextResponse.json(
    { kind: 'refused', faults: [{ path: '', code: 'who', message }] },
    { status, headers: ALWAYS },
  )

export const config = { matcher: ['/((?!_next/static).*)'] }
