/** At or below this a conductor counts as dead, in volts, on a low-impedance meter. */
export const DEAD_VOLTS = 5

/** Of nominal: from this a lamp counts as full, and electronics as fed. */
export const FULL_FROM = 0.93
