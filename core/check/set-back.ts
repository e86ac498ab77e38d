import type { Surface } from '../model/vocabulary'

/** How far a box may sit back where the surface does not burn, in millimetres. */
const MOST_MILLIMETRES = 6

/** How far a box may sit back behind a surface, in millimetres; null where nobody knows the surface. */
export const setBackLimit = (surface: Surface): number | null =>
  surface === 'not-known' ? null : surface === 'wood' ? 0 : MOST_MILLIMETRES
