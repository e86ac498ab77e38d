import { RULE_DEFAULTS } from '@/core/model/house-rules'
import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { describe, expect, it } from 'vitest'
import type { DeviceModel } from '@/core/model/device'
import { BRITISH } from '@/core/words/british'
import { inLanguage } from '@/core/words/say'
import { parseDevice } from '@/core/format/device-file'
import { GAUGES, LAMP_KINDS, REGION_IDS } from '@/core/model/vocabulary'
import { trade } from '.'

const folder = path.join(import.meta.dirname, 'devices')
const files = readdirSync(folder).filter(file => file.endsWith('.json'))
const read = (file: string) =>
  JSON.parse(readFileSync(path.join(folder, file), 'utf8')) as Record<string, unknown>
const sample = () => read('dimmer-led-150-neutral.json')

const faultsOf = (given: unknown) => {
  const parsed = parseDevice(given)
  return parsed.ok ? [] : parsed.faults.map(each => `${each.path} ${each.code}`)
}

/** All that is read of a sheet. */
const wordsOf = ({ name, terminals, settings, tests, instructions }: DeviceModel): string[] =>
  Object.values({ name, terminals, settings, tests, instructions }).flatMap(each => textsIn(each))

const textsIn = (value: unknown): string[] =>
  typeof value === 'string'
    ? [value]
    : value !== null && typeof value === 'object'
      ? Object.entries(value).flatMap(([key, inner]) => (NO_WORDS.has(key) ? [] : textsIn(inner)))
      : []

/** What a machine reads. */
const NO_WORDS = new Set(['id', 'wants', 'alike', 'joins', 'lead', 'gauges', 'strandings', 'side', 'of'])

const SETTING = {
  id: 'trim',
  name: 'Trim',
  kind: 'level',
  allowed: [
    { says: '1', is: 5 },
    { says: '2', is: 9 },
  ],
  initial: '1',
  bearsOn: 'low-end',
  made: 'dial',
  when: 'power-on',
  how: ['Turn the dial.'],
  why: 'because',
}

describe('house rules', () => {
  it('each that the core goes by stands in the tables, its default first', () => {
    for (const [id, initial] of Object.entries(RULE_DEFAULTS)) {
      const rule = trade.houseRules.find(each => each.id === id)
      expect([id, rule?.values[0]?.value, rule?.initial]).toEqual([id, initial, initial])
    }
  })
})

describe('catalogue', () => {
  it.each(files)('%s is a device model', file => {
    expect(faultsOf(read(file))).toEqual([])
    expect(`${read(file).id}.json`).toBe(file)
  })

  it('lists every file once, and at least ten kinds of one place', () => {
    expect(trade.devices.map(device => `${device.id}.json`).sort()).toEqual(files.sort())
    const one = trade.devices.filter(device => device.stock === 'new' && device.places.least === 1)
    expect(one.length).toBeGreaterThanOrEqual(10)
    for (const want of ['switch', 'dim', 'presence', 'countdown', 'sun', 'remote'] as const)
      expect(one.some(device => device.does.includes(want))).toBe(true)
    for (const region of REGION_IDS) expect(one.some(device => device.regions.includes(region))).toBe(true)
  })

  it('a sheet caps no lead that its device lacks', () => {
    for (const { id, instructions, terminals } of trade.devices)
      for (const [, lead] of (instructions?.notes ?? []).join(' ').matchAll(/Cap the ([a-z-]+) lead/gi))
        expect([
          id,
          terminals.some(({ word }) =>
            word.toLowerCase().includes(lead!.replace('-', ' ').replace(' place', '')),
          ),
        ]).toEqual([id, true])
  })

  it('a sheet speaks the words of every region it is sold in', () => {
    const foreign = trade.devices
      .filter(({ regions }) => regions.includes('europe-230'))
      .flatMap(device => wordsOf(device).filter(each => inLanguage(BRITISH, each) !== each))
    expect(foreign).toEqual([])
  })

  it('the worked example of the documentation is one too', () => {
    const page = readFileSync(path.join(import.meta.dirname, '../docs/device-model.md'), 'utf8')
    expect(faultsOf(JSON.parse(/```json\n([\s\S]*?)```/.exec(page)![1]!))).toEqual([])
  })

  it('has a figure for every gauge and lamp kind, and a source for every fact', () => {
    for (const gauge of GAUGES) expect(trade.conductors[gauge].squareMillimetres).toBeGreaterThan(0)
    for (const kind of LAMP_KINDS) expect(trade.lamps[kind].offLimitMilliamps).toBeGreaterThan(0)
    for (const fact of Object.values(trade.facts)) expect(fact.source).not.toBe('')
  })
})

describe('a device model that makes no sense is refused with the path', () => {
  const spoiled: [string, (device: Record<string, unknown>) => void, string][] = [
    [
      'contact to nowhere',
      device => Object.assign(device, { contacts: [{ between: ['line', 'moon'], when: {}, kind: 'metal' }] }),
      '/contacts/0/between/1 unknown-terminal',
    ],
    [
      'signal that neither hears nor passes',
      device =>
        Object.assign(device, {
          signals: [{ terminal: 'line', family: 'ash', hears: [], passes: null }],
        }),
      '/signals/0/hears signal-unclear',
    ],
    [
      'signal that hears nowhere',
      device =>
        Object.assign(device, {
          signals: [{ terminal: 'line', family: 'ash', hears: ['moon'], passes: null }],
        }),
      '/signals/0/hears/0 unknown-terminal',
    ],
    [
      'share for a value that never comes',
      device => {
        const [contact] = device.contacts as Record<string, unknown>[]
        Object.assign(contact!, {
          share: { variable: 'level', of: { low: 0.3, half: 0.6, full: 1, more: 1 } },
        })
      },
      '/contacts/0/share/of/more impossible-state',
    ],
    [
      'a level without a share',
      device => {
        const [contact] = device.contacts as Record<string, unknown>[]
        Object.assign(contact!, { share: { variable: 'level', of: { low: 0.3, full: 1 } } })
      },
      '/contacts/0/share/of no-share',
    ],
    [
      'control by a setting it does not have',
      device =>
        Object.assign(device, {
          control: [{ event: 'press', from: {}, to: { relay: 'on' }, set: { mood: 'good' } }],
        }),
      '/control/0/set/mood unknown-setting',
    ],
    [
      'a word by radio without a family',
      device =>
        Object.assign(device, {
          family: null,
          control: [{ event: 'press', from: {}, to: { relay: 'on' }, tells: 'told-on' }],
        }),
      '/control/0/tells no-family',
    ],
    [
      'out of service in a state that never comes',
      device => Object.assign(device, { outOfService: { when: { relay: 'gone' } } }),
      '/outOfService/when/relay impossible-state',
    ],
    [
      'a receptacle on no terminal',
      device => Object.assign(device, { outlet: { hot: 'line', neutral: 'moon', ground: 'ground' } }),
      '/outlet/neutral unknown-terminal',
    ],
    [
      'impossible state',
      device =>
        Object.assign(device, {
          contacts: [{ between: ['line', 'load'], when: { relay: 'maybe' }, kind: 'electronic' }],
        }),
      '/contacts/0/when/relay impossible-state',
    ],
    [
      'unknown variable',
      device => Object.assign(device, { control: [{ event: 'press', from: {}, to: { mood: 'on' } }] }),
      '/control/0/to/mood unknown-variable',
    ],
    [
      'contact to itself',
      device => Object.assign(device, { contacts: [{ between: ['line', 'line'], when: {}, kind: 'metal' }] }),
      '/contacts/0/between to-itself',
    ],
    [
      'supply on nothing',
      device =>
        Object.assign(device, {
          supply: [{ kind: 'line-neutral', line: 'line', neutral: 'sea', milliamps: 3 }],
        }),
      '/supply/0/neutral unknown-terminal',
    ],
    ['electronics without supply', device => Object.assign(device, { supply: [] }), '/supply no-supply'],
    [
      'more least than most',
      device => Object.assign(device, { places: { least: 3, most: 2 } }),
      '/places/least range',
    ],
    [
      'a setting it does not have',
      device =>
        Object.assign(device, {
          settings: [{ ...SETTING, allowed: ['1', '2'], initial: '9' }],
        }),
      '/settings/0/initial impossible-value',
    ],
    [
      'a range that ends before it begins',
      device => Object.assign(device, { settings: [{ ...SETTING, allowed: { from: 9, to: 1, step: 1 } }] }),
      '/settings/0/allowed range',
    ],
    [
      'a range of more values than anybody turns to',
      device =>
        Object.assign(device, { settings: [{ ...SETTING, allowed: { from: 0, to: 100, step: 0.01 } }] }),
      '/settings/0/allowed range',
    ],
    [
      'a choice of figures',
      device =>
        Object.assign(device, {
          settings: [{ ...SETTING, kind: 'choice', allowed: { from: 1, to: 9, step: 1 }, initial: '1' }],
        }),
      '/settings/0/kind no-figure',
    ],
    [
      'two settings that decide the same',
      device => Object.assign(device, { settings: [SETTING, { ...SETTING, id: 'other' }] }),
      '/settings/1/bearsOn twice',
    ],
    [
      'reach of what senses nobody',
      device =>
        Object.assign(device, {
          sees: { hangs: 'ceiling', reach: { walking: 4, small: 2 }, upTo: 3 },
        }),
      '/sees no-sensor',
    ],
    [
      'joining without a radio',
      device => Object.assign(device, { joining: { how: ['Hold its key.'], seconds: 60 } }),
      '/joining no-radio',
    ],
    [
      'unknown gauge',
      device => Object.assign(device, { size: { gangs: 9, depthMillimetres: 30 } }),
      '/size/gangs number.max',
    ],
    [
      'a field that is not in the form',
      device => Object.assign(device, { brand: 'x' }),
      '/brand object.unknown',
    ],
  ]
  it.each(spoiled)('%s', (_, spoil, expected) => {
    const device = sample()
    spoil(device)
    expect(faultsOf(device)).toContain(expected)
  })
})
