import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import type { CableAsFound } from '@/demo/builder'
import { fedAtTheSwitch, strand, switchLoop, usualBox, type UsualBox } from '@/demo/usual'
import { prove } from '../prove'
import { plannedCircuit, routeBox } from '.'

const route = (given: UsualBox) => {
  const routed = routeBox(usualBox(given), trade)
  if (!routed.ok) throw new Error(routed.faults.map(each => each.message).join('; '))
  return routed.value
}
const codes = (given: UsualBox) => {
  const routed = routeBox(usualBox(given), trade)
  return routed.ok ? [] : routed.faults.map(each => each.code)
}

describe('one box, routed', () => {
  it('a screw device: conductors straight on, grounds joined with a pigtail', () => {
    const routed = route({ choice: 'switch-plain-15' })
    expect(routed.seats['box-a-black-1-end']).toEqual({
      kind: 'terminal',
      placeId: 'box-1',
      terminalId: 'upper',
    })
    expect(routed.seats['box-b-black-1-end']).toEqual({
      kind: 'terminal',
      placeId: 'box-1',
      terminalId: 'lower',
    })
    const ground = routed.joints.find(joint => joint.netId === 'ground')!
    expect(ground.endIds).toHaveLength(2)
    expect(ground.pigtailIds).toHaveLength(1)
    expect(ground.connectors.map(each => each.words)).toEqual(['lever, 3 slots'])
  })

  it('a lead device: leads into the joints, the companion lead capped on its own', () => {
    const routed = route({ choice: 'dimmer-led-150-two-wire' })
    expect(routed.cappedLeads).toEqual([{ placeId: 'box-1', terminalId: 'signal' }])
    expect(routed.pigtails).toEqual([])
    expect(routed.joints.map(joint => joint.netId)).toEqual([
      'ground',
      'line:circuit-7',
      'load:light',
      'neutral:circuit-7',
    ])
  })

  it('a metal box gets its bond', () => {
    const routed = route({ choice: 'switch-plain-15', box: { material: 'metal' } })
    expect(routed.pigtails.filter(each => each.to === 'box')).toHaveLength(1)
  })

  it('stranded or too thick for the terminal: a pigtail', () => {
    const routed = route({
      choice: 'switch-plain-15-push-in',
      cables: fedAtTheSwitch(true, { gauge: '12 AWG' }),
    })
    expect(routed.pigtails.filter(each => each.netId.startsWith('line'))).toHaveLength(1)
  })

  it('a white that feeds a switch is marked at both ends', () => {
    expect(route({ choice: 'switch-plain-15', cables: switchLoop(true) }).remarks).toEqual([
      { endId: 'box-a-white-1-end', as: 'black' },
    ])
  })

  it('spare conductors are capped one by one', () => {
    const spare: CableAsFound = {
      name: 'C',
      entry: 'top',
      far: 'elsewhere',
      strands: [strand('black', 'loose', 'spare'), strand('white', 'loose', 'spare')],
    }
    const routed = route({ choice: 'switch-plain-15', cables: [...fedAtTheSwitch(true), spare] })
    expect(routed.seats['box-c-black-1-end']).toEqual({ kind: 'cap' })
    expect(routed.seats['box-c-white-2-end']).toEqual({ kind: 'cap' })
  })

  it.each<[string, UsualBox, string]>([
    ['nothing recorded', { choice: 'switch-plain-15', cables: [], proven: false }, 'nothing-recorded'],
    [
      'a conductor without a role',
      { choice: 'switch-plain-15', cables: fedAtTheSwitch(false), proven: false },
      'no-role',
    ],
    [
      'a net that does not reach the box',
      { choice: 'dimmer-led-150-neutral', cables: switchLoop(true) },
      'net-missing',
    ],
    ['a device the catalogue has not', { choice: 'moon-switch' }, 'unknown-device'],
    [
      'a coloured neutral',
      {
        choice: 'switch-plain-15',
        cables: [{ name: 'A', entry: 'top', far: 'panel', strands: [strand('red', 'upper', 'neutral')] }],
        proven: false,
      },
      'not-neutral-coloured',
    ],
    [
      'a hot on green',
      {
        choice: 'switch-plain-15',
        cables: [{ name: 'A', entry: 'top', far: 'panel', strands: [strand('green', 'upper', 'line')] }],
        proven: false,
      },
      'ground-coloured',
    ],
    [
      'a ground on white',
      {
        choice: 'switch-plain-15',
        cables: [{ name: 'A', entry: 'top', far: 'panel', strands: [strand('white', 'upper', 'ground')] }],
        proven: false,
      },
      'not-ground-coloured',
    ],
  ])('refuses %s', (_, given, code) => {
    expect(codes(given)).toContain(code)
  })
})

describe('random boxes of one place (1500, seed 20260302)', () => {
  const devices = trade.devices.filter(
    each => each.stock === 'new' && each.places.least === 1 && each.regions.includes('north-america-120'),
  )
  const onward = (name: string, entry: 'top' | 'bottom'): CableAsFound => ({
    name,
    entry,
    far: 'elsewhere',
    strands: [
      strand('black', 'joint:hots', 'onward-feed'),
      strand('white', 'joint:whites', 'neutral'),
      strand('bare', 'joint:grounds', 'ground'),
    ],
  })
  const spare: CableAsFound = {
    name: 'S',
    entry: 'top',
    far: 'elsewhere',
    strands: [strand('red', 'loose', 'spare')],
  }

  it('every plan proves; a refusal names a net that is not there', () => {
    let plans = 0
    let refusals = 0
    fc.assert(
      fc.property(
        fc.nat(devices.length - 1),
        fc.boolean(),
        fc.nat(4),
        fc.boolean(),
        fc.boolean(),
        fc.boolean(),
        fc.boolean(),
        (at, loop, onwards, withSpare, metal, twist, retrofit) => {
          const choice = devices[at]!.id
          const cables = [
            ...(loop ? switchLoop(true) : fedAtTheSwitch(true)),
            ...Array.from({ length: loop ? 0 : onwards }, (_, index) =>
              onward('DEFGH'[index]!, index % 2 ? 'top' : 'bottom'),
            ),
            ...(withSpare ? [spare] : []),
          ]
          const view = usualBox({
            choice,
            cables,
            box: { material: metal ? 'metal' : 'plastic' },
            rules: {
              joints: twist ? 'twist-on' : 'lever',
              'ground-referenced': retrofit ? 'allowed' : 'not-allowed',
            },
            lamps: [
              {
                kind: 'led',
                wattsEach: 10,
                count: 6,
                dimmable: 'yes',
                powerFactor: 0.9,
                metalLuminaire: 'yes',
              },
            ],
            proven: false,
          })
          const routed = routeBox(view, trade)
          if (!routed.ok) {
            refusals++
            expect(loop).toBe(true)
            expect(routed.faults.map(each => each.code)).toEqual(['net-missing'])
            return
          }
          plans++
          // A ground-referenced sensor in a box with a neutral is a matter for Check, not for the wiring.
          const proof = prove(plannedCircuit(view, routed.value, trade))
          expect(proof.kind === 'refuted' ? proof.counterexamples : []).toEqual([])
        },
      ),
      { numRuns: 1500, seed: 20260302 },
    )
    expect(plans).toBeGreaterThan(900)
    expect(refusals).toBeGreaterThan(100)
  })
})
