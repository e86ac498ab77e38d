import type { Reading } from '../model/entities'

/**
 * Whether a reading tells a neutral from a ground, which are one metal at the panel: a current in it while the
 * light is on, or no continuity to ground while the neutral of its circuit is lifted.
 */
export const tellsFromGround = ({ purpose, instrument, fromEndId, value, answer }: Reading): boolean =>
  fromEndId !== null &&
  ((purpose === 'clamp' && instrument === 'clamp' && value > 0) ||
    (purpose === 'lifted' && answer === 'silent'))
