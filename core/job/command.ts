import type { EntityName, JobRow, NewRow, Row } from '../model/entities'

/** What a person did, in words for the history and for undo. */
export const COMMAND_NAMES = [
  'edit the job',
  'add a room',
  'edit a room',
  'remove a room',
  'add a box',
  'edit a box',
  'remove a box',
  'edit a circuit',
  'add a circuit',
  'remove a circuit',
  'order the house',
  'add a light of several places',
  'join lights',
  'part a light',
  'remove a light',
  'add a cable',
  'link a cable',
  'record a luminaire',
  'edit a cable',
  'remove a cable',
  'edit a conductor',
  'seat a conductor',
  'set a role',
  'edit the old device',
  'add a load',
  'edit a load',
  'say what is wanted',
  'remove a load',
  'say how a light behaves',
  'say what is isolated',
  'plan a bypass',
  'take a reading',
  'correct a reading',
  'strike out a reading',
  'strike out a switching',
  'switch a breaker',
  'take a lock off',
  'lock a breaker off',
  'test a circuit',
  'take back a test of a circuit',
  'pin a note',
  'add a photo',
  'edit a photo',
  'remove a photo',
  'edit a defect',
  'try a breaker',
  'choose a device',
  'retire a control',
  'tick a step',
  'untick a step',
  'make a setting',
  'take back a setting',
  'say why a setting differs',
  'draw a plan',
  'say where the house is',
  'keep a program',
  'drop a program',
  'record a test',
  'take back a test',
  'set a house rule',
  'say who works',
  'say what must stay on',
  'order the boxes',
  'find a conductor unfit',
  'wire it another way',
  'undo',
  'redo',
] as const
export type CommandName = (typeof COMMAND_NAMES)[number]

type Added = { [Name in EntityName]: { kind: 'add'; entity: Name; row: NewRow<Name> } }[EntityName]
type Changed = {
  [Name in EntityName]: {
    kind: 'change'
    entity: Name
    id: string
    /** Version of the row the person saw; a later one is refused. */
    based: number
    fields: Partial<Omit<Row<Name>, 'id' | 'extra'>>
  }
}[EntityName]
interface JobChanged {
  kind: 'change'
  entity: 'job'
  id: string
  based: number
  fields: Partial<Omit<JobRow, 'id' | 'extra'>>
}
interface Removed {
  kind: 'remove'
  entity: EntityName
  id: string
  based: number
}

export type Edit = Readonly<Added | Changed | JobChanged | Removed>

/** Who did something, where, and what he had before him. */
export interface Origin {
  /** The phone or desk it was done on. */
  readonly device: string
  /** How many things had been done there, this one included. */
  readonly number: number
  /** Revision of the job up to which everything had come to it, besides what was done there. */
  readonly seen: number
  /** Who had the phone; empty where nobody said. */
  readonly by: string
}

export interface Command {
  /** Made by the client; the same id is applied once, however often it is sent. */
  readonly id: string
  readonly origin: Origin
  readonly name: CommandName
  /** The box whose history this belongs to, or null for the job as a whole. */
  readonly boxId: string | null
  readonly edits: readonly Edit[]
}

/** Takes back (or does again) an earlier command, by its log. */
export interface UndoCommand {
  readonly id: string
  readonly origin: Origin
  readonly name: 'undo' | 'redo'
  readonly boxId: string | null
  /** The command taken back; for a redo, the undo taken back. */
  readonly undoes: string
}
