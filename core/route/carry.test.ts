import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { assignments, edgesOf, type Edge } from './carry'
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
