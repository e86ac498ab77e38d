/**
 * A job that arrives anew, in the objects that are already held wherever they say the same: what did not
 * change stays the same object, so that nothing that hangs on it is worked out or begun again.
 */
export function keepUnchanged<Job extends { readonly record: object; readonly revision: number }>(
  held: Job,
  fresh: Job,
): Job {
  const record = keep(held.record, fresh.record, 2)
  return record === held.record && held.revision === fresh.revision ? held : { ...fresh, record }
}

/** Goes down as many levels as there are: the job’s tables, a table’s rows. */
function keep<Value extends object>(held: Value, fresh: Value, levels: number): Value {
  if (levels === 0) return JSON.stringify(held) === JSON.stringify(fresh) ? held : fresh
  const before = held as Readonly<Record<string, unknown>>
  const entries = Object.entries(fresh).map(([key, value]): [string, unknown] => {
    const old = before[key]
    return [key, isObject(old) && isObject(value) ? keep(old, value, levels - 1) : value]
  })
  const same =
    entries.length === Object.keys(before).length && entries.every(([key, value]) => before[key] === value)
  return same ? held : (Object.fromEntries(entries) as Value)
}

const isObject = (value: unknown): value is object => typeof value === 'object' && value !== null
