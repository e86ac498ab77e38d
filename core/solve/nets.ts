/** Disjoint sets over small integers: which points are one piece of metal. */
export class Nets {
  readonly #parent: Int32Array

  constructor(size: number, from?: Nets) {
    this.#parent = from ? from.#parent.slice() : Int32Array.from({ length: size }, (_, index) => index)
  }

  /** The set a point is in, named by its smallest member: the name does not depend on joining order. */
  find(point: number): number {
    const parent = this.#parent
    let root = point
    while (parent[root] !== root) root = parent[root]!
    while (parent[point] !== root) {
      const next = parent[point]!
      parent[point] = root
      point = next
    }
    return root
  }

  join(a: number, b: number): void {
    const left = this.find(a)
    const right = this.find(b)
    if (left < right) this.#parent[right] = left
    else this.#parent[left] = right
  }

  copy(): Nets {
    return new Nets(0, this)
  }
}
