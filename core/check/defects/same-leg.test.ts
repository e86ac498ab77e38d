import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { lot } from '@/testing/model/lot'
import { bareJob, strand } from '@/demo/usual'
import { boxView } from '../../job/box-view'
import { BLANK } from '../../model/blank-rows'
import { raisedDefects } from '.'

const HOTS = ['black', 'red', 'blue'] as const

/** A panel of two legs, three breakers each on one of them and on or off, and a meter between any two conductors. */
function wall(draw: (most: number) => number) {
  const legs = HOTS.map(() => draw(2) as 0 | 1)
  const on = HOTS.map(() => draw(5) > 0)
  const potential = (at: number) => (at < 0 || !on[at] ? 0 : legs[at] === 0 ? 120 : -120)
  return { legs, on, volts: (a: number, b: number) => Math.abs(potential(a) - potential(b)) }
}

it('two hots of one shared neutral on one leg are raised where the readings show it, and never where they are not (3,000 walls)', () => {
  const met = { raised: 0, silent: 0, apart: 0 }
  for (let seed = 1; seed <= 3000; seed++) {
    const draw = lot(seed)
    const { legs, on, volts } = wall(draw)
    const job = bareJob('legs', { breakers: ['7', '9', '11'] })
    job.box({
      id: 'box',
      room: 'room',
      name: 'By the door',
      breakers: ['7', '9', '11'],
      controls: [],
      cables: [
        {
          name: 'A',
          far: 'panel',
          entry: 'bottom',
          strands: [
            ...HOTS.map((colour, at) => strand(colour, 'loose', 'line', { circuit: ['7', '9', '11'][at]! })),
            strand('white', 'loose', 'neutral'),
          ],
        },
      ],
    })
    const record = job.record()
    // 7 and 9 share, 11 may.
    const three = draw(2) === 0
    const share: Record<string, string | null> = {
      'circuit-7': 'circuit-9',
      'circuit-9': three ? 'circuit-11' : 'circuit-7',
      'circuit-11': three ? 'circuit-7' : null,
    }
    const circuits = Object.fromEntries(
      Object.entries(record.circuits).map(([id, row]) => [id, { ...row, sharedNeutralWithId: share[id]! }]),
    )
    const ends = Object.keys(record.ends)
    const endOf = (at: number) => ends.find(id => id.includes(at < 0 ? 'white' : HOTS[at]!))!
    const taken: (readonly [number, number])[] = []
    for (let count = draw(8); count > 0; count--) {
      const [a, b] = [draw(4) - 1, draw(4) - 1]
      if (a !== b) taken.push(draw(2) === 0 ? [a, b] : [b, a])
    }
    const readings = Object.fromEntries(
      taken.map(([a, b], at) => [
        `r${at}`,
        {
          ...BLANK.readings,
          id: `r${at}`,
          boxId: 'box',
          seq: 100 + at,
          at: '2026-03-02T08:00:00.000Z',
          fromEndId: endOf(a),
          toEndId: endOf(b),
          value: volts(a, b),
        },
      ]),
    )
    const view = boxView({ ...record, circuits, readings } as never, 'box')!
    const found = raisedDefects(view, trade)
      .map(({ ruleId }) => ruleId)
      .filter(id => id.startsWith('same-leg'))
      .sort()
    const read = (a: number, b: number) =>
      taken.some(([one, other]) => (one === a && other === b) || (one === b && other === a))
    const expected = [
      [0, 1],
      [0, 2],
      [1, 2],
    ].flatMap(([a, b]) => {
      const together = three || b === 1
      const seen = read(a!, b!) && read(a!, -1) && read(b!, -1)
      return together && seen && on[a!] && on[b!] && legs[a!] === legs[b!]
        ? [`same-leg-circuit-${[7, 9, 11][a!]}-circuit-${[7, 9, 11][b!]}`]
        : []
    })
    expect(found, `seed ${seed}`).toEqual(expected.sort())
    if (found.length > 0) met.raised++
    else if (on.every(Boolean) && legs[0] === legs[1]) met.silent++
    else met.apart++
  }
  expect(met.raised).toBeGreaterThan(20)
  expect(met.silent).toBeGreaterThan(200)
  expect(met.apart).toBeGreaterThan(500)
})

describe('what cures a shared neutral', () => {
  /** Two hots and one white in a box, and what was read between the hots, each of them hot. */
  const raisedWith = (between: number | null, more: { region?: 'europe-230'; tied?: boolean } = {}) => {
    const nominal = more.region ? 230 : 120
    const job = bareJob('cure', { breakers: ['7', '9'], region: more.region ?? 'north-america-120' })
    const [one, other, neutral] = more.region
      ? (['brown', 'black', 'blue'] as const)
      : (['black', 'red', 'white'] as const)
    job.box({
      id: 'box',
      room: 'room',
      name: 'By the door',
      breakers: ['7', '9'],
      controls: [],
      cables: [
        {
          name: 'A',
          far: 'panel',
          entry: 'bottom',
          strands: [
            strand(one, 'cap', 'line', { circuit: '7' }),
            strand(other, 'cap', 'line', { circuit: '9' }),
            strand(neutral, 'cap', 'neutral'),
          ],
        },
      ],
    })
    const record = job.record()
    const endOf = (colour: string) => Object.keys(record.ends).find(id => id.includes(`-${colour}-`))!
    const pairs = [
      [endOf(one), endOf(neutral), nominal],
      [endOf(other), endOf(neutral), nominal],
      ...(between === null ? [] : [[endOf(one), endOf(other), between]]),
    ] as [string, string, number][]
    const rows = pairs.map(([fromEndId, toEndId, value], at) => ({
      ...{ ...BLANK.readings, id: `r-${at}`, boxId: 'box', seq: 900 + at, at: '2026-03-02T09:00:00.000Z' },
      ...{ instrument: 'low-impedance-meter', purpose: 'identify', fromEndId, toEndId, value, breaker: 'on' },
    }))
    const circuits = Object.fromEntries(
      Object.entries(record.circuits).map(([id, row]) => [
        id,
        {
          ...{ ...row, sharedNeutralWithId: id === 'circuit-7' ? 'circuit-9' : 'circuit-7' },
          handleWithId: more.tied && id === 'circuit-7' ? 'circuit-9' : null,
        },
      ]),
    )
    const readings = Object.fromEntries(rows.map(row => [row.id, row]))
    const view = boxView({ ...record, circuits, readings } as never, 'box')!
    return raisedDefects(view, trade)
      .filter(({ ruleId }) => ruleId.startsWith('shared-neutral'))
      .map(({ cure, parts }) => ({ cure, handle: parts.length > 0 }))
  }

  it('a handle only on two legs; first a reading; on one leg they are parted', () => {
    expect(raisedWith(240)).toEqual([{ cure: expect.stringMatching(/^A common handle tie/), handle: true }])
    expect(raisedWith(null)).toEqual([
      { cure: expect.stringMatching(/^Read between their hots first\. About 240 V/), handle: false },
    ])
    expect(raisedWith(0)).toEqual([{ cure: expect.stringMatching(/^Part the circuits/), handle: false }])
    // Between the two it is neither.
    expect(raisedWith(120)).toEqual([
      { cure: expect.stringMatching(/^Read between their hots first/), handle: false },
    ])
    expect(raisedWith(240, { tied: true })).toEqual([])
  })

  it('where every circuit has its own, no handle cures it', () => {
    for (const tied of [true, false])
      for (const between of [null, 0, 400])
        expect(raisedWith(between, { region: 'europe-230', tied })).toEqual([
          { cure: expect.stringMatching(/^Part the circuits/), handle: false },
        ])
  })
})
