import { describe, expect, it } from 'vitest'
import { STAGES } from '@/core/model/vocabulary'
import { SHORTCUTS } from './shortcuts'

describe('keys', () => {
  it('each has one meaning', () => {
    const keys = SHORTCUTS.map(shortcut => shortcut.key)
    expect(new Set(keys).size).toBe(keys.length)
  })

  it('the six stages are the figures 1 to 6, in their order', () => {
    const stages = SHORTCUTS.flatMap(({ key, action }) =>
      action.kind === 'stage' ? [[key, action.stage]] : [],
    )
    expect(stages).toEqual(STAGES.map((stage, index) => [String(index + 1), stage]))
  })
})
