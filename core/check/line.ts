import type { SmallPart } from '../model/small-part'
import { rounded } from '../model/units'
import type { LineRule, Stage } from '../model/vocabulary'

export const VERDICTS = ['fits', 'fits-if', 'not-known', 'does-not-fit'] as const
export type Verdict = (typeof VERDICTS)[number]

/** A way out: what it takes, in money of the region and minutes of work. */
export interface Cure {
  readonly id: string
  readonly says: string
  readonly price: number
  readonly minutes: number
  /** Cured in this visit at this box or its lamps, without another device or another load total. */
  readonly here: boolean
  /** Small parts that go with it and do not come in its packet, each as often as it is taken. */
  readonly parts?: readonly SmallPart[]
}

/** What somebody who looks can say at once of a row: of lamps, of a box. */
export type Asked =
  | {
      readonly fact: 'dimmable' | 'dimmed-by' | 'watts' | 'draws' | 'motor' | 'inrush'
      readonly loadId: string
    }
  | { readonly fact: 'location' | 'recorded' | 'divided' | 'volume' | 'depth'; readonly boxId: string }

export const askedOf = (
  fact: Extract<Asked, { loadId: string }>['fact'],
  loads: readonly { readonly id: string }[],
): Asked[] => loads.map(({ id }) => ({ fact, loadId: id }))

/** One condition held against one device: its figures, and the fact it rests on. */
export interface Line {
  readonly rule: LineRule
  readonly verdict: Verdict
  readonly says: string
  readonly value: number | null
  readonly limit: number | null
  readonly unit: string | null
  /** Share of the limit left, negative when over; null where there is nothing to measure. */
  readonly spare: number | null
  readonly factId: string
  readonly cures: readonly Cure[]
  /** What would settle it, where it is not known. */
  readonly settledBy: string | null
  /** The stage on which that is done. */
  readonly settledOn: Settling
  /** What of it can be said without going there, each by itself. */
  readonly asked: readonly Asked[]
}

export type Settling = Extract<Stage, 'look' | 'test'>

export const line = (
  rule: LineRule,
  verdict: Verdict,
  says: string,
  factId: string,
  more: Partial<Omit<Line, 'rule' | 'verdict' | 'says' | 'factId'>> = {},
): Line => ({
  rule,
  verdict,
  says,
  factId,
  value: null,
  limit: null,
  unit: null,
  spare: null,
  cures: [],
  settledBy: null,
  settledOn: 'look',
  asked: [],
  ...more,
})

/** The figures of a line that compares a value with a limit it may not pass. */
export const against = (value: number, limit: number, unit: string) => ({
  value: rounded(value, 1),
  limit: rounded(limit, 1),
  unit,
  spare: (limit - value) / limit,
})

const RANK: Readonly<Record<Verdict, number>> = { fits: 0, 'fits-if': 1, 'not-known': 2, 'does-not-fit': 3 }

/** The worst of several: a sure no outweighs what is not known, which outweighs a condition. */
export const worst = (lines: readonly Line[]): Verdict =>
  lines.reduce<Verdict>((so, each) => (RANK[each.verdict] > RANK[so] ? each.verdict : so), 'fits')

export const rankOf = (verdict: Verdict): number => RANK[verdict]

/** Of each condition that is not simply met, the least of what cures it in this visit. */
export function curedTogether(lines: readonly Line[]): Cure[] {
  const least = lines.flatMap(({ verdict, cures }) => {
    if (verdict === 'fits') return []
    const here = cures.filter(each => each.here).sort((a, b) => a.price - b.price || a.minutes - b.minutes)
    return here.slice(0, 1)
  })
  return [...new Map(least.map(cure => [cure.id, cure])).values()]
}

/** Those of them that cost something. */
export const leastCures = (lines: readonly Line[]): Cure[] =>
  curedTogether(lines).filter(({ price }) => price > 0)
