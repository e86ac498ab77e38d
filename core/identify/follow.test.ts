import { describe, expect, it } from 'vitest'
import { conflictOf } from './conflict'
import { followedIn } from './follow'
import { Ledger } from './ledger'
import { keyOf } from './question'
import { randomHidden } from '@/testing/identify/arrangements'
import { EACH_COSTS_ONE, prepare, run, testerOf, wronglyProven } from '@/testing/identify/run'

/** Five boxes of which next to no cable was followed: more can be thought of than is at once. */
const TOO_LARGE = [641]

describe('a group too large to be thought of at once', () => {
  it.each(TOO_LARGE)('is followed conductor by conductor, and nothing wrong is proven (seed %d)', seed => {
    const hidden = randomHidden(seed, 5)
    const prepared = prepare(hidden)
    expect(prepared.held.complete).toBe(false)
    const done = run(hidden, prepared, EACH_COSTS_ONE)
    expect(done.followed).toBeGreaterThan(0)
    expect(wronglyProven(done, hidden)).toEqual([])
  })

  it('proves nothing and calls nothing contradicted while it is followed; what is skipped is not asked', () => {
    const hidden = randomHidden(TOO_LARGE[0]!, 5)
    const { thinking } = prepare(hidden)
    const first = thinking.follow([])!
    expect(first).toMatchObject({ kind: 'continuity', power: 'off', work: null })
    expect(first.apart).toHaveLength(5)
    const answered = testerOf(hidden).answer(first)
    if (!answered.ok) throw new Error(answered.faults[0]!.message)
    const taken = [{ id: '1', question: first, answer: answered.value }]
    const ledger = new Ledger(thinking.after([]).held)
    ledger.take(taken[0]!)
    expect(conflictOf(ledger)).toBeNull()
    expect(followedIn(ledger.of.frame, taken)).toHaveLength(1)
    const next = thinking.follow(taken)
    if (!next) throw new Error('one reading is not enough')
    expect(next).not.toEqual(first)
    expect(thinking.follow(taken, new Set([keyOf(next)]))).not.toEqual(next)
  })
})
