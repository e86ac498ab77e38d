import { beforeAll, describe, expect, it, vi } from 'vitest'
import { trade } from '@/catalogue'
import { answersTo, Identifier, keyOf, readingFor } from '@/core/identify'
import type { JobRecord } from '@/core/model/record'
import { usualBox } from '@/demo/usual'
import type { Answer, Question } from './ask'
import type { IdentifyAnswer, IdentifyQuestion } from './identifier'

interface World {
  onmessage: ((event: { readonly data: Question<IdentifyQuestion> }) => void) | null
  postMessage: (answer: Answer<IdentifyAnswer>) => void
}

describe('the identifier behind a worker', () => {
  const heard: Answer<IdentifyAnswer>[] = []
  const world: World = { onmessage: null, postMessage: answer => heard.push(answer) }
  let last = 0
  const ask = (
    record: JobRecord,
    skipped: readonly string[] = [],
    how: Pick<IdentifyQuestion, 'reach' | 'supposing'> = { reach: 'far' },
  ) => {
    const id = ++last
    const about = { record, boxId: 'box', trade, skipped, ...how }
    world.onmessage!({ data: { id, value: structuredClone(about) } })
    const answer = heard.at(-1)!
    expect(answer.id).toBe(id)
    // Only plain data crosses over.
    expect(structuredClone(answer)).toEqual(answer)
    return answer.value
  }

  beforeAll(async () => {
    Object.assign(globalThis, { self: world })
    await import('./identifier')
  })

  const { record } = usualBox({ proven: false })

  it('goes on from one reading to the next, and back again where one was struck out', () => {
    const begun = ask(record)
    if (begun.kind !== 'identified') throw new Error(begun.kind)
    const { next, ways } = begun.identification
    const reading = {
      id: 'r1',
      boxId: 'box',
      seq: 1,
      at: '2026-03-02T08:00:00.000Z',
      ...readingFor(
        next!.question,
        next!.outcomes.find(({ answer }) => !/dead|silent/.test(answer))!.answer,
        0,
        1,
      ),
    }
    const after = ask({ ...record, readings: { r1: reading } })
    if (after.kind !== 'identified') throw new Error(after.kind)
    expect(after.identification.known.some(({ why }) => why.includes('r1'))).toBe(true)
    expect(after.identification.ways).toBeLessThanOrEqual(ways)
    expect(ask(record)).toEqual(begun)
  })

  it('asks something else where a question cannot be answered', () => {
    const begun = ask(record)
    if (begun.kind !== 'identified') throw new Error(begun.kind)
    const other = ask(record, [keyOf(begun.identification.next!.question)])
    if (other.kind !== 'identified') throw new Error(other.kind)
    expect(other.identification.next?.question).not.toEqual(begun.identification.next?.question)
  })

  it('has thought of a reading before it was taken, and names it as it is called then', () => {
    const begun = ask(record)
    if (begun.kind !== 'identified') throw new Error(begun.kind)
    const { question } = begun.identification.next!
    const answers = answersTo(question)
    for (const answer of answers) ask(record, [], { reach: 'far', supposing: { question, answer } })
    const after = vi.spyOn(Identifier.prototype, 'after')
    const said = answers.map(answer => {
      const reading = {
        ...{ id: `taken-${answer}`, boxId: 'box', seq: 1, at: '2026-03-02T08:00:00.000Z' },
        ...readingFor(question, answer, 0, 1),
      }
      return { answer, of: ask({ ...record, readings: { [reading.id]: reading } } as never) }
    })
    expect(after.mock.calls.length).toBeLessThan(answers.length)
    after.mockRestore()
    for (const { answer, of } of said) {
      if (of.kind !== 'identified') throw new Error(of.kind)
      const why = of.identification.known.flatMap(each => each.why)
      expect(new Set(why)).toEqual(new Set(why.length > 0 ? [`taken-${answer}`] : []))
    }
    expect(
      said.some(
        ({ of }) => of.kind === 'identified' && of.identification.known.some(({ why }) => why.length > 0),
      ),
    ).toBe(true)
  })

  it('refuses what does not hang together, with its place', () => {
    const devices = Object.fromEntries(
      Object.entries(record.devices).map(([id, device]) => [id, { ...device, modelId: 'no-such-thing' }]),
    )
    expect(ask({ ...record, devices })).toMatchObject({
      kind: 'refused',
      faults: [{ code: 'unknown-device' }],
    })
  })
})
