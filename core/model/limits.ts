/** At or below this a conductor counts as dead, in volts, on a low-impedance meter. */
export const DEAD_VOLTS = 5
