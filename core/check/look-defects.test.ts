import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox } from '@/demo/usual'
import { boxView } from '../job/box-view'
import { raisedDefects } from '.'

describe('defects of what Look asks beside the wiring', () => {
  const { record } = usualBox()
  const whats = (change: (given: typeof record) => Partial<typeof record>) =>
    raisedDefects(boxView({ ...record, ...change(record) }, 'box')!, trade).map(({ ruleId }) => ruleId)

  it('conductors too short to work on', () => {
    const free = (freeLengthMillimetres: number | null) =>
      whats(({ boxes }) => ({ boxes: { ...boxes, box: { ...boxes.box!, freeLengthMillimetres } } }))
    expect(free(120)).toContain('short-conductor')
    expect(free(150)).not.toContain('short-conductor')
    expect(free(null)).not.toContain('short-conductor')
  })

  it('a neutral on the switch, and none in its joint', () => {
    const swap = whats(({ ends }) => ({
      ends: {
        ...ends,
        'box-a-black-1-end': { ...ends['box-a-black-1-end']!, role: 'neutral' },
      },
    }))
    expect(swap).toContain('switched-neutral-box-a-black-1-end')
    expect(whats(() => ({})).filter(id => id.startsWith('switched-neutral'))).toEqual([])
  })

  it('a shared neutral whose two breakers are not tied', () => {
    const pair = (poles: number) =>
      whats(({ circuits }) => {
        const [one] = Object.values(circuits)
        return {
          circuits: {
            ...circuits,
            [one!.id]: { ...one!, poles, sharedNeutralWithId: 'other' },
            other: { ...one!, id: 'other', breaker: '99', poles, sharedNeutralWithId: one!.id },
          },
        }
      }).filter(id => id.startsWith('shared-neutral'))
    expect(pair(1)).toHaveLength(1)
    expect(pair(2)).toEqual([])
  })

  it('a receptacle by what its tester shows', () => {
    const shown = (testerShows: 'correct' | 'open-ground' | null) =>
      whats(({ devices }) => ({
        devices: Object.fromEntries(
          Object.entries(devices).map(([id, device]) => [
            id,
            { ...device, modelId: 'old-receptacle', testerShows },
          ]),
        ),
      })).filter(id => id.startsWith('receptacle'))
    expect(shown('open-ground')).toHaveLength(1)
    expect(shown('correct')).toEqual([])
    expect(shown(null)).toEqual([])
  })
})
