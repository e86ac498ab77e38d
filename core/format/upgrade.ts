import type { EntityName } from '../model/entities'
import { upgradedRow } from '../model/upgrade-row'

type Loose = Readonly<Record<string, unknown>>

/** A file of an earlier version as this one has it: what it could not say yet is said to be not known. */
export function upgraded(file: unknown): unknown {
  if (!isObject(file)) return file
  return file.version === 1 ? fromFirst(file) : file
}

function fromFirst(file: Loose): Loose {
  return {
    ...file,
    version: 2,
    boxes: rows('boxes', file.boxes),
    devices: rows('devices', file.devices),
    groups: rows('groups', file.groups),
    readings: rows('readings', file.readings),
    findings: [],
    notes: [],
    photos: [],
  }
}

/** What is no list or no row stays as it is, for the schema to refuse. */
const rows = (entity: EntityName, list: unknown): unknown =>
  Array.isArray(list) ? list.map(row => (isObject(row) ? upgradedRow(entity, row) : row)) : list

const isObject = (value: unknown): value is Loose =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
