import type { DeviceModel } from '../model/device'
import { fault, good, refused, type Fault, type Result } from '../model/result'
import { parseDevice } from './device-file'
import { fromJson } from './json'

export const CATALOGUE_FORMAT = 'everyroom-catalogue'
const CATALOGUE_VERSION = 1

/** The text of a catalogue: devices by id, two spaces, one newline at the end. The same devices give the same bytes. */
export const writeCatalogue = (devices: readonly DeviceModel[]): string =>
  `${JSON.stringify(
    {
      format: CATALOGUE_FORMAT,
      version: CATALOGUE_VERSION,
      devices: [...devices].sort((a, b) => (a.id < b.id ? -1 : 1)),
    },
    null,
    2,
  )}\n`

/** Devices from the text of a catalogue file. Refused whole, with the path of every fault: `/devices/3/price`. */
export function parseCatalogue(source: string): Result<DeviceModel[]> {
  const given = fromJson(source)
  if (!given.ok) return given
  const file = (typeof given.value === 'object' && given.value !== null ? given.value : {}) as Record<
    string,
    unknown
  >
  const faults: Fault[] = []
  if (file.format !== CATALOGUE_FORMAT)
    faults.push(fault('/format', 'format', `the format is not “${CATALOGUE_FORMAT}”`))
  if (file.version !== CATALOGUE_VERSION)
    faults.push(fault('/version', 'version', `the version is not ${CATALOGUE_VERSION}`))
  if (!Array.isArray(file.devices)) faults.push(fault('/devices', 'no-list', 'there is no list of devices'))
  if (faults.length > 0) return refused(...faults)
  const read = (file.devices as unknown[]).map(parseDevice)
  read.forEach((each, at) => {
    if (!each.ok)
      faults.push(...each.faults.map(({ path, ...rest }) => ({ ...rest, path: `/devices/${at}${path}` })))
  })
  const devices = read.flatMap(each => (each.ok ? [each.value] : []))
  faults.push(
    ...twice(devices.map(({ id }) => id)).map(at =>
      fault(`/devices/${at}/id`, 'twice', 'this id stands twice'),
    ),
  )
  return faults.length > 0 ? refused(...faults) : good(devices)
}

/** Where an id stands that stood before. */
export const twice = (ids: readonly string[]): number[] =>
  ids.flatMap((id, at) => (ids.indexOf(id) < at ? [at] : []))
