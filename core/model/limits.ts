/** At or below this a conductor counts as dead, in volts, on a low-impedance meter. */
export const DEAD_VOLTS = 5

/** Free conductor to work on where it leaves its sheath, in millimetres: 6 in. Common rule, check local code. */
export const FREE_LEAST_MILLIMETRES = 150
