import { applyChanges } from '@/core/job/change'
import type { Command, Edit, Origin, UndoCommand } from '@/core/job/command'
import { IN_TOUCH, mayMissAnOn, saidOf } from '@/core/job/hearing'
import { byHand } from '@/core/safety'
import type { Outcome } from '@/core/job/outcome'
import { isSince, withSince, type Since, type VersionedJob } from '@/core/job/since'
import { saysOn } from '@/core/job/taken-back'
import { transition, type Guard, type Moment } from '@/core/job/transition'
import { eachVersion, raisedBy, withVersions } from '@/core/job/versions'
import type { Fault } from '@/core/model/result'
import { decided } from './decided'
import { keepUnchanged } from './keep-unchanged'
import type { OpenedJob } from './fetch-job'
import type { Conflict, JobSnapshot, JobStore, StoreWorld, Word } from './job-store'
import { newId } from './new-id'
import { sayFor } from '@/core/model/say-for'

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
export function jobStore(
  initial: VersionedJob,
  given: readonly Guard[],
  world: StoreWorld,
  /** When it was known to stand so, where that is not now; what was kept of it and not answered. */
  { keptAt, unsent }: Pick<OpenedJob, 'keptAt' | 'unsent'> = { keptAt: null, unsent: [] },
): JobStore {
  const say = sayFor(initial.record)

  const guards = [...given]
  let confirmed = initial
  let pending: readonly (Command | UndoCommand)[] = []
  let sending = false
  /** One after the other, each until it is decided. */
  const conflicts: Conflict[] = []
  /** Commands of which word came by what is confirmed. */
  const arrived = new Set<string>()
  /** Commands that are on their way to where a later page finds them: whether they came there. */
  const keeping = new Map<string, Promise<boolean>>()
  /** How many presses wait to be told what can be taken back. */
  let asking = 0
  let failures = 0
  /** The newest revision that an answer, or word of a command, told of. */
  let answered = initial.revision
  /** When this phone knew last how things stand. */
  let heardAt = keptAt ?? world.now()
  let misses = 0
  /** What other pages had kept when this one was heard last. */
  let leftBehind: ReadonlySet<string> = new Set()
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
    touch: { ...IN_TOUCH, lostSince: keptAt },
  }
  const listeners = new Set<() => void>()

  const publish = (change: Partial<JobSnapshot>) => {
    state = { ...state, ...change }
    for (const listener of listeners) listener()
  }

  const laidOver = (): VersionedJob => {
    let over = confirmed
    // What is confirmed already and not answered yet is not made once more.
    const open = pending.filter(({ id }) => !arrived.has(id))
    open.forEach((command, at) => {
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
    over: VersionedJob,
    { edits, origin: from }: Pick<Command, 'edits' | 'origin'>,
    at: number,
  ): VersionedJob | null => {
    const changes = transition(over.record, edits, moment(from, at))
    if (!changes.ok) return null
    const versions = raisedBy(over.versions, changes.value)
    return { ...over, record: applyChanges(over.record, changes.value), versions }
  }

  /** What was kept before a reload goes first, and is looked at before anything is kept over it. */
  const takeUp = () => {
    if (state.save !== 'opening') return
    pending = unsent
    publish({ ...laidOver(), save: 'saving' })
  }

  /** It is kept before it is sent; what cannot be kept is taken back. */
  const queue = (command: Command | UndoCommand, shown: Partial<JobSnapshot> = {}) => {
    pending = [...pending, command]
    publish({ ...shown, refusal: null, save: 'saving' })
    keep(command)
    void flush()
  }

  const keep = (command: Command | UndoCommand) => {
    const kept = world.keep(command).then(
      () => true,
      () => notKept(command.id),
    )
    keeping.set(command.id, kept)
  }

  const notKept = (id: string): false => {
    pending = pending.filter(command => command.id !== id)
    waiting = []
    publish({ ...laidOver(), refusal: [{ path: '/', code: 'not-kept', message: say(NOT_KEPT) }] })
    return false
  }

  /** All is said and answered. */
  const rest = () => {
    if (pending.length === 0 && !sending && asking === 0) publish({ save: 'saved' })
  }

  const drop = () => {
    const [answered, ...left] = pending
    pending = left
    if (!answered) return
    arrived.delete(answered.id)
    world.forget(answered.id)
  }

  const flush = async () => {
    if (sending) return
    sending = true
    try {
      while (pending.length > 0) {
        const command = pending[0]!
        const isKept = (await keeping.get(command.id)) ?? true
        keeping.delete(command.id)
        if (!isKept) continue
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
        const gone = answer.changes.flatMap(({ entity, id, after }) =>
          after ? [] : [{ entity, id, version: null }],
        )
        const versions = withVersions(confirmed.versions, [...eachVersion(answer.versions), ...gone])
        confirmed = {
          line: confirmed.line,
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
        conflicts.push({
          id: command.id,
          command: command.name,
          boxId: command.boxId,
          edits: 'edits' in command ? command.edits : [],
          stale: answer.stale,
        })
        publish({ conflict: conflicts[0]! })
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
    // It is told, kept or not.
    void world.keep(told).catch(() => undefined)
  }

  const isOpen = (id: string) => pending.some(command => command.id === id)

  const fetched = async (): Promise<VersionedJob | null> => {
    const got = await world.load(confirmed).catch(() => null)
    if (!got || !isSince(got)) return got && keepUnchanged(confirmed, got)
    const next = withSince(confirmed, got)
    if (next) for (const id of got.commands) if (isOpen(id)) arrived.add(id)
    return next
  }

  const reload = async () => {
    let fresh = await fetched()
    // What was answered while the job was on its way is newer than what arrives.
    const isOld = () => fresh && fresh.line === confirmed.line && fresh.revision < answered
    for (let again = 0; isOld() && again < LOOKS_AGAIN; again++) fresh = await fetched()
    if (fresh && !isOld()) {
      answered = fresh.revision
      confirmed = fresh
    }
    const over = laidOver()
    if (over.record !== state.record || over.revision !== state.revision) publish(over)
  }

  const told = (since: Since) => {
    const next = withSince(confirmed, since)
    if (!next) {
      void refresh()
      return
    }
    if (next === confirmed) return
    for (const id of since.commands) if (isOpen(id)) arrived.add(id)
    answered = Math.max(answered, next.revision)
    confirmed = next
    publish(laidOver())
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
    queue(command)
  }

  const loseTouch = () => {
    if (state.touch.lostSince === null) publish({ touch: { ...state.touch, lostSince: heardAt } })
  }

  /** Kept in this browser by another of its pages, and not sent so far. */
  const ofOtherPages = async () => (await world.kept()).filter(({ id }) => !isOpen(id))

  /** What another page has not sent for a while is sent from here: that page may be gone. */
  const takeOver = (kept: readonly (Command | UndoCommand)[]) => {
    const still = kept.filter(({ id }) => leftBehind.has(id))
    leftBehind = new Set(kept.map(({ id }) => id))
    if (still.length === 0 || pending.length > 0 || sending) return
    pending = still
    publish({ ...laidOver(), save: 'saving' })
    void flush()
  }

  const hear = async (aside?: Word['aside']) => {
    const others = state.save === 'opening' ? [] : await ofOtherPages()
    const unsent = state.save === 'waiting' || others.length > 0
    const answer = await world.hear({ rests: false, unsent, ...(aside ? { aside } : {}) }).catch(() => null)
    if (answer === null) {
      if (++misses >= MISSES) loseTouch()
      return
    }
    misses = 0
    resting = false
    takeOver(others)
    if (answer.line !== confirmed.line || answer.revision > confirmed.revision) await refresh()
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

  const send: JobStore['send'] = (name, boxId, given) => {
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
    const over = withEdits(state, command, pending.length)!
    const { touch } = state
    queue(command, {
      ...{ record: over.record, versions: over.versions },
      // What was answered was of before.
      ...(touch.asked !== null && edits.some(tellsOn) ? { touch: { ...touch, asked: null } } : {}),
    })
    return true
  }

  return {
    subscribe: listener => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    snapshot: () => state,
    confirmed: () => confirmed,
    knownAt: () => heardAt,
    send,
    takeBack,
    needUndo: boxId => void loadUndo(boxId),
    refresh,
    told,
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
    dismiss: () => publish({ refusal: null, against: null }),
    decide: ours => {
      const conflict = conflicts.shift()
      if (!conflict) return
      publish({ conflict: conflicts[0] ?? null })
      const edits = ours ? decided(conflict, ours, state) : []
      if (edits.length > 0 && conflict.command !== 'undo' && conflict.command !== 'redo')
        send(conflict.command, conflict.boxId, edits)
    },
    holdTo: guard => {
      if (!guards.includes(guard)) guards.push(guard)
    },
    start: () => {
      takeUp()
      void flush()
    },
  }
}
