import type { EntityName } from './entities'

type Loose = Readonly<Record<string, unknown>>

/**
 * A row written before some of its fields were there, with what it could not say yet: not known, or nothing.
 * Rows of today come back as they are.
 */
export function upgradedRow(entity: EntityName | 'job', row: Loose): Loose {
  const missing = MISSING[entity]
  return missing ? { ...missing(row), ...row } : row
}

const MISSING: Partial<Record<EntityName | 'job', (row: Loose) => Loose>> = {
  breakerTries: () => ({ endId: null }),
  boxes: () => ({ freeLengthMillimetres: null, plate: '', hidden: false }),
  conductors: () => ({ faded: false, unfit: false, wish: null }),
  defects: () => ({ handedTo: '', handedOn: null }),
  devices: () => ({ testerShows: null }),
  groups: () => ({ behaves: 'not-known' }),
  rooms: () => ({ kind: 'not-said' }),
  switchings: () => ({ foundSo: false }),
  readings: ({ switchPosition }) => ({
    stand: switchPosition === 'separated' ? 'this-box' : 'as-found',
    toSpot: null,
    toGroupId: null,
    workedDeviceId: null,
    answer: null,
  }),
}
