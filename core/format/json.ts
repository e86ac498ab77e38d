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
  let level: unknown[] = [value]
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > MOST_LEVELS) return true
    level = level.flatMap(each => (each !== null && typeof each === 'object' ? Object.values(each) : []))
  }
  return false
}
