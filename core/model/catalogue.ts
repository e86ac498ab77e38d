import type { DeviceModel } from './device'
import type { Fault } from './result'

/** A device of the company’s catalogue. */
export interface CatalogueEntry {
  readonly device: DeviceModel
  readonly version: number
  /** Where it comes from, and whether it is still as it came. */
  readonly from: 'shipped' | 'changed' | 'own'
}

/** What can be taken back, and done again, next. */
export interface CatalogueUndo {
  readonly undo: { readonly id: string; readonly name: string } | null
  readonly redo: { readonly id: string; readonly name: string } | null
}

/** What became of a command to the catalogue. */
export type CatalogueOutcome =
  | {
      readonly kind: 'applied'
      /** Devices as they are now; null for one that is no longer there. */
      readonly changed: readonly { readonly id: string; readonly entry: CatalogueEntry | null }[]
      readonly undo: CatalogueUndo
    }
  | { readonly kind: 'refused'; readonly faults: readonly Fault[] }
  /** Somebody was there first: devices as they are now. */
  | { readonly kind: 'stale'; readonly now: readonly CatalogueEntry[] }

/** What a person does to the catalogue, in words for undo. */
export const CATALOGUE_COMMANDS = [
  'edit a device',
  'copy a device',
  'retire a device',
  'bring a device back',
  'bring in a catalogue',
] as const
export type CatalogueCommandName = (typeof CATALOGUE_COMMANDS)[number]

/** A device as it is to be; `based` is the version that was seen, null for one that is new. */
export interface DevicePut {
  readonly based: number | null
  readonly device: DeviceModel
}

export type CatalogueCommand =
  | { readonly id: string; readonly name: CatalogueCommandName; readonly puts: readonly DevicePut[] }
  | { readonly id: string; readonly name: 'undo' | 'redo'; readonly undoes: string }
