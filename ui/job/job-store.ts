import type { Command, CommandName, Edit, Origin, UndoCommand } from '@/core/job/command'
import type { UndoState } from '@/core/job/history'
import type { Heard, Touch } from '@/core/job/hearing'
import type { Outcome, Stale } from '@/core/job/outcome'
import type { Having, Since, VersionedJob } from '@/core/job/since'
import type { Guard } from '@/core/job/transition'
import type { Fault } from '@/core/model/result'

/** *Opening* until the page listens: what was kept before a reload is not looked at yet. */
export type SaveState = 'opening' | 'saved' | 'saving' | 'waiting'

export interface JobSnapshot extends VersionedJob {
  readonly save: SaveState
  /** Why the last edit was not made; cleared by the next one. */
  readonly refusal: readonly Fault[] | null
  /** What an edit that was made is against, of what others did meanwhile. */
  readonly against: readonly Fault[] | null
  /** What somebody else changed under an edit of ours. */
  readonly conflict: Conflict | null
  readonly undo: Readonly<Record<string, UndoState>>
  /** Whether this phone knows what everybody else did. */
  readonly touch: Touch
}

/** Edits that were not made, since somebody else had changed the same. */
export interface Conflict {
  /** Of the command. */
  readonly id: string
  readonly command: CommandName | 'undo' | 'redo'
  readonly boxId: string | null
  /** None of an undo: what it would bring back is the server's to say. */
  readonly edits: readonly Edit[]
  readonly stale: readonly Stale[]
}

/** What a store needs of the world, so that it can be tried without one. */
export interface StoreWorld {
  post(command: Command | UndoCommand): Promise<Outcome>
  /** The job as it stands, or what became of it after what is here. */
  load(having: Having): Promise<VersionedJob | Since | null>
  loadUndo(boxId: string | null): Promise<UndoState>
  now(): string
  /** Which phone or desk this is, and the number of what is done on it now. */
  next(): Pick<Origin, 'device' | 'number'>
  /** Lets this phone be heard: whether anybody looks at it, whether all is sent, what was said of others. */
  hear(word: Word): Promise<Heard>
  /** Who has it; empty where nobody said. */
  by(): string
  later(milliseconds: number, work: () => void): void
  /** Keeps a command that is not confirmed where a later page finds it, or another one; fails where it cannot. */
  keep(command: Command | UndoCommand): Promise<void>
  /** It was answered. */
  forget(id: string): void
  /** What is kept of this job, in the order it was done on this device. */
  kept(): Promise<readonly (Command | UndoCommand)[]>
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
  /** The job as the server has it, as far as is known here. */
  confirmed(): VersionedJob
  /** When this phone knew last how things stand; UTC, ISO 8601. */
  knownAt(): string
  /** Makes the edits here at once and sends them; false where the core refuses them. */
  send(name: CommandName, boxId: string | null, edits: readonly Edit[]): boolean
  takeBack(kind: 'undo' | 'redo', boxId: string | null): void
  needUndo(boxId: string | null): void
  refresh(): Promise<void>
  /** What somebody did just now, here or elsewhere. */
  told(since: Since): void
  dismiss(): void
  /**
   * Makes the edits of the conflict after all, with ours in the fields (`entity/id/field`) and removals (`entity/id`) that are
   * named; null where none of it is to be made.
   */
  decide(ours: ReadonlySet<string> | null): void
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
