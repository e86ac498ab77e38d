/** What a light takes in a year, one way or another. */
export interface Use {
  readonly hours: number
  /** Of all its lamps together, at full level. */
  readonly watts: number
  /** The level it is kept at, as a share of the full one. */
  readonly level: number
  /** The share of its watts that it takes at its lowest level still. */
  readonly floor: number
  /** What its control takes all year, lit or not. */
  readonly standbyWatts: number
}

export interface Saving {
  readonly before: Spent
  readonly after: Spent
  readonly saved: Spent
  /** Years until what it cost is saved; null where it never is. */
  readonly yearsToPayBack: number | null
}

export interface Spent {
  readonly kilowattHours: number
  readonly money: number
}

const HOURS_OF_A_YEAR = 8760

/** Power follows the level down to a floor. */
export const kilowattHours = ({ hours, watts, level, floor, standbyWatts }: Use): number =>
  (hours * watts * Math.max(level, floor) + HOURS_OF_A_YEAR * standbyWatts) / 1000

/** What one light saves in a year against what its control costs. */
export function savingOf(before: Use, after: Use, price: number, cost: number): Saving {
  const spent = (used: number): Spent => ({ kilowattHours: used, money: used * price })
  const [was, is] = [kilowattHours(before), kilowattHours(after)]
  const saved = spent(was - is)
  return {
    before: spent(was),
    after: spent(is),
    saved,
    yearsToPayBack: cost === 0 ? 0 : saved.money > 0 ? cost / saved.money : null,
  }
}
