import type { ConductorFact, LampFact, Trade } from '@/core/model/trade'
import type { Gauge, LampKind } from '@/core/model/vocabulary'
import { later } from '../core/words/say'

const conductor = (
  squareMillimetres: number,
  breakerNotAboveAmps: number | null,
  fillCubicInches: number | null,
  aluminiumNotAboveAmps: number | null = null,
): ConductorFact => ({
  squareMillimetres,
  breakerNotAboveAmps,
  aluminiumNotAboveAmps,
  fillCubicInches,
})

export const conductors: Readonly<Record<Gauge, ConductorFact>> = {
  '18 AWG': conductor(0.82, null, 1.5),
  '16 AWG': conductor(1.31, null, 1.75),
  '14 AWG': conductor(2.08, 15, 2),
  '12 AWG': conductor(3.31, 20, 2.25, 15),
  '10 AWG': conductor(5.26, 30, 2.5, 25),
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
  words:
    gangs === 1
      ? later`an extension ring of one gang, ${inches} in`
      : later`an extension ring of ${gangs} gangs, ${inches} in`,
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
  setting: 0.5,
  folding: 4,
  'plain-replacement': 15,
  'lever-joint': 0.5,
  'twist-joint': 1,
  termination: 1,
  reading: 0.5,
  switching: 2,
  ring: 30,
  'deeper-box': 60,
  cover: 10,
  'lamp-change': 2,
  bypass: 15,
  'new-cable': 180,
  plate: 2,
  pigtail: 2,
  'listed-connector': 6,
  'breaker-change': 20,
  'protected-breaker': 25,
  'wider-box': 60,
  partition: 6,
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
  'past-protection': 15,
  'two-on-strap': 15,
  'shared-neutral': 15,
  'same-leg': 30,
  'split-pipe': 60,
  'not-parted': 15,
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
  cover: 14,
  'wider-box': 20,
  partition: 10,
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
