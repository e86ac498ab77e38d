import Papa from 'papaparse'
import { parseCatalogue } from '@/core/format/catalogue-file'
import { catalogueTable, devicesFromTable } from '@/core/format/catalogue-table'
import type { CatalogueOutcome } from '@/core/model/catalogue'
import type { DeviceModel } from '@/core/model/device'
import { fault, refused, type Result } from '@/core/model/result'
import { csvOf } from './csv'
import { changeCatalogue, loadCatalogue } from './catalogue'

/** The catalogue as a spreadsheet reads it: one device a row, lines ended as the format has it. */
export const catalogueCsv = (devices: readonly DeviceModel[]): string =>
  csvOf(catalogueTable(devices) as string[][])

/** A file that begins with a brace is the open format, everything else a table. */
function devicesIn(text: string, known: readonly DeviceModel[]): Result<DeviceModel[]> {
  if (text.trimStart().startsWith('{')) return parseCatalogue(text)
  const { data, errors } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' })
  const unread = errors.filter(({ code }) => code !== 'UndetectableDelimiter')
  if (unread.length > 0)
    return refused(...unread.map(({ row, code, message }) => fault(`row ${(row ?? 0) + 1}`, code, message)))
  return devicesFromTable(
    data.map(row => row.map(plainCell)),
    known,
  )
}

/** Spreadsheets are told by an apostrophe not to reckon with a cell; it is no part of what the cell says. */
const plainCell = (cell: string) => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell)

/** Brings in a catalogue: devices that differ are put, all or none; refused with every fault and its place. */
export async function bringInCatalogue(commandId: string, text: string): Promise<CatalogueOutcome> {
  const entries = await loadCatalogue()
  const known = new Map(entries.map(entry => [entry.device.id, entry]))
  const devices = devicesIn(
    text,
    entries.map(({ device }) => device),
  )
  if (!devices.ok) return { kind: 'refused', faults: devices.faults }
  const puts = devices.value
    .filter(device => JSON.stringify(known.get(device.id)?.device) !== JSON.stringify(device))
    .map(device => ({ based: known.get(device.id)?.version ?? null, device }))
  if (puts.length === 0)
    return {
      kind: 'refused',
      faults: [fault('/', 'nothing-new', 'every device in this file is in the catalogue already, as it is')],
    }
  return changeCatalogue({ id: commandId, name: 'bring in a catalogue', puts })
}
