import { fault, good, refused, type Result } from '../model/result'

/** Levels that anything of ours has many times over; deeper is nobody’s, and would go round for ever in what reads it. */
const MOST_LEVELS = 64

/** What a text says in JSON. Refused with the reason where it is none, or goes too deep. */
export function fromJson(source: string): Result<unknown> {
  try {
    const value: unknown = JSON.parse(source)
    return isTooDeep(value)
      ? refused(fault('/', 'too-deep', `more than ${MOST_LEVELS} levels within each other`))
      : good(value)
  } catch (error) {
    return refused(
      fault('/', 'not-json', `not JSON: ${error instanceof Error ? error.message : String(error)}`),
    )
  }
}

/** Level by level, so that the depth of what is asked about costs nothing. */
function isTooDeep(value: unknown): boolean {
  let level: object[] = isHolder(value) ? [value] : []
  for (let depth = 0; level.length > 0; depth++) {
    if (depth >= MOST_LEVELS) return true
    const next: object[] = []
    for (const holder of level)
      for (const inner of Array.isArray(holder) ? holder : Object.values(holder))
        if (isHolder(inner)) next.push(inner)
    level = next
  }
  return false
}

const isHolder = (value: unknown): value is object => value !== null && typeof value === 'object'
