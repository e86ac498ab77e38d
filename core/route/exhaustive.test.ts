import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import type { DeviceModel } from '../model/device'
import { deviceNamed } from '../model/trade'
import { prove } from '../prove'
import { plannedCircuit, routeTogether, setsFor } from '.'
import { chainOf } from '@/testing/route/chain'
import { everyWay } from '@/testing/route/every-way'
import { someOf } from '@/testing/times'

const OLD = deviceNamed(trade, 'old-two-place-switch')!
/** What bears on how a device is wired. */
const makeUp = (model: DeviceModel | null) =>
  model && [
    model.terminals.map(({ id, wants }) => [id, wants]),
    model.supply.map(({ kind }) => kind),
    model.signals.map(({ hears, passes }) => [hears, passes]),
    model.keepsSwitch,
    model.radio !== null,
  ]

/** One set of each make-up: main at the one place or the other, and what stands at the other. */
const sets = [
  ...new Map(
    setsFor(trade, 'north-america-120', [OLD, OLD]).map(set => [
      JSON.stringify(set.members.map(makeUp)),
      set,
    ]),
  ).values(),
]

const shapes = [1, 2].flatMap(between =>
  [0, 1].flatMap(fed =>
    [0, 1].flatMap(lit =>
      [true, false].map(neutrals => ({ count: 2, fed, lit, neutrals, spares: 0, between })),
    ),
  ),
)

describe('two boxes, held against every way to wire them', () => {
  it.each(sets.map(({ kind, members }, at) => [kind, members.map(model => model?.id ?? null), at] as const))(
    '%s %j: what is planned costs the least of all that prove; where nothing is planned, nothing proves',
    (_, choices, at) => {
      for (const shape of someOf(shapes, 15, at)) {
        const views = chainOf({ ...shape, choices })
        const routed = routeTogether(views, trade)
        const every = everyWay(views, trade, shape)
        const words = JSON.stringify({ shape, every, routed: routed.ok ? routed.value.cost : routed.faults })
        if (routed.ok) {
          const [first] = routed.value.boxes
          expect(prove(plannedCircuit(first!.view, first!.routed, trade)).kind, words).toBe('proven')
          expect(every.leastCost, words).toBe(routed.value.cost)
        } else expect(every.proven, words).toBe(0)
      }
    },
  )
})
