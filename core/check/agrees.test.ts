import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { fedAtTheSwitch, switchLoop, usualBox } from '@/demo/usual'
import { boxView } from '../job/box-view'
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

  it('a plan lacks a ground just where Choose bars its device for it, or does not know', () => {
    const seen = { barred: 0, allowed: 0, grounded: 0 }
    fc.assert(
      fc.property(
        fc.nat(devices.length - 1),
        fc.record({
          grounds: fc.constantFrom('each', 'none', 'none'),
          metal: fc.boolean(),
          old: fc.boolean(),
          recorded: fc.boolean(),
          protection: fc.constantFrom('none' as const, 'ground-fault' as const, 'not-known' as const),
        }),
        (at, given) => {
          const choice = devices[at]!.id
          const { record } = usualBox({
            choice,
            cables: fedAtTheSwitch(true).map(cable => ({
              ...cable,
              strands: cable.strands.filter(({ role }) => given.grounds === 'each' || role !== 'ground'),
            })),
            box: { material: given.metal ? 'metal' : 'plastic', recorded: given.recorded },
            rules: { 'push-in': 'yes', 'ground-referenced': 'allowed' },
          })
          const bare = Object.fromEntries(
            Object.entries(record.ends).map(([id, end]) => [
              id,
              given.old || end.deviceId === null
                ? end
                : { ...end, seat: 'loose' as const, deviceId: null, terminal: null },
            ]),
          )
          const circuits = Object.fromEntries(
            Object.entries(record.circuits).map(([id, row]) => [
              id,
              { ...row, protection: given.protection },
            ]),
          )
          const devicesThere = given.old ? record.devices : {}
          const view = boxView({ ...record, circuits, ends: bare, devices: devicesThere }, 'box')!
          const routed = routeBox(view, trade)
          const judgement = checkPlace(view, 'box-1', trade).find(each => each.device.id === choice)!
          const [line] = judgement.lines.filter(({ rule }) => rule === 'ground')
          if (!routed.ok || !line) return
          const proof = prove(plannedCircuit(view, routed.value, trade))
          const broken = proof.kind === 'refuted' ? proof.counterexamples.map(each => each.property) : []
          // Only what replaces something, needs none by its sheet, and where all is recorded.
          const may = given.old && given.recorded && !devices[at]!.groundRequired
          const barred = given.grounds === 'none' && !may
          if (given.grounds === 'none')
            expect([choice, given, ['fits', 'fits-if'].includes(line.verdict)]).toEqual([choice, given, may])
          expect([choice, given, broken.includes('ground-reaches')]).toEqual([choice, given, barred])
          if (proof.kind !== 'not-decided' && !barred)
            expect(proof.groundless.length > 0).toBe(given.grounds === 'none')
          seen[given.grounds === 'each' ? 'grounded' : barred ? 'barred' : 'allowed']++
        },
      ),
      { numRuns: 900, seed: 20261129 },
    )
    for (const count of Object.values(seen)) expect(count).toBeGreaterThan(20)
  })
})
