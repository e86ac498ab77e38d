/**
 * Solves the symmetric system of nodal analysis for two right sides (real and imaginary part of the
 * phasors) by elimination with the largest pivot. Rows without any conductance stay at 0.
 * `matrix` is n rows of n siemens; both vectors are changed in place and hold the answer.
 */
export function eliminate(matrix: Float64Array[], real: Float64Array, imaginary: Float64Array): void {
  const size = matrix.length
  for (let column = 0; column < size; column++) {
    let pivot = column
    for (let row = column + 1; row < size; row++)
      if (Math.abs(matrix[row]![column]!) > Math.abs(matrix[pivot]![column]!)) pivot = row
    if (Math.abs(matrix[pivot]![column]!) < 1e-15) continue
    swap(matrix, column, pivot)
    swapNumbers(real, column, pivot)
    swapNumbers(imaginary, column, pivot)
    const top = matrix[column]!
    for (let row = column + 1; row < size; row++) {
      const factor = matrix[row]![column]! / top[column]!
      if (factor === 0) continue
      for (let at = column; at < size; at++) matrix[row]![at]! -= factor * top[at]!
      real[row]! -= factor * real[column]!
      imaginary[row]! -= factor * imaginary[column]!
    }
  }
  for (let row = size - 1; row >= 0; row--) {
    const diagonal = matrix[row]![row]!
    if (Math.abs(diagonal) < 1e-15) {
      real[row] = 0
      imaginary[row] = 0
      continue
    }
    for (let at = row + 1; at < size; at++) {
      real[row]! -= matrix[row]![at]! * real[at]!
      imaginary[row]! -= matrix[row]![at]! * imaginary[at]!
    }
    real[row]! /= diagonal
    imaginary[row]! /= diagonal
  }
}

function swap(rows: Float64Array[], a: number, b: number) {
  const held = rows[a]!
  rows[a] = rows[b]!
  rows[b] = held
}

function swapNumbers(values: Float64Array, a: number, b: number) {
  const held = values[a]!
  values[a] = values[b]!
  values[b] = held
}
