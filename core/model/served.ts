/** What a page is served with, for its script to read: the number for styles of its own, and whether a whole network gets in. */
export const SERVED_COOKIE = 'every-room-page'

export interface ServedWith {
  readonly nonce: string
  readonly openToAll: boolean
}

export const servedWords = ({ nonce, openToAll }: ServedWith): string =>
  `${nonce}.${openToAll ? 'network' : 'machine'}`

export function servedFrom(cookies: string): ServedWith | null {
  const [, nonce, reach] =
    new RegExp(`(?:^|; )${SERVED_COOKIE}=([\\da-f]{32})\\.(network|machine)(?:;|$)`).exec(cookies) ?? []
  return nonce ? { nonce, openToAll: reach === 'network' } : null
}
