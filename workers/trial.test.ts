import { beforeAll, describe, expect, it } from 'vitest'
import { plainPlaces } from '@/demo/places'
import type { Answer, Question } from './ask'
import type { TrialAnswer, TrialQuestion } from './trial'

/** What stands for the worker's own world here: a place to hang its ear on and to hear it from. */
interface World {
  onmessage: ((event: { readonly data: Question<TrialQuestion> }) => void) | null
  postMessage: (answer: Answer<TrialAnswer>) => void
}

describe('the trial behind a worker', () => {
  const heard: Answer<TrialAnswer>[] = []
  const world: World = { onmessage: null, postMessage: answer => heard.push(answer) }
  let last = 0
  const ask = (value: TrialQuestion): TrialAnswer => {
    const id = ++last
    world.onmessage!({ data: { id, value } })
    const answer = heard.at(-1)!
    expect(answer.id).toBe(id)
    // Only plain data crosses over.
    expect(structuredClone(answer)).toEqual(answer)
    return answer.value
  }

  beforeAll(async () => {
    Object.assign(globalThis, { self: world })
    await import('./trial')
  })

  it('says so when nothing was begun, as after it was started anew', () => {
    expect(ask({ kind: 'prove' })).toEqual({ kind: 'nothing-begun' })
    expect(ask({ kind: 'act', actions: [], touch: null })).toEqual({ kind: 'nothing-begun' })
  })

  it('begins, acts in order, and reads as it stands', () => {
    const begun = ask({ kind: 'begin', circuit: plainPlaces({ places: 3, supplyAt: 1, loadAt: 2 }) })
    expect(begun).toMatchObject({ kind: 'seen', shown: null, seen: { steps: 0 } })
    const flip = (device: string) => ({ kind: 'do', device, event: 'toggle' }) as const
    const meter = { instrument: 'low-impedance-meter', from: 'lamp:hot', to: 'lamp:neutral' } as const
    const lit = (answer: TrialAnswer) => answer.kind === 'seen' && answer.seen.lamps[0]!.light
    const before = lit(ask({ kind: 'act', actions: [], touch: null }))
    const after = ask({
      kind: 'act',
      actions: [flip('place1'), flip('place2'), flip('place3')],
      touch: meter,
    })
    expect(lit(after)).not.toBe(before)
    expect(after).toMatchObject({ seen: { steps: 3 } })
    const volts = after.kind === 'seen' && after.shown?.ok && after.shown.value
    expect(volts).toMatchObject({ kind: 'volts', volts: expect.closeTo(lit(after) === 'full' ? 120 : 0, 1) })
    expect(ask({ kind: 'touch', test: { instrument: 'lamp', at: 'lamp' } })).toMatchObject({
      kind: 'shown',
      shown: { ok: true, value: { light: lit(after) } },
    })
  })

  it('proves what it holds, and a new circuit replaces the old', () => {
    expect(ask({ kind: 'prove' })).toMatchObject({ kind: 'proof', proof: { kind: 'proven', states: 8 } })
    ask({ kind: 'begin', circuit: plainPlaces({ places: 2, supplyAt: 0, loadAt: 1 }) })
    expect(ask({ kind: 'prove' })).toMatchObject({ proof: { kind: 'proven', states: 4 } })
  })

  it('a point that is not there is a fault, not a failure', () => {
    expect(ask({ kind: 'touch', test: { instrument: 'clamp', at: 'moon' } })).toMatchObject({
      shown: { ok: false, faults: [{ path: '/at' }] },
    })
  })
})
