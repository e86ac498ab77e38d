import { describe, expect, it } from 'vitest'
import { usualBox } from '@/demo/usual'
import { lot } from '@/testing/model/lot'
import { TIMES } from '@/testing/times'
import { writeJobFile } from './job-file'
import { rowsPlainlyGood } from './plainly-good'
import { jobFileSchema } from './schemas'

type Row = Record<string, unknown>
type File = Record<string, unknown>

const text = writeJobFile({
  record: usualBox({ choice: 'dimmer-led-150-neutral', isolated: true }).record,
  extra: {},
})
const TABLES = Object.entries(JSON.parse(text) as File).flatMap(([name, rows]) =>
  Array.isArray(rows) && rows.length > 0 ? [name] : [],
)
/** What stands in files that somebody broke, or wrote by hand. */
const ODD: readonly unknown[] = [
  ...[
    null,
    undefined,
    true,
    '',
    ' ',
    'x',
    'X',
    'x'.repeat(41),
    'x'.repeat(2100),
    '\ud800',
    '2026-02-30T09:00:00.000Z',
  ],
  ...['2026-03-02T09:00:00.000Z', '1', 0, -0, -1, 1, 1.5, 7, 1e12, Number.MAX_VALUE, [], {}, [1], { a: 1 }],
]

describe('rows that are plainly good', () => {
  it('are what the schema takes, whatever was done to them', () => {
    let [good, bad] = [0, 0]
    for (let seed = 1; seed <= 1000 * TIMES; seed++) {
      const draw = lot(seed)
      const file = JSON.parse(text) as File
      const table = TABLES[draw(TABLES.length)]!
      const rows = file[table] as unknown[]
      const row = rows[draw(rows.length)] as Row
      const names = Object.keys(row)
      const name = names[draw(names.length)]!
      switch (draw(12)) {
        case 0:
          delete row[name]
          break
        case 1:
          rows[draw(rows.length)] = ODD[draw(ODD.length)]
          break
        case 2:
          file[table] = ODD[draw(ODD.length)]
          break
        case 3:
          // One good value in the place of another.
          row[name] = (rows[draw(rows.length)] as Row)[names[draw(names.length)]!]
          break
        default:
          row[name] = ODD[draw(ODD.length)]
      }
      const isGood = jobFileSchema.validate(file, { convert: false }).error === undefined
      expect([seed, table, name, rowsPlainlyGood(file)]).toEqual([seed, table, name, isGood])
      if (isGood) good++
      else bad++
    }
    expect(good).toBeGreaterThan(70)
    expect(bad).toBeGreaterThan(500)
  })

  it('with something that is not known here are left to the schema', () => {
    const file = JSON.parse(text) as File
    expect(rowsPlainlyGood(file)).toBe(true)
    ;(file.boxes as Row[])[0]!.drawnWith = 'a pencil'
    expect(jobFileSchema.validate(file, { convert: false }).error).toBeUndefined()
    expect(rowsPlainlyGood(file)).toBe(false)
  })
})
