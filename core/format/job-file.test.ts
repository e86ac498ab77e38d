import { readFileSync } from 'node:fs'
import path from 'node:path'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoJobs } from '@/demo'
import { quillbackRoad } from '@/demo/quillback'
import { usualBox } from '@/demo/usual'
import { parseJobFile, writeJobFile } from './job-file'
import { jobFileJsonSchema } from './json-schema'
import { commandSchema, JOB_FILE_VERSION, validated } from './schemas'

const root = path.resolve(import.meta.dirname, '../..')
const text = writeJobFile({ record: usualBox().record, extra: {} })
type Loose = Record<string, unknown>
const spoilt = (spoil: (file: Record<string, Loose[]> & Loose) => void): string => {
  const file = JSON.parse(text)
  spoil(file)
  return JSON.stringify(file)
}
const faults = (source: string) => {
  const parsed = parseJobFile(source)
  return parsed.ok ? [] : parsed.faults.map(each => `${each.path} ${each.code}`)
}

describe('job file', () => {
  it.each(demoJobs)(
    '$file is what its builder writes, byte for byte, and reads back the same',
    ({ file, build }) => {
      const shipped = readFileSync(path.join(root, 'demo', file), 'utf8')
      expect(writeJobFile({ record: build(), extra: {} })).toBe(shipped)
      const parsed = parseJobFile(shipped)
      expect(parsed.ok && writeJobFile(parsed.value)).toBe(shipped)
    },
  )

  it('comes out the same whatever order it came in (100 shuffles, seed 3)', () => {
    fc.assert(
      fc.property(fc.integer(), salt => {
        const shuffle = <T>(items: T[]) =>
          items
            .map((item, at) => ({ item, key: (at * 7919 + salt) % 101 }))
            .sort((a, b) => a.key - b.key)
            .map(each => each.item)
        const file = JSON.parse(text) as Loose
        const mixed = Object.fromEntries(
          shuffle(Object.entries(file)).map(([name, value]) => [
            name,
            Array.isArray(value)
              ? shuffle(value).map(row => Object.fromEntries(shuffle(Object.entries(row as Loose))))
              : value,
          ]),
        )
        const parsed = parseJobFile(JSON.stringify(mixed))
        expect(parsed.ok && writeJobFile(parsed.value)).toBe(text)
      }),
      { numRuns: 100, seed: 3 },
    )
  })

  it('keeps fields it does not know, at the top and in rows', () => {
    const given = spoilt(file => {
      file.weather = { sky: 'grey', air: [1, 2] } as never
      file.rooms![0]!.smell = 'clay'
    })
    const parsed = parseJobFile(given)
    const written = parsed.ok ? (JSON.parse(writeJobFile(parsed.value)) as Loose & { rooms: Loose[] }) : null
    expect(written?.weather).toEqual({ sky: 'grey', air: [1, 2] })
    expect(written?.rooms[0]?.smell).toBe('clay')
  })

  it.each([1, 2])('reads a file of version %d: what it could not say is not known', version => {
    const early = spoilt(file => {
      file.version = version as never
      const later = version === 1 ? ['findings', 'notes', 'photos'] : []
      for (const table of ['breakerTries', 'needs', 'crew', 'keeps', 'turns', ...later])
        delete (file as Record<string, unknown>)[table]
      const strip = (table: string, ...fields: string[]) => {
        for (const row of file[table] as Record<string, unknown>[])
          for (const field of fields) delete row[field]
      }
      strip('conductors', 'faded', 'unfit', 'wish')
      strip('defects', 'handedTo', 'handedOn')
      strip('boxes', 'hidden')
      strip('rooms', 'kind')
      if (version === 2) return
      strip('groups', 'behaves')
      strip('boxes', 'freeLengthMillimetres', 'plate')
      strip('devices', 'testerShows')
      strip('readings', 'stand', 'toSpot', 'toGroupId', 'workedDeviceId', 'answer')
    })
    const parsed = parseJobFile(early)
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.faults.slice(0, 3)))
    const { record } = parsed.value
    if (version === 1) {
      expect(new Set(Object.values(record.groups).map(({ behaves }) => behaves))).toEqual(
        new Set(['not-known']),
      )
      for (const { switchPosition, stand, answer } of Object.values(record.readings)) {
        expect(stand).toBe(switchPosition === 'separated' ? 'this-box' : 'as-found')
        expect(answer).toBeNull()
      }
      expect(record.findings).toEqual({})
    }
    expect(Object.values(record.conductors).some(({ faded }) => faded)).toBe(false)
    expect(record.breakerTries).toEqual({})
    expect(new Set(Object.values(record.rooms).map(({ kind }) => kind))).toEqual(new Set(['not-said']))
    expect(JSON.parse(writeJobFile(parsed.value))).toMatchObject({ version: JOB_FILE_VERSION })
  })

  it('reads a file of version 3: a try of a breaker says of no conductor that a meter was left at it', () => {
    const tried = { circuitId: null, placeId: null, shows: 'stayed-lit', hinted: false, note: '', seq: 1 }
    const parsed = parseJobFile(
      spoilt(file => {
        file.version = 3 as never
        delete (file as Record<string, unknown>).needs
        const boxId = file.boxes![0]!.id
        file.breakerTries!.push({ id: 'try', boxId, ...tried, at: '2026-05-04T08:00:00.000Z' })
      }),
    )
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.faults.slice(0, 3)))
    expect(parsed.value.record.breakerTries.try).toMatchObject({ ...tried, endId: null })
    expect(parsed.value.record.needs).toEqual({})
  })

  it('reads a file of version 5: nobody said yet what its rooms are for', () => {
    const parsed = parseJobFile(
      spoilt(file => {
        file.version = 5 as never
        for (const room of file.rooms as Record<string, unknown>[]) delete room.kind
      }),
    )
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.faults.slice(0, 3)))
    for (const { kind } of Object.values(parsed.value.record.rooms)) expect(kind).toBe('not-said')
  })

  it('reads a file of version 9: two circuits of several poles with one neutral have one handle, three say nothing', () => {
    const handles = (poles: readonly number[], next: readonly (number | null)[]) => {
      const parsed = parseJobFile(
        spoilt(file => {
          file.version = 9 as never
          const [one] = file.circuits as Record<string, unknown>[]
          delete one!.handleWithId
          file.circuits!.push(
            ...(poles.map((count, at) => ({
              ...{ ...one, id: `pole-${at}`, breaker: `9${at}`, poles: count },
              sharedNeutralWithId: next[at] === null ? null : `pole-${next[at]}`,
            })) as never[]),
          )
        }),
      )
      if (!parsed.ok) throw new Error(JSON.stringify(parsed.faults.slice(0, 3)))
      const { circuits } = parsed.value.record
      return poles.map((_, at) => circuits[`pole-${at}`]!.handleWithId)
    }
    expect(handles([2, 2], [1, 0])).toEqual(['pole-1', 'pole-0'])
    expect(handles([2, 2], [1, null])).toEqual(['pole-1', 'pole-0'])
    expect(handles([2, 1], [1, 0])).toEqual([null, null])
    expect(handles([2, 2], [null, null])).toEqual([null, null])
    expect(handles([2, 2, 2], [1, 2, 0])).toEqual([null, null, null])
  })

  it.each(Array.from({ length: JOB_FILE_VERSION - 1 }, (_, at) => at + 1))(
    'reads a file of version %i, of which nobody kept what anybody had seen, and none of a version to come',
    version => {
      const placed = ['revision', 'seen', 'device', 'deviceNumber', 'by', 'asked']
      const parsed = parseJobFile(
        spoilt(file => {
          file.version = version as never
          for (const rows of Object.values(file))
            if (Array.isArray(rows)) for (const row of rows) for (const name of placed) delete row[name]
        }),
      )
      if (!parsed.ok) throw new Error(JSON.stringify(parsed.faults.slice(0, 3)))
      const { readings, steps } = parsed.value.record
      expect(Object.values(readings)[0]).toMatchObject({ revision: 0, seen: 0, device: '', deviceNumber: 0 })
      for (const { asked } of Object.values(steps)) expect(asked).toBeNull()
      expect(faults(spoilt(file => (file.version = (version + JOB_FILE_VERSION) as never)))).not.toEqual([])
    },
  )

  it('reads a file of version 10: nothing is locked, no clamp says what it shows, nobody said what else feeds the house', () => {
    const parsed = parseJobFile(
      spoilt(file => {
        file.version = 10 as never
        delete file.locks
        delete (file.job as unknown as Record<string, unknown>).backFeed
        for (const reading of file.readings as Record<string, unknown>[]) delete reading.resolutionAmps
      }),
    )
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.faults.slice(0, 3)))
    const { job, locks, readings } = parsed.value.record
    expect(job.backFeed).toBe('not-known')
    expect(locks).toEqual({})
    expect(Object.values(readings).length).toBeGreaterThan(10)
    expect(Object.values(readings).every(({ resolutionAmps }) => resolutionAmps === null)).toBe(true)
  })

  it('reads a file of version 6: boxes hold controls, all readings count, and a run names its far box or is none', () => {
    const file = JSON.parse(writeJobFile({ record: quillbackRoad(), extra: {} })) as Record<string, Loose[]> &
      Loose
    const without = (table: string, field: string) => {
      for (const row of file[table]!) delete row[field]
    }
    file.version = 6 as never
    without('boxes', 'kind')
    without('readings', 'struck')
    without('groups', 'everyPlace')
    // As an earlier version wrote it after “leads to the panel” was said of a run.
    const run = file.cables!.find(({ farBoxId }) => farBoxId !== null)!
    Object.assign(run, { far: 'panel', farEntry: null })
    file.cables!.find(({ farBoxId }) => farBoxId === null)!.far = 'box'
    const parsed = parseJobFile(JSON.stringify(file))
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.faults.slice(0, 3)))
    const { record } = parsed.value
    for (const { kind } of Object.values(record.boxes)) expect(kind).toBe('control')
    for (const { struck } of Object.values(record.readings)) expect(struck).toBeNull()
    for (const { everyPlace } of Object.values(record.groups)) expect(everyPlace).toBe('not-known')
    for (const { far, farBoxId, farEntry } of Object.values(record.cables)) {
      expect(far === 'box').toBe(farBoxId !== null)
      expect(farEntry === null).toBe(farBoxId === null)
    }
  })

  it('lists every fault with its path, and nothing else', () => {
    const given = spoilt(file => {
      file.boxes![0]!.gangs = 9
      delete file.boxes![0]!.surface
      file.loads![0]!.kind = 'candle'
      file.circuits![0]!.ratedAmps = '15'
    })
    expect(faults(given).sort()).toEqual([
      '/boxes/0/gangs number.max',
      '/boxes/0/surface any.required',
      '/circuits/0/ratedAmps number.base',
      '/loads/0/kind any.only',
    ])
  })

  it.each<[string, (file: Record<string, Loose[]> & Loose) => void, string]>([
    ['a reference to nothing', file => (file.cables![1]!.boxId = 'attic'), '/cables/1/boxId no-such-row'],
    ['an id twice', file => file.rooms!.push(file.rooms![0]!), '/rooms/1 array.unique'],
    ['another format', file => (file.format = 'recipe' as never), '/format any.only'],
    ['a later version', file => (file.version = (JOB_FILE_VERSION + 1) as never), '/version any.only'],
    ['a table missing', file => delete file.ends, '/ends any.required'],
    ['an end in two places', file => (file.ends![0]!.jointId = 'nowhere'), '/ends/0/jointId no-such-row'],
  ])('refuses %s', (_, spoil, expected) => {
    expect(faults(spoilt(file => void spoil(file)))).toContain(expected)
  })

  it('refuses text that is no JSON, and JSON that is no job', () => {
    expect(faults('{"a":')[0]).toContain('not-json')
    expect(faults('[]')[0]).toBe('/ object.base')
    expect(faults('null').length).toBeGreaterThan(0)
  })

  it('the published JSON Schema is the one these fields make', () => {
    const published = readFileSync(path.join(root, 'docs/job-file.schema.json'), 'utf8')
    expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(jobFileJsonSchema())))
  })
})

describe('commands at the door', () => {
  const check = (given: unknown) => {
    const shape = validated(commandSchema, given)
    return shape.ok ? [] : shape.faults.map(each => each.path)
  }
  const change = { kind: 'change', entity: 'boxes', id: 'box', based: 1, fields: { gangs: 2 } }
  const origin = { device: 'd', number: 1, seen: 0, by: '' }
  const command = { id: 'c1', origin, name: 'edit a box', boxId: 'box', edits: [change] }

  it('takes a good one', () => {
    expect(check(command)).toEqual([])
    expect(check({ id: 'u1', origin, name: 'undo', boxId: null, undoes: 'c1' })).toEqual([])
  })

  it.each<[string, unknown]>([
    ['no edits', { ...command, edits: [] }],
    ['no origin', { ...command, origin: undefined }],
    ['seen before anything was', { ...command, origin: { ...origin, seen: -1 } }],
    ['an unknown name', { ...command, name: 'rob a bank' }],
    ['an id with quotes', { ...command, id: "c'; DROP TABLE rooms; --" }],
    ['an unknown table', { ...command, edits: [{ ...change, entity: 'users' }] }],
    ['an unknown field', { ...command, edits: [{ ...change, fields: { owner: 'me' } }] }],
    ['a field of another kind', { ...command, edits: [{ ...change, fields: { gangs: 'two' } }] }],
    ['no version', { ...command, edits: [{ ...change, based: undefined }] }],
    ['a change of an id', { ...command, edits: [{ ...change, fields: { id: 'other' } }] }],
    ['nothing', null],
    [
      'a row with a field missing',
      { ...command, edits: [{ kind: 'add', entity: 'rooms', row: { id: 'r', name: 'R' } }] },
    ],
  ])('refuses %s', (_, given) => {
    expect(check(given).length).toBeGreaterThan(0)
  })
})
