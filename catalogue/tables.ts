import { RULE_DEFAULTS, type HouseRuleId } from '@/core/model/house-rules'
import { ruleOfRoom, type ConductorFact, type HouseRule, type LampFact, type Trade } from '@/core/model/trade'
import type { Gauge, LampKind, RoomKind } from '@/core/model/vocabulary'

const conductor = (
  squareMillimetres: number,
  breakerNotAboveAmps: number | null,
  fillCubicInches: number | null,
): ConductorFact => ({ squareMillimetres, breakerNotAboveAmps, fillCubicInches })

export const conductors: Readonly<Record<Gauge, ConductorFact>> = {
  '18 AWG': conductor(0.82, null, 1.5),
  '16 AWG': conductor(1.31, null, 1.75),
  '14 AWG': conductor(2.08, 15, 2),
  '12 AWG': conductor(3.31, 20, 2.25),
  '10 AWG': conductor(5.26, 30, 2.5),
  '8 AWG': conductor(8.37, 40, 3),
  '6 AWG': conductor(13.3, 55, 5),
  '0.75 mm²': conductor(0.75, null, null),
  '1 mm²': conductor(1, 10, null),
  '1.5 mm²': conductor(1.5, 16, null),
  '2.5 mm²': conductor(2.5, 20, null),
  '4 mm²': conductor(4, 32, null),
}

const lamp = (
  words: string,
  rating: LampFact['rating'],
  powerFactorIfNotPrinted: number,
  offLimitMilliamps: number,
  dimming: LampFact['dimming'],
  /** A cold filament has about a twelfth; windings have little resistance; electronics are open. */
  cold: Pick<LampFact, 'coldShare' | 'ohmsShare'> = { coldShare: 1, ohmsShare: null },
): LampFact => ({ words, rating, powerFactorIfNotPrinted, offLimitMilliamps, dimming, ...cold })

export const lamps: Readonly<Record<LampKind, LampFact>> = {
  tungsten: lamp('Tungsten or halogen', 'tungsten', 1, 20, 'always', {
    coldShare: 1 / 12,
    ohmsShare: 1 / 12,
  }),
  led: lamp('LED', 'led', 0.5, 1, 'as-printed'),
  cfl: lamp('Compact fluorescent', 'led', 0.5, 1, 'as-printed'),
  'electronic-transformer': lamp(
    'Low voltage, electronic transformer',
    'electronic-transformer',
    0.95,
    5,
    'as-printed',
  ),
  'magnetic-transformer': lamp(
    'Low voltage, magnetic transformer',
    'magnetic-transformer',
    0.9,
    10,
    'as-printed',
    { coldShare: 1, ohmsShare: 0.05 },
  ),
  'electronic-ballast': lamp('Tubes on electronic ballast', 'electronic-ballast', 0.95, 2, 'never'),
  'fan-motor': lamp('Fan or other motor', 'motor', 0.7, 20, 'never', { coldShare: 1, ohmsShare: 0.1 }),
  inductive: lamp('Coil: bell transformer, contactor, valve', 'inductive', 0.5, 10, 'never', {
    coldShare: 1,
    ohmsShare: 0.1,
  }),
  receptacle: lamp('Receptacle', 'general', 1, 1, 'never'),
}

export const motors: Trade['motors'] = [
  { horsepower: 1 / 6, amps115: 4.4, amps230: 2.2 },
  { horsepower: 1 / 4, amps115: 5.8, amps230: 2.9 },
  { horsepower: 1 / 3, amps115: 7.2, amps230: 3.6 },
  { horsepower: 1 / 2, amps115: 9.8, amps230: 4.9 },
  { horsepower: 3 / 4, amps115: 13.8, amps230: 6.9 },
  { horsepower: 1, amps115: 16, amps230: 8 },
]

const box = (words: string, cubicInches: number, gangs: number, depthMillimetres: number) => ({
  words,
  cubicInches,
  gangs,
  depthMillimetres,
})

export const boxes: Trade['boxes'] = [
  box('3 × 2 × 2¼ in device box', 10.5, 1, 57),
  box('3 × 2 × 2½ in device box', 12.5, 1, 63),
  box('3 × 2 × 2¾ in device box', 14, 1, 70),
  box('3 × 2 × 3½ in device box', 18, 1, 89),
  box('4 × 2⅛ × 1½ in box', 10.3, 1, 38),
  box('4 × 2⅛ × 1⅞ in box', 13, 1, 48),
  box('4 × 2⅛ × 2⅛ in box', 14.5, 1, 54),
  box('4 in square × 1¼ in', 18, 2, 32),
  box('4 in square × 1½ in', 21, 2, 38),
  box('4 in square × 2⅛ in', 30.3, 2, 54),
  box('4 11/16 in square × 1¼ in', 25.5, 2, 32),
  box('4 11/16 in square × 1½ in', 29.5, 2, 38),
  box('4 11/16 in square × 2⅛ in', 42, 2, 54),
  box('4 in octagon × 1¼ in', 12.5, 1, 32),
  box('4 in octagon × 1½ in', 15.5, 1, 38),
  box('4 in octagon × 2⅛ in', 21.5, 1, 54),
  box('Plastic, one gang', 20, 1, 76),
  box('Plastic, one gang, deep', 22.5, 1, 89),
  box('Plastic, two gangs', 34, 2, 76),
  box('Plastic, three gangs', 48, 3, 76),
]

/** Volume by the opening times the rise; a ring that is marked counts as marked. */
const ring = (
  gangs: number,
  inches: string,
  cubicInches: number,
  riseMillimetres: number,
  price: number,
) => ({
  words: `a ring of ${gangs === 1 ? 'one gang' : `${gangs} gangs`}, ${inches} in`,
  gangs,
  cubicInches,
  riseMillimetres,
  price,
})

export const rings: Trade['rings'] = [
  ring(1, '½', 3, 13, 6),
  ring(1, '1', 6, 25, 8),
  ring(1, '1½', 9, 38, 10),
  ring(2, '½', 5.7, 13, 8),
  ring(2, '1', 11.4, 25, 11),
  ring(2, '1½', 17.1, 38, 14),
  ring(3, '½', 8.4, 13, 11),
  ring(3, '1', 16.8, 25, 15),
]

const lever = (slots: number, largest: Gauge, stripMillimetres: number) => ({
  slots,
  largest,
  stripMillimetres,
})

export const levers: Trade['levers'] = [
  ...[2, 3, 5].map(slots => lever(slots, '12 AWG', 11)),
  ...[2, 3, 5].map(slots => lever(slots, '10 AWG', 13)),
]

const twist = (name: string, most: number) => ({
  name,
  most,
  gauge: '14 AWG' as const,
  stripMillimetres: 19,
})

export const twistOn: Trade['twistOn'] = [twist('small', 2), twist('medium', 4), twist('large', 5)]

/** Minutes a piece of work takes at first; a job’s own record may teach better ones. */
export const minutes: Trade['minutes'] = {
  'first-look': 5,
  photo: 1,
  proving: 1,
  identifying: 2,
  signature: 2,
  opening: 1,
  'taking-out': 3,
  parting: 1,
  marking: 1,
  capping: 1,
  covering: 1,
  'cut-pigtail': 1,
  tugging: 1,
  taping: 1,
  folding: 4,
  'plain-replacement': 15,
  'lever-joint': 0.5,
  'twist-joint': 1,
  termination: 1,
  reading: 0.5,
  switching: 2,
  ring: 30,
  'deeper-box': 60,
  'lamp-change': 2,
  bypass: 15,
  'new-cable': 180,
  plate: 2,
  pigtail: 2,
  'listed-connector': 6,
  'breaker-change': 20,
  'protected-breaker': 25,
  'wider-box': 60,
  'house-rule': 1,
  'gang-order': 5,
}

/** Minutes to put right what is wrong, in a usual box; a company puts its own. */
export const mending: Trade['mending'] = {
  'still-live': 15,
  'borrowed-neutral': 45,
  'grounded-neutral': 45,
  label: 2,
  'two-supply': 60,
  'switched-neutral': 20,
  'two-on-strap': 15,
  'shared-neutral': 15,
  'same-leg': 30,
  'split-pipe': 60,
  receptacle: 15,
  dimmed: 15,
  undersized: 20,
  'thin-tail': 3,
  aluminium: 20,
  bare: 2,
  tape: 2,
  crowded: 3,
  loose: 1,
  unmarked: 2,
  cloth: 5,
  'raceway-not-read': 1,
  'no-ground-metal-box': 60,
  'box-not-bonded': 3,
  'ground-open': 30,
  'set-back': 30,
  overfull: 30,
  hidden: 30,
  'short-conductor': 10,
}

/** Prices of the parts that go with a piece of work; a company puts its own. */
export const prices: Trade['prices'] = {
  pigtail: 1,
  'listed-connector': 6,
  'lamp-change': 6,
  bypass: 9,
  plate: 4,
  'breaker-change': 12,
  'protected-breaker': 55,
  'deeper-box': 15,
  'wider-box': 20,
  'new-cable': 60,
}

/** As much as any device asks for that lives through the lamp. */
export const bypassWatts: Trade['bypassWatts'] = 40

export const routeCosts: Trade['routeCosts'] = {
  changed: 1,
  markedAgain: 2,
  madeNeutral: 6,
  signalNotRed: 0.25,
  anotherCable: 3,
  newJoint: 0.5,
  moved: 0.5,
  againstWish: 100,
}

const rule = (
  id: string,
  question: string,
  values: readonly (readonly [string, string])[],
  why: string,
): HouseRule => ({
  id,
  question,
  values: values.map(([value, words]) => ({ value, words })),
  // Where the core goes by it, the core’s default, which stands first.
  initial: id in RULE_DEFAULTS ? RULE_DEFAULTS[id as HouseRuleId] : values[0]![0],
  why,
  roomKind: null,
})

/** How presence sensors turn the light on, room by room. */
const presenceOn = (
  roomKind: RoomKind,
  initial: 'as-it-comes' | 'by-hand' | 'by-itself',
  why: string,
): HouseRule => ({
  ...rule(
    ruleOfRoom('presence-on', roomKind),
    'How do presence sensors turn the light on?',
    [
      ['as-it-comes', 'As the device comes'],
      ['by-hand', 'By hand; off by themselves'],
      ['by-itself', 'By themselves'],
    ],
    why,
  ),
  initial,
  roomKind,
})

/** Where good electricians disagree; the first value is the default. */
export const houseRules: readonly HouseRule[] = [
  rule(
    'joints',
    'How are joints made?',
    [
      ['lever', 'Lever connectors'],
      ['twist-on', 'Twist-on connectors'],
    ],
    'Each wire has its own slot and can be opened again.',
  ),
  rule(
    'pre-twist',
    'Are conductors twisted together before a twist-on connector?',
    [
      ['no', 'No, the connector does it'],
      ['stranded', 'Only with a stranded one among them'],
      ['yes', 'Always'],
    ],
    'The connector’s sheet says that it need not be; a stranded lead slips more easily.',
  ),
  rule(
    'push-in',
    'May push-in terminals be used?',
    [
      ['no', 'No'],
      ['yes', 'Yes, solid conductors of the named gauge'],
    ],
    'A screw or clamp can be checked by eye.',
  ),
  rule(
    'back-clamp',
    'May conductors go under back clamps?',
    [
      ['yes', 'Yes, straight and tightened'],
      ['no', 'No, round the screw only'],
    ],
    'A clamp holds as many as the device names, and is tightened like a screw.',
  ),
  rule(
    'neutral-source',
    'Where does a new device’s neutral come from, beside a receptacle?',
    [
      ['splice', 'From the splice, by a pigtail'],
      ['receptacle', 'From a free screw of the receptacle, never on a shared neutral'],
    ],
    'A receptacle that is taken out then opens nobody’s neutral.',
  ),
  rule(
    'ground-referenced',
    'Ground-referenced sensors where no neutral exists?',
    [
      ['not-allowed', 'Not allowed'],
      ['allowed', 'Allowed as a listed retrofit'],
    ],
    'Their current returns over the ground.',
  ),
  rule(
    'isolation',
    'What is switched off?',
    [
      ['breaker', 'The circuit’s breakers; the main switch when one is not identified'],
      ['main', 'Always the main switch'],
    ],
    'The rest of the house keeps its light.',
  ),
  rule(
    'lock-out',
    'What keeps a breaker off?',
    [
      ['lock-and-tag', 'A lock and a tag; each keeps his own key'],
      ['tape-and-tag', 'Tape over its handle and a tag, where no lock fits'],
      ['fuse-kept', 'Its fuse is taken out and kept, with a tag in its place'],
    ],
    'Somebody at the panel sees a dark room, and a handle that is down.',
  ),
  rule(
    'finding-line',
    'How is it found what each wire is?',
    [
      ['either', 'Live where conductors are apart and untouched, or dead: whichever is shorter'],
      ['live', 'Live, conductors apart and untouched; dead where that tells nothing'],
      ['dead', 'Dead only, by continuity from a known point'],
    ],
    'Fewest readings; no reading is taken on a conductor that anybody holds.',
  ),
  rule(
    'remark-neutral',
    'May a coloured conductor be marked again as a neutral?',
    [
      ['never', 'Never'],
      ['as-allowed', 'As the local authority allows'],
    ],
    'Many codes do not let conductors this small change their meaning.',
  ),
  rule(
    'fill-edition',
    'How do extra grounds count?',
    [
      ['grounds-in-quarters', 'A quarter each above four'],
      ['grounds-as-one', 'All together as one'],
    ],
    'The newer rule counts more.',
  ),
  rule(
    'fans',
    'What turns a fan off, where nobody said?',
    [
      ['as-wanted', 'As the customer wants it'],
      ['countdown', 'A countdown'],
      ['humidity', 'Humidity'],
    ],
    'A countdown is understood at once; humidity runs as long as it is needed.',
  ),
  rule(
    'radio-systems',
    'Who answers for a radio system?',
    [
      ['company', 'The company recommends one'],
      ['customer', 'The customer decides, and signs for it'],
    ],
    'A system outlives the visit: who chose it is asked when it fails.',
  ),
  rule(
    'tape-terminals',
    'Tape round the device’s terminals?',
    [
      ['no', 'No'],
      ['metal-boxes', 'In metal boxes only'],
      ['yes', 'Always'],
    ],
    'Tape hides a loose screw.',
  ),
  presenceOn('passage', 'by-itself', 'Hands are full, and nobody stays.'),
  presenceOn('wet', 'by-itself', 'Found in the dark, and left on most.'),
  presenceOn('store', 'by-itself', 'Hands are full.'),
  presenceOn('kitchen', 'by-hand', 'Daylight is usual, and the hob wants its own light.'),
  presenceOn('living', 'by-hand', 'People sit in the dark on purpose.'),
  presenceOn('sleeping', 'by-hand', 'Nobody is to be lit awake.'),
  presenceOn('work', 'by-hand', 'By hand saves most where daylight is usual.'),
  presenceOn('outside', 'by-itself', 'It is dark, and the switch is indoors.'),
  presenceOn('not-said', 'as-it-comes', 'Nobody said what the room is for.'),
]
