import { writeJobFile } from '@/core/format/job-file'
import { quillbackRoad } from '@/demo/quillback'
import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { answer } from './answer'

const ask = (verb: string, file: object | string) =>
  answer(verb, 'a.json', typeof file === 'string' ? file : JSON.stringify(file), [], trade) as {
    code: number
    // What is printed is checked piece by piece.
    output: Record<string, never>
  }
const faults = (verb: string, file: object) => {
  const { code, output } = ask(verb, file)
  expect(code).toBe(2)
  return (output as unknown as { faults: { path: string; code: string }[] }).faults.map(
    each => `${each.path} ${each.code}`,
  )
}

const PROGRAM = {
  format: 'everyroom-program',
  version: 1,
  place: { latitude: 44.1, longitude: -69.1, zone: 'America/New_York' },
  days: { from: '2027-03-13', to: '2027-03-14' },
  program: {
    events: [
      { turns: 'on', at: 'dusk+15' },
      { turns: 'off', at: { earlier: ['22:30', 'dawn-30'] } },
    ],
  },
  watts: 40,
  pricePerKilowattHour: 0.2,
}

describe('every-room sun and program', () => {
  it('says dusk, dawn and noon of each night as the clocks there show them', () => {
    const { code, output } = ask('sun', { ...PROGRAM, program: undefined })
    expect(code).toBe(0)
    expect(output).toMatchObject({
      ok: true,
      nights: [
        { night: '2027-03-13', dusk: expect.stringMatching(/^2027-03-13T17:39:.*-05:00$/) },
        { night: '2027-03-14', dusk: expect.stringMatching(/^2027-03-14T18:41:.*-04:00$/) },
      ],
    })
  })

  it('says every switching, the hours and what they cost', () => {
    const { code, output } = ask('program', PROGRAM)
    expect(code).toBe(0)
    expect(output).toMatchObject({
      switchings: [
        { turns: 'on', at: expect.stringContaining('2027-03-13T17:54') },
        { turns: 'off', at: '2027-03-13T22:30:00-05:00' },
        { turns: 'on', at: expect.stringContaining('2027-03-14T18:56') },
        { turns: 'off', at: '2027-03-14T22:30:00-04:00' },
      ],
      leftOn: [],
    })
    const byDay = output['byDay'] as unknown as { day: string; hours: number }[]
    expect(byDay.map(({ day }) => day)).toEqual(['2027-03-13', '2027-03-14'])
    expect(byDay[0]!.hours).toBeCloseTo(4.585, 2)
    const { litHours, kilowattHours, money } = output as unknown as Record<string, number>
    expect(litHours).toBeCloseTo(4.585 + 3.565, 2)
    expect(kilowattHours).toBeCloseTo(litHours! * 0.04, 6)
    expect(money).toBeCloseTo(kilowattHours! * 0.2, 6)
  })

  it('what is left on is a no', () => {
    const { code, output } = ask('program', {
      ...PROGRAM,
      program: { events: [{ turns: 'on', at: '20:00' }] },
    })
    expect(code).toBe(1)
    expect(output).toMatchObject({ ok: false, leftOn: [{ to: null }] })
  })

  it('names the field of what is wrong, and asks for a program', () => {
    const changed = (more: object) => faults('program', { ...PROGRAM, ...more })
    const event = (more: object) => ({ program: { events: [{ turns: 'on', at: 'dusk', ...more }] } })
    expect(changed({ place: { ...PROGRAM.place, zone: '' } })).toEqual(['/place/zone unknown-zone'])
    expect(changed({ place: { ...PROGRAM.place, latitude: 91 } })).toEqual(['/place/latitude range'])
    expect(changed({ days: { from: '2027-02-30', to: '2027-03-01' } })).toEqual(['/days/from no-such-date'])
    expect(changed({ days: { from: '2027-03-02', to: '2027-03-01' } })).toEqual([
      '/days/to before-its-beginning',
    ])
    expect(changed({ program: undefined })).toEqual(['/program any.required'])
    expect(changed({ program: { events: [] } })).toEqual(['/program/events never-switches'])
    expect(changed(event({ days: [] }))).toEqual(['/program/events/0/days no-day'])
    expect(changed(event({ between: ['02-30', '03-01'] }))).toEqual([
      '/program/events/0/between no-such-date',
    ])
    expect(changed(event({ at: '20:00', instead: '21:00' }))).toEqual([
      '/program/events/0/instead always-happens',
    ])
    expect(changed(event({ at: 'noonish' }))).toHaveLength(1)
    expect(
      changed({
        happening: { outages: [{ from: '2027-03-13T12:00:00Z', to: '2027-03-13T11:00:00Z' }] },
      }),
    ).toEqual(['/happening/outages/0 out-of-order'])
    const away = (from: string, to: string) => ({
      from: `2027-03-13T${from}:00Z`,
      to: `2027-03-13T${to}:00Z`,
    })
    expect(changed({ happening: { outages: [away('12:00', '14:00'), away('13:00', '15:00')] } })).toEqual([
      '/happening/outages/1/from overlaps',
    ])
    const polar = { latitude: 78.2, longitude: 15.6, zone: 'Arctic/Longyearbyen' }
    expect(changed({ place: polar, ...event({ between: ['06-01', '07-01'] }) })).toEqual([
      '/program/events never-switches',
    ])
  })
})

const ROOM = {
  format: 'everyroom-room',
  version: 1,
  room: {
    rectangle: [4, 3],
    height: 2.4,
    openings: [
      {
        kind: 'door',
        wall: 2,
        from: 0.2,
        width: 0.8,
        usually: 'open',
        passage: { from: [6, 3.6], to: [1, 3.6], width: 1 },
      },
    ],
    seats: [{ at: [3.6, 0.5] }],
    furniture: [{ centre: [3, 0.5], width: 0.3, depth: 1, height: 2 }],
  },
  sensor: {
    on: 'wall',
    wall: 0,
    along: 0.5,
    height: 1.1,
    reach: { walking: [9, 7, 3], small: [5, 4, 2] },
    shutters: [90, 60, 30],
    sensitivities: [1, 0.5],
  },
  aim: { sensitivity: 0.5 },
}

describe('every-room aim', () => {
  it('says what is seen now, how to set it, and that nothing sees behind the shelf', () => {
    const { code, output } = ask('aim', ROOM)
    expect(code).toBe(1)
    expect(output).toMatchObject({ ok: false, ways: 18, never: { doors: [], seats: [0] }, cure: null })
    const { now, best, seen } = output as unknown as {
      now: { share: { walking: number }; floor: number }
      best: { spots: number; floor: number }
      seen: { share: { walking: number }; doors: boolean[] }
    }
    expect(now.floor).toBeCloseTo(11.7, 6)
    expect(now.share.walking).toBeLessThan(seen.share.walking)
    expect(best.floor).toBeCloseTo(seen.share.walking, 6)
    expect(seen.doors).toEqual([true])
  })

  it('walls typed one after the other are the same room', () => {
    const { rectangle: _, ...plan } = ROOM.room
    const walls = [{ along: 4 }, { along: 3 }, { along: 4 }]
    expect(ask('aim', { ...ROOM, room: { ...plan, walls } })).toEqual(ask('aim', ROOM))
    expect(faults('aim', { ...ROOM, room: { ...plan, walls: [...walls, { along: 1 }] } })).toEqual([
      '/room/walls does-not-close',
    ])
    expect(faults('aim', { ...ROOM, room: { ...ROOM.room, walls } })).toHaveLength(1)
  })

  it('finds the nearest point of the ceiling that cures it', () => {
    const ceilingKind = { height: 2.4, reach: { walking: 4, small: 2.5 }, upTo: 3, sensitivities: [1, 0.5] }
    const shut = { ...ROOM.room, openings: [{ ...ROOM.room.openings[0], usually: 'shut' }] }
    const { output } = ask('aim', { ...ROOM, room: shut, ceilingKind })
    expect(output).toMatchObject({ cure: { sensor: { kind: 'ceiling' }, best: { spots: 2 } } })
  })

  it('names the field of what is wrong', () => {
    const bow = [
      [0, 0],
      [4, 3],
      [4, 0],
      [0, 3],
    ]
    const room = (more: object) => faults('aim', { ...ROOM, room: { ...ROOM.room, ...more } })
    expect(room({ rectangle: undefined, corners: bow })).toEqual(['/room/corners/2 crosses'])
    expect(room({ openings: [{ ...ROOM.room.openings[0], width: 5 }] })).toEqual([
      '/room/openings/0/width range',
    ])
    expect(faults('aim', { ...ROOM, sensor: { ...ROOM.sensor, along: 5 } })).toEqual([
      '/sensor/along outside',
    ])
    expect(
      faults('aim', { ...ROOM, sensor: { ...ROOM.sensor, reach: { walking: [9, 7], small: [1, 1, 1] } } }),
    ).toEqual(['/sensor/reach/walking array.length'])
  })
})

const PRESENCE = {
  format: 'everyroom-presence',
  version: 1,
  seconds: 3600,
  seats: [{}],
  events: [
    { at: 100, does: 'enters' },
    { at: 110, does: 'sits', seat: 0 },
    { at: 500, does: 'walks' },
    { at: 510, does: 'leaves' },
  ],
  policies: [60, 600].map(delay => ({ turnsOn: 'by-itself', delay })),
  watts: 100,
  pricePerKilowattHour: 0.5,
}

describe('every-room presence', () => {
  it('says for each policy how long it is lit, and proposes a delay', () => {
    const { code, output } = ask('presence', PRESENCE)
    expect(code).toBe(0)
    expect(output).toMatchObject({
      policies: [
        {
          delay: 60,
          lit: [
            { from: 100, to: 160 },
            { from: 500, to: 570 },
          ],
          presentAndDark: { times: 1, seconds: 340, longest: 340 },
          switchings: 4,
          switchingsPerDay: 96,
        },
        { delay: 600, lit: [{ from: 100, to: 1110 }], presentAndDark: { times: 0 } },
      ],
      proposed: [{ turnsOn: 'by-itself', delay: 600, because: 'rare' }],
    })
    const [, long] = output['policies'] as unknown as { kilowattHours: number; money: number }[]
    expect(long!.kilowattHours).toBeCloseTo((1010 / 3600) * 0.1, 5)
    expect(long!.money).toBeCloseTo((1010 / 3600) * 0.05, 5)
  })

  it('names the field of what is wrong', () => {
    const [enters, ...rest] = PRESENCE.events
    expect(faults('presence', { ...PRESENCE, events: [...rest, enters] })).toEqual([
      '/events/3/at out-of-order',
    ])
    expect(faults('presence', { ...PRESENCE, events: rest })).toEqual(['/events/0/does not-there'])
    expect(
      faults('presence', { ...PRESENCE, policies: [{ ...PRESENCE.policies[0], seesSmall: [true, false] }] }),
    ).toEqual(['/policies/0/seesSmall not-each-seat'])
    expect(faults('presence', { ...PRESENCE, policies: [] })).toEqual(['/policies array.min'])
  })
})

describe('every-room presence, of habits', () => {
  const { events: _, seconds: __, seats: ___, ...rest } = PRESENCE
  const lived = (habits: unknown, more: object = {}) => ({ ...rest, habits, days: 28, seed: 5, ...more })

  it('of a kind of room: the same seed says the same, by itself and by hand', () => {
    const { code, output } = ask('presence', lived('store'))
    expect(code).toBe(0)
    expect(ask('presence', lived('store')).output).toEqual(output)
    expect(ask('presence', lived('store', { seed: 6 })).output).not.toEqual(output)
    const [short, long] = output['policies'] as unknown as { hoursLit: number }[]
    expect(short!.hoursLit).toBeGreaterThan(1)
    expect(long!.hoursLit).toBeGreaterThan(short!.hoursLit)
  })

  it('names what cannot be', () => {
    expect(faults('presence', lived('ballroom'))).toEqual(['/habits unknown-kind'])
    expect(faults('presence', { ...PRESENCE, habits: 'store' })).toHaveLength(1)
    expect(faults('presence', rest)).toHaveLength(1)
  })
})

describe('every-room energy', () => {
  it('sums what each light saves', () => {
    const light = {
      name: 'Porch',
      before: { hours: 2000, watts: 60 },
      after: { hours: 1000, watts: 10 },
      cost: 22,
    }
    const { code, output } = ask('energy', {
      format: 'everyroom-energy',
      version: 1,
      pricePerKilowattHour: 0.2,
      lights: [light, { ...light, name: 'Hall', cost: 0 }],
    })
    expect(code).toBe(0)
    expect(output).toMatchObject({
      lights: [
        { name: 'Porch', saved: { kilowattHours: 110, money: 22 }, yearsToPayBack: 1 },
        { name: 'Hall', yearsToPayBack: 0 },
      ],
      all: { saved: { kilowattHours: 220, money: 44 }, cost: 22, yearsToPayBack: 0.5 },
    })
  })

  it('what cannot be read is said', () => {
    expect(answer('energy', 'a.json', null, [], trade)).toMatchObject({
      code: 2,
      output: { faults: [{ code: 'no-such-file' }] },
    })
    expect(ask('energy', 'no json').code).toBe(2)
    expect(ask('energy', { ...PRESENCE }).code).toBe(2)
  })
})

describe('a program that a device is to keep', () => {
  it('is told day by day, fourteen at most, as clocks there show it', () => {
    const { output } = ask('program', { ...PROGRAM, days: { from: '2027-03-01', to: '2027-03-31' } })
    const { ahead, switchings } = output as unknown as {
      ahead: { day: string; happens: { at: string; turns: string }[] }[]
      switchings: { at: string; turns: string }[]
    }
    expect(ahead.map(({ day }) => day)).toEqual(
      Array.from({ length: 14 }, (_, at) => `2027-03-${String(at + 1).padStart(2, '0')}`),
    )
    // Each stands on the day its own writing begins with, and every switching of those days among them.
    for (const { day, happens } of ahead) for (const { at } of happens) expect(at.slice(0, 10)).toBe(day)
    const told = ahead.flatMap(({ happens }) => happens.map(({ at, turns }) => `${at} ${turns}`))
    for (const { at, turns } of switchings)
      if (at.slice(0, 10) <= '2027-03-14') expect(told).toContain(`${at} ${turns}`)
  })

  it('is refused at the field that its clock does not know', () => {
    const kept = (program: object, device = 'time-switch-sun-two-wire') =>
      faults('program', { ...PROGRAM, device, program })
    const off = { turns: 'off', at: '23:00' }
    expect(ask('program', { ...PROGRAM, device: 'time-switch-sun' }).code).toBe(0)
    expect(kept({ events: [{ turns: 'on', at: { later: ['dusk', '17:00'] } }, off] })).toEqual([
      '/program/events/0/at cannot-pairs',
    ])
    expect(kept({ events: [{ turns: 'on', at: 'dusk', between: ['10-01', '03-31'] }, off] })).toEqual([
      '/program/events/0/between cannot-dates',
    ])
    expect(kept({ events: [{ turns: 'on', at: 'dusk', vary: 10 }, off] })).toEqual([
      '/program/events/0/vary cannot-vary',
    ])
    expect(
      kept({ events: Array.from({ length: 7 }, () => ({ turns: 'on', at: 'dusk' })).concat(off as never) }),
    ).toEqual(['/program/events too-many'])
    expect(kept({ events: [off] }, 'switch-plain-15')).toEqual(['/device no-clock'])
    expect(kept({ events: [off] }, 'nothing-like-it')).toEqual(['/device no-clock'])
  })
})

describe('aim, of a job', () => {
  it('aims every sensor that hangs in its room, and says what is wanted of the others', () => {
    const { code, output } = ask('aim', writeJobFile({ record: quillbackRoad(), extra: {} }))
    const { sensors } = output as unknown as {
      sensors: { boxId: string; ok: boolean; wants?: string; settings?: object }[]
    }
    const linen = sensors.find(({ boxId }) => boxId === 'box-linen')
    expect(linen).toMatchObject({
      ok: true,
      settings: { 'shutter-left': 'open', 'shutter-right': 'shut to the last mark' },
    })
    expect(sensors.find(({ boxId }) => boxId === 'box-bath')).toMatchObject({ ok: false, wants: 'no-plan' })
    expect(code).toBe(1)
    // One box alone.
    const alone = answer(
      'aim',
      'a.json',
      writeJobFile({ record: quillbackRoad(), extra: {} }),
      ['--box', 'box-linen'],
      trade,
    )
    expect(alone.code).toBe(0)
  })
})

describe('program, of a job', () => {
  const job = writeJobFile({ record: quillbackRoad(), extra: {} })
  const of = (...rest: string[]) => answer('program', 'a.json', job, rest, trade)

  it('tells what every clock does in a year', () => {
    const { code, output } = of('--year', '2027')
    const { clocks } = output as { clocks: { boxId: string; litHours: number; switchings: number }[] }
    expect(code).toBe(0)
    expect(clocks).toMatchObject([
      { boxId: 'box-veranda', modelId: 'time-switch-sun', cannot: [], leftOn: [] },
    ])
    expect(clocks[0]!.switchings).toBe(730)
    // From dusk to 23:00: half the year about three hours, half about six.
    expect(clocks[0]!.litHours / 365).toBeGreaterThan(4)
    expect(clocks[0]!.litHours / 365).toBeLessThan(5.5)
  })

  it('says what is wanted of the others, and asks for the year', () => {
    const record = quillbackRoad()
    const bare = (more: object) =>
      answer(
        'program',
        'a.json',
        writeJobFile({ record: { ...record, ...more }, extra: {} }),
        ['--year', '2027'],
        trade,
      )
    expect(bare({ programs: {} })).toMatchObject({ code: 1, output: { clocks: [{ wants: 'no-program' }] } })
    expect(bare({ job: { ...record.job, site: null } })).toMatchObject({
      code: 1,
      output: { clocks: [{ wants: 'no-site' }] },
    })
    // Only ever turned on: it says so, and is a no.
    const [[id, row]] = Object.entries(record.programs) as [[string, (typeof record.programs)[string]]]
    const on = { ...row, program: { ...row.program, events: row.program.events.slice(0, 1) } }
    expect(bare({ programs: { [id]: on } })).toMatchObject({
      code: 1,
      output: { ok: false, clocks: [{ ok: false, leftOn: [{ to: null }] }] },
    })
    expect(of()).toMatchObject({ code: 2, output: { faults: [{ path: '/year' }] } })
    expect(of('--year', 'soon').code).toBe(2)
  })
})
