import { fault, good, refused, type Result } from '../model/result'

/** What a text says in JSON. Refused with the reason where it is none. */
export function fromJson(source: string): Result<unknown> {
  try {
    return good(JSON.parse(source) as unknown)
  } catch (error) {
    return refused(
      fault('/', 'not-json', `not JSON: ${error instanceof Error ? error.message : String(error)}`),
    )
  }
}
