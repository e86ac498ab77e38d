'use client'

import { servedFrom } from '@/core/model/served'

/** Of the bundler: what it adds to the page carries this number. */
declare let __webpack_nonce__: string | undefined

const served = typeof document === 'undefined' ? null : servedFrom(document.cookie)

/** The number under which this page may add styles of its own; none on the server. */
export const nonce: string | undefined = served?.nonce

/** Whether more than this machine gets in. */
export const isOpenToAll = served?.openToAll ?? false

// What packages add to the page carries it too.
// eslint-disable-next-line @typescript-eslint/no-unused-vars -- the bundler reads it
if (nonce) __webpack_nonce__ = nonce
