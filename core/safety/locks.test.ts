import { describe, expect, it } from 'vitest'
import { usualBox } from '@/demo/usual'
import { allDead, further, guarded, lock, reference, switching, tester } from '@/testing/safety/usual-story'
import type { BoxView } from '../job/box-view'
import { holdersOf, isolationOf, lockedBehind } from '.'

/** The usual box, its breaker thrown by one handle with another, or beside another that has nothing to do with it. */
function beside(handle: boolean): BoxView {
  const view = usualBox()
  const own = view.record.circuits['circuit-7']!
  return further(view, {
    kind: 'add',
    entity: 'circuits',
    row: { ...own, id: 'circuit-9', breaker: '9', handleWithId: handle ? 'circuit-7' : null },
  })
}

describe('a lock', () => {
  it('on one pole keeps off all that its handle throws, and nothing else', () => {
    for (const handle of [true, false]) {
      const locked = further(beside(handle), tester(), reference(), switching('off'), lock('circuit-9'))
      const read = further(locked, ...allDead(), tester())
      expect(isolationOf(read).dead, `one handle: ${handle}`).toBe(handle)
      expect(holdersOf(read.record, 'circuit-7')).toEqual(handle ? ['Rowan Vale'] : [])
      expect(guarded(read, switching('on')).ok).toBe(!handle)
    }
  })

  it('of the main switch keeps the main off, and a breaker’s own keeps that', () => {
    const view = further(usualBox(), switching('off'), lock('circuit-7', 'Wren Alder'), lock(null))
    expect(lockedBehind(view.record, null)).toEqual([
      'the lock of Rowan Vale hangs on it, and only Rowan Vale takes it off',
    ])
    expect(lockedBehind(view.record, 'circuit-7')).toEqual([
      'the lock of Wren Alder hangs on it, and only Wren Alder takes it off',
    ])
    expect(guarded(view, switching('on', null)).ok).toBe(false)
  })

  it('of two holders goes off one by one; what was found on is told all the same', () => {
    const two = further(usualBox(), switching('off'), lock(), lock('circuit-7', 'Wren Alder'))
    expect(holdersOf(two.record, 'circuit-7')).toEqual(['Rowan Vale', 'Wren Alder'])
    const [first, second] = Object.keys(two.record.locks)
    const off = (id: string) => ({ kind: 'remove', entity: 'locks', id, based: 1 }) as const
    expect(guarded(two, off(first!), switching('on')).ok).toBe(false)
    expect(guarded(two, off(first!), off(second!), switching('on')).ok).toBe(true)
    const found = switching('on')
    const told =
      found.kind === 'add' && found.entity === 'switchings'
        ? { ...found, row: { ...found.row, foundSo: true } }
        : found
    expect(guarded(two, told).ok).toBe(true)
  })
})
