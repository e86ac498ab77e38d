import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { deviceNamed } from '../model/trade'
import type { RegionId } from '../model/vocabulary'
import { prove } from '../prove'
import { plannedCircuit, routeTogether, setsFor } from '.'
import { chainOf, type Chain } from '@/testing/route/chain'
import { TIMES } from '@/testing/times'

const REGIONS: readonly RegionId[] = ['north-america-120', 'europe-230']

/** Every chain of 2 to 4 boxes, fed and lit anywhere, with and without neutrals and a spare, with every set. */
function* everyChain(): Generator<Chain & { readonly kind: string }> {
  for (const region of REGIONS)
    for (const count of [2, 3, 4]) {
      const shapes = everyShape(count)
      const [first] = shapes
      const found = chainOf({ ...first!, region, choices: Array.from({ length: count }, () => null) }).map(
        view => deviceNamed(trade, view.places[0]!.found!.modelId) ?? null,
      )
      const sets = setsFor(trade, region, found)
      for (const [at, shape] of shapes.entries())
        for (const [index, set] of sets.entries()) {
          // Of the many of four places some, spread evenly.
          if (count === 4 && (at + index) % (TIMES > 1 ? 5 : 180) !== 0) continue
          yield { ...shape, region, kind: set.kind, choices: set.members.map(model => model?.id ?? null) }
        }
    }
}

const everyShape = (count: number): Omit<Chain, 'choices'>[] =>
  Array.from({ length: count }, (_, at) => at).flatMap(fed =>
    Array.from({ length: count }, (_, at) => at).flatMap(lit =>
      [true, false].flatMap(neutrals => [0, 1].map(spares => ({ count, fed, lit, neutrals, spares }))),
    ),
  )

describe('boxes that hang together, routed as one', () => {
  it('every plan proves, and every kind of set is planned and refused somewhere', () => {
    const planned = new Map<string, number>()
    const refused = new Map<string, number>()
    const faults: string[] = []
    const count = (into: Map<string, number>, key: string) => into.set(key, (into.get(key) ?? 0) + 1)
    for (const { kind, ...chain } of everyChain()) {
      const views = chainOf(chain)
      const routed = routeTogether(views, trade)
      if (!routed.ok) {
        count(refused, kind)
        continue
      }
      count(planned, kind)
      for (const { view, routed: box } of routed.value.boxes)
        for (const joint of box.joints)
          if (joint.connectors.length === 0 || joint.endIds.length === 0)
            faults.push(`${JSON.stringify(chain)}: ${view.box.name}: ${joint.netId} joins nothing`)
      const [first] = routed.value.boxes
      const proof = prove(plannedCircuit(first!.view, first!.routed, trade))
      if (proof.kind !== 'proven')
        faults.push(
          `${JSON.stringify(chain)}: ${proof.kind === 'refuted' ? proof.counterexamples.map(each => `${each.property} ${each.says}`).join('; ') : proof.kind}`,
        )
    }
    expect(faults.slice(0, 5)).toEqual([])
    for (const kind of ['two-way', 'companions', 'kept-switch', 'linked'])
      expect(planned.get(kind) ?? 0, kind).toBeGreaterThan(20)
    expect([...refused.values()].reduce((sum, each) => sum + each, 0)).toBeGreaterThan(100)
  })
})
