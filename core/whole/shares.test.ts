import { beforeAll, describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { quillbackRoad } from '@/demo/quillback'
import { highsSolver } from '@/workers/highs'
import { deviceNamed } from '../model/trade'
import {
  choicesOf,
  PROPOSALS,
  propose,
  sharesOf,
  stepBetween,
  WEIGHTS,
  type LightChoices,
  type Proposal,
} from '.'

let lights: readonly LightChoices[]
let proposals: readonly Proposal[]
beforeAll(async () => {
  lights = choicesOf(quillbackRoad(), trade)
  const solve = await highsSolver()
  proposals = PROPOSALS.map(kind => {
    const proposed = propose({ lights, locks: {}, budget: null, weights: WEIGHTS[kind] }, solve, 5)
    if (proposed.kind !== 'proposed') throw new Error(kind)
    return proposed.proposal
  })
})

describe('where the money of a proposal goes', () => {
  it('an option costs what its devices cost, and the cures beside them; each part lies at a box of its light', () => {
    let cured = 0
    for (const { options, places } of lights)
      for (const { members, parts, price, minutes } of options) {
        const devices = members.flatMap(id => (id === null ? [] : [deviceNamed(trade, id)!]))
        const cures = parts.filter(({ modelId }) => modelId === null)
        cured += cures.length
        const sum = (of: readonly { price: number; minutes: number }[], what: 'price' | 'minutes') =>
          of.reduce((so, each) => so + each[what], 0)
        expect(price).toBeCloseTo(sum(devices, 'price') + sum(cures, 'price'), 9)
        expect(minutes).toBeCloseTo(sum(devices, 'minutes') + sum(cures, 'minutes'), 9)
        for (const { boxId } of parts) expect(places.map(place => place.boxId)).toContain(boxId)
      }
    expect(cured).toBeGreaterThan(0)
  })

  it('by whatever it is parted, the parts are its price and its minutes', () => {
    for (const proposal of proposals)
      for (const keyOf of [
        ({ boxId }: { boxId: string }) => boxId,
        ({ modelId }: { modelId: string | null }) => modelId ?? 'cures',
        () => 'all',
      ]) {
        const shares = sharesOf(lights, proposal, keyOf)
        expect(new Set(shares.map(({ key }) => key)).size).toBe(shares.length)
        expect(shares.reduce((so, { price }) => so + price, 0)).toBeCloseTo(proposal.totals.price, 9)
        expect(shares.reduce((so, { minutes }) => so + minutes, 0)).toBeCloseTo(proposal.totals.minutes, 9)
      }
  })

  it('the demo house stands far enough on: 15 lights have something that fits, and the proposals differ', () => {
    expect(lights.filter(({ options }) => options.length > 0).length).toBeGreaterThanOrEqual(15)
    const totals = proposals.map(each => JSON.stringify(each.totals))
    expect(new Set(totals).size).toBe(PROPOSALS.length)
  })

  it('a step from one to the other names each light that differs, and all that it changes', () => {
    const [cheap] = proposals
    for (const other of proposals) {
      const step = stepBetween(lights, cheap!, other)
      const differing = lights.filter(({ groupId }) => cheap!.taken[groupId] !== other.taken[groupId])
      expect(step.lights.map(({ groupId }) => groupId)).toEqual(differing.map(({ groupId }) => groupId))
      expect(step.lights.reduce((so, { dearerBy }) => so + dearerBy, 0)).toBeCloseTo(
        other.totals.price - cheap!.totals.price,
        9,
      )
      for (const key of Object.keys(step.change) as (keyof typeof step.change)[])
        expect(step.change[key]).toBeCloseTo(other.totals[key] - cheap!.totals[key], 9)
    }
  })
})
