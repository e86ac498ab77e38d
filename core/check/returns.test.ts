import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { bareJob, strand } from '@/demo/usual'
import { boxView, type BoxView } from '../job/box-view'
import { BLANK } from '../model/blank-rows'
import type { Row } from '../model/entities'
import { checkPlace, raisedDefects } from '.'

const READ = { boxId: 'box', at: '2026-03-02T09:00:00.000Z', instrument: 'low-impedance-meter' } as const

/** Two lights in one box, one of breaker 7 and one of 9; each circuit with a neutral, or one of both. */
function box(
  readings: readonly (Partial<Row<'readings'>> & { readonly fromEndId: string })[],
  switchings: readonly (readonly [circuitId: string | null, to: 'on' | 'off'])[] = [],
  isShared = false,
): BoxView {
  const job = bareJob('returns', { breakers: ['7', '9'] })
  const lamp = (gang: number, circuit: string) => ({
    name: `L${gang}`,
    entry: 'top' as const,
    far: 'luminaire' as const,
    strands: [
      strand('black', `${gang}.lower`, 'switched-load', { group: `light-${circuit}` }),
      strand('white', `joint:whites-${isShared ? 'both' : circuit}`, 'neutral', isShared ? {} : { circuit }),
      strand('bare', 'joint:grounds', 'ground'),
    ],
  })
  job.box({
    id: 'box',
    room: 'room',
    name: 'By the door',
    breakers: ['7', '9'],
    box: { gangs: 2, volumeCubicInches: 60, depthMillimetres: 90 },
    controls: ['7', '9'].map(circuit => ({
      group: `light-${circuit}`,
      name: `Light ${circuit}`,
      old: 'old-switch',
      lamps: [{ kind: 'led' as const, wattsEach: 15, count: 4, dimmable: 'yes' as const, powerFactor: 0.9 }],
    })),
    cables: [
      {
        name: 'P',
        entry: 'bottom',
        far: 'panel',
        strands: [
          strand('black', '1.upper', 'line', { circuit: '7' }),
          strand('red', '2.upper', 'line', { circuit: '9' }),
          strand(
            'white',
            `joint:whites-${isShared ? 'both' : '7'}`,
            'neutral',
            isShared ? {} : { circuit: '7' },
          ),
          ...(isShared ? [] : [strand('white', 'joint:whites-9', 'neutral', { circuit: '9' })]),
          strand('bare', 'joint:grounds', 'ground'),
        ],
      },
      lamp(1, '7'),
      lamp(2, '9'),
    ],
  })
  const record = job.record()
  const circuits = isShared
    ? Object.fromEntries(
        Object.entries(record.circuits).map(([id, row]) => [
          id,
          { ...row, sharedNeutralWithId: id === 'circuit-7' ? 'circuit-9' : 'circuit-7' },
        ]),
      )
    : record.circuits
  const events = [
    ...switchings.map(each => ({ switching: each })),
    ...readings.map(each => ({ reading: each })),
  ]
  const rows = events.map((each, at) => ({ ...each, id: `event-${at}`, seq: 100 + at }))
  return boxView(
    {
      ...record,
      circuits,
      switchings: Object.fromEntries(
        rows.flatMap(row =>
          'switching' in row
            ? [
                [
                  row.id,
                  {
                    ...BLANK.switchings,
                    id: row.id,
                    seq: row.seq,
                    at: READ.at,
                    circuitId: row.switching[0],
                    to: row.switching[1],
                  },
                ],
              ]
            : [],
        ),
      ),
      readings: Object.fromEntries(
        rows.flatMap(row =>
          'reading' in row
            ? [[row.id, { ...BLANK.readings, ...READ, ...row.reading, id: row.id, seq: row.seq }]]
            : [],
        ),
      ),
    } as never,
    'box',
  )!
}

/** Words of the verdict of one rule for one device in one gang; null where it says nothing. */
function said(view: BoxView, gang: number, model: string, rule: string): string | null {
  const place = view.places.find(each => each.place.gang === gang)!
  const judged = checkPlace(view, place.place.id, trade).find(({ device }) => device.id === model)!
  const [line] = judged.lines.filter(each => each.rule === rule)
  return line ? `${line.verdict}: ${line.says}` : null
}

const endOf = (name: string) => {
  const found = box([]).ends.find(each => each.name === name)
  if (!found) throw new Error(`no ${name}`)
  return found.end.id
}
const clamp = (name: string, value: number, breaker: 'on' | 'off' = 'off') => ({
  fromEndId: endOf(name),
  purpose: 'clamp' as const,
  instrument: 'clamp' as const,
  value,
  breaker,
})

describe('a neutral that another circuit returns by', () => {
  const neutral = 'dimmer-led-150-neutral'
  const bars = (view: BoxView, gang: number, model = neutral) => said(view, gang, model, 'borrowed-neutral')

  it('bars what would live by it, and names what was off', () => {
    expect(bars(box([clamp('L1 white', 0.4)], [['circuit-7', 'off']]), 1)).toBe(
      'does-not-fit: L1 white carries 0.4 A with breaker 7 off: another circuit returns by this neutral.',
    )
  })

  it('bars nothing that needs none, nothing on the other circuit, and nothing once it was clamped at 0 A', () => {
    expect(bars(box([clamp('L1 white', 0.4)]), 1, 'dimmer-led-150-two-wire')).toBeNull()
    expect(bars(box([clamp('L1 white', 0.4)]), 2)).toBeNull()
    expect(bars(box([clamp('L2 white', 0.4)]), 2)).not.toBeNull()
    expect(bars(box([clamp('L1 white', 0.4), clamp('L1 white', 0)]), 1)).toBeNull()
    expect(bars(box([clamp('L1 white', 0.4, 'on')]), 1)).toBeNull()
  })
})

describe('two circuits of one neutral on one leg', () => {
  const volts = (value: number, from: string, to: string) => ({
    fromEndId: endOf(from),
    toEndId: endOf(to),
    purpose: 'identify' as const,
    breaker: 'on' as const,
    value,
  })
  const hot = [volts(120, 'P black', 'L1 white'), volts(120, 'P red', 'L1 white')]

  it('bar every device on either, until the legs are put right and read', () => {
    const view = box([...hot, volts(0, 'P black', 'P red')], [], true)
    for (const gang of [1, 2])
      expect(said(view, gang, 'switch-plain-15', 'same-leg')).toBe(
        'does-not-fit: 7 and 9 share a neutral on one leg (0 V between their hots): it carries the sum of both.',
      )
    expect(
      said(box([...hot, volts(240, 'P black', 'P red')], [], true), 1, 'switch-plain-15', 'same-leg'),
    ).toBe(null)
    expect(said(box([...hot, volts(0, 'P black', 'P red')]), 1, 'switch-plain-15', 'same-leg')).toBeNull()
  })
})

describe('what was off while something was read', () => {
  const named = (name: string, switchings: Parameters<typeof box>[1]) => {
    const view = box([{ ...clamp(name, 90), purpose: 'dead', instrument: 'low-impedance-meter' }], switchings)
    const what = raisedDefects(view, trade).find(({ ruleId }) => ruleId.startsWith('still-live'))!.what
    return /with (.*) off/.exec(what)![1]
  }

  it('is its own breaker where that is known, whatever else feeds the box', () => {
    expect(
      named('P red', [
        ['circuit-7', 'off'],
        ['circuit-9', 'off'],
      ]),
    ).toBe('breaker 9')
    expect(named('P red', [])).toBe('breaker 9')
  })

  it('is of those that feed the box what somebody had switched off, where its own is not known', () => {
    expect(named('L1 bare', [['circuit-7', 'off']])).toBe('breaker 7')
    expect(
      named('L1 bare', [
        ['circuit-7', 'off'],
        ['circuit-9', 'off'],
      ]),
    ).toBe('breaker 7 and 9')
    expect(
      named('L1 bare', [
        ['circuit-7', 'off'],
        ['circuit-9', 'off'],
        ['circuit-7', 'on'],
      ]),
    ).toBe('breaker 9')
    expect(named('L1 bare', [[null, 'off']])).toBe('the main switch')
  })
})
