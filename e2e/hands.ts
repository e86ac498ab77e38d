import type { EntityName, JOB_FIELDS } from '@/core/model/entities'
import { INSULATION_WORDS, ROLE_WORDS } from '@/core/words/of-vocabulary'
import {
  BOX_KINDS,
  BOX_MATERIALS,
  BYPASSES,
  CONNECTORS,
  INSULATIONS,
  LAMP_KINDS,
  METALS,
  PHASES,
  PROTECTIONS,
  ROLES,
  ROOM_KINDS,
  RUNS_THROUGH,
  SHEATHS,
  STRANDINGS,
  SURFACES,
  WANTS,
  WISHES,
  YES_NO_UNKNOWN,
} from '@/core/model/vocabulary'
import { isControlRole } from '@/core/model/roles'
import {
  BOX_KIND_WORDS,
  CONNECTOR_WORDS,
  LAMP_WORDS,
  PHASE_WORDS,
  plain,
  ROOM_KIND_WORDS,
  WANT_WORDS,
} from '@/ui/words'
import {
  check,
  inTest,
  nobody,
  number,
  pick,
  select,
  text,
  worded,
  type ByHand,
  MADE_WITH_ROW,
  yesNo,
  type HandsOf,
  length,
} from './hand-kinds'
import { AT_THE_WALL } from './hands-at-the-wall'

const CONTROL_PAIR =
  'Of a low-voltage cable alone: “drivers are dimmed over a pair that no mains comes near” says it.'

/** Every field of every table. A new one without an entry does not compile. */
export const HANDS: HandsOf<EntityName> & {
  readonly job: { readonly [Field in Exclude<keyof typeof JOB_FIELDS, 'id'>]: ByHand }
} = {
  job: {
    name: text('Name', 'Another name'),
    address: text('Address', 'Tern Lane 3'),
    owners: text('Owners', 'Somebody'),
    electrician: text('Electrician', 'Wren'),
    apprentice: text('Apprentice', 'Ash'),
    regionId: inTest('e2e/said-of-a-box.spec.ts', 'the region of a job is said while nothing depends on it'),
    backFeed: pick('Solar, battery or standby feeds it too', worded(YES_NO_UNKNOWN, plain)),
    site: inTest('e2e/program.spec.ts', 'a program is made, its year looked at, and keyed in'),
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
    planColumn: inTest('e2e/house-picture.spec.ts', 'rooms are put where they lie, by keys and by dragging'),
    planRow: inTest('e2e/house-picture.spec.ts', 'rooms are put where they lie, by keys and by dragging'),
  },
  circuits: {
    breaker: text('Position in the panel', '4b'),
    label: text('What its label says', 'Stairs and hall'),
    poles: pick('Poles', { 1: '1', 2: '2', 3: '3' }),
    ratedAmps: number('Rating (A)', 20, 16),
    protection: select('Protection', worded(PROTECTIONS, plain)),
    labelHolds: pick('Does the label hold?', yesNo),
    sharedNeutralWithId: inTest(
      'e2e/hunt.spec.ts',
      'breakers that share a neutral are tied from either side',
    ),
    handleWithId: inTest('e2e/hunt.spec.ts', 'breakers that share a neutral are tied from either side'),
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
    bypass: pick('A bypass beside its lamps', worded(BYPASSES, plain)),
    unworked: inTest(
      'e2e/retired.spec.ts',
      'one control goes for good: its light is always on, or left dead',
    ),
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
    depthMillimetres: length('Depth (in)', [2.5, 63.5], [2.75, 69.9]),
    setBackMillimetres: length('Set back from the surface (in)', [0.25, 6.4]),
    surface: select('Surface', worded(SURFACES, plain)),
    location: select(
      'How near water it stands',
      {
        dry: 'Dry',
        damp: 'Damp: under a roof, outside',
        wet: 'Wet: rain or spray reaches it',
        'within-shower': 'Within a tub or shower space',
        'not-said': 'Not said',
      },
      Object.fromEntries(['zone-2', 'zone-1', 'zone-0'].map(zone => [zone, 'Said in the other region.'])),
    ),
    innerClamps: check('Inner cable clamps'),
    fittingKinds: number('Studs and hickeys, kinds', 2),
    ringCubicInches: number('A ring on it adds (in³)', 8),
    hidden: check('Covered: it cannot be reached without damage'),
    freeLengthMillimetres: length('Free conductor, the shortest (in)', [5, 127]),
    plate: text('Old plate', 'Brass, one gang'),
    bonded: inTest('e2e/said-of-a-box.spec.ts', 'a metal box, bonded or not'),
    divided: inTest('e2e/control-pair.spec.ts', 'drivers are dimmed over a pair that no mains comes near'),
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
    part: inTest('e2e/said-of-a-box.spec.ts', 'two controls on one strap, and one of them gone'),
    groupId: inTest('e2e/by-hand.spec.ts', 'lights are joined, parted and merged'),
    retired: inTest('e2e/retired.spec.ts', 'one control goes for good: its light is always on, or left dead'),
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
    amperesEach: number('Amperes each', 0.2),
    voltAmperesEach: number('Volt-amperes each', 18),
    inrushAmperesEach: number('Inrush each (A)', 12),
    count: number('Count', 4),
    dimmable: pick('Dimmable, by the print on the lamp', yesNo),
    phase: select(
      'Dimmed by',
      worded(PHASES, phase => PHASE_WORDS[phase]),
    ),
    powerFactor: number('Power factor', 0.7),
    horsepower: inTest('e2e/said-of-a-box.spec.ts', 'a fan by its horsepower'),
    metalLuminaire: pick('Metal luminaire, to be grounded', yesNo),
    longHours: check('Often on for three hours or more'),
    isolatedAtId: inTest('e2e/isolator.spec.ts', 'a fan is isolated beside its ceiling, and wired so'),
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
    faded: check('Faded: another color is as likely'),
    unfit: check('Unfit: too short or damaged, to carry nothing'),
    wish: select('Wanted to carry, where the plan can follow', worded(WISHES, plain)),
    position: nobody('Conductors are drawn by where they go, not by their order.'),
  },
  joints: {
    boxId: MADE_WITH_ROW,
    connector: pick(
      'Its joint is held by',
      worded(
        CONNECTORS.filter(each => !RUNS_THROUGH.includes(each)),
        each => CONNECTOR_WORDS[each],
      ),
      {
        unbroken: 'Said of two ends alone: “a conductor that runs through unbroken”.',
        looped: 'Said of two ends alone: “a conductor that runs through unbroken”.',
      },
    ),
    bareShows: check('Bare copper shows'),
  },
  pigtails: {
    jointId: MADE_WITH_ROW,
    deviceId: inTest('e2e/said-of-a-box.spec.ts', 'a pigtail from a joint to a screw'),
    terminal: inTest('e2e/said-of-a-box.spec.ts', 'a pigtail from a joint to a screw'),
    gauge: inTest('e2e/said-of-a-box.spec.ts', 'a pigtail from a joint to a screw'),
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
      worded(
        ROLES.filter(role => !isControlRole(role)),
        role => plain(ROLE_WORDS[role]),
      ),
      {
        'control-plus': CONTROL_PAIR,
        'control-minus': CONTROL_PAIR,
      },
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
  ...AT_THE_WALL,
}
