import { beforeAll, describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { quillbackRoad } from '@/demo/quillback'
import { highsSolver } from '@/workers/highs'
import { randomFrom } from '@/testing/identify/hidden'
import {
  choicesOf,
  PROPOSALS,
  propose,
  scoreOf,
  totalsOf,
  WEIGHTS,
  type LightChoices,
  type LightOption,
  type Proposal,
  type Solver,
} from '.'

const SECONDS = 5
let solve: Solver
beforeAll(async () => {
  solve = await highsSolver()
})

/** A made-up house: so many lights and options, two lights a room. */
function house(seed: number, lights: number, options: number): LightChoices[] {
  const random = randomFrom(seed)
  const some = (count: number) => Math.floor(random() * count)
  const models = Array.from({ length: options }, (_, at) => ({
    id: `model-${at}`,
    price: 5 + some(120),
    minutes: 15 + some(30),
    system: at % 4 === 0 ? [`system-${at % 3}`] : [],
    opening: at % 3 === 0 ? ('toggle' as const) : ('wide' as const),
  }))
  return Array.from({ length: lights }, (_, at) => ({
    groupId: `light-${at}`,
    name: `Light ${at}`,
    places: [],
    chosen: null,
    waiting: 0,
    waitsFor: [],
    options: models.flatMap((model): LightOption[] =>
      random() < 0.7
        ? [
            {
              id: model.id,
              members: [model.id],
              verdict: 'fits',
              parts: [],
              price: model.price + some(9),
              minutes: model.minutes,
              changes: 1,
              kinds: [model.id],
              systems: model.system,
              openings: [{ roomId: `room-${at >> 1}`, opening: model.opening }],
            },
          ]
        : [],
    ),
  }))
}

const taken = (lights: readonly LightChoices[], { taken: by }: Proposal): LightOption[] =>
  lights.flatMap(({ groupId, options }) => options.find(({ id }) => id === by[groupId]) ?? [])

/** The best there is, by trying all. */
function best(
  lights: readonly LightChoices[],
  weights: (typeof WEIGHTS)['best-match'],
  budget: number | null,
) {
  let least = Infinity
  const go = (at: number, so: readonly LightOption[]): void => {
    if (at === lights.length) {
      if (budget === null || totalsOf(so).price <= budget + 1e-9)
        least = Math.min(least, scoreOf(so, weights))
      return
    }
    for (const option of lights[at]!.options) go(at + 1, [...so, option])
  }
  go(0, [])
  return least
}

describe('the whole house at once', () => {
  it('is the best there is: of small houses, beside trying all (seeds 1 to 12)', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const lights = house(seed, 4, 7)
      for (const kind of PROPOSALS)
        for (const budget of [null, 180]) {
          const least = best(lights, WEIGHTS[kind], budget)
          const answer = propose({ lights, locks: {}, budget, weights: WEIGHTS[kind] }, solve, SECONDS)
          if (least === Infinity) {
            expect(answer.kind).toBe('over-budget')
            continue
          }
          if (answer.kind !== 'proposed') throw new Error(`seed ${seed}: ${answer.kind}`)
          expect(scoreOf(taken(lights, answer.proposal), WEIGHTS[kind]), `seed ${seed} ${kind}`).toBeCloseTo(
            least,
            2,
          )
          expect(answer.proposal.gap).toBeLessThan(0.01)
          if (budget !== null) expect(answer.proposal.totals.price).toBeLessThanOrEqual(budget)
        }
    }
  })

  it('keeps to what is held on to, and says the least it costs where the budget is too small', () => {
    const lights = house(3, 6, 8)
    const locks = { 'light-2': lights[2]!.options.at(-1)!.id }
    const answer = propose({ lights, locks, budget: null, weights: WEIGHTS['best-match'] }, solve, SECONDS)
    expect(answer.kind === 'proposed' && answer.proposal.taken['light-2']).toBe(locks['light-2'])
    expect(propose({ lights, locks: {}, budget: 1, weights: WEIGHTS['least-cost'] }, solve, SECONDS)).toEqual(
      {
        kind: 'over-budget',
        least: lights.reduce((sum, { options }) => sum + Math.min(...options.map(({ price }) => price)), 0),
      },
    )
  })

  it('each proposal is the best of the three in what it is after', () => {
    const lights = house(5, 20, 20)
    const totals = PROPOSALS.map(kind => {
      const answer = propose({ lights, locks: {}, budget: null, weights: WEIGHTS[kind] }, solve, SECONDS)
      if (answer.kind !== 'proposed') throw new Error(answer.kind)
      return answer.proposal.totals
    })
    const [cost, disturbance, match] = totals as [(typeof totals)[0], (typeof totals)[0], (typeof totals)[0]]
    expect(cost.price).toBeLessThanOrEqual(Math.min(disturbance.price, match.price))
    expect(disturbance.minutes).toBeLessThanOrEqual(Math.min(cost.minutes, match.minutes))
    expect(match.kinds).toBeLessThanOrEqual(Math.min(cost.kinds, disturbance.kinds))
    expect(match.mixedRooms).toBeLessThanOrEqual(cost.mixedRooms)
  })

  it('says why a dearer one was taken: the cheapest would have added a kind, a system, a room of two plates', () => {
    const lights = house(7, 12, 12)
    const answer = propose(
      { lights, locks: {}, budget: null, weights: WEIGHTS['best-match'] },
      solve,
      SECONDS,
    )
    if (answer.kind !== 'proposed') throw new Error(answer.kind)
    const { reasons } = answer.proposal
    expect(reasons.length).toBeGreaterThan(0)
    for (const { dearerBy, because } of reasons) {
      expect(dearerBy).toBeGreaterThan(0)
      expect(because.length).toBeGreaterThan(0)
    }
  })

  it('sixty lights and sixty devices: the best, or one that is at most 1 % from it', () => {
    const lights = house(11, 60, 60)
    for (const kind of PROPOSALS) {
      const answer = propose({ lights, locks: {}, budget: 3000, weights: WEIGHTS[kind] }, solve, SECONDS)
      if (answer.kind !== 'proposed') throw new Error(answer.kind)
      expect(Object.keys(answer.proposal.taken)).toHaveLength(60)
      expect(answer.proposal.gap).toBeLessThanOrEqual(0.01)
    }
  })

  it('the demo house: every light that something fits is answered, sets and single ones', () => {
    const record = quillbackRoad()
    const lights = choicesOf(record, trade)
    expect(lights.length).toBe(Object.keys(record.groups).length)
    const answer = propose(
      { lights, locks: {}, budget: null, weights: WEIGHTS['least-cost'] },
      solve,
      SECONDS,
    )
    if (answer.kind !== 'proposed') throw new Error(answer.kind)
    const open = lights.filter(({ options }) => options.length > 0)
    expect(Object.keys(answer.proposal.taken)).toHaveLength(open.length)
    expect(open.length).toBeGreaterThan(5)
  })
})
