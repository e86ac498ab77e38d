/** Figures drawn by lot, the same for the same seed. */
export class Draw {
  #state: number

  constructor(seed: number) {
    this.#state = seed >>> 0
  }

  /** 0 to 1, 1 left out. */
  next(): number {
    this.#state = (this.#state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(this.#state ^ (this.#state >>> 15), this.#state | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296
  }

  /** A whole number from 0, less than that. */
  below(most: number): number {
    return Math.floor(this.next() * most)
  }

  /** How long until what happens by chance, so often on average. */
  about(mean: number): number {
    return -Math.log(1 - this.next()) * mean
  }

  /** How many times something happens by chance, so many times on average. */
  count(mean: number): number {
    const limit = Math.exp(-mean)
    let times = 0
    for (let left = this.next(); left > limit; left *= this.next()) times++
    return times
  }
}
