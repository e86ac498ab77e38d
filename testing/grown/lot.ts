/** What is drawn by lot, the same for the same seed. */
export class Lot {
  #state: number

  constructor(seed: number) {
    this.#state = (seed ^ 0x9e3779b9) >>> 0
  }

  /** 0 to 1, 1 left out. */
  next(): number {
    // Marsaglia’s three shifts, then a multiplication: plenty for drawing lots.
    let x = this.#state || 1
    x ^= x << 13
    x ^= x >>> 17
    x ^= x << 5
    this.#state = x >>> 0
    return (Math.imul(x, 0x9e3779b1) >>> 0) / 4294967296
  }

  chance(share: number): boolean {
    return this.next() < share
  }

  below(count: number): number {
    return Math.floor(this.next() * count)
  }

  one<Item>(items: readonly Item[]): Item {
    return items[this.below(items.length)]!
  }

  /** One of some, each by its weight. */
  weighed<Item>(items: readonly (readonly [Item, number])[]): Item {
    let left = this.next() * items.reduce((sum, [, weight]) => sum + weight, 0)
    for (const [item, weight] of items) if ((left -= weight) < 0) return item
    return items.at(-1)![0]
  }

  shuffled<Item>(items: readonly Item[]): Item[] {
    const rest = [...items]
    return items.map(() => rest.splice(this.below(rest.length), 1)[0]!)
  }
}
