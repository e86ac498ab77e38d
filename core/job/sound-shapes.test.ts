import { describe, expect, it } from 'vitest'
import { usualBox } from '@/demo/usual'
import type { JobRecord } from '../model/record'
import type { KeyedIn, Program, ProgramEvent } from '../model/light-program'
import { parseJobFile, writeJobFile } from '../format/job-file'
import type { Site } from '../model/site'
import { settingState } from '../plan'
import { trade } from '@/catalogue'
import { deviceNamed } from '../model/trade'
import { boxView } from './box-view'
import { faultsOfShapes, soundShapes } from './sound-shapes'
import { transition } from './transition'

const NOW = '2026-11-02T09:00:00.000Z'
const HARBOUR: Site = { town: '', latitude: 44.1, longitude: -69.1, zone: 'America/New_York' }
const NORTH: Site = { town: 'North', latitude: 69.65, longitude: 18.96, zone: 'Europe/Oslo' }

const event = (
  turns: 'on' | 'off',
  when: ProgramEvent['when'],
  more: Partial<ProgramEvent> = {},
): ProgramEvent => ({
  ...{ turns, when, days: [1, 2, 3, 4, 5, 6, 7], between: null, ofThatNight: false, instead: null, vary: 0 },
  ...more,
})
const keeping = (...events: readonly ProgramEvent[]): Program => ({ events, daylightSaving: 'follows' })

const EVENING = keeping(
  event('on', { kind: 'clock', minute: 1080 }),
  event('off', { kind: 'clock', minute: 1350 }),
)
const DUSK_IN_JUNE = keeping(
  event('on', { kind: 'dusk', plus: 0 }, { between: { from: '06-01', to: '06-30' } }),
)

const kept = (program: Program, site: Site | null): JobRecord => {
  const { record } = usualBox({ choice: 'time-switch-sun' })
  const [placeId] = Object.keys(record.places)
  return {
    ...record,
    job: { ...record.job, site },
    programs: { mine: { id: 'mine', placeId: placeId!, program } },
  }
}
const said = (program: Program, site: Site | null) =>
  faultsOfShapes(kept(program, site)).map(({ path, code }) => `${path} ${code}`)

describe('a program at the door', () => {
  it('happens somewhere: of clock times that is known anywhere, of the sun once it is said where', () => {
    expect(said(EVENING, null)).toEqual([])
    expect(said(DUSK_IN_JUNE, null)).toEqual([])
    expect(said(DUSK_IN_JUNE, HARBOUR)).toEqual([])
    expect(said(DUSK_IN_JUNE, NORTH)).toEqual(['/programs/mine/program/events never-switches'])
    expect(said(keeping(), null)).toEqual(['/programs/mine/program/events never-switches'])
  })

  it('on the last day of February, too: the year that is looked at has one', () => {
    expect(
      said(
        keeping(event('on', { kind: 'clock', minute: 0 }, { between: { from: '02-29', to: '02-29' } })),
        null,
      ),
    ).toEqual([])
  })

  it('is refused with its field, and nothing is kept', () => {
    const record = kept(EVENING, null)
    const change = (fields: object, id = 'mine') =>
      transition(record, [{ kind: 'change', entity: 'programs', id, based: 1, fields }], {
        now: NOW,
        guards: [soundShapes],
      })
    const bad = keeping(
      event('on', { kind: 'clock', minute: 60 }, { between: { from: '02-30', to: '03-01' } }),
    )
    const refused = change({ program: bad })
    expect(refused.ok ? [] : refused.faults.map(({ path }) => path)).toEqual([
      '/programs/mine/program/events/0/between',
    ])
    expect(change({ program: DUSK_IN_JUNE }).ok).toBe(true)
  })

  it('is one for each place', () => {
    const record = kept(EVENING, null)
    const [placeId] = Object.keys(record.places)
    const second = transition(
      record,
      [{ kind: 'add', entity: 'programs', row: { id: 'second', placeId: placeId!, program: EVENING } }],
      { now: NOW, guards: [soundShapes] },
    )
    expect(second.ok ? [] : second.faults.map(({ code }) => code)).toEqual(['one-each'])
  })
})

describe('where a house stands', () => {
  const put = (site: Site) => {
    const { record } = usualBox({})
    return transition(
      record,
      [{ kind: 'change', entity: 'job', id: record.job.id, based: 1, fields: { site } }],
      {
        now: NOW,
        guards: [soundShapes],
      },
    )
  }
  it('has a zone that somebody knows', () => {
    expect(put(HARBOUR).ok).toBe(true)
    const refused = put({ ...HARBOUR, zone: 'Nowhere/At-All' })
    expect(refused.ok ? [] : refused.faults.map(({ path, code }) => `${path} ${code}`)).toEqual([
      '/job/site/zone unknown-zone',
    ])
  })
})

describe('the settings of a clock with a program', () => {
  const state = (record: JobRecord, settingId: string) => {
    const view = boxView(record, Object.keys(record.boxes)[0]!)!
    const place = view.places[0]!
    const { settings } = deviceNamed(trade, 'time-switch-sun')!
    return settingState(
      view,
      place,
      settings.find(({ id }) => id === settingId)!,
      trade,
    )
  }
  it('are its own program, and daylight saving as the program has it', () => {
    const record = kept(EVENING, null)
    expect(state(record, 'program')).toMatchObject({ value: 'its own program', by: 'worked-out', is: 'open' })
    expect(state(record, 'daylight-saving')).toMatchObject({ value: 'on', is: 'as-it-comes' })
    const stands = kept({ ...EVENING, daylightSaving: 'stands' }, null)
    expect(state(stands, 'daylight-saving')).toMatchObject({ value: 'off', by: 'worked-out', is: 'open' })
  })
  it('made to another are marked until somebody says why; without a program they are as usual', () => {
    const record = kept(EVENING, null)
    const [placeId] = Object.keys(record.places)
    const row = {
      id: 'set',
      placeId: placeId!,
      settingId: 'program',
      value: 'dusk to dawn',
      reason: '',
      trial: null,
      keyed: null,
    }
    const made = (reason: string, of: JobRecord = record) => ({
      ...of,
      settings: { set: { ...row, reason } },
    })
    expect(state(made(''), 'program').is).toBe('otherwise')
    expect(state(made('the owner wants it so'), 'program').is).toBe('made')
    expect(state(made('', { ...record, programs: {} }), 'program')).toMatchObject({ by: 'usual', is: 'made' })
  })
})

describe('what was keyed in', () => {
  const rowOf = (record: JobRecord, keyed: KeyedIn | null, value = 'its own program') => {
    const [placeId] = Object.keys(record.places)
    const row = { id: 'set', placeId: placeId!, settingId: 'program', value, reason: '', trial: null, keyed }
    return { ...record, settings: { set: row } }
  }
  const isOf = (record: JobRecord) => {
    const view = boxView(record, Object.keys(record.boxes)[0]!)!
    const { settings } = deviceNamed(trade, 'time-switch-sun')!
    return settingState(
      view,
      view.places[0]!,
      settings.find(({ id }) => id === 'program')!,
      trade,
    ).is
  }
  it('counts as long as the program and the place are what they were, whoever changed either', () => {
    const keyed = { program: EVENING, site: HARBOUR }
    expect(isOf(rowOf(kept(EVENING, HARBOUR), keyed))).toBe('made')
    expect(isOf(rowOf(kept(DUSK_IN_JUNE, HARBOUR), keyed))).toBe('open')
    expect(isOf(rowOf(kept(EVENING, NORTH), keyed))).toBe('open')
    expect(isOf(rowOf(kept(EVENING, HARBOUR), null))).toBe('open')
    // Dropped since.
    expect(isOf({ ...rowOf(kept(EVENING, HARBOUR), keyed), programs: {} })).toBe('open')
    // Put back as it was: it stands on the clock.
    expect(isOf(rowOf(kept(structuredClone(EVENING), { ...HARBOUR }), keyed))).toBe('made')
  })
  it('comes through a file as it was', () => {
    const record = rowOf(kept(EVENING, HARBOUR), { program: EVENING, site: HARBOUR })
    const parsed = parseJobFile(writeJobFile({ record, extra: {} }))
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.faults))
    expect(isOf(parsed.value.record)).toBe('made')
  })
})

describe('a trial at the door', () => {
  const put = (trial: object) => {
    const record = kept(EVENING, null)
    const [placeId] = Object.keys(record.places)
    const row = { id: 'low', placeId: placeId!, settingId: 'trim', value: '3', reason: '', trial }
    return transition(record, [{ kind: 'add', entity: 'settings', row } as never], {
      now: NOW,
      guards: [soundShapes],
    })
  }
  const faults = (trial: object) => {
    const answer = put(trial)
    return answer.ok ? [] : answer.faults.map(({ path }) => path)
  }
  it('has seen what it was asked, on levels one above the other', () => {
    expect(faults({ levels: [1, 5], seen: [{ saw: 'all-steady' }] })).toEqual([])
    expect(faults({ levels: [5, 1], seen: [] })).toEqual(['/settings/low/trial/levels'])
    expect(faults({ levels: [5, 5], seen: [] })).toEqual(['/settings/low/trial/levels'])
    expect(faults({ levels: [1, 5], seen: [{ saw: 'all-start' }] })).toEqual(['/settings/low/trial/seen'])
  })
})
