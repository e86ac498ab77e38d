import { applyChanges } from '@/core/job/change'
import type { Command, CommandName, Edit, Origin, UndoCommand } from '@/core/job/command'
import type { UndoState } from '@/core/job/history'
import { IN_TOUCH, mayMissAnOn, saidOf, type Heard, type Touch } from '@/core/job/hearing'
import { byHand } from '@/core/safety'
import type { Outcome, Stale } from '@/core/job/outcome'
import { saysOn } from '@/core/job/taken-back'
import { transition, type Guard, type Moment } from '@/core/job/transition'
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
  /** What an edit that was made is against, of what others did meanwhile. */
  readonly against: readonly Fault[] | null
  /** What somebody else changed under an edit of ours. */
  readonly conflict: {
    readonly command: CommandName | 'undo' | 'redo'
    readonly stale: readonly Stale[]
  } | null
  readonly undo: Readonly<Record<string, UndoState>>
  /** Whether this phone knows what everybody else did. */
  readonly touch: Touch
}

/** What a store needs of the world, so that it can be tried without one. */
export interface StoreWorld {
  post(command: Command | UndoCommand): Promise<Outcome>
  load(): Promise<VersionedRecord | null>
  loadUndo(boxId: string | null): Promise<UndoState>
  now(): string
  /** Which phone or desk this is, and the number of what is done on it now. */
  next(): Pick<Origin, 'device' | 'number'>
  /** Lets this phone be heard: whether anybody looks at it, whether all is sent, what was said of others. */
  hear(word: Word): Promise<Heard>
  /** Who has it; empty where nobody said. */
  by(): string
  later(milliseconds: number, work: () => void): void
  /** Keeps a command that is not confirmed where a reload finds it, or another page; throws where it cannot. */
  keep(command: Command | UndoCommand): void
  /** It was answered. */
  forget(id: string): void
  /** What is kept of this job, in the order it was done on this device. */
  kept(): readonly (Command | UndoCommand)[]
}

export interface Word {
  readonly rests: boolean
  /** Something was done here that the server does not have. */
  readonly unsent: boolean
  readonly aside?: { readonly devices: readonly string[]; readonly said: string }
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
  /** Lets this phone be heard, and hears of the others. */
  hear(): Promise<void>
  /** Left with all sent: from now on others count on nothing being done here before this phone is heard again. */
  rest(): void
  /** Looked at again after it may have slept. */
  wake(): void
  /** What was said aloud of what feeds a box, where this phone, or another, may miss something. */
  askedAloud(boxId: string, said: string): void
  start(): void
  /** Holds what is done from now on to one more rule; the same one again changes nothing. */
  holdTo(guard: Guard): void
}

/** Whether an edit says that the power is on. */
const tellsOn = (edit: Edit): boolean => edit.kind === 'add' && saysOn(edit.entity, edit.row)

const NOT_KEPT =
  'This browser keeps nothing (a private window, or its store is full), so it was not taken: what is not kept could be lost. Free some room, or use another window.'

const NOT_ASKED: Fault = {
  path: '/',
  code: 'not-asked',
  message: 'What can be taken back is not known here without a connection. Nothing was taken back.',
}

/** So often the job is asked for again where what comes is older than what was answered. */
const LOOKS_AGAIN = 3
/** So many words unanswered, one after the other, and this phone counts as out of touch. */
const MISSES = 2
const PUT_AWAY =
  'Say it aloud to everybody, now. This phone was put away, and has no connection since: others count on nothing being switched on here, so it is kept only once this phone is heard again.'
const SLEPT_MILLISECONDS = 8000
const ASK_ALOUD =
  'What others do is not known here now. Ask aloud at the panel whether the power is off, and say here what was answered: then it is ticked.'

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
  /** The newest revision that an answer told of. */
  let answered = initial.revision
  /** When this phone knew last how things stand. */
  let heardAt = world.now()
  let misses = 0
  let resting = false
  /** Steps back or forward that were pressed while another was on its way. */
  let waiting: readonly { readonly kind: 'undo' | 'redo'; readonly boxId: string | null }[] = []
  let state: JobSnapshot = {
    ...initial,
    save: 'opening',
    refusal: null,
    against: null,
    conflict: null,
    undo: {},
    touch: IN_TOUCH,
  }
  const listeners = new Set<() => void>()

  const publish = (change: Partial<JobSnapshot>) => {
    state = { ...state, ...change }
    for (const listener of listeners) listener()
  }

  const laidOver = (): VersionedRecord => {
    let over = confirmed
    pending.forEach((command, at) => {
      if ('edits' in command) over = withEdits(over, command, at) ?? over
    })
    return over
  }

  /** Who does something here, and all that has come here by now. */
  const origin = (): Origin => ({ ...world.next(), seen: confirmed.revision, by: world.by() })

  /** Of a command that is the so manieth of those that wait: it comes after all that is confirmed, and after them. */
  const moment = (from: Origin, at: number): Moment => ({
    now: world.now(),
    from: { origin: from, revision: confirmed.revision + 1 + at },
    guards,
  })

  const withEdits = (
    over: VersionedRecord,
    { edits, origin: from }: Pick<Command, 'edits' | 'origin'>,
    at: number,
  ): VersionedRecord | null => {
    const changes = transition(over.record, edits, moment(from, at))
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

  /** What cannot be kept is not taken. */
  const isKept = (command: Command | UndoCommand): boolean => {
    try {
      world.keep(command)
      return true
    } catch {
      publish({ refusal: [{ path: '/', code: 'not-kept', message: say(NOT_KEPT) }] })
      return false
    }
  }

  const queue = (command: Command | UndoCommand) => {
    pending = [...pending, command]
    void flush()
  }

  /** All is said and answered. */
  const rest = () => {
    if (pending.length === 0 && !sending && asking === 0) publish({ save: 'saved' })
  }

  const drop = () => {
    const [answered, ...left] = pending
    pending = left
    if (answered) world.forget(answered.id)
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
          loseTouch()
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
        answered = Math.max(answered, answer.revision)
        if (answer.held.length > 0) publish({ against: answer.held })
        // What came with the job already is not made again over what came after it.
        if (answer.revision <= confirmed.revision) {
          publish({ ...laidOver(), undo: { ...state.undo, [scopeOf(command.boxId)]: answer.undo } })
          return
        }
        const isNext = answer.revision === confirmed.revision + 1
        const versions = { ...confirmed.versions, ...answer.versions }
        for (const { entity, id, after } of answer.changes) if (!after) delete versions[`${entity}/${id}`]
        confirmed = {
          record: applyChanges(confirmed.record, answer.changes),
          versions,
          // What others did between is not here yet, and not counted as seen before it is.
          revision: isNext ? answer.revision : confirmed.revision,
        }
        publish({ ...laidOver(), undo: { ...state.undo, [scopeOf(command.boxId)]: answer.undo } })
        return isNext ? undefined : reload()
      }
      case 'stale':
        tellOn(command)
        publish({ conflict: { command: command.name, stale: answer.stale } })
        return reload()
      case 'refused':
        tellOn(command)
        publish({ refusal: answer.faults })
        return reload()
      case 'no-such-job':
        publish({
          refusal: [{ path: '/', code: 'no-such-job', message: say`This job is no longer there.` }],
        })
    }
  }

  /**
   * Somebody switched something on here, and may have done so at the panel too: whatever becomes of the rest of the
   * command, that is told, as found so.
   */
  const tellOn = (command: Command | UndoCommand) => {
    if (!('edits' in command)) return
    const edits = command.edits.flatMap((edit): Edit[] =>
      edit.kind === 'add' && edit.entity === 'switchings' && edit.row.to === 'on' && !edit.row.foundSo
        ? [{ ...edit, row: { ...edit.row, foundSo: true } }]
        : [],
    )
    if (edits.length === 0) return
    const from = { ...command.origin, ...world.next() }
    const told = { id: newId(), name: command.name, boxId: command.boxId, edits, origin: from }
    pending = [...pending, told]
    isKept(told)
  }

  const reload = async () => {
    let fresh = await world.load().catch(() => null)
    // What was answered while the job was on its way is newer than what arrives.
    for (let again = 0; fresh && fresh.revision < answered && again < LOOKS_AGAIN; again++)
      fresh = await world.load().catch(() => null)
    if (fresh) {
      answered = fresh.revision
      confirmed = keepUnchanged(confirmed, fresh)
    }
    const over = laidOver()
    if (over.record !== state.record || over.revision !== state.revision) publish(over)
  }

  const refresh = async () => {
    if (pending.length === 0 && !sending) await reload()
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
    const command = { id: newId(), name: kind, boxId, undoes: target, origin: origin() }
    if (!isKept(command)) return
    publish({ refusal: null })
    queue(command)
  }

  const loseTouch = () => {
    if (state.touch.lostSince === null) publish({ touch: { ...state.touch, lostSince: heardAt } })
  }

  const hear = async (aside?: Word['aside']) => {
    const answer = await world
      .hear({ rests: false, unsent: state.save === 'waiting', ...(aside ? { aside } : {}) })
      .catch(() => null)
    if (answer === null) {
      if (++misses >= MISSES) loseTouch()
      return
    }
    misses = 0
    resting = false
    if (answer.revision !== confirmed.revision) await refresh()
    // What was done here while nothing was heard is told before this phone knows how things stand.
    const all = pending.length === 0 && !sending && confirmed.revision >= answer.revision
    if (state.touch.lostSince === null || all) heardAt = world.now()
    const lostSince = all ? null : state.touch.lostSince
    const touch = { ...state.touch, lostSince, unheard: answer.unheard }
    const next = mayMissAnOn(touch) ? touch : IN_TOUCH
    if (JSON.stringify(next) !== JSON.stringify(state.touch)) publish({ touch: next })
  }

  /** Hands in a box where this phone may miss something: only once it was asked aloud, and that is kept with the step. */
  const withWhatWasSaid = (edits: readonly Edit[]): readonly Edit[] | null => {
    if (!mayMissAnOn(state.touch)) return edits
    const told: Edit[] = []
    for (const edit of edits) {
      if (edit.kind !== 'add' || edit.entity !== 'steps' || !byHand(edit.row.stepKey)) told.push(edit)
      else {
        const asked = saidOf(state.touch, edit.row.boxId)
        if (asked === null) return null
        told.push({ ...edit, row: { ...edit.row, asked } })
      }
    }
    return told
  }

  return {
    subscribe: listener => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    snapshot: () => state,
    send: (name, boxId, given) => {
      takeUp()
      if (resting && given.some(tellsOn)) {
        publish({ refusal: [{ path: '/', code: 'put-away', message: say(PUT_AWAY) }] })
        return false
      }
      const edits = withWhatWasSaid(given)
      if (!edits) {
        publish({ refusal: [{ path: '/', code: 'ask-aloud', message: say(ASK_ALOUD) }] })
        return false
      }
      const from = origin()
      const changes = transition(state.record, edits, moment(from, pending.length))
      if (!changes.ok) {
        publish({ refusal: changes.faults })
        return false
      }
      const command = { id: newId(), name, boxId, edits, origin: from }
      if (!isKept(command)) return false
      const over = withEdits(state, command, pending.length)!
      const { touch } = state
      publish({
        ...{ record: over.record, versions: over.versions, refusal: null, save: 'saving' },
        // What was answered was of before.
        ...(touch.asked !== null && edits.some(tellsOn) ? { touch: { ...touch, asked: null } } : {}),
      })
      queue(command)
      return true
    },
    takeBack,
    needUndo: boxId => void loadUndo(boxId),
    refresh,
    hear: () => hear(),
    rest: () => {
      resting = true
    },
    wake: () => {
      if (Date.parse(world.now()) - Date.parse(heardAt) > SLEPT_MILLISECONDS) loseTouch()
      void hear()
    },
    askedAloud: (boxId, said) => {
      publish({ touch: { ...state.touch, asked: { boxId, said } } })
      const devices = state.touch.unheard.map(({ device }) => device)
      if (devices.length > 0) void hear({ devices, said })
    },
    dismiss: () => publish({ refusal: null, against: null, conflict: null }),
    holdTo: guard => {
      if (!guards.includes(guard)) guards.push(guard)
    },
    start: () => {
      takeUp()
      void flush()
    },
  }
}
