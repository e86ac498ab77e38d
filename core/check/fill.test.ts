import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { strand, usualBox } from '@/demo/usual'
import { bareJob } from '@/demo/usual'
import { boxView } from '../job/box-view'
import { fillAsFound } from '.'
import { boxFill } from './fill'

/* Cases that can be checked by hand: allowances of 2.00, 2.25 and 2.50 in³ for 14, 12 and 10 AWG. */

type Sizes = Readonly<Record<'14' | '12' | '10', number>>
type FillCase = readonly [
  conductors: Sizes,
  grounds: readonly [count: number, gauge: '14' | '12' | '10'],
  clamps: boolean,
  yokes: readonly number[],
  edition: 'quarters' | 'one',
  parts: readonly number[],
  cubicInches: number,
]

/** Parts in order: conductors, grounds, clamps, yokes. */
const FILL: readonly FillCase[] = [
  [{ '14': 2, '12': 0, '10': 0 }, [1, '14'], false, [1], 'quarters', [4, 2, 4], 10],
  [{ '14': 4, '12': 0, '10': 0 }, [2, '14'], false, [1], 'quarters', [8, 2, 4], 14],
  [{ '14': 4, '12': 0, '10': 0 }, [2, '14'], true, [1], 'quarters', [8, 2, 2, 4], 16],
  [{ '14': 6, '12': 0, '10': 0 }, [3, '14'], false, [1], 'quarters', [12, 2, 4], 18],
  [{ '14': 6, '12': 0, '10': 0 }, [3, '14'], true, [1], 'quarters', [12, 2, 2, 4], 20],
  [{ '14': 8, '12': 0, '10': 0 }, [4, '14'], false, [1], 'quarters', [16, 2, 4], 22],
  [{ '14': 8, '12': 0, '10': 0 }, [5, '14'], false, [1], 'quarters', [16, 2.5, 4], 22.5],
  [{ '14': 8, '12': 0, '10': 0 }, [5, '14'], false, [1], 'one', [16, 2, 4], 22],
  [{ '14': 8, '12': 0, '10': 0 }, [6, '14'], false, [1], 'quarters', [16, 3, 4], 23],
  [{ '14': 8, '12': 0, '10': 0 }, [8, '14'], false, [1], 'quarters', [16, 4, 4], 24],
  [{ '14': 8, '12': 0, '10': 0 }, [8, '14'], true, [1], 'one', [16, 2, 2, 4], 24],
  [{ '14': 0, '12': 4, '10': 0 }, [2, '12'], false, [1], 'quarters', [9, 2.25, 4.5], 15.75],
  [{ '14': 0, '12': 4, '10': 0 }, [2, '12'], true, [1], 'quarters', [9, 2.25, 2.25, 4.5], 18],
  [{ '14': 0, '12': 6, '10': 0 }, [3, '12'], false, [1], 'quarters', [13.5, 2.25, 4.5], 20.25],
  [{ '14': 0, '12': 6, '10': 0 }, [6, '12'], false, [1], 'quarters', [13.5, 3.375, 4.5], 21.375],
  [{ '14': 0, '12': 6, '10': 0 }, [6, '12'], false, [1], 'one', [13.5, 2.25, 4.5], 20.25],
  [{ '14': 2, '12': 2, '10': 0 }, [2, '14'], false, [1], 'quarters', [8.5, 2, 4.5], 15],
  [{ '14': 2, '12': 2, '10': 0 }, [2, '12'], false, [1], 'quarters', [8.5, 2.25, 4.5], 15.25],
  [{ '14': 2, '12': 2, '10': 0 }, [2, '12'], true, [1], 'quarters', [8.5, 2.25, 2.25, 4.5], 17.5],
  [{ '14': 4, '12': 2, '10': 0 }, [3, '12'], false, [1, 1], 'quarters', [12.5, 2.25, 9], 23.75],
  [{ '14': 6, '12': 4, '10': 0 }, [5, '12'], false, [1, 1], 'quarters', [21, 2.8125, 9], 32.8125],
  [{ '14': 6, '12': 4, '10': 0 }, [5, '12'], true, [1, 1], 'one', [21, 2.25, 2.25, 9], 34.5],
  [{ '14': 0, '12': 0, '10': 4 }, [2, '10'], false, [1], 'quarters', [10, 2.5, 5], 17.5],
  [{ '14': 0, '12': 2, '10': 2 }, [2, '12'], false, [1], 'quarters', [9.5, 2.25, 5], 16.75],
  [{ '14': 2, '12': 0, '10': 2 }, [2, '14'], false, [1], 'quarters', [9, 2, 5], 16],
  [{ '14': 2, '12': 0, '10': 2 }, [6, '14'], true, [1], 'quarters', [9, 3, 2.5, 5], 19.5],
  [{ '14': 4, '12': 0, '10': 0 }, [2, '14'], false, [1, 1], 'quarters', [8, 2, 8], 18],
  [{ '14': 8, '12': 0, '10': 0 }, [4, '14'], false, [1, 1], 'quarters', [16, 2, 8], 26],
  [{ '14': 10, '12': 0, '10': 0 }, [5, '14'], false, [1, 1], 'quarters', [20, 2.5, 8], 30.5],
  [{ '14': 12, '12': 0, '10': 0 }, [6, '14'], false, [1, 1, 1], 'quarters', [24, 3, 12], 39],
  [{ '14': 12, '12': 0, '10': 0 }, [6, '14'], true, [1, 1, 1], 'one', [24, 2, 2, 12], 40],
  [{ '14': 4, '12': 0, '10': 0 }, [2, '14'], false, [2], 'quarters', [8, 2, 8], 18],
  [{ '14': 0, '12': 4, '10': 0 }, [2, '12'], false, [2], 'quarters', [9, 2.25, 9], 20.25],
  [{ '14': 6, '12': 0, '10': 0 }, [3, '14'], false, [1, 2], 'quarters', [12, 2, 12], 26],
  [{ '14': 0, '12': 8, '10': 0 }, [7, '12'], true, [1, 2], 'quarters', [18, 3.9375, 2.25, 13.5], 37.6875],
  [{ '14': 3, '12': 0, '10': 0 }, [0, '14'], false, [1], 'quarters', [6, 4], 10],
  [{ '14': 2, '12': 0, '10': 0 }, [0, '14'], true, [1], 'quarters', [4, 2, 4], 10],
  [{ '14': 0, '12': 2, '10': 0 }, [0, '12'], true, [1], 'one', [4.5, 2.25, 4.5], 11.25],
  [{ '14': 9, '12': 0, '10': 0 }, [4, '14'], false, [1], 'quarters', [18, 2, 4], 24],
  [{ '14': 0, '12': 0, '10': 6 }, [5, '10'], true, [1], 'quarters', [15, 3.125, 2.5, 5], 25.625],
  [{ '14': 7, '12': 0, '10': 0 }, [3, '14'], false, [], 'quarters', [14, 2], 16],
  [{ '14': 0, '12': 5, '10': 0 }, [3, '12'], true, [], 'quarters', [11.25, 2.25, 2.25], 15.75],
]

describe('box fill', () => {
  it.each(FILL)(
    '%j, grounds %j, clamps %s, yokes %j, %s',
    (sizes, [grounds, gauge], clamps, yokes, edition, parts, total) => {
      const conductors = (['14', '12', '10'] as const).flatMap(size =>
        Array.from({ length: sizes[size] }, () =>
          strand('black', 'cap', undefined, { gauge: `${size} AWG` }),
        ),
      )
      const earth = Array.from({ length: grounds }, () =>
        strand('bare', 'joint:g', undefined, { gauge: `${gauge} AWG` }),
      )
      const view = usualBox({
        proven: false,
        cables: [{ name: 'A', entry: 'top', far: 'elsewhere', strands: [...conductors, ...earth] }],
        box: { innerClamps: clamps },
        rules: { 'fill-edition': edition === 'quarters' ? 'grounds-in-quarters' : 'grounds-as-one' },
      })
      // In no place of the box: anything in it may be on them.
      const fill = boxFill(
        view,
        trade,
        yokes.map((gangs, at) => ({ placeIds: [`yoke ${at}`], gang: at + 1, gangs, behind: 0 })),
      )
      expect(parts.reduce((sum, each) => sum + each, 0)).toBeCloseTo(total, 9)
      expect(fill.cubicInches).toBeCloseTo(total, 9)
      for (const part of parts) expect(fill.says).toContain(part.toFixed(2))
    },
  )
})

/** Two switches: one on 14 AWG of breaker 7, one on 12 AWG of breaker 9; on their screws, or out with all loose. */
function twoGauges(seated: boolean) {
  const job = bareJob('two-gauges', { breakers: ['7', '9'] })
  const circuits = [
    { breaker: '7', gauge: '14 AWG', group: 'left', gang: 1 },
    { breaker: '9', gauge: '12 AWG', group: 'right', gang: 2 },
  ] as const
  job.box({
    id: 'box',
    room: 'room',
    name: 'By the door',
    breakers: ['7', '9'],
    box: { gangs: 2, innerClamps: false },
    controls: circuits.map(({ group }) => ({ group, name: group, old: 'old-switch' })),
    cables: circuits.map(({ breaker, gauge, group, gang }) => {
      const own = { gauge, circuit: breaker }
      const on = (screw: string) => (seated ? `${gang}.${screw}` : 'loose')
      return {
        name: `F${breaker}`,
        far: 'panel',
        entry: 'bottom',
        strands: [
          strand('black', on('upper'), 'line', own),
          strand('red', on('lower'), 'switched-load', { ...own, group }),
          strand('white', 'cap', 'neutral', own),
        ],
      } as const
    }),
  })
  return boxView(job.record(), 'box')!
}

describe('each yoke counts by the largest conductor on it', () => {
  it.each([true, false])('conductors on its screws: %s', seated => {
    // Three of 2.00 and three of 2.25; twice 2.00 for one switch, twice 2.25 for the other.
    expect(fillAsFound(twoGauges(seated), trade).cubicInches).toBeCloseTo(6 + 6.75 + 4 + 4.5, 9)
  })

  it('all of the box where it is not said which are on it', () => {
    const view = twoGauges(false)
    const record = { ...view.record, ends: { ...view.record.ends } }
    for (const [id, end] of Object.entries(record.ends))
      record.ends[id] = { ...end, role: null, roleGroupId: null, roleCircuitId: null }
    expect(fillAsFound(boxView(record, 'box')!, trade).cubicInches).toBeCloseTo(6 + 6.75 + 4.5 + 4.5, 9)
  })

  it('a device of two gangs counts for two, as found too', () => {
    const view = twoGauges(true)
    const [one] = Object.values(view.record.devices).filter(({ id }) => view.places[0]!.found!.id === id)
    const devices = { ...view.record.devices, [one!.id]: { ...one!, modelId: 'dimmer-led-600-neutral-wide' } }
    const wide = boxView({ ...view.record, devices }, 'box')!
    expect(fillAsFound(wide, trade).cubicInches).toBeCloseTo(6 + 6.75 + 2 * 4 + 4.5, 9)
  })
})
