import { BLANK } from './blank-rows'
import { ALONE } from './placed'
import { fieldsOf, type EntityName } from './entities'

type Loose = Readonly<Record<string, unknown>>

/**
 * A row written before some of its fields were there, with what it could not say yet: not known, or nothing.
 * Rows of today come back as they are.
 */
export function upgradedRow(entity: EntityName | 'job', row: Loose): Loose {
  const missing = MISSING[entity]
  const before: Loose | null = entity !== 'job' && 'seq' in fieldsOf(entity) ? ALONE : null
  const whole = missing || before ? { ...before, ...missing?.(row), ...row } : row
  return entity === 'cables' ? soundCable(whole) : whole
}

/** A cable leads to another box just where that box is named: some early rows said the one without the other. */
function soundCable(row: Loose): Loose {
  if (row.farBoxId != null)
    return row.far === 'box' && row.farEntry != null
      ? row
      : { ...row, far: 'box', farEntry: row.farEntry ?? row.entry }
  return row.far === 'box' ? { ...row, far: 'not-known', farEntry: null } : row
}

/** Some fields of a row where nothing is said of it. */
const blank = <Of extends object, Name extends keyof Of>(of: Of, ...names: readonly Name[]): Loose =>
  Object.fromEntries(names.map(name => [name, of[name]]))

const MISSING: Partial<Record<EntityName | 'job', (row: Loose) => Loose>> = {
  breakerTries: () => ({ endId: null }),
  boxes: () =>
    blank(
      BLANK.boxes,
      'kind',
      'freeLengthMillimetres',
      'plate',
      'hidden',
      'fittingKinds',
      'ringCubicInches',
      'location',
      'divided',
    ),
  cables: () => blank(BLANK.cables, 'pulled'),
  circuitTests: () => ({ metres: null }),
  circuits: () => blank(BLANK.circuits, 'handleWithId'),
  conductors: () => blank(BLANK.conductors, 'faded', 'unfit', 'wish'),
  defects: () => ({ handedTo: '', handedOn: null }),
  devices: () => blank(BLANK.devices, 'testerShows', 'setAs'),
  job: () => ({ backFeed: 'not-known', site: null }),
  groups: () => blank(BLANK.groups, 'behaves', 'everyPlace', 'bypass', 'unworked'),
  loads: () => blank(BLANK.loads, 'amperesEach', 'voltAmperesEach', 'inrushAmperesEach', 'isolatedAtId'),
  pigtails: () => blank(BLANK.pigtails, 'gauge'),
  places: () => blank(BLANK.places, 'part', 'retired'),
  rooms: () => ({ kind: 'not-said', ...blank(BLANK.rooms, 'planColumn', 'planRow') }),
  settings: () => blank(BLANK.settings, 'reason', 'trial', 'keyed'),
  steps: () => blank(BLANK.steps, 'asked'),
  switchings: () => blank(BLANK.switchings, 'foundSo', 'struck'),
  tests: () => blank(BLANK.tests, 'measured'),
  readings: ({ switchPosition }) => ({
    ...blank(
      BLANK.readings,
      'toSpot',
      'toGroupId',
      'workedDeviceId',
      'lampsOutGroupId',
      'offDeviceId',
      'answer',
      'resolutionAmps',
      'struck',
      'corrected',
    ),
    stand: switchPosition === 'separated' ? 'this-box' : 'as-found',
  }),
}
