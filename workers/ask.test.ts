import { describe, expect, it } from 'vitest'
import { asker, type Question } from './ask'

/** A worker that doubles numbers, keeps silent on 13, and breaks on 99. */
class Stub extends EventTarget {
  ended = false
  postMessage({ id, value }: Question<number>) {
    queueMicrotask(() => {
      if (value === 99) this.dispatchEvent(new Event('error'))
      else if (value !== 13)
        this.dispatchEvent(Object.assign(new Event('message'), { data: { id, value: value * 2 } }))
    })
  }
  terminate() {
    this.ended = true
  }
}

describe('asking a worker', () => {
  const started: Stub[] = []
  const ask = asker<number, number>(() => {
    started.push(new Stub())
    return started.at(-1) as unknown as Worker
  }, 30)

  it('answers each question with its own answer', async () => {
    const answers = await Promise.all([ask(1), ask(2), ask(3)])
    expect(answers).toEqual([2, 4, 6].map(value => ({ kind: 'answered', value })))
    expect(started).toHaveLength(1)
  })

  it('settles when no answer comes, and starts afresh', async () => {
    expect(await ask(13)).toEqual({ kind: 'too-late' })
    expect(started[0]!.ended).toBe(true)
    expect(await ask(5)).toEqual({ kind: 'answered', value: 10 })
    expect(started).toHaveLength(2)
  })

  it('settles when the worker breaks', async () => {
    expect(await ask(99)).toEqual({ kind: 'failed' })
    expect(await ask(6)).toEqual({ kind: 'answered', value: 12 })
  })
})
