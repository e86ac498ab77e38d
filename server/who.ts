import { isIP } from 'node:net'

/* Who may ask this server, and who may write: nobody signs in yet, so it holds to where a request comes from. */

const bare = (host: string): string => host.replace(/^\[(.*)\]$/, '$1').toLowerCase()

/** Whether an address is of this machine alone. */
export const isLoopback = (host: string): boolean =>
  bare(host) === 'localhost' || bare(host) === '::1' || /^127(\.\d{1,3}){3}$/.test(bare(host))

/**
 * Whether a Host header names this server: an address it serves, this machine by its usual names, or a name that was
 * allowed. Another name that leads here is somebody else’s page that wants to read what only this machine may.
 * @param served where it listens; at an address of the network any address will do, since a name is what can be turned
 * @param names allowed besides
 */
export function isServed(hostHeader: string | null, served: string, names: readonly string[] = []): boolean {
  if (hostHeader === null || !URL.canParse(`http://${hostHeader}`)) return false
  const { hostname, username, pathname } = new URL(`http://${hostHeader}`)
  if (username !== '' || pathname !== '/') return false
  const host = bare(hostname)
  if (names.some(name => bare(name) === host)) return true
  return isLoopback(host) || host === bare(served) || (!isLoopback(served) && isIP(host) !== 0)
}

const READS = ['GET', 'HEAD', 'OPTIONS']

/**
 * Whether a request may do what it asks: anything may be read by whoever reaches it; only this application’s own pages
 * write, and a program that says it is no browser. What a browser says of the site a request comes from is believed
 * over an Origin that is not there.
 */
export function mayDo(method: string, headers: Pick<Headers, 'get'>): boolean {
  if (READS.includes(method)) return true
  const site = headers.get('sec-fetch-site')
  if (site !== null && site !== 'same-origin') return false
  const origin = headers.get('origin')
  if (origin === null) return true
  return URL.canParse(origin) && new URL(origin).host === headers.get('host')
}
