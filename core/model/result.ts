/** One thing wrong with what was given: where, a stable code, and a plain sentence. */
export interface Fault {
  /** JSON-pointer-like path of the field, for example `/boxes/3/gangs`. */
  readonly path: string
  readonly code: string
  readonly message: string
}

/** The one channel for expected failure: a value, or every fault found. */
export type Result<Value> =
  { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly faults: readonly Fault[] }

export const good = <Value>(value: Value): Result<Value> => ({ ok: true, value })

export const refused = (...faults: readonly Fault[]): Result<never> => ({ ok: false, faults })

export const fault = (path: string, code: string, message: string): Fault => ({ path, code, message })
