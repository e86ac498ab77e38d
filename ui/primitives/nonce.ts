'use client'

/** Of the bundler: what it adds to the page carries this number. */
declare let __webpack_nonce__: string | undefined

/** The number under which this page may add scripts and styles of its own; none on the server. */
export const nonce: string | undefined =
  typeof document === 'undefined'
    ? undefined
    : (document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce ?? undefined)

// What packages add to the page carries it too.
// eslint-disable-next-line @typescript-eslint/no-unused-vars -- the bundler reads it
if (nonce) __webpack_nonce__ = nonce
