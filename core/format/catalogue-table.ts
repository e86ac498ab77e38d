import type { DeviceModel, Rating } from '../model/device'
import { fault, good, refused, type Fault, type Result } from '../model/result'
import { OPENINGS, RATING_KINDS, type RatingKind } from '../model/vocabulary'
import { twice } from './catalogue-file'
import { parseDevice } from './device-file'

/**
 * A catalogue as a table: one device a row, what a price list or a spreadsheet knows of it. What is inside (terminals,
 * contacts, what it answers to) no table holds: a row of a known device keeps that device’s, and a new one says in
 * `like` whose it takes.
 */

type Cell = string
/** Puts what a cell says into a device; a sentence where it cannot. */
type Take = (device: Draft, cell: Cell) => string | null
type Draft = { -readonly [Key in keyof DeviceModel]: DeviceModel[Key] }

interface Column {
  readonly name: string
  /** First step of the path that faults of the form name it by. */
  readonly path: string
  readonly show: (device: DeviceModel) => Cell
  readonly take: Take
}

const LIST = '; '
const list = (cell: Cell): string[] =>
  cell
    .split(';')
    .map(each => each.trim())
    .filter(each => each !== '')

const numberOf = (cell: Cell): number | null => {
  const value = Number(cell.trim().replace(',', '.'))
  return cell.trim() !== '' && Number.isFinite(value) ? value : null
}

const text = (key: 'name', path = `/${key}`): Column => ({
  name: key,
  path,
  show: device => device[key],
  take: (device, cell) => {
    device[key] = cell.trim()
    return null
  },
})

const yesNo = (
  name: string,
  key: 'motorAllowed' | 'receptacleAllowed' | 'groundRequired' | 'glows',
): Column => ({
  name,
  path: `/${key}`,
  show: device => (device[key] ? 'yes' : 'no'),
  take: (device, cell) => {
    const said = cell.trim().toLowerCase()
    if (said !== 'yes' && said !== 'no') return 'says neither yes nor no'
    device[key] = said === 'yes'
    return null
  },
})

const figure = (
  name: string,
  path: string,
  show: (device: DeviceModel) => number | null,
  put: (device: Draft, value: number | null) => void,
  maybe = false,
): Column => ({
  name,
  path,
  show: device => {
    const value = show(device)
    return value === null ? '' : String(value)
  },
  take: (device, cell) => {
    if (maybe && cell.trim() === '') {
      put(device, null)
      return null
    }
    const value = numberOf(cell)
    if (value === null) return `“${cell}” is no number`
    put(device, value)
    return null
  },
})

const tokens = (name: string, key: 'does' | 'regions' | 'finishes'): Column => ({
  name,
  path: `/${key}`,
  show: device => device[key].join(LIST),
  take: (device, cell) => {
    Object.assign(device, { [key]: list(cell) })
    return null
  },
})

/** `150 W`, or with fins broken off on one side and on both `150 W; 125; 100`. */
const rating = (kind: RatingKind): Column => ({
  name: kind,
  path: '/ratings',
  show: ({ ratings }) => {
    const own = ratings.find(each => each.kind === kind)
    if (!own) return ''
    const fins = [own.oneSide, own.bothSides].flatMap(each => (each === null ? [] : [String(each)]))
    return [`${own.limit} ${own.unit}`, ...fins].join(LIST)
  },
  take: (device, cell) => {
    const others = device.ratings.filter(each => each.kind !== kind)
    if (cell.trim() === '') {
      device.ratings = others
      return null
    }
    const [first = '', one, both] = list(cell)
    const found = /^([\d.,]+) *(W|VA|A|hp)$/.exec(first)
    const limit = numberOf(found?.[1] ?? '')
    const [oneSide, bothSides] = [one, both].map(each => (each === undefined ? null : numberOf(each)))
    const unread = (one !== undefined && oneSide === null) || (both !== undefined && bothSides === null)
    if (!found || limit === null || unread || (one !== undefined && both === undefined))
      return `“${cell}” is no rating, such as “150 W” or “150 W; 125; 100”`
    const own: Rating = {
      kind,
      unit: found[2] as Rating['unit'],
      limit,
      oneSide: oneSide ?? null,
      bothSides: bothSides ?? null,
    }
    // In its place, so that a table read back gives the same device.
    const at = device.ratings.findIndex(each => each.kind === kind)
    device.ratings =
      at < 0 ? [...others, own] : device.ratings.map((each, index) => (index === at ? own : each))
    return null
  },
})

const COLUMNS: readonly Column[] = [
  text('name'),
  {
    name: 'stock',
    path: '/stock',
    show: ({ stock }) => stock,
    take: (device, cell) => {
      Object.assign(device, { stock: cell.trim() })
      return null
    },
  },
  {
    name: 'family',
    path: '/family',
    show: ({ family }) => family ?? '',
    take: (device, cell) => {
      device.family = cell.trim() === '' ? null : cell.trim()
      return null
    },
  },
  tokens('does', 'does'),
  tokens('regions', 'regions'),
  figure(
    'least places',
    '/places',
    ({ places }) => places.least,
    (device, least) => (device.places = { ...device.places, least: least! }),
  ),
  figure(
    'most places',
    '/places',
    ({ places }) => places.most,
    (device, most) => (device.places = { ...device.places, most: most! }),
  ),
  ...RATING_KINDS.map(rating),
  yesNo('motor allowed', 'motorAllowed'),
  yesNo('receptacle allowed', 'receptacleAllowed'),
  yesNo('ground required', 'groundRequired'),
  {
    name: 'dims',
    path: '/dims',
    show: ({ dims }) => dims?.phase ?? '',
    take: (device, cell) => {
      const phase = cell.trim()
      if ((phase === '') !== (device.dims === null))
        return device.dims ? 'it dims: say on which edge' : 'what is inside does not dim'
      if (phase !== '') Object.assign(device, { dims: { phase } })
      return null
    },
  },
  {
    name: 'radio',
    path: '/radio',
    show: ({ radio }) => radio ?? '',
    take: (device, cell) => {
      Object.assign(device, { radio: cell.trim() === '' ? null : cell.trim() })
      return null
    },
  },
  yesNo('glows', 'glows'),
  figure(
    'gangs',
    '/size',
    ({ size }) => size.gangs,
    (device, gangs) => (device.size = { ...device.size, gangs: gangs! }),
  ),
  figure(
    'depth mm',
    '/size',
    ({ size }) => size.depthMillimetres,
    (device, depthMillimetres) => (device.size = { ...device.size, depthMillimetres: depthMillimetres! }),
  ),
  {
    name: 'opening',
    path: '/opening',
    show: ({ opening }) => opening,
    take: (device, cell) => {
      const opening = OPENINGS.find(each => each === cell.trim())
      if (!opening) return `“${cell}” is none of ${OPENINGS.join(', ')}`
      device.opening = opening
      return null
    },
  },
  tokens('finishes', 'finishes'),
  figure(
    'strip mm',
    '/instructions',
    ({ instructions }) => instructions.stripMillimetres,
    (device, stripMillimetres) =>
      (device.instructions = { ...device.instructions, stripMillimetres: stripMillimetres! }),
  ),
  figure(
    'torque Nm',
    '/instructions',
    ({ instructions }) => instructions.screwNewtonMetres,
    (device, screwNewtonMetres) => (device.instructions = { ...device.instructions, screwNewtonMetres }),
    true,
  ),
  figure(
    'warm-up s',
    '/instructions',
    ({ instructions }) => instructions.warmUpSeconds,
    (device, warmUpSeconds) => (device.instructions = { ...device.instructions, warmUpSeconds }),
    true,
  ),
  figure(
    'price',
    '/price',
    ({ price }) => price,
    (device, price) => (device.price = price!),
  ),
  figure(
    'minutes',
    '/minutes',
    ({ minutes }) => minutes,
    (device, minutes) => (device.minutes = minutes!),
  ),
]

const HEAD = ['id', 'like', ...COLUMNS.map(({ name }) => name)]

/** Rows of the table, the names of its columns first. */
export const catalogueTable = (devices: readonly DeviceModel[]): Cell[][] => [
  HEAD,
  ...[...devices]
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .map(device => [device.id, '', ...COLUMNS.map(({ show }) => show(device))]),
]

/**
 * Devices from a table, beside those that are known. Columns may stand in any order; one that is missing leaves what
 * it would say as it was. Refused whole, each fault with its row (the head is row 1) and its column.
 */
export function devicesFromTable(
  [head = [], ...rows]: readonly (readonly Cell[])[],
  known: readonly DeviceModel[],
): Result<DeviceModel[]> {
  const columns = head.map(name => name.trim())
  const unknown = columns.filter(name => !HEAD.includes(name))
  const doubled = twice(columns)
  const faults: Fault[] = [
    ...(columns.includes('id') ? [] : [fault('row 1', 'no-id', 'there is no column “id”')]),
    ...unknown.map(name => fault(`row 1, column “${name}”`, 'unknown-column', 'there is no such column')),
    ...doubled.map(at => fault(`row 1, column “${columns[at]}”`, 'twice', 'this column stands twice')),
  ]
  if (faults.length > 0) return refused(...faults)
  const byId = new Map(known.map(device => [device.id, device]))
  const filled = rows
    .map((cells, at) => ({ cells, row: at + 2 }))
    .filter(({ cells }) => cells.some(cell => cell.trim() !== ''))
  const cellOf = (cells: readonly Cell[], name: string) => cells[columns.indexOf(name)] ?? ''
  const devices = filled.flatMap(({ cells, row }): DeviceModel[] => {
    const at = (column: string) => `row ${row}, column “${column}”`
    const id = cellOf(cells, 'id').trim()
    const like = cellOf(cells, 'like').trim()
    const base = byId.get(id) ?? byId.get(like)
    if (cells.length > columns.length)
      faults.push(
        fault(`row ${row}`, 'too-long', `it has ${cells.length} cells, the head has ${columns.length}`),
      )
    if (!base) {
      faults.push(
        like === ''
          ? fault(at('like'), 'unlike', `“${id}” is not known; say whose inside it has`)
          : fault(at('like'), 'unlike', `there is no device “${like}”`),
      )
      return []
    }
    const draft: Draft = { ...base, id }
    for (const column of COLUMNS) {
      if (!columns.includes(column.name)) continue
      const wrong = column.take(draft, cellOf(cells, column.name))
      if (wrong) faults.push(fault(at(column.name), 'unreadable', wrong))
    }
    const parsed = parseDevice(draft)
    if (parsed.ok) return [parsed.value]
    faults.push(...parsed.faults.map(each => ({ ...each, path: at(columnOf(each.path)) })))
    return []
  })
  const ids = filled.map(({ cells }) => cellOf(cells, 'id').trim())
  faults.push(
    ...twice(ids).map(at =>
      fault(`row ${filled[at]!.row}, column “id”`, 'twice', `“${ids[at]}” stands twice`),
    ),
  )
  return faults.length > 0 ? refused(...faults) : good(devices)
}

/** The column that says what a path of the form names, as near as can be told. */
const columnOf = (path: string): string => COLUMNS.find(column => path.startsWith(column.path))?.name ?? 'id'
