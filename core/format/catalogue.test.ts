import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { parseCatalogue, writeCatalogue } from './catalogue-file'
import { catalogueTable, devicesFromTable } from './catalogue-table'

const { devices } = trade
const byId = [...devices].sort((a, b) => (a.id < b.id ? -1 : 1))

/** The table with one cell put otherwise. */
const withCell = (id: string, column: string, cell: string): string[][] => {
  const table = catalogueTable(devices).map(row => [...row])
  const row = table.find(([own]) => own === id)!
  row[table[0]!.indexOf(column)] = cell
  return table
}

const faultsOf = (table: readonly (readonly string[])[]) => {
  const read = devicesFromTable(table, devices)
  return read.ok ? [] : read.faults.map(({ path, message }) => `${path}: ${message}`)
}

describe('a catalogue as a file', () => {
  it('comes back as it went out, byte for byte', () => {
    const text = writeCatalogue(devices)
    const read = parseCatalogue(text)
    if (!read.ok) throw new Error(JSON.stringify(read.faults.slice(0, 3)))
    expect(read.value).toEqual(byId)
    expect(writeCatalogue(read.value)).toBe(text)
  })

  it('is refused whole, with the path of each fault', () => {
    const file = JSON.parse(writeCatalogue(devices)) as { devices: Record<string, unknown>[] }
    file.devices[2]!.price = -4
    file.devices[5]!.stock = 'borrowed'
    file.devices[7]!.id = file.devices[6]!.id
    const read = parseCatalogue(JSON.stringify(file))
    expect(read.ok ? [] : read.faults.map(({ path }) => path)).toEqual([
      '/devices/2/price',
      '/devices/5/stock',
      expect.stringMatching(/^\/devices\/\d+\/id$/),
    ])
  })

  it.each([
    ['no JSON', '{', '/'],
    ['another format', '{"format":"recipe","version":1,"devices":[]}', '/format'],
    ['no list', '{"format":"everyroom-catalogue","version":1}', '/devices'],
    ['nothing', 'null', '/format'],
  ])('%s is refused', (_, text, path) => {
    const read = parseCatalogue(text)
    expect(read.ok ? [] : read.faults.map(each => each.path)).toContain(path)
  })
})

describe('a catalogue as a table', () => {
  it('comes back as it went out', () => {
    const read = devicesFromTable(catalogueTable(devices), devices)
    if (!read.ok) throw new Error(JSON.stringify(read.faults.slice(0, 3)))
    expect(read.value).toEqual(byId)
  })

  it('a price, a rating with fins and a finish are changed; what is inside stays', () => {
    const table = withCell('dimmer-led-150-neutral', 'led', '175 W; 140; 120')
    table.find(([id]) => id === 'dimmer-led-150-neutral')![table[0]!.indexOf('price')] = '35,50'
    const read = devicesFromTable(table, devices)
    const before = devices.find(({ id }) => id === 'dimmer-led-150-neutral')!
    const after = read.ok ? read.value.find(({ id }) => id === before.id)! : null
    expect(after).toMatchObject({ price: 35.5, contacts: before.contacts, terminals: before.terminals })
    expect(after!.ratings.find(({ kind }) => kind === 'led')).toEqual({
      kind: 'led',
      unit: 'W',
      limit: 175,
      oneSide: 140,
      bothSides: 120,
    })
  })

  it('a new one says whose inside it has; a few columns are enough', () => {
    const read = devicesFromTable(
      [
        ['id', 'like', 'name', 'price'],
        ['dimmer-of-ours', 'dimmer-led-150-neutral', 'Dimmer of ours', '40'],
      ],
      devices,
    )
    expect(read.ok ? read.value : []).toMatchObject([
      { id: 'dimmer-of-ours', name: 'Dimmer of ours', price: 40, does: ['switch', 'dim'] },
    ])
    expect(
      faultsOf([
        ['id', 'name'],
        ['nobody', 'Nobody'],
      ]),
    ).toEqual(['row 2, column “like”: “nobody” is not known; say whose inside it has'])
  })

  it.each([
    ['price', 'dear', 'row 2, column “price”: “dear” is no number'],
    [
      'led',
      '150 lamps',
      'row 2, column “led”: “150 lamps” is no rating, such as “150 W” or “150 W; 125; 100”',
    ],
    [
      'led',
      '150 W; 125',
      'row 2, column “led”: “150 W; 125” is no rating, such as “150 W” or “150 W; 125; 100”',
    ],
    ['glows', 'perhaps', 'row 2, column “glows”: says neither yes nor no'],
    ['opening', 'round', 'row 2, column “opening”: “round” is none of toggle, wide, duplex, module'],
    ['regions', 'moon', expect.stringMatching(/^row 2, column “regions”: /)],
    ['gangs', '9', expect.stringMatching(/^row 2, column “gangs”: /)],
    ['least places', '70', expect.stringMatching(/^row 2, column “least places”: /)],
  ])('%s “%s” is refused with its row and column', (column, cell, says) => {
    const [head, ...rows] = withCell('companion-elm', column, cell)
    const row = rows.find(([id]) => id === 'companion-elm')!
    expect(faultsOf([head!, row])).toEqual([says])
  })

  it('every fault is listed, with none imported', () => {
    const table = withCell('companion-elm', 'price', '')
    table.at(-1)![table[0]!.indexOf('depth mm')] = 'deep'
    table.push([...table[2]!])
    expect(faultsOf(table)).toHaveLength(3)
    expect(faultsOf([['id', 'weight', 'weight']])).toEqual([
      'row 1, column “weight”: there is no such column',
      'row 1, column “weight”: there is no such column',
      'row 1, column “weight”: this column stands twice',
    ])
    expect(faultsOf([['name'], ['x']])).toEqual(['row 1: there is no column “id”'])
  })

  it('whatever a cell says, it is taken or refused with its place: nothing is thrown', () => {
    const head = catalogueTable([])[0]!
    fc.assert(
      fc.property(fc.constantFrom(...head), fc.string(), (column, cell) => {
        const [head, ...rows] = withCell('timer-linked', column, cell)
        const read = devicesFromTable(
          [head!, rows.find(row => row.includes('Countdown timer, linked places, neutral')) ?? rows[0]!],
          devices,
        )
        if (!read.ok) for (const { path } of read.faults) expect(path).toMatch(/^row \d+/)
        else for (const device of read.value) expect(devices.some(({ id }) => id === device.id)).toBe(true)
      }),
      { numRuns: 300, seed: 5 },
    )
  })
})
