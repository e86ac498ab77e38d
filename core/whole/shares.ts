import type { LightChoices, LightOption, OptionPart } from './options'
import type { Proposal, Totals } from './proposal'

/** What of a proposal goes where: money in the region's own, minutes of work. */
export interface Share {
  readonly key: string
  readonly price: number
  readonly minutes: number
}

/** What is taken of each light, in their order. */
const takenIn = (lights: readonly LightChoices[], { taken }: Proposal): LightOption[] =>
  lights.flatMap(({ groupId, options }) => options.find(({ id }) => id === taken[groupId]) ?? [])

/** A proposal's parts added up by a key, the dearest first; together they are its price and its minutes. */
export function sharesOf(
  lights: readonly LightChoices[],
  proposal: Proposal,
  keyOf: (part: OptionPart) => string,
): Share[] {
  const shares = new Map<string, Share>()
  for (const part of takenIn(lights, proposal).flatMap(({ parts }) => parts)) {
    const key = keyOf(part)
    const before = shares.get(key) ?? { key, price: 0, minutes: 0 }
    shares.set(key, { key, price: before.price + part.price, minutes: before.minutes + part.minutes })
  }
  return [...shares.values()].sort((a, b) => b.price - a.price || b.minutes - a.minutes)
}

/** From one proposal to another: the lights for which something else is taken, and what all of it changes. */
export interface ProposalStep {
  readonly lights: readonly {
    readonly groupId: string
    readonly from: string
    readonly to: string
    readonly dearerBy: number
  }[]
  /** The other's figures less the one's. */
  readonly change: Totals
}

export function stepBetween(lights: readonly LightChoices[], one: Proposal, other: Proposal): ProposalStep {
  const keys = Object.keys(one.totals) as (keyof Totals)[]
  return {
    lights: lights.flatMap(({ groupId, options }) => {
      const [from, to] = [one, other].map(({ taken }) => options.find(({ id }) => id === taken[groupId]))
      return from && to && from.id !== to.id
        ? [{ groupId, from: from.id, to: to.id, dearerBy: to.price - from.price }]
        : []
    }),
    change: Object.fromEntries(
      keys.map(key => [key, other.totals[key] - one.totals[key]]),
    ) as unknown as Totals,
  }
}
