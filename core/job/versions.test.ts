import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { eachVersion, raisedBy, versionOf, withVersions, type RowVersion, type Versions } from './versions'

const ENTITIES = ['job', 'rooms', 'boxes'] as const
const IDS = ['a', 'b', 'constructor', 'a/b'] as const

const rowVersion: fc.Arbitrary<RowVersion> = fc.record({
  entity: fc.constantFrom(...ENTITIES),
  id: fc.constantFrom(...IDS),
  version: fc.option(fc.integer({ min: 1, max: 9 })),
})

describe('versions', () => {
  it('are those written last, however often and in whatever order tables are written', () => {
    fc.assert(
      fc.property(fc.array(fc.array(rowVersion)), writes => {
        const plain = new Map<string, number | null>()
        let versions: Versions = {}
        for (const written of writes) {
          const before = JSON.stringify(versions)
          const next = withVersions(versions, written)
          expect(JSON.stringify(versions)).toBe(before)
          versions = next
          for (const { entity, id, version } of written) plain.set(`${entity} ${id}`, version)
        }
        for (const entity of ENTITIES)
          for (const id of IDS)
            expect(versionOf(versions, entity, id)).toBe(plain.get(`${entity} ${id}`) ?? null)
        const standing = [...plain].filter(([, version]) => version !== null)
        expect(
          new Map(eachVersion(versions).map(({ entity, id, version }) => [`${entity} ${id}`, version])),
        ).toEqual(new Map(standing))
      }),
    )
  })

  it('of what is changed are raised, of what is added begin, and of what is removed end', () => {
    const row = { id: 'a' } as never
    const change = (id: string, before: null | typeof row, after: null | typeof row) =>
      ({ entity: 'boxes', id, before, after }) as const
    const versions = raisedBy({ boxes: { a: 4, b: 2 }, rooms: { a: 1 } }, [
      change('a', row, row),
      change('b', row, null),
      change('c', null, row),
    ])
    expect(versions).toEqual({ boxes: { a: 5, c: 1 }, rooms: { a: 1 } })
  })
})
