import {
  choice,
  flag,
  id,
  maybeChoice,
  maybeNumber,
  maybeRef,
  maybeShape,
  maybeText,
  maybeWhole,
  number,
  ref,
  shape,
  text,
  whole,
  type Fields,
  type RowOf,
} from './fields'
import {
  ANSWERS,
  BEHAVES,
  BOX_KINDS,
  BOX_MATERIALS,
  BREAKER_SHOWS,
  BYPASSES,
  CABLE_ENTRIES,
  CONNECTORS,
  DEFECT_STATES,
  FAR_ENDS,
  FINDING_PROOFS,
  GAUGES,
  INSTRUMENTS,
  KEEPS,
  NEEDS,
  INSULATIONS,
  LAMP_KINDS,
  LOCK_WAYS,
  METALS,
  PHASES,
  PHOTO_KINDS,
  PROTECTIONS,
  READING_PURPOSES,
  REGION_IDS,
  ROLES,
  ROOM_KINDS,
  SEATS,
  SEVERITIES,
  SHEATHS,
  SPOTS,
  STANDS,
  STRANDINGS,
  SURFACES,
  SWITCH_POSITIONS,
  TESTER_SHOWS,
  UNWORKED,
  WANTS,
  WISHES,
  YES_NO_UNKNOWN,
  CIRCUIT_TESTS,
  LOCATIONS,
  TEST_SHOWS,
} from './vocabulary'
import { PLACED } from './placed'

/**
 * Everything a job holds, one table a noun. What happened at the wall is placed among what others did by what its
 * person had seen, so it depends neither on anybody’s clock nor on when it reached the server.
 */
export const JOB_FIELDS = {
  id,
  name: text(120, 1),
  address: text(200),
  owners: text(120),
  electrician: text(120),
  apprentice: text(120),
  regionId: choice(REGION_IDS),
  /** Whether anything feeds the house besides its supply: solar, battery, standby. */
  backFeed: choice(YES_NO_UNKNOWN),
  /** Where the house stands; null until somebody says. */
  site: maybeShape('site'),
  note: text(4000),
} as const satisfies Fields

export const ENTITIES = {
  rooms: {
    id,
    name: text(80, 1),
    floor: text(40),
    kind: choice(ROOM_KINDS),
    position: whole(0, 9999),
    /** Where it lies on its floor, roughly, in rooms from the left and from the back; null until somebody says. */
    planColumn: maybeWhole(0, 40),
    planRow: maybeWhole(0, 40),
  },
  /** The floor of a room as its sensors see it: one for all the devices in it. */
  plans: { id, roomId: ref('rooms'), plan: shape('plan') },
  circuits: {
    id,
    breaker: text(12, 1),
    label: text(120),
    poles: whole(1, 3),
    ratedAmps: number(1, 200),
    protection: choice(PROTECTIONS),
    labelHolds: choice(YES_NO_UNKNOWN),
    sharedNeutralWithId: maybeRef('circuits'),
    /** Another one that its handle throws too. */
    handleWithId: maybeRef('circuits'),
    note: text(1000),
  },
  groups: {
    id,
    name: text(80, 1),
    want: maybeChoice(WANTS),
    behaves: choice(BEHAVES),
    /** Whether every place that works it is recorded. */
    everyPlace: choice(YES_NO_UNKNOWN),
    bypass: choice(BYPASSES),
    /** Where no place works it any more. */
    unworked: choice(UNWORKED),
  },
  boxes: {
    id,
    roomId: ref('rooms'),
    name: text(80, 1),
    kind: choice(BOX_KINDS),
    /** Openings for devices; none where it holds no control. */
    gangs: whole(0, 6),
    material: choice(BOX_MATERIALS),
    volumeCubicInches: maybeNumber(1, 200),
    volumeBasis: maybeChoice(['marked', 'table', 'measured']),
    depthMillimetres: maybeNumber(5, 200),
    setBackMillimetres: maybeNumber(0, 60),
    surface: choice(SURFACES),
    /** How near water it stands. */
    location: choice(LOCATIONS),
    innerClamps: flag,
    /** Kinds of fittings inside that take room: a stud, a hickey. */
    fittingKinds: whole(0, 4),
    /** What a ring that is on it already adds; null where there is none. */
    ringCubicInches: maybeNumber(0.5, 100),
    /** Covered, so that it cannot be reached without damage. */
    hidden: flag,
    /** Conductor that is free to be worked on, from where its sheath ends, the shortest there. */
    freeLengthMillimetres: maybeNumber(0, 1000),
    plate: text(120),
    bonded: choice(YES_NO_UNKNOWN),
    /** Whether a partition parts low voltage from mains in it. */
    divided: choice(YES_NO_UNKNOWN),
    recorded: flag,
    note: text(4000),
    position: whole(0, 9999),
  },
  feeds: {
    id,
    boxId: ref('boxes'),
    circuitId: ref('circuits'),
    basis: choice(['label', 'reading']),
  },
  places: {
    id,
    boxId: ref('boxes'),
    gang: whole(1, 6),
    /** Of several controls that share this gang, on one strap or plate: which, from the top or the left. */
    part: whole(1, 4),
    groupId: ref('groups'),
    /** Its control goes, and none comes: a blank plate. What is chosen for it rests. */
    retired: flag,
  },
  devices: {
    id,
    placeId: ref('places'),
    modelId: text(60, 1),
    /** Of a receptacle: what a tester plugged into it said. */
    testerShows: maybeChoice(TESTER_SHOWS),
    /** How it was set when it was found. */
    setAs: text(200),
    note: text(1000),
  },
  loads: {
    id,
    groupId: ref('groups'),
    name: text(80, 1),
    kind: choice(LAMP_KINDS),
    /** By its print; null where nobody has read it. */
    wattsEach: maybeNumber(0, 20000),
    /** Of a plate that says amperes or volt-amperes, each by itself. */
    amperesEach: maybeNumber(0.001, 100),
    voltAmperesEach: maybeNumber(0.1, 20000),
    /** The rush of current that a driver takes at its start, its peak, by its print. */
    inrushAmperesEach: maybeNumber(0.1, 1000),
    count: whole(1, 200),
    dimmable: choice(YES_NO_UNKNOWN),
    phase: choice(PHASES),
    powerFactor: maybeNumber(0.1, 1),
    horsepower: maybeNumber(0.01, 5),
    metalLuminaire: choice(YES_NO_UNKNOWN),
    longHours: flag,
    /** Whose control isolates them, and works nothing; null where none does. */
    isolatedAtId: maybeRef('places'),
  },
  cables: {
    id,
    boxId: ref('boxes'),
    name: text(12, 1),
    sheath: choice(SHEATHS),
    entry: choice(CABLE_ENTRIES),
    far: choice(FAR_ENDS),
    farBoxId: maybeRef('boxes'),
    farEntry: maybeChoice(CABLE_ENTRIES),
    farLoadId: maybeRef('loads'),
    /** Pulled in on this job. */
    pulled: flag,
    position: whole(0, 99),
  },
  conductors: {
    id,
    cableId: ref('cables'),
    insulation: choice(INSULATIONS),
    markedAs: maybeChoice(INSULATIONS),
    gauge: choice(GAUGES),
    stranding: choice(STRANDINGS),
    metal: choice(METALS),
    /** Its colour is hard to tell, and says nothing. */
    faded: flag,
    /** Too short or damaged: nothing is to be carried on it. */
    unfit: flag,
    /** What somebody wants it to carry; the plan follows while it can. */
    wish: maybeChoice(WISHES),
    position: whole(0, 99),
  },
  joints: {
    id,
    boxId: ref('boxes'),
    connector: choice(CONNECTORS),
    bareShows: flag,
  },
  /** Short conductors that were already in the box, from a joint to a terminal or to the box itself. */
  pigtails: {
    id,
    jointId: ref('joints'),
    deviceId: maybeRef('devices', 'remove'),
    /** Terminal of the device; null where it bonds the box. */
    terminal: maybeText(40),
    /** Null where nobody has said it. */
    gauge: maybeChoice(GAUGES),
  },
  ends: {
    id,
    conductorId: ref('conductors'),
    boxId: ref('boxes'),
    seat: choice(SEATS),
    deviceId: maybeRef('devices'),
    terminal: maybeText(40),
    jointId: maybeRef('joints'),
    role: maybeChoice(ROLES),
    roleCircuitId: maybeRef('circuits'),
    roleGroupId: maybeRef('groups'),
    seenAtSheath: flag,
  },
  readings: {
    id,
    boxId: ref('boxes'),
    ...PLACED,
    purpose: choice(READING_PURPOSES),
    instrument: choice(INSTRUMENTS),
    fromEndId: maybeRef('ends', 'remove'),
    toEndId: maybeRef('ends', 'remove'),
    reference: maybeText(80),
    value: number(0, 100_000),
    breaker: choice(['on', 'off']),
    switchPosition: choice(SWITCH_POSITIONS),
    stand: choice(STANDS),
    toSpot: maybeChoice(SPOTS),
    /** The light whose lamp holder a lead was held to. */
    toGroupId: maybeRef('groups', 'remove'),
    /** The device that was worked while the meter was watched. */
    workedDeviceId: maybeRef('devices', 'remove'),
    /** The light whose lamps were out of their holders meanwhile. */
    lampsOutGroupId: maybeRef('groups', 'remove'),
    /** The device that was off its wires meanwhile. */
    offDeviceId: maybeRef('devices', 'remove'),
    answer: maybeChoice(ANSWERS),
    /** Of a clamp: the smallest current it shows, in A; null where that was not said. */
    resolutionAmps: maybeNumber(0.0001, 10),
    /** Why it does not count; null while it does. */
    struck: maybeText(400),
    /** What it said before it was put right, and why. */
    corrected: maybeText(400),
    note: text(1000),
  },
  /** Roles as Identify found them, void as soon as what they rest on changes. */
  findings: {
    id,
    endId: ref('ends'),
    role: choice(ROLES),
    proof: choice(FINDING_PROOFS),
    basis: text(32, 1),
  },
  /** What is wanted of a light; `value` in minutes, hours of the clock, places or money, as the need has it. */
  needs: { id, groupId: ref('groups'), need: choice(NEEDS), value: maybeNumber(0, 100_000) },
  /** What a person pinned to a conductor. */
  notes: { id, endId: ref('ends'), text: text(400, 1) },
  /** Of a picture that is kept beside the record, under the same id. */
  photos: {
    id,
    boxId: ref('boxes'),
    kind: choice(PHOTO_KINDS),
    widthPixels: whole(1, 20_000),
    heightPixels: whole(1, 20_000),
    note: text(400),
    ...PLACED,
  },
  /** Readings that a role was once said by; nothing goes by them since readings are judged, older files and phones bring them. */
  claims: { id, endId: ref('ends'), readingId: ref('readings') },
  switchings: {
    id,
    circuitId: maybeRef('circuits', 'remove'),
    to: choice(['on', 'off']),
    /** Somebody found it so and told it: true whatever the plan holds, and not refused for it. */
    foundSo: flag,
    /** Why it does not count; null while it does. */
    struck: maybeText(400),
    ...PLACED,
  },
  /** What keeps a breaker, or the main switch, from going on, while it hangs there; one for each who works behind it. */
  locks: {
    id,
    circuitId: maybeRef('circuits', 'remove'),
    how: choice(LOCK_WAYS),
    /** Who has its key, or keeps what was taken out; nobody else takes it off. */
    keyWith: text(80, 1),
    ...PLACED,
  },
  /** What a circuit showed when it was tested; the newest of its kind counts. */
  circuitTests: {
    id,
    circuitId: ref('circuits'),
    kind: choice(CIRCUIT_TESTS),
    /** In the unit of its kind; null where it is only looked at, or beyond what the instrument shows. */
    value: maybeNumber(0, 100_000),
    shows: maybeChoice(TEST_SHOWS),
    /** How long the run is, one way, where the limit follows from that; null where nobody said. */
    metres: maybeNumber(0.1, 1000),
    instrument: text(80),
    takenBy: text(80),
    ...PLACED,
  },
  /** Tries of the hunt for the breaker that feeds a box. */
  breakerTries: {
    id,
    boxId: ref('boxes'),
    /** The breaker that was tried; null for the main switch. */
    circuitId: maybeRef('circuits', 'remove'),
    /** The place whose light was left on and watched; null where a meter was left at a live conductor. */
    placeId: maybeRef('places'),
    /** That conductor, where there are several lines in the box. */
    endId: maybeRef('ends', 'remove'),
    shows: choice(BREAKER_SHOWS),
    /** The circuit finder named it, which is a hint and no more. */
    hinted: flag,
    note: text(400),
    ...PLACED,
  },
  defects: {
    id,
    boxId: ref('boxes'),
    ruleId: maybeText(120),
    severity: choice(SEVERITIES),
    what: text(400, 1),
    state: choice(DEFECT_STATES),
    note: text(1000),
    /** Whom it was handed over to in writing; empty where it was not. */
    handedTo: text(120),
    /** The day it was, as YYYY-MM-DD. */
    handedOn: maybeText(10),
  },
  choices: { id, placeId: ref('places'), modelId: text(60, 1) },
  steps: {
    id,
    boxId: ref('boxes'),
    stepKey: text(120, 1),
    ...PLACED,
    /** What was said aloud where the phone had no connection: that the power is off, and by whom. Null where it had one. */
    asked: maybeText(200),
    note: text(1000),
  },
  settings: {
    id,
    placeId: ref('places'),
    settingId: text(60, 1),
    value: text(60),
    /** Why it is not what was worked out; empty where nobody said. */
    reason: text(400),
    /** The trial by which it was found; null where it was made without one. */
    trial: maybeShape('trim'),
    /** Of a clock that goes by its own program: what was keyed in; null for any other. */
    keyed: maybeShape('keyed'),
  },
  /** When the device at a place turns its light on and off by itself: one for each. */
  programs: { id, placeId: ref('places'), program: shape('program') },
  tests: {
    id,
    placeId: ref('places'),
    testKey: text(80, 1),
    outcome: choice(['pass', 'fail']),
    /** The figure that was read, with its unit; empty where none was. */
    measured: text(60),
    note: text(1000),
    ...PLACED,
  },
  houseRules: { id, ruleId: text(60, 1), value: text(60, 1) },
  /** Who works here; an apprentice takes no live readings, a helper may stand at the panel. */
  crew: { id, name: text(80, 1), readsLive: flag, atPanel: flag },
  /** What people need while the work goes on: a room lit tonight, a circuit off for so many minutes at most. */
  keeps: {
    id,
    kind: choice(KEEPS),
    roomId: maybeRef('rooms', 'remove'),
    circuitId: maybeRef('circuits', 'remove'),
    minutes: maybeNumber(5, 1440),
  },
  /** The order that somebody gave the boxes of the day. */
  turns: { id, boxId: ref('boxes'), position: whole(0, 9999) },
} as const satisfies Record<string, Fields>

export type EntityName = keyof typeof ENTITIES
export const ENTITY_NAMES = Object.keys(ENTITIES) as readonly EntityName[]

/** A row as it is added: where it stands among others is given with its command. */
export type NewRow<Name extends EntityName> =
  Row<Name> extends RowOf<typeof PLACED>
    ? Omit<Row<Name>, keyof typeof PLACED> & Partial<RowOf<typeof PLACED>>
    : Row<Name>

export type JobRow = RowOf<typeof JOB_FIELDS>
export type Row<Name extends EntityName> = RowOf<(typeof ENTITIES)[Name], Name>
export type AnyRow = Row<EntityName>

export type Room = Row<'rooms'>
export type Breaker = Row<'circuits'>
export type Box = Row<'boxes'>
export type Place = Row<'places'>
export type Device = Row<'devices'>
export type Cable = Row<'cables'>
export type Conductor = Row<'conductors'>
export type ConductorEnd = Row<'ends'>
export type Joint = Row<'joints'>
export type FoundPigtail = Row<'pigtails'>
export type Load = Row<'loads'>
export type Reading = Row<'readings'>
export type Finding = Row<'findings'>
export type Need = Row<'needs'>
export type Keep = Row<'keeps'>
export type BreakerTry = Row<'breakerTries'>
export type Switching = Row<'switchings'>
export type Lock = Row<'locks'>
export type CircuitTestRow = Row<'circuitTests'>
export type Defect = Row<'defects'>

/** The same fields, seen without their particular names: for code that treats all tables alike. */
export const fieldsOf = (entity: EntityName): Fields => ENTITIES[entity]
