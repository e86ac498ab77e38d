import type { RouteCosts } from '../model/trade'
import { assignments, idle, type Assignment, type Edge, type Runner } from './carry'

/** Whether two nets are the travellers of one pair, which nothing tells apart. */
export const isSecond = (net: string, before: string | undefined): boolean =>
  net.startsWith('traveller:') && before !== undefined && net.slice(0, -1) === before.slice(0, -1)

/** What the conductors of each pair of boxes can carry, worked out once. */
export class Offers {
  readonly #known = new Map<string, { readonly over: number; readonly offers: readonly Assignment[] }>()

  constructor(
    readonly costs: RouteCosts,
    readonly circuitOf: (net: string) => string,
    readonly kindOf: (runner: Runner) => string,
  ) {}

  /** The cheapest; null where there are too few conductors that may. */
  least(edge: Edge, nets: readonly string[]): number | null {
    const seconds = nets.filter((net, index) => isSecond(net, nets[index - 1]))
    return this.within(edge, nets, 0, seconds)[0]?.cost ?? null
  }

  /** What none that carries these nets and others costs less than. */
  bound(edge: Edge, nets: readonly string[]): number {
    return (this.least(edge, nets) ?? Infinity) - idle(edge.runners) * this.costs.againstWish
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
