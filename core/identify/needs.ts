/** What is known of the conductors that a load is needed for. */
export interface Needing {
  /** One of them may meet another beyond: by that loads may be fewer. */
  readonly meets: boolean
  /** One of them may be capped by itself. */
  readonly capped: boolean
}

/** Loads that readings need of what is supposed so far, counted as they are supposed and taken back. */
export class Needs {
  /** How many readings need each, by kind of need. */
  readonly #counts = [0, 1, 2, 3].map(() => new Map<number, number>())
  /** How many are needed by one reading alone. */
  #single = 0

  /** `merges`: so many conductors may meet another, and share what either needs to each side. */
  constructor(readonly merges: number) {}

  add(need: number, of: Needing, times: number): void {
    this.#set(need, of, times)
  }

  takeBack(need: number, of: Needing, times: number): void {
    this.#set(need, of, -times)
  }

  /**
   * Whether it is more than `most`, or than `more` besides where one of them hangs on what is capped. `misread`: so many readings
   * may still be false: what one alone needs may not be there.
   */
  exceed(most: number, more: number, misread: number): boolean {
    const [plain, perhaps, capped, perhapsCapped] = this.#counts.map(({ size }) => size) as [
      number,
      number,
      number,
      number,
    ]
    const may = most + (misread > 0 && this.#single > 0 ? 1 : 0)
    return (
      this.#least(plain, perhaps) > may || this.#least(plain + capped, perhaps + perhapsCapped) > may + more
    )
  }

  #set(need: number, { meets, capped }: Needing, by: number): void {
    const counts = this.#counts[(capped ? 2 : 0) + (meets ? 1 : 0)]!
    const before = counts.get(need) ?? 0
    const after = before + by
    this.#single += Number(after === 1) - Number(before === 1)
    if (after === 0) counts.delete(need)
    else counts.set(need, after)
  }

  #least(certain: number, perhaps: number): number {
    return perhaps === 0 ? certain : Math.max(certain, 1, certain + perhaps - 2 * this.merges)
  }
}
