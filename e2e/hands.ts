import type { ENTITIES, EntityName, JOB_FIELDS } from '@/core/model/entities'
import {
  BOX_KINDS,
  BOX_MATERIALS,
  CONNECTORS,
  INSULATIONS,
  LAMP_KINDS,
  METALS,
  PHASES,
  PROTECTIONS,
  ROLES,
  ROOM_KINDS,
  SHEATHS,
  STRANDINGS,
  SURFACES,
  WANTS,
  WISHES,
  YES_NO_UNKNOWN,
} from '@/core/model/vocabulary'
import {
  BOX_KIND_WORDS,
  INSULATION_WORDS,
  LAMP_WORDS,
  plain,
  ROLE_WORDS,
  ROOM_KIND_WORDS,
  WANT_WORDS,
} from '@/ui/words'

/** Values of a choice by the words that stand for them in the interface. */
type Words = Readonly<Record<string, string>>

const worded = <Value extends string>(values: readonly Value[], words: (value: Value) => string): Words =>
  Object.fromEntries(values.map(value => [value, words(value)]))

/** How hands set a field, change it and take it back; or in which test they do; or why they do not. */
export type ByHand =
  | { readonly by: 'pick' | 'select'; readonly label: string; readonly words: Words; readonly but?: Words }
  | { readonly by: 'text' | 'number'; readonly label: string; readonly values: readonly (string | number)[] }
  | { readonly by: 'check'; readonly label: string }
  | { readonly by: 'test'; readonly file: string; readonly title: string; readonly but?: Words }
  | { readonly by: 'nobody'; readonly why: string }

const pick = (label: string, words: Words, but?: Words): ByHand => ({ by: 'pick', label, words, but })
const select = (label: string, words: Words, but?: Words): ByHand => ({ by: 'select', label, words, but })
const text = (label: string, ...values: string[]): ByHand => ({ by: 'text', label, values })
const number = (label: string, ...values: number[]): ByHand => ({ by: 'number', label, values })
const check = (label: string): ByHand => ({ by: 'check', label })
const inTest = (file: string, title: string, but?: Words): ByHand => ({ by: 'test', file, title, but })
const nobody = (why: string): ByHand => ({ by: 'nobody', why })

const MADE_WITH_ROW = nobody('It is said by where the row is added, and moves with it.')
const GIVEN = nobody('The order and the moment of what happened at the wall are given, and never said.')
const RECKONED = nobody('It is worked out from readings, and void when they change.')
const ASKED = nobody('It is said by the question that was asked, and by the answer that was pressed.')
export const yesNo = worded(YES_NO_UNKNOWN, plain)

/** Every field of every table. A new one without an entry does not compile. */
export const HANDS: {
  readonly [Name in EntityName]: { readonly [Field in Exclude<keyof (typeof ENTITIES)[Name], 'id'>]: ByHand }
} & {
  readonly job: { readonly [Field in Exclude<keyof typeof JOB_FIELDS, 'id'>]: ByHand }
} = {
  job: {
    name: text('Name', 'Another name'),
    address: text('Address', 'Tern Lane 3'),
    owners: text('Owners', 'Somebody'),
    electrician: text('Electrician', 'Wren'),
    apprentice: text('Apprentice', 'Ash'),
    regionId: inTest('e2e/said-of-a-box.spec.ts', 'the region of a job is said while nothing depends on it'),
    note: text('Notes', 'Key under the mat'),
  },
  rooms: {
    name: text('Name of the room', 'Back stair'),
    floor: text('Floor', 'Loft'),
    kind: select(
      'What it is for',
      worded(ROOM_KINDS, kind => ROOM_KIND_WORDS[kind]),
    ),
    position: inTest(
      'e2e/said-of-a-box.spec.ts',
      'rooms and boxes are put in another order, and a box in another room',
    ),
  },
  circuits: {
    breaker: text('Position in the panel', '4b'),
    label: text('What its label says', 'Stairs and hall'),
    poles: pick('Poles thrown by its handle', { 1: '1', 2: '2', 3: '3' }),
    ratedAmps: number('Rating (A)', 20, 16),
    protection: select('Protection', worded(PROTECTIONS, plain)),
    labelHolds: pick('Does the label hold?', yesNo),
    sharedNeutralWithId: inTest(
      'e2e/hunt.spec.ts',
      'breakers that share a neutral are tied from either side',
    ),
    note: text('Note', 'Warm'),
  },
  groups: {
    name: text('Controls', 'Stair lamps'),
    want: pick(
      'Wanted here',
      worded(WANTS, want => WANT_WORDS[want]),
    ),
    behaves: pick('Worked from each place, it comes on and goes off', {
      answers: 'Every time',
      'does-not': 'Not every time',
      'not-known': 'Not tried',
    }),
    everyPlace: pick('Every place that works it is recorded', yesNo),
  },
  boxes: {
    roomId: inTest(
      'e2e/said-of-a-box.spec.ts',
      'rooms and boxes are put in another order, and a box in another room',
    ),
    name: text('Where it is', 'Foot of the stair'),
    kind: pick(
      'What is at it',
      worded(BOX_KINDS, kind => BOX_KIND_WORDS[kind]),
    ),
    gangs: inTest('e2e/said-of-a-box.spec.ts', 'one to six gangs, one put in before another, one taken out'),
    material: pick('Material', worded(BOX_MATERIALS, plain)),
    volumeCubicInches: number('Volume marked in it (in³)', 22, 18),
    volumeBasis: pick('Volume known from', { marked: 'Its mark', table: 'The table', measured: 'Measuring' }),
    depthMillimetres: number('Depth (mm)', 60, 71),
    setBackMillimetres: number('Set back from the surface (mm)', 5),
    surface: select('Surface', worded(SURFACES, plain)),
    innerClamps: check('Inner cable clamps'),
    hidden: check('Covered: it cannot be reached without damage'),
    freeLengthMillimetres: number('Free conductor, the shortest (mm)', 120),
    plate: text('Old plate', 'Brass, one gang'),
    bonded: inTest('e2e/said-of-a-box.spec.ts', 'a metal box, bonded or not'),
    recorded: check('Everything that can be seen is recorded'),
    note: text('Notes', 'Behind the clock'),
    position: inTest(
      'e2e/said-of-a-box.spec.ts',
      'rooms and boxes are put in another order, and a box in another room',
    ),
  },
  feeds: {
    boxId: MADE_WITH_ROW,
    circuitId: nobody('Another breaker is another row: the one feeds the box no more, the other does.'),
    basis: pick('Known from', { label: 'The label only', reading: 'A reading' }),
  },
  places: {
    boxId: MADE_WITH_ROW,
    gang: inTest('e2e/said-of-a-box.spec.ts', 'one to six gangs, one put in before another, one taken out'),
    groupId: inTest('e2e/by-hand.spec.ts', 'lights are joined, parted and merged'),
  },
  devices: {
    placeId: MADE_WITH_ROW,
    modelId: inTest('e2e/by-hand.spec.ts', 'lights are joined, parted and merged'),
    testerShows: inTest('e2e/said-of-a-box.spec.ts', 'what a tester showed in a receptacle'),
    setAs: text('How it was set', 'Off after ten minutes'),
    note: text('Note on it', 'Loose in its strap'),
  },
  loads: {
    groupId: inTest('e2e/by-hand.spec.ts', 'lights are joined, parted and merged'),
    name: text('What they are called', 'Bulkheads'),
    kind: select(
      'Kind',
      worded(LAMP_KINDS, kind => (kind === 'receptacle' ? 'Receptacle, or half of one' : LAMP_WORDS[kind])),
    ),
    wattsEach: number('Watts each', 12, 40),
    count: number('Count', 4),
    dimmable: pick('Dimmable, by the print on the lamp', yesNo),
    phase: select('Dimming edge', worded(PHASES, plain)),
    powerFactor: number('Power factor', 0.7),
    horsepower: inTest('e2e/said-of-a-box.spec.ts', 'a fan by its horsepower'),
    metalLuminaire: pick('Metal luminaire, to be grounded', yesNo),
    longHours: check('Often on for three hours or more'),
  },
  cables: {
    boxId: inTest('e2e/by-hand.spec.ts', 'a cable is linked to another box'),
    name: text('Name on its tape', 'Z'),
    sheath: select(
      'Sheath',
      worded(
        SHEATHS.filter(each => each !== 'own-leads'),
        plain,
      ),
      {
        'own-leads': 'Said where something hangs at a box: “a luminaire is looked into”.',
      },
    ),
    entry: pick('Comes in at the', { top: 'Top', bottom: 'Bottom' }),
    far: pick(
      'Leads to',
      { panel: 'Panel', luminaire: 'Luminaire', elsewhere: 'Elsewhere', 'not-known': 'Not known' },
      { box: 'Which box it is is asked: “a cable is linked to another box” says it.' },
    ),
    farBoxId: inTest('e2e/by-hand.spec.ts', 'a cable is linked to another box'),
    farEntry: inTest('e2e/said-of-a-box.spec.ts', 'a run enters its far box elsewhere'),
    farLoadId: inTest('e2e/said-of-a-box.spec.ts', 'the lamps that a cable was seen to lead to'),
    pulled: check('Pulled in on this job'),
    position: nobody('Cables are drawn by where they go, not by their order.'),
  },
  conductors: {
    cableId: MADE_WITH_ROW,
    insulation: pick(
      'Insulation seen',
      worded(INSULATIONS, each => INSULATION_WORDS[each]),
    ),
    markedAs: pick(
      'Marked with tape',
      worded(
        INSULATIONS.filter(each => !['bare', 'green', 'green-yellow'].includes(each)),
        plain,
      ),
      {
        bare: 'Nothing is taped bare.',
        green: 'A ground is none by tape.',
        'green-yellow': 'A ground is none by tape.',
      },
    ),
    gauge: pick(
      'Gauge',
      worded(['18 AWG', '16 AWG', '14 AWG', '12 AWG', '10 AWG', '8 AWG', '6 AWG'], each => each),
      Object.fromEntries(
        ['0.75 mm²', '1 mm²', '1.5 mm²', '2.5 mm²', '4 mm²'].map(each => [each, 'Sold in the other region.']),
      ),
    ),
    stranding: pick('Strands', worded(STRANDINGS, plain)),
    metal: pick('Metal', worded(METALS, plain)),
    faded: check('Faded: another colour is as likely'),
    unfit: check('Unfit: too short or damaged, to carry nothing'),
    wish: select('Wanted to carry, where the plan can follow', worded(WISHES, plain)),
    position: nobody('Conductors are drawn by where they go, not by their order.'),
  },
  joints: {
    boxId: MADE_WITH_ROW,
    connector: pick('Its joint is held by', worded(CONNECTORS, plain)),
    bareShows: check('Bare copper shows'),
  },
  pigtails: {
    jointId: MADE_WITH_ROW,
    deviceId: inTest('e2e/said-of-a-box.spec.ts', 'a pigtail from a joint to a screw'),
    terminal: inTest('e2e/said-of-a-box.spec.ts', 'a pigtail from a joint to a screw'),
  },
  ends: {
    conductorId: inTest('e2e/by-hand.spec.ts', 'a cable is linked to another box'),
    boxId: MADE_WITH_ROW,
    seat: pick(
      'Where it sits',
      { cap: 'Capped alone', loose: 'Loose', joint: 'New joint' },
      {
        terminal:
          'Which screw is asked: “a strand is corrected by tapping it on the drawing” and its kin say it.',
      },
    ),
    deviceId: inTest('e2e/look.spec.ts', 'by keyboard alone: a strand to a new joint, and back by undo'),
    terminal: inTest('e2e/look.spec.ts', 'by keyboard alone: a strand to a new joint, and back by undo'),
    jointId: inTest('e2e/look.spec.ts', 'by keyboard alone: a strand to a new joint, and back by undo'),
    role: pick(
      'Taken for',
      worded(ROLES, role => plain(ROLE_WORDS[role])),
    ),
    roleCircuitId: inTest(
      'e2e/said-of-a-box.spec.ts',
      'whose a conductor is: its circuit, its light, its pair',
    ),
    roleGroupId: inTest(
      'e2e/said-of-a-box.spec.ts',
      'whose a conductor is: its circuit, its light, its pair',
    ),
    seenAtSheath: check('Seen where the sheath ends: a ground by construction'),
  },
  readings: {
    boxId: MADE_WITH_ROW,
    seq: GIVEN,
    at: GIVEN,
    purpose: ASKED,
    instrument: ASKED,
    fromEndId: ASKED,
    toEndId: ASKED,
    reference: ASKED,
    value: inTest('e2e/taken-back.spec.ts', 'a reading is put right, struck out, and counts again'),
    breaker: ASKED,
    switchPosition: ASKED,
    stand: ASKED,
    toSpot: ASKED,
    toGroupId: ASKED,
    workedDeviceId: ASKED,
    answer: ASKED,
    struck: inTest('e2e/taken-back.spec.ts', 'a reading is put right, struck out, and counts again'),
    corrected: inTest('e2e/taken-back.spec.ts', 'a reading is put right, struck out, and counts again'),
    note: inTest('e2e/taken-back.spec.ts', 'a reading is put right, struck out, and counts again'),
  },
  findings: { endId: RECKONED, role: RECKONED, proof: RECKONED, basis: RECKONED },
  needs: {
    groupId: MADE_WITH_ROW,
    need: inTest('e2e/needs.spec.ts', 'what is wanted, need by need'),
    value: inTest('e2e/needs.spec.ts', 'what is wanted, need by need'),
  },
  notes: {
    endId: MADE_WITH_ROW,
    text: inTest('e2e/photos.spec.ts', 'a photo before anything is moved, a note pinned to a conductor'),
  },
  photos: {
    boxId: MADE_WITH_ROW,
    kind: inTest('e2e/taken-back.spec.ts', 'a photo shows something else than was said'),
    widthPixels: nobody('Measured in the picture.'),
    heightPixels: nobody('Measured in the picture.'),
    note: inTest('e2e/taken-back.spec.ts', 'a photo shows something else than was said'),
    seq: GIVEN,
    at: GIVEN,
  },
  claims: { endId: RECKONED, readingId: RECKONED },
  switchings: {
    circuitId: inTest(
      'e2e/taken-back.spec.ts',
      'any breaker is switched from the panel, and a switching struck out',
    ),
    to: inTest(
      'e2e/taken-back.spec.ts',
      'any breaker is switched from the panel, and a switching struck out',
    ),
    foundSo: inTest(
      'e2e/taken-back.spec.ts',
      'any breaker is switched from the panel, and a switching struck out',
    ),
    struck: inTest(
      'e2e/taken-back.spec.ts',
      'any breaker is switched from the panel, and a switching struck out',
    ),
    seq: GIVEN,
    at: GIVEN,
  },
  breakerTries: {
    boxId: MADE_WITH_ROW,
    circuitId: MADE_WITH_ROW,
    placeId: MADE_WITH_ROW,
    endId: MADE_WITH_ROW,
    shows: inTest('e2e/taken-back.spec.ts', 'a try of the hunt has its note, and is taken back'),
    hinted: inTest('e2e/hunt.spec.ts', 'the hunt for a breaker: likeliest first'),
    note: inTest('e2e/taken-back.spec.ts', 'a try of the hunt has its note, and is taken back'),
    seq: GIVEN,
    at: GIVEN,
  },
  defects: {
    boxId: MADE_WITH_ROW,
    ruleId: RECKONED,
    severity: inTest('e2e/taken-back.spec.ts', 'words and rank of a defect while it is open, and its note'),
    what: inTest('e2e/taken-back.spec.ts', 'words and rank of a defect while it is open, and its note'),
    state: inTest(
      'e2e/defects.spec.ts',
      'defects of the house: mended, struck off, and the rest handed over',
    ),
    note: inTest('e2e/taken-back.spec.ts', 'words and rank of a defect while it is open, and its note'),
    handedTo: inTest(
      'e2e/defects.spec.ts',
      'defects of the house: mended, struck off, and the rest handed over',
    ),
    handedOn: inTest('e2e/taken-back.spec.ts', 'handed over on an earlier day'),
  },
  choices: {
    placeId: MADE_WITH_ROW,
    modelId: inTest('e2e/choose.spec.ts', 'a choice can be changed, taken back and done again'),
  },
  steps: {
    boxId: MADE_WITH_ROW,
    stepKey: MADE_WITH_ROW,
    seq: GIVEN,
    at: GIVEN,
    note: inTest(
      'e2e/taken-back.spec.ts',
      'a step has its note; a setting and a test are taken back, with what was read',
    ),
  },
  settings: {
    placeId: MADE_WITH_ROW,
    settingId: MADE_WITH_ROW,
    value: inTest(
      'e2e/taken-back.spec.ts',
      'a step has its note; a setting and a test are taken back, with what was read',
    ),
  },
  tests: {
    placeId: MADE_WITH_ROW,
    testKey: MADE_WITH_ROW,
    outcome: inTest(
      'e2e/taken-back.spec.ts',
      'a step has its note; a setting and a test are taken back, with what was read',
    ),
    measured: inTest(
      'e2e/taken-back.spec.ts',
      'a step has its note; a setting and a test are taken back, with what was read',
    ),
    note: inTest(
      'e2e/taken-back.spec.ts',
      'a step has its note; a setting and a test are taken back, with what was read',
    ),
    seq: GIVEN,
    at: GIVEN,
  },
  houseRules: { ruleId: MADE_WITH_ROW, value: inTest('e2e/rules.spec.ts', 'a house rule: what it changes') },
  crew: {
    name: inTest('e2e/taken-back.spec.ts', 'who works, and what must be kept, said otherwise'),
    readsLive: inTest('e2e/day.spec.ts', 'the day: fewer walks'),
    atPanel: inTest('e2e/taken-back.spec.ts', 'who works, and what must be kept, said otherwise'),
  },
  keeps: {
    kind: MADE_WITH_ROW,
    roomId: inTest('e2e/taken-back.spec.ts', 'who works, and what must be kept, said otherwise'),
    circuitId: inTest('e2e/taken-back.spec.ts', 'who works, and what must be kept, said otherwise'),
    minutes: inTest('e2e/taken-back.spec.ts', 'who works, and what must be kept, said otherwise'),
  },
  turns: { boxId: MADE_WITH_ROW, position: inTest('e2e/day.spec.ts', 'boxes ordered by hand') },
}
