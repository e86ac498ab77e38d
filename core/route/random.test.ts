import { describe, expect, it } from 'vitest'
import { lot } from '@/testing/model/lot'
import { TIMES } from '@/testing/times'
import { trade } from '@/catalogue'
import type { DeviceModel } from '../model/device'
import { tiedBoxes } from '../job/tied'
import type { JobRecord } from '../model/record'
import { deviceNamed } from '../model/trade'
import type { RegionId, Wish } from '../model/vocabulary'
import { prove } from '../prove'
import {
  circuitOfPlan,
  isTied,
  nextBest,
  plannedCircuit,
  routeAll,
  routeBox,
  routedTogether,
  routeTogether,
  setsFor,
  wishesFor,
} from '.'
import { boxesOfLaw } from '@/testing/route/colour-law'
import { chainOf, type Chain } from '@/testing/route/chain'

const REGIONS: readonly RegionId[] = ['north-america-120', 'north-america-120', 'europe-230']

/** A group of 1 to 5 boxes, fed and lit anywhere, with devices that make a set or that were drawn at random. */
function groupOf(seed: number): Chain {
  const draw = lot(seed)
  const count = 1 + draw(5)
  const region = REGIONS[draw(3)]!
  const loop = ([undefined, undefined, undefined, 'two-wire', 'three-wire'] as const)[draw(5)]
  const lit = draw(count)
  const laid = (['line', 'line', 'line', 'star', 'ring'] as const)[draw(5)]!
  const shape = {
    count,
    shape: laid,
    region,
    loop,
    lit,
    fed: loop ? lit : draw(count),
    neutrals: draw(3) > 0,
    spares: draw(3),
    ...(draw(4) === 0 ? { between: 1 + draw(4) } : {}),
  }
  const kept = Array.from({ length: count }, () => null)
  const found = chainOf({ ...shape, choices: kept }).map(
    view => deviceNamed(trade, view.places[0]!.found!.modelId) ?? null,
  )
  const all: readonly DeviceModel[] = trade.devices.filter(
    ({ stock, regions }) => stock === 'new' && regions.includes(region),
  )
  const sets = count === 1 ? [] : setsFor(trade, region, found)
  const set = sets.length > 0 && draw(8) > 0 ? sets[draw(sets.length)]!.members : null
  const choices = set
    ? set.map(model => model?.id ?? null)
    : kept.map(() => (draw(5) === 0 ? null : all[draw(all.length)]!.id))
  return { ...shape, choices }
}

const withWishes = (record: JobRecord, wishes: ReadonlyMap<string, Wish>): JobRecord => ({
  ...record,
  conductors: {
    ...record.conductors,
    ...Object.fromEntries([...wishes].map(([id, wish]) => [id, { ...record.conductors[id]!, wish }])),
  },
})

const SEEDS = 600 * TIMES

describe(`groups of 1 to 5 boxes with devices of every kind, seeds 1 to ${SEEDS}`, () => {
  it('each plan proves and keeps the colour laws; each refusal names a code and a place', () => {
    const faults: string[] = []
    const planned = new Map<string, number>()
    const refused = new Map<string, number>()
    const count = (into: Map<string, number>, key: string) => into.set(key, (into.get(key) ?? 0) + 1)
    const kinds = new Set<string>()
    const laid = new Map<string, number>()
    let others = 0
    let taken = 0
    for (let seed = 1; seed <= SEEDS; seed++) {
      const group = groupOf(seed)
      const views = chainOf(group)
      const [first] = views
      const routed = routeAll(first!.record, first!.box.id, trade)
      if (!routed.ok) {
        for (const { code, path } of routed.faults) {
          count(refused, code)
          if (!path.startsWith('/')) faults.push(`seed ${seed}: ${code} names no place`)
        }
        continue
      }
      count(planned, `${group.count}`)
      if (group.count > 2) count(laid, group.shape ?? 'line')
      for (const id of group.choices) if (id) kinds.add(id)
      const own = routeBox(first!, trade)
      if (!own.ok) throw new Error(own.faults[0]!.message)
      const proof = prove(plannedCircuit(first!, own.value, trade))
      const says =
        proof.kind === 'refuted'
          ? proof.counterexamples.map(({ property, says: why }) => `${property} ${why}`).join('; ')
          : proof.kind
      if (says !== 'proven') faults.push(`seed ${seed}: ${JSON.stringify(group)}: ${says}`)
      const runnerUp = seed % 5 === 0 && isTied(first!) ? nextBest(views, trade) : null
      if (runnerUp) {
        others++
        if (runnerUp.cost < (routedTogether(first!, trade) as { value: { cost: number } }).value.cost)
          faults.push(`seed ${seed}: the runner-up costs less`)
        const nets = (boxes: typeof runnerUp.boxes) => JSON.stringify(boxes.map(each => each.routed.netOfEnd))
        const [best] = [routedTogether(first!, trade)]
        if (best.ok && JSON.stringify(best.value.schemes) === JSON.stringify(runnerUp.schemes))
          if (nets(best.value.boxes) === nets(runnerUp.boxes))
            faults.push(`seed ${seed}: the runner-up is the same`)
        const [plan] = [routedTogether(first!, trade)]
        const wishes = plan.ok ? wishesFor(runnerUp, plan.value) : new Map<string, Wish>()
        if (wishes.size > 0) {
          taken++
          const taking = routeTogether(tiedBoxes(withWishes(first!.record, wishes), 'box0'), trade)
          const now = taking.ok && plan.ok ? wishesFor(taking.value, plan.value) : null
          if (!now || [...wishes].some(([conductor, wish]) => now.get(conductor) !== wish))
            faults.push(`seed ${seed}: the runner-up is wanted, and not taken`)
        }
        const other = prove(circuitOfPlan(runnerUp, trade))
        if (other.kind !== 'proven') faults.push(`seed ${seed}: the runner-up is ${other.kind}`)
        for (const broken of boxesOfLaw(
          views,
          runnerUp.boxes.map(each => each.routed),
        ))
          faults.push(`seed ${seed}, runner-up: ${broken}`)
      }
      for (const broken of boxesOfLaw(views, routed.value)) faults.push(`seed ${seed}: ${broken}`)
    }
    expect(faults.slice(0, 4)).toEqual([])
    for (const boxes of ['1', '2', '3', '4', '5'])
      expect(planned.get(boxes) ?? 0, boxes).toBeGreaterThan(SEEDS / 32)
    for (const shape of ['line', 'star', 'ring'])
      expect(laid.get(shape) ?? 0, shape).toBeGreaterThan(SEEDS / 40)
    expect(others).toBeGreaterThan(SEEDS / 40)
    expect(taken).toBeGreaterThan(SEEDS / 80)
    expect(kinds.size).toBeGreaterThan(45)
    expect(refused.get('net-missing') ?? 0).toBeGreaterThan(SEEDS / 80)
    expect(refused.get('too-few-conductors') ?? 0).toBeGreaterThan(SEEDS / 160)
    expect(refused.get('no-set') ?? 0).toBeGreaterThan(SEEDS / 80)
  })
})
