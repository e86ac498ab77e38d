import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { strand, usualBox, type UsualBox } from '@/demo/usual'
import { BLANK } from '../../model/blank-rows'
import { boxView, type BoxView } from '../../job/box-view'
import type { Row } from '../../model/entities'
import type { JobRecord } from '../../model/record'
import { defectsIn, raisedDefects } from '.'

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

  it('no length of free conductor is asked for where no rule does', () => {
    const british = usualBox({ region: 'europe-230', box: { freeLengthMillimetres: 80 } })
    expect(raisedDefects(british, trade).map(({ ruleId }) => ruleId)).not.toContain('short-conductor')
  })

  it.each([
    ['europe-230', '2.5 mm²', 20, null],
    ['europe-230', '2.5 mm²', 32, 'remark'],
    ['europe-230', '2.5 mm²', 40, 'danger'],
    ['europe-230', '1.5 mm²', 32, 'danger'],
    ['north-america-120', '12 AWG', 30, 'danger'],
    ['north-america-120', '12 AWG', 20, null],
  ] as const)('%s, %s on %i A: %s', (region, gauge, ratedAmps, severity) => {
    const colours = region === 'europe-230' ? (['brown', 'blue'] as const) : (['black', 'white'] as const)
    const view = usualBox({
      region,
      ratedAmps,
      cables: [
        {
          name: 'A',
          far: 'panel',
          entry: 'bottom',
          strands: [
            strand(colours[0], 'loose', 'line', { gauge }),
            strand(colours[1], 'loose', 'neutral', { gauge }),
          ],
        },
      ],
    })
    const found = raisedDefects(view, trade).find(({ ruleId }) => ruleId.startsWith('undersized'))
    expect(found?.severity ?? null).toBe(severity)
    // A ring is told by its ends, not by its breaker.
    if (severity === 'remark') expect(found!.cure).toContain('both ends')
  })

  it.each([
    [0, 'danger', 'leads nowhere'],
    [4, 'danger', 'leads nowhere'],
    [60, 'defect', 'too little for a sound ground'],
    [105, 'defect', 'too little for a sound ground'],
    [112, null, ''],
    [121, null, ''],
  ] as const)('a ground that reads %i V from a live point: %s', (value, severity, says) => {
    const view = usualBox()
    const end = view.ends.find(each => each.end.role === 'ground')!
    const row = {
      ...{ ...BLANK.readings, id: 'ref', boxId: 'box', seq: 9000, at: '2026-03-02T09:00:00.000Z' },
      ...{ instrument: 'low-impedance-meter', purpose: 'reference', fromEndId: null, toEndId: end.end.id },
      ...{ value, breaker: 'on', reference: null },
    }
    const read = boxView({ ...view.record, readings: { ref: row } } as never, 'box')!
    const found = raisedDefects(read, trade).find(({ ruleId }) => ruleId.startsWith('ground-open'))
    expect(found?.severity ?? null).toBe(severity)
    expect(found?.what ?? '').toContain(says)
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
    const pair = (tied: boolean) =>
      whats(({ circuits }) => {
        const [one] = Object.values(circuits)
        return {
          circuits: {
            ...circuits,
            [one!.id]: { ...one!, poles: 2, sharedNeutralWithId: 'other' },
            other: {
              ...{ ...one!, id: 'other', breaker: '99', poles: 2 },
              sharedNeutralWithId: one!.id,
              handleWithId: tied ? one!.id : null,
            },
          },
        }
      }).filter(id => id.startsWith('shared-neutral'))
    expect(pair(false)).toHaveLength(1)
    expect(pair(true)).toEqual([])
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

/** The usual box with some rows put otherwise, and readings taken in it. */
function boxWith(
  given: UsualBox,
  change: Partial<Record<keyof JobRecord, Record<string, object>>> = {},
  readings: readonly Partial<Row<'readings'>>[] = [],
): BoxView {
  const { record } = usualBox(given)
  const tables = Object.entries(change).map(([table, rows]) => [
    table,
    {
      ...record[table as 'boxes'],
      ...Object.fromEntries(
        Object.entries(rows).map(([id, fields]) => [
          id,
          { ...(record[table as 'boxes'][id] as object | undefined), ...fields, id },
        ]),
      ),
    },
  ])
  const taken = readings.map((fields, at) => ({
    id: `more-${at}`,
    boxId: 'box',
    at: '2026-03-02T09:00:00.000Z',
    ...BLANK.readings,
    ...fields,
    seq: 1000 + at,
  }))
  return boxView(
    {
      ...record,
      ...Object.fromEntries(tables),
      readings: { ...record.readings, ...Object.fromEntries(taken.map(each => [each.id, each])) },
    } as JobRecord,
    'box',
  )!
}

const raisedIn = (view: BoxView) => raisedDefects(view, trade)
const idsIn = (view: BoxView) => raisedIn(view).map(({ ruleId }) => ruleId)
const onEnd = (fields: Partial<Row<'readings'>>, endId = 'box-a-white-2-end') => ({
  fromEndId: endId,
  breaker: 'off' as const,
  ...fields,
})

describe('what readings say is wrong', () => {
  const dead = (value: number) => onEnd({ purpose: 'dead', value }, 'box-b-black-1-end')

  it('a conductor that reads live with its breaker off, until it reads dead', () => {
    const live = raisedIn(boxWith({}, {}, [dead(118)])).find(each => each.ruleId.startsWith('still-live'))
    expect(live).toMatchObject({
      severity: 'danger',
      what: 'B black read 118 V with breaker 7 off: something else feeds it',
    })
    expect(idsIn(boxWith({}, {}, [dead(5)]))).not.toContain('still-live-box-b-black-1-end')
    expect(idsIn(boxWith({}, {}, [dead(118), dead(0)]))).not.toContain('still-live-box-b-black-1-end')
  })

  it('a neutral that carries current with the power off is another circuit’s return', () => {
    const clamp = (value: number, breaker: 'on' | 'off') =>
      idsIn(boxWith({}, {}, [onEnd({ purpose: 'clamp', instrument: 'clamp', value, breaker })]))
    expect(clamp(0.4, 'off')).toContain('borrowed-neutral-box-a-white-2-end')
    expect(clamp(0.4, 'on').join()).not.toContain('borrowed')
    expect(clamp(0, 'off').join()).not.toContain('borrowed')
  })

  it('two hots of one shared neutral on one leg: nothing between them, and each is hot', () => {
    const shared = {
      proven: false,
      breakers: ['7', '9'],
      cables: [
        {
          name: 'A',
          far: 'panel',
          entry: 'bottom',
          strands: [
            strand('black', 'loose', 'line', { circuit: '7' }),
            strand('red', 'loose', 'line', { circuit: '9' }),
            strand('white', 'loose', 'neutral'),
          ],
        },
      ],
    } satisfies UsualBox
    const volts = (value: number, from: string, to: string, more: Partial<Row<'readings'>> = {}) =>
      onEnd(
        {
          purpose: 'identify',
          instrument: 'low-impedance-meter',
          breaker: 'on',
          value,
          toEndId: `box-a-${to}-end`,
          ...more,
        },
        `box-a-${from}-end`,
      )
    const raised = (sharing: boolean, ...readings: Partial<Row<'readings'>>[]) =>
      idsIn(
        boxWith(
          shared,
          sharing ? { circuits: { 'circuit-7': { sharedNeutralWithId: 'circuit-9' } } } : {},
          readings,
        ),
      ).filter(id => id.startsWith('same-leg'))
    const hot = [volts(120, 'black-1', 'white-3'), volts(121, 'red-2', 'white-3')]
    expect(raised(true, ...hot, volts(0, 'black-1', 'red-2'))).toEqual(['same-leg-circuit-7-circuit-9'])
    expect(raised(true, ...hot, volts(240, 'black-1', 'red-2'))).toEqual([])
    // Nothing between two that may both be dead says nothing.
    expect(raised(true, volts(120, 'black-1', 'white-3'), volts(0, 'black-1', 'red-2'))).toEqual([])
    expect(raised(true, ...hot, volts(0, 'black-1', 'red-2', { breaker: 'off' }))).toEqual([])
    expect(raised(false, ...hot, volts(0, 'black-1', 'red-2'))).toEqual([])
  })

  it('a neutral that still sounds to ground with its lead lifted is no neutral to rely on', () => {
    const lifted = (answer: 'silent' | 'sounds') =>
      idsIn(
        boxWith({}, {}, [
          onEnd({ purpose: 'lifted', instrument: 'continuity', toSpot: 'earth', answer, value: 0 }),
        ]),
      )
    expect(lifted('sounds')).toContain('grounded-neutral-box-a-white-2-end')
    expect(lifted('silent').join()).not.toContain('grounded')
  })

  it('a neutral led to a switch by a pigtail is switched too', () => {
    const { record } = usualBox()
    const [device] = Object.values(record.devices)
    const pigtail = {
      boxId: 'box',
      jointId: record.ends['box-a-white-2-end']!.jointId!,
      deviceId: device!.id,
      gauge: null,
    }
    const ids = (terminal: string) =>
      raisedDefects(
        boxView(
          {
            ...record,
            pigtails: {
              led: { ...Object.values(record.pigtails)[0]!, ...pigtail, id: 'led', terminal },
            },
          },
          'box',
        )!,
        trade,
      ).map(({ ruleId }) => ruleId)
    expect(ids('upper')).toContain('switched-neutral-box-a-white-2-end')
    expect(ids('ground').join()).not.toContain('switched-neutral')
  })

  it('neutrals of two circuits in one joint, unless they are a pair', () => {
    const [one] = Object.values(usualBox().record.circuits)
    const meet = (sharedNeutralWithId: string | null) =>
      idsIn(
        boxWith(
          {},
          {
            circuits: { other: { ...one, breaker: '9', poles: 2, sharedNeutralWithId } },
            ends: {
              'box-a-white-2-end': { roleCircuitId: one!.id },
              'box-b-white-2-end': { roleCircuitId: 'other' },
            },
          },
        ),
      ).filter(id => id.startsWith('borrowed'))
    expect(meet(null)).toHaveLength(1)
    expect(meet(one!.id)).toEqual([])
  })

  it('a ground that does not read as one', () => {
    const reference = (value: number) =>
      idsIn(
        boxWith({}, {}, [{ purpose: 'reference', toEndId: 'box-a-bare-3-end', value, breaker: 'on' }]),
      ).filter(id => id.startsWith('ground-open'))
    expect(reference(12)).toEqual(['ground-open-box-a-bare-3-end'])
    expect(reference(119)).toEqual([])
  })
})

describe('what the record of the wiring says is wrong', () => {
  it.each<[string, UsualBox['cables'], boolean]>([
    ['a feed alone', pipe([strand('black', 'upper', 'line')]), true],
    ['feed and return', pipe([strand('black', 'upper', 'line'), strand('white', 'cap', 'neutral')]), false],
    [
      'to the switch and back',
      pipe([strand('black', 'upper', 'loop-feed'), strand('red', 'lower', 'loop-return')]),
      false,
    ],
    [
      'two travellers alone',
      pipe([strand('red', 'upper', 'traveller'), strand('blue', 'lower', 'traveller')]),
      true,
    ],
    ['one that nobody knows', pipe([strand('black', 'upper', 'line'), strand('white', 'cap')]), false],
  ])('%s in a steel pipe', (_, cables, split) => {
    expect(idsIn(boxWith({ cables, proven: false })).some(id => id.startsWith('split-pipe'))).toBe(split)
  })

  it('a box that is covered', () => {
    expect(idsIn(boxWith({ box: { hidden: true } }))).toContain('hidden')
    expect(idsIn(boxWith({}))).not.toContain('hidden')
  })

  it.each<[string, NonNullable<UsualBox['lamps']>[number], string | null]>([
    ['a fan', { kind: 'fan-motor', wattsEach: 60, count: 1 }, 'danger'],
    ['a receptacle', { kind: 'receptacle', wattsEach: 100, count: 1 }, 'danger'],
    ['lamps not made for it', { kind: 'led', wattsEach: 9, count: 2, dimmable: 'no' }, 'defect'],
    ['lamps made for it', { kind: 'led', wattsEach: 9, count: 2, dimmable: 'yes' }, null],
  ])('an old dimmer that drives %s', (_, lamp, severity) => {
    const { record } = usualBox({ lamps: [lamp] })
    const [deviceId] = Object.keys(record.devices)
    const found = raisedIn(
      boxWith({ lamps: [lamp] }, { devices: { [deviceId!]: { modelId: 'old-dimmer' } } }),
    )
    expect(found.find(each => each.ruleId.startsWith('dimmed'))?.severity ?? null).toBe(severity)
  })

  it('a faded white on a screw is no neutral by its colour, nor is a green one a ground', () => {
    const cables = (pipe([strand('white', 'upper'), strand('green', 'cap')]) ?? []).map(cable => ({
      ...cable,
      sheath: 'nonmetallic' as const,
    }))
    const [white, green] = Object.keys(usualBox({ cables, proven: false }).record.conductors)
    const seen = (faded: boolean) =>
      idsIn(
        boxWith(
          { cables, proven: false, box: { material: 'metal' } },
          { conductors: { [white!]: { faded }, [green!]: { faded } } },
        ),
      )
    expect(seen(false).some(id => id.startsWith('unmarked'))).toBe(true)
    expect(seen(true).some(id => id.startsWith('unmarked'))).toBe(false)
    expect(seen(false)).not.toContain('no-ground-metal-box')
    expect(seen(true)).toContain('no-ground-metal-box')
  })

  it('a neutral on the neutral screw of a receptacle is no hot', () => {
    const cables = pipe([strand('black', 'upper'), strand('white', 'lower')])
    const [deviceId] = Object.keys(usualBox({ cables, proven: false }).record.devices)
    const ends = Object.values(usualBox({ cables, proven: false }).record.ends)
    const seats = Object.fromEntries(
      ends.map((end, at) => [end.id, { terminal: at === 0 ? 'hot' : 'neutral' }]),
    )
    const view = boxWith(
      { cables, proven: false },
      { devices: { [deviceId!]: { modelId: 'old-receptacle' } }, ends: seats },
    )
    expect(idsIn(view).filter(id => id.startsWith('unmarked'))).toEqual([])
  })
})

/** One cable in a steel pipe. */
function pipe(strands: NonNullable<UsualBox['cables']>[number]['strands']): UsualBox['cables'] {
  return [{ name: 'A', entry: 'top', far: 'panel', sheath: 'steel-pipe', strands }]
}

describe('every rule', () => {
  const seen = [
    boxWith({
      box: { material: 'metal', bonded: 'no', hidden: true, surface: 'wood', setBackMillimetres: 5 },
    }),
    boxWith({ cables: [], box: { freeLengthMillimetres: 90 } }),
    boxWith({ ratedAmps: 30 }),
  ].flatMap(raisedIn)

  it('rests on a fact of the trade, and says what is done, with what, in how long', () => {
    expect(seen.length).toBeGreaterThan(5)
    for (const { factId, cure, parts, minutes } of seen) {
      expect(trade.facts[factId]?.says).toBeTruthy()
      expect(cure).not.toBe('')
      expect(parts.length).toBeGreaterThan(0)
      expect(minutes).toBeGreaterThan(0)
    }
  })

  it('is listed with what was said of it, beside what a person saw, the worst first', () => {
    const row = { boxId: 'box', note: '', handedTo: 'the owners', handedOn: '2026-03-02' }
    const view = boxWith(
      { ratedAmps: 30 },
      {
        defects: {
          one: { ...row, ruleId: null, severity: 'remark', what: 'Cracked plate', state: 'open' },
          two: { ...row, ruleId: 'undersized-box-a', severity: 'danger', what: '', state: 'deferred' },
        },
      },
    )
    const listed = defectsIn(view, trade)
    expect(listed.map(({ severity }) => severity)).toEqual(['danger', 'danger', 'remark'])
    expect(listed.find(({ key }) => key === 'undersized-box-a')).toMatchObject({
      state: 'deferred',
      row: { handedTo: 'the owners' },
    })
    expect(listed.at(-1)).toMatchObject({ what: 'Cracked plate', raised: null })
  })
})
