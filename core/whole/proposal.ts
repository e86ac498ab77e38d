import type { LightChoices, LightOption } from './options'
import { openOptions, problemOf, type Weights, type WholeQuestion } from './problem'

/** What a solver of mixed-integer problems says. */
export interface Solved {
  /** `stopped`: the time was up; what it has may not be the best. */
  readonly status: 'optimal' | 'stopped' | 'infeasible'
  readonly objective: number
  /** Value by variable. */
  readonly values: Readonly<Record<string, number>>
}

export type Solver = (problem: string, seconds: number) => Solved

/** A device for every place of the house. */
export interface Proposal {
  /** Option by group; what has none is left out. */
  readonly taken: Readonly<Record<string, string>>
  readonly totals: Totals
  /** How far from the best it may be, of 1; 0: none is better. */
  readonly gap: number
  readonly reasons: readonly Reason[]
}

export interface Totals {
  readonly price: number
  readonly minutes: number
  readonly changes: number
  readonly kinds: number
  readonly systems: number
  /** Rooms whose plates differ. */
  readonly mixedRooms: number
}

/** Why a dearer option was taken than the cheapest one of its light. */
export interface Reason {
  readonly groupId: string
  readonly taken: string
  readonly cheapest: string
  readonly dearerBy: number
  /** What the cheapest would have added to the house. */
  readonly because: readonly (keyof Totals)[]
}

export type Proposed =
  | { readonly kind: 'proposed'; readonly proposal: Proposal }
  /** No choice keeps to the budget; the least that would have to be spent. */
  | { readonly kind: 'over-budget'; readonly least: number }
  | { readonly kind: 'nothing-to-choose' }

/** The best choice for the whole house by some weights, with how far from the best it may be. */
export function propose(question: WholeQuestion, solve: Solver, seconds: number): Proposed {
  const { lights, locks, budget, weights } = question
  const open = lights.filter(light => openOptions(light, locks).length > 0)
  if (open.length === 0) return { kind: 'nothing-to-choose' }
  const least = open.reduce(
    (sum, light) => sum + Math.min(...openOptions(light, locks).map(({ price }) => price)),
    0,
  )
  if (budget !== null && least > budget + 1e-9) return { kind: 'over-budget', least }
  const problem = problemOf({ ...question, lights: open })
  const solved = solve(problem.text, seconds)
  const taken = new Map(
    problem.options
      .filter(({ name }) => (solved.values[name] ?? 0) > 0.5)
      .map(({ groupId, option }) => [groupId, option]),
  )
  if (solved.status === 'infeasible' || taken.size < open.length) return { kind: 'over-budget', least }
  const score = scoreOf([...taken.values()], weights)
  const bound = solved.status === 'optimal' ? score : solve(problem.relaxed, seconds).objective
  return {
    kind: 'proposed',
    proposal: {
      taken: Object.fromEntries([...taken].map(([groupId, { id }]) => [groupId, id])),
      totals: totalsOf([...taken.values()]),
      gap: score <= 0 ? 0 : Math.max(0, (score - bound) / score),
      reasons: reasonsOf(open, locks, taken),
    },
  }
}

/** What some options come to. */
export function totalsOf(options: readonly LightOption[]): Totals {
  const rooms = new Map<string, Set<string>>()
  for (const { roomId, opening } of options.flatMap(({ openings }) => openings))
    rooms.set(roomId, (rooms.get(roomId) ?? new Set()).add(opening))
  return {
    price: sum(options.map(({ price }) => price)),
    minutes: sum(options.map(({ minutes }) => minutes)),
    changes: sum(options.map(({ changes }) => changes)),
    kinds: new Set(options.flatMap(({ kinds }) => kinds)).size,
    systems: new Set(options.flatMap(({ systems }) => systems)).size,
    mixedRooms: [...rooms.values()].filter(openings => openings.size > 1).length,
  }
}

/** The figure that is made small: the same as the problem’s, opening by opening. */
export function scoreOf(options: readonly LightOption[], weights: Weights): number {
  const { price, minutes, changes, kinds, systems } = totalsOf(options)
  const openings = new Set(
    options.flatMap(each => each.openings.map(({ roomId, opening }) => `${roomId} ${opening}`)),
  )
  return (
    weights.price * price +
    weights.minutes * minutes +
    weights.change * changes +
    weights.kind * kinds +
    weights.system * systems +
    weights.plates * openings.size
  )
}

const ADDED: readonly (keyof Totals)[] = ['kinds', 'systems', 'mixedRooms', 'changes', 'minutes']

function reasonsOf(
  lights: readonly LightChoices[],
  locks: WholeQuestion['locks'],
  taken: ReadonlyMap<string, LightOption>,
): Reason[] {
  const now = totalsOf([...taken.values()])
  return lights.flatMap((light): Reason[] => {
    const own = taken.get(light.groupId)!
    if (locks[light.groupId] === own.id) return []
    const cheapest = light.options.reduce((best, each) => (each.price < best.price ? each : best))
    if (cheapest.price >= own.price - 1e-9) return []
    const instead = totalsOf([...new Map(taken).set(light.groupId, cheapest).values()])
    return [
      {
        groupId: light.groupId,
        taken: own.id,
        cheapest: cheapest.id,
        dearerBy: own.price - cheapest.price,
        because: ADDED.filter(key => instead[key] > now[key]),
      },
    ]
  })
}

const sum = (figures: readonly number[]): number => figures.reduce((so, each) => so + each, 0)
