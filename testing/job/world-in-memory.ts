import { inverseOf, type Change } from '@/core/job/change'
import type { Command, Edit, UndoCommand } from '@/core/job/command'
import type { VersionedJob } from '@/core/job/since'
import { transition } from '@/core/job/transition'
import { usualBox } from '@/demo/usual'
import type { StoreWorld } from '@/ui/job/job-store'

export const record = usualBox().record
export const initial: VersionedJob = { record, versions: { boxes: { box: 1 } }, revision: 0, line: 'one' }
export const rename = (name: string, based: number): Edit => ({
  kind: 'change',
  entity: 'boxes',
  id: 'box',
  based,
  fields: { name },
})
export const settled = () => new Promise(resolve => setTimeout(resolve, 0))

/** A server in memory that can be down, and that may lose its answer after applying. */
export function world(
  given: { down?: boolean; full?: boolean; losesAnswers?: number; stale?: boolean } = {},
) {
  const state = {
    ...given,
    kept: [] as readonly (Command | UndoCommand)[],
    sent: [] as string[],
    waiting: [] as (() => void)[],
  }
  const seen = new Map<string, Change[]>()
  let server = initial
  /** Edits that nobody has taken back. */
  let standing: readonly Command[] = []
  let number = 0
  const doors: StoreWorld = {
    next: () => ({ device: 'here', number: ++number }),
    by: () => '',
    hear: async () => ({ line: server.line, revision: server.revision, unheard: [] }),
    post: async command => {
      if (state.down) throw new Error('down')
      state.sent.push(command.id)
      if (state.stale && 'edits' in command)
        return {
          kind: 'stale',
          stale: [{ entity: 'boxes', id: 'box', now: { name: 'Theirs' }, version: 2, fields: ['name'] }],
        }
      let changes = seen.get(command.id)
      if (!changes) {
        if ('undoes' in command) changes = inverseOf(seen.get(command.undoes)!)
        else {
          const made = transition(server.record, command.edits, { now: 'x', guards: [] })
          if (!made.ok) return { kind: 'refused', faults: made.faults }
          changes = made.value
        }
        if ('undoes' in command) standing = standing.filter(({ id }) => id !== command.undoes)
        else standing = [...standing, command]
        seen.set(command.id, changes)
        const version = (server.versions.boxes?.box ?? 0) + 1
        server = { ...server, versions: { boxes: { box: version } }, revision: server.revision + 1 }
      }
      if (state.losesAnswers) {
        state.losesAnswers--
        throw new Error('lost')
      }
      const last = standing.at(-1)
      const undo = { undo: last ? { id: last.id, name: last.name } : null, redo: null }
      return {
        kind: 'applied',
        revision: server.revision,
        changes,
        versions: server.versions,
        undo,
        held: [],
      }
    },
    load: async () => initial,
    loadUndo: async () => {
      if (state.down) throw new Error('down')
      const last = standing.at(-1)
      return { undo: last ? { id: last.id, name: last.name } : null, redo: null }
    },
    now: () => '2026-03-02T09:00:00.000Z',
    later: (_, work) => void state.waiting.push(work),
    keep: async command => {
      if (state.full) throw new Error('full')
      state.kept = [...state.kept, command]
    },
    forget: id => void (state.kept = state.kept.filter(each => each.id !== id)),
    kept: async () => state.kept,
  }
  return { state, doors, retry: () => state.waiting.splice(0).forEach(work => work()), seen }
}
