import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { fedAtTheSwitch, switchLoop, usualBox } from '@/demo/usual'
import { prove } from '../prove'
import { plannedCircuit, routeBox } from '../route'
import { checkPlace } from '.'

const devices = trade.devices.filter(
  each => each.stock === 'new' && each.places.least === 1 && each.regions.includes('north-america-120'),
)

describe('Check and Prove agree, on random places and lamps (800, seed 20261125)', () => {
  const lamp = fc.record({
    kind: fc.constantFrom('led' as const, 'tungsten' as const, 'electronic-ballast' as const, 'cfl' as const),
    wattsEach: fc.integer({ min: 3, max: 80 }),
    count: fc.integer({ min: 1, max: 9 }),
    dimmable: fc.constantFrom('yes' as const, 'no' as const, 'not-known' as const),
    powerFactor: fc.constantFrom(0.5, 0.7, 0.9),
    metalLuminaire: fc.constantFrom('yes' as const, 'no' as const),
  })

  it('what fits can be wired, and its circuit proves; what lacks a neutral has no plan', () => {
    let fits = 0
    let refused = 0
    fc.assert(
      fc.property(fc.nat(devices.length - 1), lamp, fc.boolean(), fc.boolean(), (at, lamps, loop, metal) => {
        const choice = devices[at]!.id
        const view = usualBox({
          choice,
          lamps: [lamps],
          cables: loop ? switchLoop(true) : fedAtTheSwitch(true),
          box: { material: metal ? 'metal' : 'plastic' },
          rules: { 'push-in': 'yes' },
        })
        const judgement = checkPlace(view, 'box-1', trade).find(each => each.device.id === choice)!
        const routed = routeBox(view, trade)
        const lacksNeutral = judgement.lines.some(
          line => line.rule === 'supply-neutral' && line.verdict === 'does-not-fit',
        )
        if (lacksNeutral) {
          refused++
          expect(routed.ok).toBe(false)
        }
        if (judgement.verdict !== 'fits') return
        fits++
        if (!routed.ok) throw new Error(`${choice} fits but cannot be wired: ${routed.faults[0]!.message}`)
        const proof = prove(plannedCircuit(view, routed.value, trade))
        expect(proof.kind === 'refuted' ? proof.counterexamples.map(each => each.says) : []).toEqual([])
      }),
      { numRuns: 800, seed: 20261125 },
    )
    expect(fits).toBeGreaterThan(150)
    expect(refused).toBeGreaterThan(80)
  })
})
