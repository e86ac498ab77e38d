/** Draws whole numbers below a bound, the same each time for one seed. */
export function lot(seed: number): (below: number) => number {
  let state = (seed * 2654435761) >>> 0
  const draw = (below: number): number => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return Math.floor((state / 2 ** 32) * below)
  }
  // Seeds that lie beside each other begin alike.
  for (let skip = 0; skip < 4; skip++) draw(2)
  return draw
}
