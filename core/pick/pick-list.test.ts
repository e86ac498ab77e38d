import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { quillbackRoad } from '@/demo/quillback'
import { usualBox, type UsualBox } from '@/demo/usual'
import { boxView } from '../job/box-view'
import { progressOf, planBox } from '../plan'
import { costOf, pickList, savedDevices, type PickItem } from '.'

const listed = (given: UsualBox, van: Record<string, number> = {}): PickItem[] =>
  pickList(usualBox(given).record, trade, van)
const named = (items: readonly PickItem[], kind: string) => items.filter(each => each.kind === kind)

describe('pick list', () => {
  it('nothing chosen, nothing to pick', () => {
    expect(listed({})).toEqual([])
  })

  it('a dimmer in place of a switch: the device, and a plate with a wide opening', () => {
    const items = listed({ choice: 'dimmer-led-150-neutral' })
    expect(items.filter(({ kind }) => kind !== 'part')).toMatchObject([
      { kind: 'device', what: 'Dimmer, LED 150 W, neutral', needed: 1, toBuy: 1, priceEach: 32 },
      { kind: 'plate', what: 'Plate, one gang: wide', needed: 1, places: ['Room, By the door'] },
    ])
    expect(costOf(items)).toBe(32)
  })

  it('a switch for a switch needs no other plate', () => {
    expect(named(listed({ choice: 'switch-plain-15' }), 'plate')).toEqual([])
  })

  it('what is in the van is taken off, and never more than is needed', () => {
    const key = 'device:dimmer-led-150-neutral'
    expect(listed({ choice: 'dimmer-led-150-neutral' }, { [key]: 5 })[0]).toMatchObject({
      inVan: 5,
      toBuy: 0,
    })
    expect(listed({ choice: 'dimmer-led-150-neutral' }, { [key]: -2 })[0]).toMatchObject({
      inVan: 0,
      toBuy: 1,
    })
  })

  it('what is taken out is kept for stock where that is wanted, and only what is replaced', () => {
    const { record } = usualBox({ choice: 'dimmer-led-150-neutral' })
    const needs = { keep: { id: 'keep', groupId: 'light', need: 'keep-old' as const, value: null } }
    expect(savedDevices(record, trade)).toEqual([])
    expect(savedDevices({ ...record, needs }, trade)).toEqual([
      {
        modelId: 'old-switch',
        what: 'Old switch, two screws alike',
        count: 1,
        places: ['Room, By the door'],
      },
    ])
    expect(savedDevices({ ...record, needs, choices: {} }, trade)).toEqual([])
  })

  it('lamps that cannot be dimmed are changed, so many', () => {
    const items = listed({
      choice: 'dimmer-led-150-neutral',
      lamps: [{ kind: 'led', wattsEach: 9, count: 5, dimmable: 'no' }],
    })
    expect(named(items, 'lamp')).toMatchObject([{ what: 'Dimmable lamp, 9 W', needed: 5, priceEach: 6 }])
  })

  it('a box too small: the ring that brings what is lacking', () => {
    const items = listed({
      choice: 'dimmer-led-150-neutral',
      box: { volumeCubicInches: 12.5, depthMillimetres: 40 },
    })
    expect(named(items, 'box')).toMatchObject([
      { what: expect.stringContaining('an extension ring of one gang, ½ in'), needed: 1, priceEach: 6 },
    ])
    // Two as long as the ring is deep beyond those that come with the device, and a spare.
    expect(named(items, 'part')).toContainEqual(
      expect.objectContaining({ what: 'Device screw, 6-32, 1½ in', needed: 3 }),
    )
  })

  it('without a ring the screws that come with a device do', () => {
    const items = listed({ choice: 'dimmer-led-150-neutral' })
    expect(items.filter(({ what }) => /screw/.test(what))).toEqual([])
  })

  it('a box that is bonded already needs no screw for it, nor a pigtail to it', () => {
    const parts = (bonded: 'yes' | 'no') => {
      const items = listed({ choice: 'switch-plain-15', box: { material: 'metal', bonded } })
      const counted = (what: RegExp) => items.find(each => what.test(each.what))?.needed ?? 0
      return [counted(/^Bonding screw/), counted(/^Pigtail, bare/)]
    }
    expect(parts('no')).toEqual([2, 3])
    expect(parts('yes')).toEqual([0, 2])
  })

  it('a cover against rain is picked once, and fitted by a step', () => {
    const view = usualBox({ choice: 'switch-plain-15', box: { location: 'wet' } })
    const covers = pickList(view.record, trade, {}).filter(({ what }) => /cover/.test(what))
    expect(covers).toMatchObject([{ needed: 1, priceEach: 14 }])
    expect(planBox(view, trade).steps.filter(({ says }) => /cover that are closed/.test(says))).toHaveLength(
      1,
    )
  })

  it('a small part where it is what cures: a bypass for too little load', () => {
    const items = listed({
      choice: 'dimmer-led-150-two-wire',
      lamps: [{ kind: 'led', wattsEach: 4, count: 1, dimmable: 'yes', powerFactor: 0.9 }],
    })
    expect(named(items, 'part').map(({ what }) => what)).toContain('Fit a bypass at the luminaire')
  })

  it('what the open steps use up: connectors, pigtails, caps, tape, the bonding screw; a spare for each ten begun', () => {
    const parts = (given: UsualBox) =>
      Object.fromEntries(named(listed(given), 'part').map(({ what, needed }) => [what, needed]))
    expect(parts({ choice: 'switch-plain-15' })).toEqual({
      'Lever, 3 slots': 2,
      'Pigtail, bare 14 AWG, 6 in': 2,
    })
    expect(parts({ choice: 'switch-plain-15', box: { material: 'metal' } })).toMatchObject({
      'Bonding screw, 10-32': 2,
      'Pigtail, bare 14 AWG, 6 in': 3,
    })
    expect(parts({ choice: 'dimmer-led-150-two-wire' })).toMatchObject({ Cap: 2 })
    expect(parts({ choice: 'switch-plain-15', rules: { 'tape-terminals': 'yes' } })).toMatchObject({
      Tape: 1,
    })
    expect(parts({ choice: 'switch-plain-15', rules: { joints: 'twist-on' } })).toMatchObject({
      'Twist-on, medium': 2,
    })
  })

  it('the demo house: the same thing is one line, its count the places it goes to', () => {
    const record = quillbackRoad()
    const items = pickList(record, trade, {})
    const devices = named(items, 'device')
    const open = Object.values(record.choices).filter(({ placeId }) => {
      const view = boxView(record, record.places[placeId]!.boxId)!
      return progressOf(view, trade).stages.find(({ stage }) => stage === 'wire')!.state !== 'done'
    })
    expect(open.length).toBeLessThan(Object.keys(record.choices).length)
    expect(devices.reduce((sum, { needed }) => sum + needed, 0)).toBe(open.length)
    expect(new Set(items.map(({ key }) => key)).size).toBe(items.length)
    for (const { toBuy, needed, places } of items) {
      expect(toBuy).toBe(needed)
      expect(places.length).toBeGreaterThan(0)
    }
  })

  it('the same job gives the same list', () => {
    expect(JSON.stringify(pickList(quillbackRoad(), trade, {}))).toBe(
      JSON.stringify(pickList(quillbackRoad(), trade, {})),
    )
  })
})
