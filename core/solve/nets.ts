/** Disjoint sets over small integers: which nets are one piece of metal. */
export class Nets {
  readonly #parent: Int32Array

  constructor(size: number) {
    this.#parent = Int32Array.from({ length: size }, (_, index) => index)
  }

  get size(): number {
    return this.#parent.length
  }

  /** The set a net is in, named by its smallest member: the name does not depend on joining order. */
  find(net: number): number {
    const parent = this.#parent
    while (parent[net] !== net) {
      const next = parent[parent[net]!]!
      parent[net] = next
      net = next
    }
    return net
  }

  join(a: number, b: number): void {
    const parent = this.#parent
    while (parent[a] !== a) a = parent[a]!
    while (parent[b] !== b) b = parent[b]!
    if (a < b) parent[b] = a
    else parent[a] = b
  }

  /** Takes over the sets of another of the same size. */
  become(other: Nets): void {
    this.#parent.set(other.#parent)
  }

  copy(): Nets {
    const copy = new Nets(this.#parent.length)
    copy.become(this)
    return copy
  }
}
