import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { parseDevice } from '../format/device-file'
import { keptDevice } from '../format/older-device'
import type { DeviceModel } from './device'
import { allows, figureOf, figuresOf, nearestValue, settingFor, valuesOf, type Setting } from './setting'

const setting = (more: Partial<Setting>): Setting => ({
  id: 'delay',
  name: 'Off after',
  kind: 'duration',
  allowed: [
    { says: '30 s (walk test)', is: 30 },
    { says: '10 min', is: 600 },
    { says: '20 min', is: 1200 },
  ],
  initial: '10 min',
  bearsOn: 'delay',
  made: 'dial',
  when: 'under-cover',
  how: [],
  why: '',
  ...more,
})

describe('a setting', () => {
  it('has values in its device’s words, each with its figure', () => {
    expect(valuesOf(setting({}))).toEqual(['30 s (walk test)', '10 min', '20 min'])
    expect(figureOf(setting({}), '10 min')).toBe(600)
    expect(figureOf(setting({}), '12 min')).toBeNull()
    const presets = setting({ allowed: [{ says: '10, 20 min', is: [600, 1200] }, 'none'], initial: 'none' })
    expect(figuresOf(presets, '10, 20 min')).toEqual([600, 1200])
    expect(figuresOf(presets, 'none')).toEqual([])
    expect([allows(presets, 'none'), allows(presets, '10 min')]).toEqual([true, false])
  })

  it('of a range has every step, without what rounding adds', () => {
    const level = setting({ kind: 'level', allowed: { from: 0.5, to: 1.1, step: 0.1 } })
    expect(valuesOf(level)).toEqual(['0.5 %', '0.6 %', '0.7 %', '0.8 %', '0.9 %', '1 %', '1.1 %'])
    const tenths = setting({ kind: 'percent', allowed: { from: 0.1, to: 0.4, step: 0.1 } })
    expect(valuesOf(tenths)).toEqual(['0.1 %', '0.2 %', '0.3 %', '0.4 %'])
    expect(valuesOf(setting({ kind: 'angle', allowed: { from: 30, to: 90, step: 30 } }))).toEqual([
      '30°',
      '60°',
      '90°',
    ])
    expect(valuesOf(setting({ allowed: { from: 1800, to: 7200, step: 1800 } }))).toEqual([
      '30 min',
      '1 h',
      '90 min',
      '2 h',
    ])
    expect(valuesOf(setting({ kind: 'clock', allowed: { from: 0, to: 120, step: 75 } }))).toEqual([
      '00:00',
      '01:15',
    ])
  })

  it('is rounded to what the device allows, to the less of two as near', () => {
    expect(nearestValue(setting({}), 700)).toEqual({ value: '10 min', figure: 600 })
    expect(nearestValue(setting({}), 900)).toEqual({ value: '10 min', figure: 600 })
    expect(nearestValue(setting({}), 5000)).toEqual({ value: '20 min', figure: 1200 })
    expect(nearestValue(setting({ kind: 'choice', allowed: ['a', 'b'] }), 1)).toBeNull()
  })
})

describe('every device that is sold', () => {
  const sold = trade.devices.filter(({ stock }) => stock === 'new')
  const having = (does: DeviceModel['does'][number]) => sold.filter(each => each.does.includes(does))

  it('says how each of its settings is made, and when', () => {
    for (const { id, settings } of sold)
      for (const each of settings) {
        expect([id, each.id, each.made === null, each.when === null]).toEqual([id, each.id, false, false])
        expect(each.how.length, `${id} ${each.id}`).toBeGreaterThan(0)
      }
  })

  it('that senses presence says what it sees, and has a delay and a sensitivity; on a wall two shutters', () => {
    for (const { id, settings, sees } of having('presence')) {
      expect(sees, id).toBeDefined()
      for (const decides of ['delay', 'sensitivity'] as const)
        expect(settingFor(settings, decides)?.kind, id).toBe(decides === 'delay' ? 'duration' : 'percent')
      for (const side of ['shutter-left', 'shutter-right'] as const) {
        const shutter = settingFor(settings, side)
        expect(shutter !== null, id).toBe(sees?.hangs === 'wall')
        if (shutter) expect(figureOf(shutter, shutter.initial), id).toBe(90)
      }
    }
  })

  it('that dims has a low end and a high end; that follows the sun says how its clock behaves', () => {
    for (const { id, settings, dims } of having('dim'))
      if (dims !== null && settingFor(settings, 'low-end') === null)
        expect(id, 'a dimmer without a low end').toBe('none')
      else if (dims !== null) expect(settingFor(settings, 'high-end'), id).not.toBeNull()
    for (const { id, clock } of having('sun')) expect(clock, id).toBeDefined()
  })

  it('that speaks by radio says how it is set up, and how long it waits', () => {
    for (const { id, radio, joining } of sold) expect(joining !== undefined, id).toBe(radio !== null)
  })
})

describe('a device of the older form', () => {
  const now = trade.devices.find(({ id }) => id === 'sensor-neutral')!
  const { sees: _sees, ...rest } = now
  const older = {
    ...rest,
    form: 1,
    price: 99,
    settings: [
      {
        id: 'delay',
        name: 'Off after',
        values: ['30 s (walk test)', '10 min'],
        initial: '10 min',
        why: 'So.',
      },
      { id: 'mode', name: 'Turns on', values: ['by itself', 'by hand'], initial: 'by hand', why: 'So.' },
      { id: 'preset', name: 'Preset', values: ['2, 4 h', '4, 8 h'], initial: '2, 4 h', why: 'So.' },
      {
        id: 'program',
        name: 'Program',
        values: ['dusk to 22:00', 'dusk to midnight'],
        initial: 'dusk to 22:00',
        why: 'So.',
      },
      { id: 'fins', name: 'Fins', values: ['on', 'off'], initial: 'on', why: 'So.' },
    ],
  }

  it('is read, its figures as they were written, and how it is set not said', () => {
    const parsed = parseDevice(older)
    expect(parsed.ok).toBe(true)
    const settings = parsed.ok ? parsed.value.settings : []
    const figures = (id: string) => {
      const each = settings.find(other => other.id === id)!
      return [each.bearsOn, ...valuesOf(each).map(value => figuresOf(each, value))]
    }
    expect(figures('delay')).toEqual(['delay', [30], [600]])
    expect(figures('mode')).toEqual(['mode', [], []])
    expect(figures('preset')).toEqual(['presets', [7200, 14400], [14400, 28800]])
    expect(figures('program')).toEqual(['program', [1320], [1440]])
    expect(figures('fins')).toEqual([null, [], []])
    expect(settings.every(({ made, when, how }) => made === null && when === null && how.length === 0)).toBe(
      true,
    )
  })

  it('is refused for what an older form could not say either', () => {
    const parsed = parseDevice({ ...older, settings: [{ ...older.settings[0]!, values: ['one'] }] })
    expect(parsed.ok ? [] : parsed.faults.map(({ path }) => path)).toEqual(['/settings/0/allowed'])
  })

  it('that was changed since it came has from the one that comes now what it could not say, and keeps what is its own', () => {
    const kept = keptDevice(
      { ...older, settings: [older.settings[1], older.settings[4]] } as unknown as DeviceModel,
      now,
    )
    expect(kept.price).toBe(99)
    expect(kept.sees).toEqual(now.sees)
    const own = kept.settings.filter(({ why }) => why === 'So.')
    expect(own.map(({ id, when, initial }) => [id, when, initial])).toEqual([
      ['mode', 'under-cover', 'by hand'],
      ['fins', null, 'on'],
    ])
    // What it has since then it has as it comes now.
    expect(kept.settings.filter(({ why }) => why !== 'So.')).toEqual(
      now.settings.filter(({ id }) => id !== 'mode'),
    )
    expect(keptDevice(now, now)).toBe(now)
  })

  it('that nobody changed is the one that comes now, to the letter', () => {
    for (const device of trade.devices) {
      const { sees: _s, clock: _c, joining: _j, ...bare } = device
      const settings = device.settings
        .filter(({ bearsOn }) => bearsOn !== 'high-end' && bearsOn !== 'shutter-left')
        .map(each => ({
          id: each.id,
          name: each.name,
          values: valuesOf(each),
          initial: each.initial,
          why: each.why,
        }))
      const asItCame = { ...bare, form: 1, settings } as unknown as DeviceModel
      expect(JSON.stringify(keptDevice(asItCame, device))).toBe(JSON.stringify(device))
    }
  })
})
