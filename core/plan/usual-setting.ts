import { houseRule } from '../job/box-view'
import type { Setting } from '../model/device'
import type { JobRecord } from '../model/record'

/** What the house rule says of how a presence sensor turns on, by the words of its setting. */
const PRESENCE_ON: Readonly<Record<string, string>> = { 'by-hand': 'by hand', 'by-itself': 'by itself' }

/** The value a setting is usually made to: as the house rule has it, else as the device comes. */
export function usualValue(record: JobRecord, { id, values, initial }: Setting): string {
  const ruled = id === 'mode' ? PRESENCE_ON[houseRule(record, 'presence-on', 'as-it-comes')] : undefined
  return ruled !== undefined && values.includes(ruled) ? ruled : initial
}
