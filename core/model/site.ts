/** Where a house stands, as its clocks and its sun go. */
export interface Site {
  /** How the place is called; nothing where it was told by its figures. */
  readonly town: string
  /** Degrees north and east of the equator and of Greenwich. */
  readonly latitude: number
  readonly longitude: number
  /** A name of the time zone database. */
  readonly zone: string
}

/** A town of the shipped list. */
export interface Town extends Site {
  /** The part of the country it lies in, and the country: to tell it from others of its name. */
  readonly within: string
}

export interface NearestTown {
  readonly town: Town
  readonly kilometres: number
}
