/** Points joined to one metal, as a forest in an array: each point names another of its metal, or itself. */

export function root(parent: Uint16Array, node: number): number {
  while (parent[node] !== node) {
    parent[node] = parent[parent[node]!]!
    node = parent[node]!
  }
  return node
}

export function join(parent: Uint16Array, a: number, b: number): void {
  const [x, y] = [root(parent, a), root(parent, b)]
  if (x !== y) parent[x] = y
}
