import { describe, expect, it } from 'vitest'
import { lot } from '@/testing/model/lot'
import { nextTests, type TestItem } from '.'

const ACTS = [null, 'worked', 'read'] as const
const OUTCOMES = [null, null, 'pass', 'fail'] as const

/** Tests as nobody would list them: any act after any other, some made already. */
const drawn = (seed: number): TestItem[] => {
  const draw = lot(seed)
  return Array.from({ length: draw(9) }, (_, at) => ({
    key: `test-${at}`,
    says: '',
    expect: '',
    note: '',
    power: 'on',
    act: ACTS[draw(3)]!,
    outcome: OUTCOMES[draw(4)]!,
  }))
}

/** Letter by letter: the first that is open and, where it belongs to an act, all that follow at once and belong to it. */
const plainly = (items: readonly TestItem[]): string => {
  const letters = items
    .map(({ act, outcome }) => (outcome !== null ? 'x' : act === null ? 'o' : act.charAt(0)))
    .join('')
  return /o|w+|r+/.exec(letters)?.[0] ?? ''
}

describe('what is tried next', () => {
  it('is the first test that is open, with what belongs to the same act right after it (2,000 lists)', () => {
    let several = 0
    for (let seed = 1; seed <= 2_000; seed++) {
      const items = drawn(seed)
      const next = nextTests(items)
      const expected = plainly(items)
      expect(next.length, `${seed}`).toBe(expected.length)
      const from = items.findIndex(({ outcome }) => outcome === null)
      expect(next).toEqual(from < 0 ? [] : items.slice(from, from + next.length))
      if (next.length > 1) several++
    }
    expect(several).toBeGreaterThan(100)
  })
})
