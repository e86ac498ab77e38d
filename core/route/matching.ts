/** Costs above this are of pairs that may not be. */
const FORBIDDEN = 1e9

/**
 * The least sum of costs that gives every row a column of its own; infinite where there is none. Shortest augmenting
 * paths with potentials: rows squared times columns.
 * @param cost by row and column, none below zero, infinite where a pair may not be
 */
export function leastMatching(cost: readonly (readonly number[])[]): number {
  const rows = cost.length
  const columns = cost[0]?.length ?? 0
  if (rows > columns) return Infinity
  // Row and column 0 stand for nothing yet.
  const rowAt = new Array<number>(columns + 1).fill(0)
  const [ofRow, ofColumn] = [new Array<number>(rows + 1).fill(0), new Array<number>(columns + 1).fill(0)]
  for (let row = 1; row <= rows; row++) {
    const from = new Array<number>(columns + 1).fill(0)
    const slack = new Array<number>(columns + 1).fill(Infinity)
    const passed = new Array<boolean>(columns + 1).fill(false)
    rowAt[0] = row
    let column = 0
    do {
      passed[column] = true
      const own = rowAt[column]!
      let [delta, next] = [Infinity, 0]
      for (let other = 1; other <= columns; other++) {
        if (passed[other]) continue
        const reduced = Math.min(cost[own - 1]![other - 1]!, FORBIDDEN) - ofRow[own]! - ofColumn[other]!
        if (reduced < slack[other]!) {
          slack[other] = reduced
          from[other] = column
        }
        if (slack[other]! < delta) [delta, next] = [slack[other]!, other]
      }
      for (let other = 0; other <= columns; other++)
        if (passed[other]) {
          ofRow[rowAt[other]!]! += delta
          ofColumn[other]! -= delta
        } else slack[other]! -= delta
      column = next
    } while (rowAt[column] !== 0)
    while (column !== 0) {
      rowAt[column] = rowAt[from[column]!]!
      column = from[column]!
    }
  }
  let sum = 0
  for (let column = 1; column <= columns; column++)
    if (rowAt[column] !== 0) sum += cost[rowAt[column]! - 1]![column - 1]!
  return sum
}
