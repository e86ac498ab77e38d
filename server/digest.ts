import { createHash } from 'node:crypto'

/** A short word for what somebody asked for: the same for the same, in whatever order its fields stand. */
export const digestOf = (asked: unknown): string =>
  createHash('sha256').update(JSON.stringify(asked, inOrder)).digest('base64url')

const inOrder = (_key: string, value: unknown): unknown =>
  value !== null && typeof value === 'object' && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
    : value
