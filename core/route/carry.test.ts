import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { assigned, edgesOf, type Edge } from './carry'
import { chainOf } from './testing/chain'

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

const cablesOf = ({ runners }: Edge, netOf: ReadonlyMap<string, string>) =>
  new Set(runners.filter(({ conductorId }) => netOf.has(conductorId)).map(({ a }) => a.each.cable.id))

describe('what conductors between two boxes carry', () => {
  it('a current’s way there and back stay in one cable where one has room, whatever else it costs', () => {
    const two = inTwoCables()
    const found = assigned(two, ['line:7', 'signal:light'], trade.routeCosts)!
    expect(cablesOf(two, found.netOf).size).toBe(1)
    const one = assigned(edge(), ['line:7', 'signal:light'], trade.routeCosts)!
    expect(found.cost).toBeGreaterThanOrEqual(one.cost)
  })

  it('where none has room both are used, and that costs', () => {
    const two = inTwoCables()
    const nets = ['line:7', 'load:light', 'signal:light']
    const found = assigned(two, nets, trade.routeCosts)!
    expect(cablesOf(two, found.netOf).size).toBe(2)
    expect(found.cost).toBe(assigned(edge(), nets, trade.routeCosts)!.cost + trade.routeCosts.anotherCable)
  })
})
