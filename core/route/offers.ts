import type { RouteCosts } from '../model/trade'
import { assignments, leastAnyhow, leastCost, type Assignment, type Edge, type Runner } from './carry'
import { kindOf, pairOf } from './net'

/** Whether two nets are the travellers of one pair, which nothing tells apart. */
export const isSecond = (net: string, before: string | undefined): boolean =>
  before !== undefined && kindOf(net) === 'traveller' && pairOf(net) === pairOf(before)

/** What the conductors of each pair of boxes can carry, worked out once. */
export class Offers {
  readonly #figures = new Map<string, number>()
  readonly #known = new Map<string, { readonly over: number; readonly offers: readonly Assignment[] }>()

  constructor(
    readonly costs: RouteCosts,
    readonly circuitOf: (net: string) => string,
    readonly kindOf: (runner: Runner) => string,
  ) {}

  /** The cheapest; null where there are too few conductors that may. */
  least(edge: Edge, nets: readonly string[]): number | null {
    const least = this.#once('least', edge, nets, () => leastCost(edge, nets, this.costs, this.circuitOf))
    return least === Infinity ? null : least
  }

  /** What none that carries these nets and others costs less than. */
  bound(edge: Edge, nets: readonly string[]): number {
    return this.#once('anyhow', edge, nets, () => leastAnyhow(edge, nets, this.costs))
  }

  #once(what: string, { boxes }: Edge, nets: readonly string[], work: () => number): number {
    const key = `${what} ${boxes.join(' ')} ${nets.join()}`
    let figure = this.#figures.get(key)
    if (figure === undefined) this.#figures.set(key, (figure = work()))
    return figure
  }

  /** All that cost no more than so much above the cheapest, that first. */
  within(
    edge: Edge,
    nets: readonly string[],
    over: number,
    free: readonly string[] = [],
  ): readonly Assignment[] {
    const key = `${edge.boxes.join(' ')} ${nets.join()} ${free.join()}`
    let known = this.#known.get(key)
    if (!known || known.over < over)
      this.#known.set(
        key,
        (known = {
          over,
          offers: assignments(edge, nets, this.costs, this.circuitOf, this.kindOf, over, free),
        }),
      )
    return known.offers
  }
}
