import { fieldsOf, JOB_FIELDS, type EntityName } from '@/core/model/entities'
import type { DeviceModel } from '@/core/model/device'
import { exactLength, measuresOf } from '@/core/model/measures'
import type { JobRecord } from '@/core/model/record'
import { INSULATION_WORDS, ROLE_WORDS } from '@/core/words/of-vocabulary'
import {
  BOX_KIND_WORDS,
  CONNECTOR_WORDS,
  LAMP_WORDS,
  PHASE_WORDS,
  plain,
  PROOF_WORDS,
  ROOM_KIND_WORDS,
  WANT_WORDS,
} from '.'

/** What a row is, where it is spoken of by itself. */
const ROW_WORDS: Readonly<Record<EntityName | 'job', string>> = {
  job: 'The house',
  rooms: 'Room',
  plans: 'Plan of a room',
  circuits: 'Breaker',
  groups: 'Light',
  boxes: 'Box',
  feeds: 'Feed of a box',
  places: 'Place of a control',
  devices: 'Device in the wall',
  loads: 'What is worked',
  cables: 'Cable',
  conductors: 'Conductor',
  joints: 'Joint',
  pigtails: 'Pigtail',
  ends: 'Conductor end',
  readings: 'Reading',
  findings: 'Finding',
  needs: 'What is wanted',
  notes: 'Note',
  photos: 'Photo',
  claims: 'Reason',
  switchings: 'Switching',
  locks: 'Lock',
  circuitTests: 'Test of a circuit',
  breakerTries: 'Try of a breaker',
  defects: 'Defect',
  choices: 'Device chosen',
  steps: 'Step',
  settings: 'Setting',
  programs: 'Program of a clock',
  tests: 'Test',
  houseRules: 'House rule',
  crew: 'Who works here',
  keeps: 'What must stay on',
  turns: 'Turn of a box',
}

type Labels = Readonly<Record<string, string>>

/** What fields are called where they are set. */
export const FIELD_WORDS: Readonly<Partial<Record<EntityName | 'job', Labels>>> = {
  job: {
    name: 'Name',
    address: 'Address',
    owners: 'Owners',
    electrician: 'Electrician',
    apprentice: 'Apprentice',
    regionId: 'Region',
    backFeed: 'Solar, battery or standby feeds it too',
    site: 'Where it stands',
    note: 'Notes',
  },
  rooms: {
    name: 'Name of the room',
    floor: 'Floor',
    kind: 'What it is for',
    position: 'Order',
    planColumn: 'Rooms from the left',
    planRow: 'Rooms from the back',
  },
  circuits: {
    breaker: 'Position in the panel',
    label: 'What its label says',
    poles: 'Poles',
    ratedAmps: 'Rating (A)',
    protection: 'Protection',
    labelHolds: 'Does the label hold?',
    sharedNeutralWithId: 'Shares its neutral with',
    handleWithId: 'Handle tied to',
    note: 'Note',
  },
  groups: {
    name: 'Controls',
    want: 'Wanted here',
    behaves: 'Worked from each place, it comes on and goes off',
    everyPlace: 'Every place that works it is recorded',
    bypass: 'A bypass beside its lamps',
    unworked: 'With no control left',
  },
  boxes: {
    roomId: 'Room',
    name: 'Where it is',
    kind: 'What is at it',
    gangs: 'Gangs',
    material: 'Material',
    volumeCubicInches: 'Volume marked in it (in³)',
    volumeBasis: 'Volume known from',
    depthMillimetres: 'Depth',
    setBackMillimetres: 'Set back from the surface',
    surface: 'Surface',
    location: 'How near water it stands',
    innerClamps: 'Inner cable clamps',
    fittingKinds: 'Studs and hickeys, kinds',
    ringCubicInches: 'A ring on it adds (in³)',
    hidden: 'Covered: it cannot be reached without damage',
    freeLengthMillimetres: 'Free conductor, the shortest',
    plate: 'Old plate',
    bonded: 'Metal box grounded',
    divided: 'Partition for low voltage',
    recorded: 'Everything that can be seen is recorded',
    note: 'Notes',
    position: 'Order',
  },
  feeds: { circuitId: 'Breaker', basis: 'Known from' },
  places: { groupId: 'Light', retired: 'Its device comes out', gang: 'Gang', part: 'Part' },
  devices: {
    modelId: 'Device',
    testerShows: 'Tester shows',
    setAs: 'How it was set',
    note: 'Note on it',
  },
  loads: {
    groupId: 'Light',
    name: 'What they are called',
    kind: 'Kind',
    wattsEach: 'Watts each',
    amperesEach: 'Amperes each',
    voltAmperesEach: 'Volt-amperes each',
    inrushAmperesEach: 'Inrush each (A)',
    count: 'Count',
    dimmable: 'Dimmable, by the print on the lamp',
    phase: 'Dimmed by',
    powerFactor: 'Power factor',
    horsepower: 'Horsepower',
    metalLuminaire: 'Metal luminaire, to be grounded',
    longHours: 'Often on for three hours or more',
  },
  cables: {
    name: 'Name on its tape',
    sheath: 'Sheath',
    entry: 'Comes in at the',
    far: 'Leads to',
    farBoxId: 'Leads to box',
    farEntry: 'Comes in there at the',
    farLoadId: 'Leads to',
    pulled: 'Pulled in on this job',
    position: 'Order',
  },
  conductors: {
    insulation: 'Insulation seen',
    markedAs: 'Marked with tape',
    gauge: 'Gauge',
    stranding: 'Strands',
    metal: 'Metal',
    faded: 'Faded: another color is as likely',
    unfit: 'Unfit: too short or damaged, to carry nothing',
    wish: 'Wanted to carry, where the plan can follow',
  },
  joints: { connector: 'Its joint is held by', bareShows: 'Bare copper shows' },
  pigtails: { gauge: 'Gauge', deviceId: 'Device', terminal: 'Terminal' },
  ends: {
    seat: 'Where it sits',
    deviceId: 'Device',
    terminal: 'Terminal',
    jointId: 'Joint',
    role: 'Taken for',
    roleCircuitId: 'Breaker',
    roleGroupId: 'Light',
    seenAtSheath: 'Seen where the sheath ends: a ground by construction',
  },
  readings: { struck: 'Struck out', corrected: 'Corrected', value: 'Reading', note: 'Note' },
  needs: { value: 'Minutes' },
  notes: { text: 'Note' },
  photos: { kind: 'What it shows', note: 'Note' },
  switchings: { struck: 'Struck out' },
  breakerTries: { note: 'Note', shows: 'What was seen' },
  defects: {
    severity: 'How bad',
    what: 'What it is',
    state: 'How it stands',
    note: 'Note',
    handedTo: 'Handed to',
    handedOn: 'Handed over on',
  },
  choices: { modelId: 'Device' },
  steps: { note: 'Note', asked: 'Asked aloud' },
  settings: { value: 'Set to' },
  tests: { outcome: 'Outcome', measured: 'Measured', note: 'Note' },
  houseRules: { value: 'House rule' },
  crew: { name: 'Name', readsLive: 'Reads live', atPanel: 'At the panel' },
  keeps: { minutes: 'Minutes', roomId: 'Room', circuitId: 'Breaker' },
  turns: { position: 'Order' },
}

const CHOICES: Readonly<Record<string, Labels>> = {
  'rooms/kind': ROOM_KIND_WORDS,
  'boxes/kind': BOX_KIND_WORDS,
  'groups/want': WANT_WORDS,
  'loads/kind': LAMP_WORDS,
  'loads/phase': PHASE_WORDS,
  'joints/connector': CONNECTOR_WORDS,
  'conductors/insulation': INSULATION_WORDS,
  'conductors/markedAs': INSULATION_WORDS,
  'ends/role': ROLE_WORDS,
  'findings/role': ROLE_WORDS,
  'findings/proof': PROOF_WORDS,
}

type Loose = Readonly<Record<string, unknown>>

/** What a row is and is called, as a person knows it. */
export function rowWords(entity: string, row: Loose | null): readonly [what: string, name: string] {
  const known = ROW_WORDS[entity as EntityName] ?? plain(entity)
  const name = row?.breaker ?? row?.name ?? ''
  return [known, typeof name === 'string' ? name : '']
}

export const fieldWords = (entity: string, field: string): string =>
  FIELD_WORDS[entity as EntityName]?.[field] ?? plain(field)

/** A value as it is said where it is set; what is left open is a dash. */
export function valueWords(
  { record, devices }: { readonly record: JobRecord; readonly devices: readonly DeviceModel[] },
  entity: string,
  field: string,
  value: unknown,
): string {
  if (value === null || value === undefined || value === '') return '–'
  const fields = entity === 'job' ? JOB_FIELDS : fieldsOf(entity as EntityName)
  const kind = (fields as Readonly<Record<string, { kind: string; to?: string }>>)[field]
  switch (kind?.kind) {
    case 'flag':
      return plain(value === true ? 'yes' : 'no')
    case 'choice':
      return CHOICES[`${entity}/${field}`]?.[String(value)] ?? plain(String(value))
    case 'ref': {
      const table = record[kind.to as EntityName] as Readonly<Record<string, Loose>> | undefined
      const row = table?.[String(value)] ?? null
      const [what, name] = rowWords(kind.to ?? '', row)
      return name || what
    }
    case 'shape':
      return plain('made-anew')
    case 'number':
      return /Millimetres$/.test(field) ? exactLength(measuresOf(record), Number(value)) : String(value)
    default:
      return (field === 'modelId' && devices.find(({ id }) => id === value)?.name) || String(value)
  }
}
