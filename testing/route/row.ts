import type { Chain } from './chain'

/** So many plain places in a row, as many conductors between them as they take. */
export const rowOf = (count: number): Chain => ({
  count,
  fed: 0,
  lit: 0,
  neutrals: true,
  spares: 0,
  seated: true,
  proven: true,
  choices: Array.from({ length: count }, (_, at) =>
    at === 0 || at === count - 1 ? 'switch-two-place-20' : 'switch-middle-20',
  ),
})
