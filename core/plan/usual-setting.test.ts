import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox, type UsualBox } from '@/demo/usual'
import { chainOf } from '@/testing/route/chain'
import { boxView, type BoxView } from '../job/box-view'
import { prove } from '../prove'
import { plannedCircuit, routeBox } from '../route'
import type { Need } from '../model/entities'
import { allows, valuesOf } from '../model/setting'
import { deviceNamed } from '../model/trade'
import { ROOM_KINDS, type NeedKind } from '../model/vocabulary'
import { usualValue } from '.'

const usual = (model: string, setting: string, given: UsualBox = {}, need: NeedKind | null = null) => {
  const view = usualBox(given)
  const [place] = view.places
  const wanted: Need[] = need ? [{ id: 'need', groupId: place!.group.id, need, value: null }] : []
  const record = { ...view.record, needs: Object.fromEntries(wanted.map(each => [each.id, each])) }
  return usualValue(
    boxView(record, 'box')!,
    place!,
    deviceNamed(trade, model)!.settings.find(({ id }) => id === setting)!,
    trade,
  )
}
const byRule = (rule: string) => ({ rules: { 'presence-on': rule } })

describe('what a setting is usually made to', () => {
  it('as the device comes, or as the house rule has it', () => {
    expect(usual('sensor-neutral', 'mode')).toBe('by itself')
    expect(usual('sensor-neutral', 'mode', byRule('by-hand'))).toBe('by hand')
    expect(usual('sensor-neutral', 'mode', byRule('by-itself'))).toBe('by itself')
  })

  it('by what the room is for: each kind has a rule of its own', () => {
    const kinds = Object.fromEntries(
      ROOM_KINDS.map(roomKind => [roomKind, usual('sensor-neutral', 'mode', { roomKind })]),
    )
    expect(kinds).toMatchObject({
      passage: 'by itself',
      sleeping: 'by hand',
      work: 'by hand',
      wet: 'by itself',
    })
    for (const roomKind of ROOM_KINDS) {
      const ruleId = roomKind === 'not-said' ? 'presence-on' : `presence-on-${roomKind}`
      for (const [value, words] of [
        ['by-hand', 'by hand'],
        ['by-itself', 'by itself'],
      ] as const) {
        expect(usual('sensor-neutral', 'mode', { roomKind, rules: { [ruleId]: value } })).toBe(words)
        // The rule of another kind of room bears on none of its own.
        const other = { 'presence-on-other': value }
        expect(usual('sensor-neutral', 'mode', { roomKind, rules: other })).toBe(kinds[roomKind])
      }
    }
  })

  it('what the customer wants comes before any rule', () => {
    const sleeping = { roomKind: 'sleeping', rules: { 'presence-on-sleeping': 'by-hand' } } as const
    expect(usual('sensor-neutral', 'mode', sleeping, 'automatic-on')).toBe('by itself')
    expect(usual('sensor-neutral', 'mode', { roomKind: 'passage' }, 'manual-on')).toBe('by hand')
    expect(usual('sensor-neutral', 'mode', sleeping, 'glow')).toBe('by hand')
  })

  it('other settings, and values a device does not have, are left as it comes', () => {
    for (const model of trade.devices)
      for (const setting of model.settings) {
        const value = usual(model.id, setting.id, byRule('by-hand'))
        expect(valuesOf(setting)).toContain(value)
        if (setting.id !== 'mode' || !allows(setting, 'by hand')) expect(value).toBe(setting.initial)
      }
  })

  it('beside a switch that is kept, the one that the plan is proved with', () => {
    const kept = {
      count: 2,
      choices: ['dimmer-led-150-two-wire', null],
      fed: 0,
      lit: 1,
      neutrals: true,
      spares: 0,
    }
    const chain = (choices: readonly (string | null)[]) => chainOf({ ...kept, choices })[0]!
    const at = (view: BoxView) => {
      const place = view.places.find(({ choice }) => choice?.modelId === 'dimmer-led-150-two-wire')!
      const setting = deviceNamed(trade, 'dimmer-led-150-two-wire')!.settings.find(
        ({ id }) => id === 'second-place',
      )!
      return { place, setting, usual: usualValue(view, place, setting, trade) }
    }
    const view = chain(kept.choices)
    const { place, setting, usual: proved } = at(view)
    expect(proved).not.toBe(setting.initial)
    // Beside a companion it is as it comes.
    expect(at(chain(['dimmer-led-150-two-wire', 'companion-oak'])).usual).toBe(setting.initial)
    const proofWith = (value: string | null) => {
      const row = {
        id: 'made',
        placeId: place.place.id,
        settingId: setting.id,
        value: value ?? '',
        reason: '',
        trial: null,
        keyed: null,
      }
      const made = boxView({ ...view.record, settings: value === null ? {} : { made: row } }, view.box.id)!
      const routed = routeBox(made, trade)
      return routed.ok && prove(plannedCircuit(made, routed.value, trade)).kind
    }
    expect(proofWith(null)).toBe('proven')
    expect(proofWith(proved)).toBe('proven')
    for (const value of valuesOf(setting).filter(each => each !== proved))
      expect(proofWith(value), value).toBe('refuted')
  })
})
