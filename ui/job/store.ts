import { applyChanges } from '@/core/job/change'
import type { Command, CommandName, Edit, UndoCommand } from '@/core/job/command'
import type { UndoState } from '@/core/job/history'
import type { Outcome, Stale } from '@/core/job/outcome'
import { transition, type Guard } from '@/core/job/transition'
import type { JobRecord } from '@/core/model/record'
import type { Fault } from '@/core/model/result'
import { keepUnchanged } from './keep-unchanged'
import { newId } from './new-id'
import { sayFor } from '@/core/model/say-for'

export interface VersionedRecord {
  readonly record: JobRecord
  readonly versions: Readonly<Record<string, number>>
  readonly revision: number
}

/** *Opening* until the page listens: what was kept before a reload is not looked at yet. */
export type SaveState = 'opening' | 'saved' | 'saving' | 'waiting'

export interface JobSnapshot extends VersionedRecord {
  readonly save: SaveState
  /** Why the last edit was not made; cleared by the next one. */
  readonly refusal: readonly Fault[] | null
  /** What somebody else changed under an edit of ours. */
  readonly conflict: {
    readonly command: CommandName | 'undo' | 'redo'
    readonly stale: readonly Stale[]
  } | null
  readonly undo: Readonly<Record<string, UndoState>>
}

/** What a store needs of the world, so that it can be tried without one. */
export interface StoreWorld {
  post(command: Command | UndoCommand): Promise<Outcome>
  load(): Promise<VersionedRecord | null>
  loadUndo(boxId: string | null): Promise<UndoState>
  now(): string
  later(milliseconds: number, work: () => void): void
  /** Commands not yet confirmed, kept where a reload finds them. */
  keep(pending: readonly (Command | UndoCommand)[]): void
  kept(): readonly (Command | UndoCommand)[]
}

export interface JobStore {
  subscribe(listener: () => void): () => void
  snapshot(): JobSnapshot
  /** Makes the edits here at once and sends them; false where the core refuses them. */
  send(name: CommandName, boxId: string | null, edits: readonly Edit[]): boolean
  takeBack(kind: 'undo' | 'redo', boxId: string | null): void
  needUndo(boxId: string | null): void
  refresh(): Promise<void>
  dismiss(): void
  start(): void
  /** Holds what is done from now on to one more rule; the same one again changes nothing. */
  holdTo(guard: Guard): void
}

const NOT_ASKED: Fault = {
  path: '/',
  code: 'not-asked',
  message: 'What can be taken back is not known here without a connection. Nothing was taken back.',
}

const RETRY_MILLISECONDS = [500, 1000, 2000, 5000]
export const scopeOf = (boxId: string | null): string => boxId ?? 'house'

/**
 * The job in the browser: what the server confirmed, with edits not yet confirmed laid over it. Every
 * command keeps its id until it is answered, so sending it again is harmless.
 */
export function jobStore(initial: VersionedRecord, given: readonly Guard[], world: StoreWorld): JobStore {
  const say = sayFor(initial.record)

  const guards = [...given]
  let confirmed = initial
  let pending: readonly (Command | UndoCommand)[] = []
  let sending = false
  /** How many presses wait to be told what can be taken back. */
  let asking = 0
  let failures = 0
  /** Steps back or forward that were pressed while another was on its way. */
  let waiting: readonly { readonly kind: 'undo' | 'redo'; readonly boxId: string | null }[] = []
  let state: JobSnapshot = { ...initial, save: 'opening', refusal: null, conflict: null, undo: {} }
  const listeners = new Set<() => void>()

  const publish = (change: Partial<JobSnapshot>) => {
    state = { ...state, ...change }
    for (const listener of listeners) listener()
  }

  const laidOver = (): VersionedRecord => {
    let over = confirmed
    for (const command of pending) if ('edits' in command) over = withEdits(over, command.edits) ?? over
    return over
  }

  const withEdits = (over: VersionedRecord, edits: readonly Edit[]): VersionedRecord | null => {
    const changes = transition(over.record, edits, { now: world.now(), guards })
    if (!changes.ok) return null
    const versions = { ...over.versions }
    for (const { entity, id, after } of changes.value) {
      const key = `${entity}/${id}`
      if (after) versions[key] = (versions[key] ?? 0) + 1
      else delete versions[key]
    }
    return { record: applyChanges(over.record, changes.value), versions, revision: over.revision }
  }

  /** What was kept before a reload goes first, and is looked at before anything is kept over it. */
  const takeUp = () => {
    if (state.save !== 'opening') return
    pending = world.kept()
    publish({ ...laidOver(), save: 'saving' })
  }

  const queue = (command: Command | UndoCommand) => {
    pending = [...pending, command]
    world.keep(pending)
    void flush()
  }

  /** All is said and answered. */
  const rest = () => {
    if (pending.length === 0 && !sending && asking === 0) publish({ save: 'saved' })
  }

  const drop = () => {
    pending = pending.slice(1)
    world.keep(pending)
  }

  const flush = async () => {
    if (sending) return
    sending = true
    try {
      while (pending.length > 0) {
        const command = pending[0]!
        publish({ save: failures > 0 ? 'waiting' : 'saving' })
        let answer: Outcome
        try {
          answer = await world.post(command)
          failures = 0
        } catch {
          publish({ save: 'waiting' })
          const pause = RETRY_MILLISECONDS[Math.min(failures++, RETRY_MILLISECONDS.length - 1)]!
          world.later(pause, () => void flush())
          return
        }
        drop()
        await settle(command, answer)
        const [next] = answer.kind === 'applied' ? waiting : []
        waiting = answer.kind === 'applied' ? waiting.slice(1) : []
        if (next) takeBack(next.kind, next.boxId)
      }
    } finally {
      sending = false
      rest()
    }
  }

  const settle = async (command: Command | UndoCommand, answer: Outcome) => {
    switch (answer.kind) {
      case 'applied': {
        const versions = { ...confirmed.versions, ...answer.versions }
        for (const { entity, id, after } of answer.changes) if (!after) delete versions[`${entity}/${id}`]
        confirmed = {
          record: applyChanges(confirmed.record, answer.changes),
          versions,
          revision: Math.max(confirmed.revision, answer.revision),
        }
        publish({ ...laidOver(), undo: { ...state.undo, [scopeOf(command.boxId)]: answer.undo } })
        return
      }
      case 'stale':
        publish({ conflict: { command: command.name, stale: answer.stale } })
        return reload()
      case 'refused':
        publish({ refusal: answer.faults })
        return reload()
      case 'no-such-job':
        publish({
          refusal: [{ path: '/', code: 'no-such-job', message: say`This job is no longer there.` }],
        })
    }
  }

  const reload = async () => {
    const before = confirmed
    const fresh = await world.load().catch(() => null)
    // What was confirmed while the job was on its way is newer than what arrives.
    if (fresh && confirmed === before) confirmed = keepUnchanged(confirmed, fresh)
    const over = laidOver()
    if (over.record !== state.record || over.revision !== state.revision) publish(over)
  }

  const loadUndo = async (boxId: string | null): Promise<boolean> => {
    const before = state.undo[scopeOf(boxId)]
    const undo = await world.loadUndo(boxId).catch(() => null)
    // What an answer told meanwhile is newer than what arrives.
    if (undo && state.undo[scopeOf(boxId)] === before)
      publish({ undo: { ...state.undo, [scopeOf(boxId)]: undo } })
    return undo !== null
  }

  /** Pressed before it is known here what can be taken back: nothing counts as saved until that is. */
  const takeBackOnceKnown = async (kind: 'undo' | 'redo', boxId: string | null) => {
    asking += 1
    publish({ save: 'saving', refusal: null })
    const known = await loadUndo(boxId)
    asking -= 1
    if (known) takeBack(kind, boxId)
    else publish({ refusal: [NOT_ASKED] })
    rest()
  }

  const takeBack = (kind: 'undo' | 'redo', boxId: string | null) => {
    takeUp()
    const last = pending.filter(command => command.boxId === boxId).at(-1)
    if (last && 'undoes' in last) {
      // What it leaves to be taken back is known once it is answered.
      waiting = [...waiting, { kind, boxId }]
      return
    }
    if (!last && !state.undo[scopeOf(boxId)]) {
      void takeBackOnceKnown(kind, boxId)
      return
    }
    // What is on its way already has its id, so it can be taken back before it is answered.
    const target = !last ? state.undo[scopeOf(boxId)]?.[kind]?.id : kind === 'undo' ? last.id : undefined
    if (!target) return
    publish({ refusal: null })
    queue({ id: newId(), name: kind, boxId, undoes: target })
  }

  return {
    subscribe: listener => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    snapshot: () => state,
    send: (name, boxId, edits) => {
      takeUp()
      const changes = transition(state.record, edits, { now: world.now(), guards })
      if (!changes.ok) {
        publish({ refusal: changes.faults })
        return false
      }
      const over = withEdits(state, edits)!
      publish({ record: over.record, versions: over.versions, refusal: null, save: 'saving' })
      queue({ id: newId(), name, boxId, edits })
      return true
    },
    takeBack,
    needUndo: boxId => void loadUndo(boxId),
    refresh: async () => {
      if (pending.length === 0 && !sending) await reload()
    },
    dismiss: () => publish({ refusal: null, conflict: null }),
    holdTo: guard => {
      if (!guards.includes(guard)) guards.push(guard)
    },
    start: () => {
      takeUp()
      void flush()
    },
  }
}
