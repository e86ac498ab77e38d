import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { lot } from '@/testing/model/lot'
import { assignments, carryingCost, edgesOf, leastAnyhow, leastCost, type Edge } from './carry'
import { chainOf } from '@/testing/route/chain'

/** Two boxes with one cable of three coloured conductors and a white. */
function edge(): Edge {
  const views = chainOf({ count: 2, fed: 0, lit: 0, neutrals: true, spares: 0, choices: [null, null] })
  return edgesOf(views)[0]!
}

/** The same conductors, the last two of them in a cable of their own. */
function inTwoCables(): Edge {
  const { boxes, runners } = edge()
  return {
    boxes,
    runners: runners.map((runner, at) =>
      at < 2
        ? runner
        : {
            ...runner,
            a: { ...runner.a, each: { ...runner.a.each, cable: { ...runner.a.each.cable, id: 'second' } } },
          },
    ),
  }
}

const one = () => 'same'
const colour = ({ a }: Edge['runners'][number]) => a.each.conductor.insulation
const least = (edge: Edge, nets: readonly string[], circuitOf: (net: string) => string = one) =>
  assignments(edge, nets, trade.routeCosts, circuitOf, colour)[0]!

const cablesOf = ({ runners }: Edge, netOf: ReadonlyMap<string, string>) =>
  new Set(runners.filter(({ conductorId }) => netOf.has(conductorId)).map(({ a }) => a.each.cable.id))

describe('what conductors between two boxes carry', () => {
  it('a current’s way there and back stay in one cable where one has room, whatever else it costs', () => {
    const two = inTwoCables()
    const found = least(two, ['line:7', 'signal:light'])
    expect(cablesOf(two, found.netOf).size).toBe(1)
    const single = least(edge(), ['line:7', 'signal:light'])
    expect(found.cost).toBeGreaterThanOrEqual(single.cost)
  })

  it('two circuits may each have a cable of their own', () => {
    const two = inTwoCables()
    const own = (net: string) => net.slice(net.indexOf(':') + 1)
    const nets = ['line:7', 'line:9']
    const costs = assignments(two, nets, trade.routeCosts, own, colour).map(({ cost, netOf }) => [
      cablesOf(two, netOf).size,
      cost,
    ])
    const [apart] = costs.filter(([cables]) => cables === 2).map(([, cost]) => cost)
    const [shared] = assignments(two, nets, trade.routeCosts, one, colour)
      .filter(({ netOf }) => cablesOf(two, netOf).size === 2)
      .map(({ cost }) => cost)
    expect(apart! + trade.routeCosts.anotherCable).toBe(shared)
  })

  it('of conductors that are alike the first goes first, and the others are not tried', () => {
    const { boxes, runners } = edge()
    const [black] = runners
    const twin: Edge = { boxes, runners: [black!, { ...black!, conductorId: 'twin' }] }
    const ways = assignments(twin, ['line:7'], trade.routeCosts, one, colour)
    expect(ways.map(({ netOf }) => [...netOf.keys()])).toEqual([[black!.conductorId]])
    expect(
      assignments(twin, ['line:7', 'load:light', 'signal:light'], trade.routeCosts, one, colour),
    ).toEqual([])
  })

  it('where none has room both are used, and that costs', () => {
    const two = inTwoCables()
    const nets = ['line:7', 'load:light', 'signal:light']
    const found = least(two, nets)
    expect(cablesOf(two, found.netOf).size).toBe(2)
    expect(found.cost).toBe(least(edge(), nets).cost + trade.routeCosts.anotherCable)
  })
})

/** Every way there is, reckoned conductor by conductor once all are seated. */
function allCosts({ runners }: Edge, nets: readonly string[], circuitOf: (net: string) => string): number[] {
  const ways = (seated: readonly number[]): number[][] =>
    seated.length === nets.length
      ? [[...seated]]
      : runners.flatMap((_, at) => (seated.includes(at) ? [] : ways([...seated, at])))
  return ways([])
    .map(seated => {
      let cost = 0
      const cables = new Map<string, Set<string>>()
      seated.forEach((at, net) => {
        const own = cables.get(circuitOf(nets[net]!)) ?? new Set()
        cables.set(circuitOf(nets[net]!), own.add(runners[at]!.a.each.cable.id))
        cost += carryingCost(runners[at]!, nets[net]!, trade.routeCosts)
      })
      for (const own of cables.values()) cost += (own.size - 1) * trade.routeCosts.anotherCable
      runners.forEach(({ a }, at) => {
        const { wish } = a.each.conductor
        if (!seated.includes(at) && wish !== null && wish !== 'nothing') cost += trade.routeCosts.againstWish
      })
      return cost
    })
    .filter(cost => cost < Infinity)
    .sort((a, b) => a - b)
}

/** Up to six conductors in up to three cables, of any colour, found as anything, some wanted for something. */
function grown(draw: (most: number) => number): Edge {
  const { boxes, runners } = edge()
  const pick = <Item>(items: readonly Item[]): Item => items[draw(items.length)]!
  const cables = 1 + draw(3)
  return {
    boxes,
    runners: Array.from({ length: 1 + draw(6) }, (_, at) => {
      const { a, b } = pick(runners)
      const conductor = {
        ...a.each.conductor,
        id: `conductor ${at}`,
        insulation: pick(['black', 'red', 'white', 'blue'] as const),
        wish: pick([null, null, null, 'line', 'nothing'] as const),
        unfit: draw(12) === 0,
      }
      const cable = { ...a.each.cable, id: `cable ${draw(cables)}` }
      const end = { ...a.each.end, role: pick(['line', 'traveller', 'neutral', 'spare', null] as const) }
      const seat = (of: typeof a) => ({ ...of, each: { ...of.each, conductor, cable, end } })
      return { conductorId: conductor.id, a: seat(a), b: seat(b) }
    }),
  }
}

it('all ways are found, none costs less, and no bound is above any (1,500 pairs of boxes, held against every way)', () => {
  const nets = ['line:7', 'line:9', 'load:light', 'neutral:7', 'neutral:9', 'signal:light']
  const circuitOf = (net: string) => net.replace(/.*:/, '').replace('light', '7')
  let [several, none] = [0, 0]
  for (let seed = 1; seed <= 1500; seed++) {
    const draw = lot(seed)
    const drawn = grown(draw)
    const wanted = nets.filter(() => draw(2) === 0)
    const all = allCosts(drawn, wanted, circuitOf)
    const least = all[0] ?? Infinity
    expect(leastCost(drawn, wanted, trade.routeCosts, circuitOf), `seed ${seed}`).toBe(least)
    expect(leastAnyhow(drawn, wanted, trade.routeCosts), `seed ${seed}`).toBeLessThanOrEqual(least)
    const over = draw(6)
    const each = ({ conductorId }: Edge['runners'][number]) => conductorId
    expect(
      assignments(drawn, wanted, trade.routeCosts, circuitOf, each, over).map(({ cost }) => cost),
      `seed ${seed}`,
    ).toEqual(all.filter(cost => cost <= least + over))
    if (all.length > 1) several++
    if (all.length === 0) none++
  }
  expect(several).toBeGreaterThan(500)
  expect(none).toBeGreaterThan(60)
})
