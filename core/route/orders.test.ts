import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { chainOf, type Chain } from '@/testing/route/chain'
import { lot } from '@/testing/model/lot'
import { routeTogether } from '.'
import { plannedDevices } from './route-box'
import { nextBest } from './tied-boxes'
import { carryingCost } from './carry'
import { ordersBetween } from './orders'
import type { PlannedDevice } from './planned'
import { Puzzle } from './puzzle'
import { schemesOf } from './schemes'
import { rowOf } from '@/testing/route/row'

/** A light of four or five places, fed and lit anywhere, old switches kept at some of them. */
function drawn(seed: number): Chain {
  const draw = lot(seed)
  const count = 4 + draw(2)
  const ends = [draw(count), draw(count)]
  if (ends[0] === ends[1]) ends[1] = (ends[0]! + 1) % count
  return {
    count,
    shape: (['line', 'star', 'ring'] as const)[draw(3)]!,
    fed: draw(count),
    lit: draw(count),
    neutrals: draw(2) === 0,
    spares: draw(3),
    between: 2 + draw(4),
    seated: draw(2) === 0,
    choices: Array.from({ length: count }, (_, at) =>
      ends.includes(at) ? 'switch-two-place-20' : 'switch-middle-20',
    ),
  }
}

const permuted = <Item>(items: readonly Item[]): Item[][] =>
  items.length === 0
    ? [[]]
    : items.flatMap(first => permuted(items.filter(each => each !== first)).map(rest => [first, ...rest]))

describe('the order of switches along their travellers', () => {
  it('costs what the least of all orders costs, each tried by itself (seeds 1 to 25)', () => {
    const met = { routed: 0, refused: 0, several: 0 }
    for (let seed = 1; seed <= 25; seed++) {
      const views = chainOf(drawn(seed))
      const routed = routeTogether(views, trade)
      const puzzle = new Puzzle(
        views.map(view => ({ view, devices: plannedDevices(view, trade, []) })),
        trade,
      )
      const [light] = puzzle.lights()
      // With nothing known of what runs between them, every order is as likely as any other.
      const blind = { ...puzzle.between(() => Infinity), edges: [] }
      const all = [...schemesOf(light!.devices, puzzle.netsOf(light!.groupId), blind)]
      const middles = light!.devices.length - 2
      expect(all).toHaveLength(2 * (middles === 2 ? 2 : 6))
      const costs = all
        .flatMap(scheme => {
          const carried = puzzle.carried([scheme], 1, Infinity)
          return carried.ok ? carried.value.map(({ cost }) => cost) : []
        })
        .sort((a, b) => a - b)
      if (!routed.ok) {
        met.refused++
        expect(costs, `seed ${seed}`).toEqual([])
        continue
      }
      met.routed++
      expect(routed.value.cost, `seed ${seed}`).toBe(costs[0])
      if (new Set(costs).size > 1) met.several++
      expect(nextBest(views, trade)?.cost ?? Infinity, `seed ${seed}`).toBeLessThanOrEqual(
        costs[1] ?? Infinity,
      )
    }
    expect(met.routed).toBeGreaterThan(9)
    expect(met.several).toBeGreaterThan(5)
    expect(met.refused).toBeGreaterThan(1)
  })

  it('all that cost less than asked come, the least first, no more pairs over a cable than it takes (seeds 1 to 200)', () => {
    const met = { all: 0, dear: 0, none: 0 }
    for (let seed = 1; seed <= 200; seed++) {
      const chain = {
        ...drawn(seed),
        shape: (['line', 'star'] as const)[seed % 2]!,
        between: 2 + (seed % 5),
      }
      const views = chainOf(chain)
      const puzzle = new Puzzle(
        views.map(view => ({ view, devices: plannedDevices(view, trade, []) })),
        trade,
      )
      const [light] = puzzle.lights()
      const ends = light!.devices.filter(({ model }) => model.id === 'switch-two-place-20')
      const middles = light!.devices.filter(each => !ends.includes(each))
      const upTo = (limit: number) => [
        ...ordersBetween(
          ends[0]!,
          middles,
          ends[1]!,
          puzzle.between(() => limit),
        ),
      ]
      const all = upTo(Infinity)
      const names = all.map(({ devices }) => devices.map(({ placeId }) => placeId).join())
      expect(new Set(names).size, `seed ${seed}`).toBe(all.length)
      const at = new Map(light!.devices.map((device, index) => [device, index]))
      // Along a row from each box to the next, round a star over the first.
      const links = (from: number, to: number): number[] =>
        chain.shape === 'star'
          ? [from, to].filter(box => from !== to && box !== 0)
          : Array.from({ length: Math.abs(from - to) }, (_, hop) => Math.min(from, to) + hop + 1)
      const room = (link: number) =>
        puzzle.edges
          .find(({ boxes }) => boxes.join() === `box${chain.shape === 'star' ? 0 : link - 1},box${link}`)!
          .runners.filter(runner => carryingCost(runner, 'traveller:any:1a', trade.routeCosts) < Infinity)
          .length
      const fits = (devices: readonly PlannedDevice[]) => {
        const over = devices.slice(1).flatMap((each, hop) => links(at.get(devices[hop]!)!, at.get(each)!))
        return over.every(link => 2 * over.filter(other => other === link).length <= room(link))
      }
      const every = permuted(middles).filter(between => fits([ends[0]!, ...between, ends[1]!]))
      if (every.length === 0) {
        met.none++
        expect(all, `seed ${seed}`).toHaveLength(1)
        continue
      }
      met.all += all.length
      expect(new Set(names), `seed ${seed}`).toEqual(
        new Set(every.map(between => [ends[0]!, ...between, ends[1]!].map(({ placeId }) => placeId).join())),
      )
      const costs = all.map(({ least }) => least)
      met.dear += new Set(costs).size - 1
      expect(costs).toEqual([...costs].sort((a, b) => a - b))
      for (const limit of new Set(costs)) {
        const dear = costs.filter(cost => cost < limit).length
        expect(upTo(limit), `seed ${seed} below ${limit}`).toEqual(all.slice(0, dear))
      }
    }
    expect(met.all).toBeGreaterThan(60)
    expect(met.dear).toBeGreaterThan(10)
    expect(met.none).toBeGreaterThan(2)
  })

  it('of sixteen places one after another goes from each to the next', () => {
    const routed = routeTogether(chainOf(rowOf(16)), trade)
    if (!routed.ok) throw new Error(routed.faults[0]!.message)
    const [scheme] = routed.value.schemes
    const hops = routed.value.boxes.map(({ view }) =>
      [
        ...new Set(
          Object.entries(scheme!.nets).flatMap(([key, net]) =>
            key.startsWith(`${view.places[0]!.place.id}.`) && net.startsWith('traveller:')
              ? [Number(/(\d+)[ab]$/.exec(net)![1])]
              : [],
          ),
        ),
      ].sort((a, b) => a - b),
    )
    const along = Array.from({ length: 16 }, (_, at) => [at, at + 1].filter(hop => hop >= 1 && hop <= 15))
    expect([hops, hops.toReversed()]).toContainEqual(along)
  })
})
