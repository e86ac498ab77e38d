import path from 'node:path'
import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { BLANK } from '@/core/model/blank-rows'
import type { Edit, Origin } from '@/core/job/command'
import { usualBox } from '@/demo/usual'
import { doneByTest } from '@/testing/origin'
import { applyCommand } from './commands'
import { closePool } from './database'
import { loadJob, removeJob, storeJobFile } from './jobs'
import { migrate } from './migrate'

/* Two phones that have the same before them and change a row, each of them what it likes, against a plain three-way look. */

const jobId = 'merged'
const record = { ...usualBox().record, job: { ...usualBox().record.job, id: jobId } }
const circuitId = Object.keys(record.circuits)[0]!

beforeAll(async () => {
  await migrate(path.join(import.meta.dirname, 'migrations'))
})
afterAll(async () => {
  await removeJob(jobId)
  await closePool()
})

let number = 0
const from = (device: string, seen: number): Origin => ({ ...doneByTest(seen), device, number: ++number })
const change = (based: number, fields: object): Edit =>
  ({ kind: 'change', entity: 'circuits', id: circuitId, based, fields }) as Edit
const send = (edits: readonly Edit[], origin: Origin) =>
  applyCommand(jobId, { id: `m${++number}`, name: 'edit a circuit', boxId: null, edits, origin })

const begun = async () => {
  await removeJob(jobId)
  await storeJobFile({ record, extra: {} }, { jobId, demo: null })
  return (await loadJob(jobId))!
}
const row = async () => (await loadJob(jobId))!.record.circuits[circuitId]!

const FIELDS = {
  label: ['', 'Hall', 'Stairs'],
  note: ['', 'Warm', 'Hums'],
  ratedAmps: [15, 20],
  poles: [1, 2],
} as const
const someFields = fc
  .record(
    Object.fromEntries(Object.entries(FIELDS).map(([name, values]) => [name, fc.constantFrom(...values)])),
    { requiredKeys: [] },
  )
  .filter(fields => Object.keys(fields).length > 0) as fc.Arbitrary<Record<string, string | number>>

/** Mostly one field, so that both ways it can go come about often. */
const fewFields = fc.oneof(
  {
    weight: 3,
    arbitrary: fc
      .constantFrom(...(Object.keys(FIELDS) as (keyof typeof FIELDS)[]))
      .chain(name => fc.constantFrom(...FIELDS[name]).map(value => ({ [name]: value }))),
  },
  { weight: 1, arbitrary: someFields },
) as fc.Arbitrary<Record<string, string | number>>

describe('two who change one row at once', () => {
  it('have both what they said, unless it is of the same field and differs', async () => {
    const seen = { merged: 0, stale: 0 }
    await fc.assert(
      fc.asyncProperty(
        fc.array(fewFields, { minLength: 1, maxLength: 3 }),
        fewFields,
        async (theirs, ours) => {
          const { revision, record: before } = await begun()
          for (const [at, fields] of theirs.entries())
            expect(await send([change(at + 1, fields)], from('theirs', revision + at))).toMatchObject({
              kind: 'applied',
            })
          const now = (await row()) as unknown as Record<string, unknown>
          const answer = await send([change(1, ours)], from('ours', revision))
          // Field by field: as it was, as they have it, as we want it.
          const was = before.circuits[circuitId] as unknown as Record<string, unknown>
          const touched = new Set(
            theirs.flatMap((fields, at) => {
              const earlier = { ...was, ...Object.assign({}, ...theirs.slice(0, at)) } as Record<
                string,
                unknown
              >
              return Object.keys(fields).filter(name => fields[name] !== earlier[name])
            }),
          )
          const against = Object.keys(ours).filter(name => touched.has(name) && ours[name] !== now[name])
          if (against.length > 0) {
            seen.stale++
            expect(answer).toMatchObject({ kind: 'stale', stale: [{ id: circuitId }] })
            expect(answer.kind === 'stale' && [...answer.stale[0]!.fields].sort()).toEqual(against.sort())
            expect(await row()).toEqual(now)
          } else {
            seen.merged++
            expect(answer).toMatchObject({ kind: 'applied' })
            expect(await row()).toEqual({ ...now, ...ours })
          }
        },
      ),
      { numRuns: 40 * Number(process.env.TIMES ?? 1) },
    )
    expect(Math.min(seen.merged, seen.stale), JSON.stringify(seen)).toBeGreaterThan(1)
  }, 120_000)

  it('what one did himself while nothing came back is not what others did', async () => {
    const { revision } = await begun()
    await send([change(1, { note: 'Theirs' })], from('theirs', revision))
    // Two of ours, one after the other, before an answer: the second is based on the first.
    expect(await send([change(1, { label: 'One' })], from('ours', revision))).toMatchObject({
      kind: 'applied',
    })
    expect(await send([change(2, { label: 'Two' })], from('ours', revision))).toMatchObject({
      kind: 'applied',
    })
    expect(await row()).toMatchObject({ note: 'Theirs', label: 'Two' })
  })

  it('what another page of the same phone did is not what this page had before it', async () => {
    const { revision } = await begun()
    await send([change(1, { label: 'One' })], from('ours', revision))
    expect(await send([change(1, { label: 'Two' })], from('ours', revision))).toMatchObject({
      kind: 'stale',
      stale: [{ fields: ['label'] }],
    })
    expect(await send([change(1, { note: 'Warm' })], from('ours', revision))).toMatchObject({
      kind: 'applied',
    })
  })

  it('what also adds or removes is made as a whole or not at all', async () => {
    const { revision } = await begun()
    await send([change(1, { note: 'Theirs' })], from('theirs', revision))
    const add = {
      kind: 'add',
      entity: 'rooms',
      row: { id: 'more', name: 'More', floor: '', kind: 'not-said', position: 9, ...BLANK.rooms },
    } as Edit
    expect(await send([change(1, { label: 'Ours' }), add], from('ours', revision))).toMatchObject({
      kind: 'stale',
      stale: [{ id: circuitId, fields: ['label'] }],
    })
    expect((await loadJob(jobId))!.record.rooms.more).toBeUndefined()
  })

  it('a row that was changed is not removed over that, nor one that is gone changed', async () => {
    const { revision } = await begun()
    const roomId = Object.keys(record.rooms)[0]!
    const rename = {
      kind: 'change',
      entity: 'rooms',
      id: roomId,
      based: 1,
      fields: { floor: 'Loft' },
    } as Edit
    await send([rename], from('theirs', revision))
    const remove = { kind: 'remove', entity: 'rooms', id: roomId, based: 1 } as Edit
    expect(await send([remove], from('ours', revision))).toMatchObject({
      kind: 'stale',
      stale: [{ fields: [] }],
    })
    const gone = { kind: 'change', entity: 'rooms', id: 'gone', based: 1, fields: { floor: 'x' } } as Edit
    expect(await send([gone], from('ours', revision))).toMatchObject({
      kind: 'stale',
      stale: [{ now: null }],
    })
  })

  it('what happened at the wall is never made one of two, whatever the fields', async () => {
    const { revision, record: before } = await begun()
    const [readingId] = Object.keys(before.readings)
    const edit = (fields: object): Edit =>
      ({ kind: 'change', entity: 'readings', id: readingId, based: 1, fields }) as Edit
    expect(await send([edit({ note: 'Theirs' })], from('theirs', revision))).toMatchObject({
      kind: 'applied',
    })
    expect(await send([edit({ struck: 'Slipped' })], from('ours', revision))).toMatchObject({
      kind: 'stale',
      stale: [{ entity: 'readings', fields: ['struck'] }],
    })
  })
})
