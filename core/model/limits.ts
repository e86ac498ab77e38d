/** At or below this a conductor counts as dead, in volts, on a low-impedance meter. */
export const DEAD_VOLTS = 5

/**
 * At or below this, in Ω, with the leads’ own taken off, the way between two points is metal: the largest lamps a lighting circuit
 * carries, cold, and the windings of transformers and motors are above it. Metal may show more: a long run, a poor joint.
 */
export const WIRE_OHMS = 0.5

/** What a clamp must show at the least, in A, for its 0 A to say that nothing flows: a tenth is a lamp of 12 to 23 W. */
export const CLAMP_SHOWS_AMPS = 0.1

/** Of nominal: from this a lamp counts as full, and electronics as fed. */
export const FULL_FROM = 0.93
