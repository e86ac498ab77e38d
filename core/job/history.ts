/** One entry of the log, as far as undo needs it. */
export interface LogEntry {
  readonly id: string
  readonly name: string
  readonly undoes: string | null
}

export interface UndoState {
  /** What *undo* would take back, or null. */
  readonly undo: { readonly id: string; readonly name: string } | null
  /** The undo that *redo* would take back, or null. */
  readonly redo: { readonly id: string; readonly name: string } | null
}

/**
 * Where undo and redo stand after these entries, oldest first. An undo takes the last command off and
 * puts it aside for redo; anything new forgets what was put aside.
 */
export function undoState(entries: readonly LogEntry[]): UndoState {
  const done: { id: string; name: string }[] = []
  let aside: { id: string; name: string }[] = []
  for (const entry of entries) {
    if (entry.name === 'undo') {
      const taken = done.pop()
      aside.push({ id: entry.id, name: taken?.name ?? 'undo' })
    } else if (entry.name === 'redo') {
      const back = aside.pop()
      done.push({ id: entry.id, name: back?.name ?? 'redo' })
    } else {
      done.push({ id: entry.id, name: entry.name })
      aside = []
    }
  }
  return { undo: done.at(-1) ?? null, redo: aside.at(-1) ?? null }
}
