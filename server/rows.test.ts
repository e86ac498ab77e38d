import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { describe, expect, it } from 'vitest'
import { ENTITY_NAMES } from '@/core/model/entities'
import { columnsOf, rowFrom, tableOf, valuesOf } from './rows'

const folder = path.join(import.meta.dirname, 'migrations')
const sql = readdirSync(folder)
  .sort()
  .map(file => readFileSync(path.join(folder, file), 'utf8'))
  .join('\n')

describe('rows', () => {
  it.each(['job', ...ENTITY_NAMES] as const)('%s: every field of the core has its column', entity => {
    const table = tableOf(entity).replaceAll('`', '')
    const body =
      new RegExp(`CREATE TABLE (?:IF NOT EXISTS )?\`?${table}\`? \\(([\\s\\S]*?)\\) ENGINE`).exec(sql)?.[1] ??
      ''
    const added = [...sql.matchAll(new RegExp(`ALTER TABLE \`?${table}\`?([\\s\\S]*?);`, 'g'))].flatMap(
      match => [...match[1]!.matchAll(/ADD COLUMN IF NOT EXISTS `?(\w+)`?/g)].map(each => each[1]),
    )
    const columns = [...[...body.matchAll(/^ {2}`?(\w+)`? [A-Z]+/gm)].map(match => match[1]), ...added]
    expect(columns).toEqual(expect.arrayContaining(columnsOf(entity)))
  })

  it('a row survives the way to SQL and back', () => {
    const row = {
      id: 's',
      circuitId: null,
      to: 'off',
      foundSo: false,
      struck: null,
      seq: 4,
      at: '2026-03-02T08:00:00.120Z',
      ...{ revision: 7, seen: 6, device: 'wall', deviceNumber: 3, by: 'Ash' },
      extra: { odd: [1] },
    }
    const [id, circuit, to, found, struck, seq, at, ...placed] = valuesOf('switchings', row)
    const [revision, seen, device, deviceNumber, by, extra] = placed
    expect(at).toBe('2026-03-02 08:00:00.120')
    expect(
      rowFrom('switchings', {
        id,
        circuit_id: circuit,
        to,
        found_so: found,
        struck,
        seq,
        at,
        ...{ revision, seen, device, device_number: deviceNumber, by },
        extra,
        version: 3,
      }),
    ).toEqual({
      row,
      version: 3,
    })
  })
})
