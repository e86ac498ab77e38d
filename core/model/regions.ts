import { SOURCE, type Language } from '../words/say'
import { BRITISH } from '../words/british'
import type { Conductor } from './entities'
import type { Gauge, Insulation, Location, Protection, RegionId, Role, RoomKind } from './vocabulary'

/** What a place in the world changes: figures, words, and colour hints that never prove anything. */
export interface Region {
  readonly id: RegionId
  readonly name: string
  /** What everything is called there. */
  readonly language: Language
  readonly nominalVolts: number
  readonly frequencyHertz: number
  /** A reading inside this band is called nominal. */
  readonly nominalBand: readonly [lowVolts: number, highVolts: number]
  /** At the place of use, in V: what a sound circuit reads in a box. */
  readonly useBand: readonly [number, number]
  /** A ring from a breaker and back to it: its gauge, and the breaker it may be on; null where none are made. */
  readonly ring: { readonly gauge: Gauge; readonly amps: number } | null
  /** Conductor that stays free where it leaves its sheath, in mm, at the least; null where no rule asks for any. */
  readonly freeMillimetres: number | null
  readonly gauges: readonly Gauge[]
  readonly usualGauge: Gauge
  /** What a device’s own leads usually are: stranded, and thin. */
  readonly leadGauge: Gauge
  readonly usualBreakerAmps: number
  /** Breaker sizes offered first. */
  readonly breakerAmps: readonly number[]
  readonly insulations: readonly Insulation[]
  readonly hints: Readonly<Partial<Record<Insulation, Role>>>
  readonly neutralColours: readonly Insulation[]
  readonly groundColours: readonly Insulation[]
  /** Colours that are usually met, to be corrected on the drawing; those of what an electrician adds. */
  readonly colours: UsualColours
  /** What usually comes in one sheath. */
  readonly cables: readonly CableTemplate[]
  /** Whether a neutral usually comes to a switch, or only where the lamp hangs. */
  readonly neutralAtSwitch: boolean
  /** Whether code wants a neutral at a switch where its wiring is new. */
  readonly newSwitchNeutral: boolean
  /** Two circuits on one neutral: allowed on two legs behind one handle, or each circuit has a neutral of its own. */
  readonly sharedNeutrals: 'two-legs-one-handle' | 'never'
  /** Whether a conductor in a neutral’s colour, marked again, may bring the switched current to the lamp. */
  readonly loadOnNeutralColour: boolean
  /** Colours that were the neutral’s only beside certain others: elsewhere one that is used as neutral gets its sleeve. */
  readonly neutralBeside: Readonly<Partial<Record<Insulation, readonly Insulation[]>>>
  /** Whether code lets anything send its current into the ground: a listed retrofit, as the house rule then says, or nothing. */
  readonly groundReferenced: 'listed-retrofit' | 'never'
  /** What stands where, by how near water is: an enclosure, or nothing; whether a cover before it will do. */
  readonly locations: readonly {
    readonly id: Exclude<Location, 'not-said'>
    readonly says: string
    readonly needs: 'dry' | 'damp' | 'wet' | 'nothing-stands'
    readonly byCover: boolean
  }[]
  /** Protection that wiring is to have where it is new or prolonged, and in which rooms; null: in all. */
  readonly protects: readonly {
    readonly by: readonly Protection[]
    readonly rooms: readonly RoomKind[] | null
    readonly words: string
  }[]
  /** Boxes are judged by allowances of volume, or by their maker's capacity and depth. */
  readonly fillBy: 'volume' | 'depth'
  /** A load expected on for three hours or more counts at this factor. */
  readonly continuousFactor: number
  readonly currency: string
  /** What lengths and torques are given in there. */
  readonly measures: 'metric' | 'inch'
  /** Threads of the screws that hold a device and bond a box, and how long the ones are that come with a device. */
  readonly screws: { readonly device: string; readonly deviceMillimetres: number; readonly bonding: string }
}

/** What usually comes in one sheath. */
export interface CableTemplate {
  readonly id: string
  readonly words: string
  readonly insulations: readonly Insulation[]
  /** A pair that carries no mains, its + first; absent for mains. */
  readonly pair?: { readonly gauge: Gauge }
}

type Three = readonly [first: Insulation, second: Insulation, third: Insulation]

export interface UsualColours {
  readonly hot: Insulation
  readonly neutral: Insulation
  readonly ground: Insulation
  /** Of a cable for three between places, beside the hot. */
  readonly second: Insulation
  readonly third: Insulation
  /** A cable of two from a lamp to its switch, and back. */
  readonly loop: { readonly line: Insulation; readonly load: Insulation }
  /** Two travellers, and what goes beside them. */
  readonly beside: { readonly load: Three; readonly neutral: Three; readonly other: Three }
  /** Wires that a luminaire or a receptacle brings itself. */
  readonly leads: Three
  /** Short pieces that are added, by what they carry. */
  readonly pigtails: Readonly<Record<'line' | 'load' | 'neutral' | 'ground' | 'other', Insulation>>
  /** Tape on a conductor in a neutral’s colour that carries something else. */
  readonly marked: Insulation
}

const northAmerica: Region = {
  id: 'north-america-120',
  name: 'North America, 120 V',
  language: SOURCE,
  nominalVolts: 120,
  frequencyHertz: 60,
  nominalBand: [114, 126],
  useBand: [110, 126],
  ring: null,
  // 6 in, a common rule: check local code.
  freeMillimetres: 150,
  gauges: ['18 AWG', '16 AWG', '14 AWG', '12 AWG', '10 AWG', '8 AWG', '6 AWG'],
  usualGauge: '14 AWG',
  leadGauge: '16 AWG',
  usualBreakerAmps: 15,
  breakerAmps: [15, 20, 30, 40],
  insulations: ['black', 'white', 'red', 'blue', 'yellow', 'bare', 'green'],
  hints: {
    black: 'line',
    red: 'switched-load',
    white: 'neutral',
    grey: 'neutral',
    bare: 'ground',
    green: 'ground',
  },
  neutralColours: ['white', 'grey'],
  groundColours: ['bare', 'green', 'green-yellow'],
  colours: {
    hot: 'black',
    neutral: 'white',
    ground: 'bare',
    second: 'red',
    third: 'white',
    // A white may feed a switch; what comes back from it is coloured.
    loop: { line: 'white', load: 'black' },
    beside: {
      load: ['red', 'white', 'black'],
      neutral: ['black', 'red', 'white'],
      other: ['black', 'red', 'white'],
    },
    leads: ['black', 'white', 'green'],
    pigtails: { line: 'black', load: 'red', neutral: 'white', ground: 'bare', other: 'black' },
    marked: 'black',
  },
  cables: [
    { id: 'two-ground', words: 'Two and ground', insulations: ['black', 'white', 'bare'] },
    { id: 'three-ground', words: 'Three and ground', insulations: ['black', 'red', 'white', 'bare'] },
    { id: 'four-ground', words: 'Four and ground', insulations: ['black', 'red', 'blue', 'white', 'bare'] },
    { id: 'two', words: 'Two, no ground', insulations: ['black', 'white'] },
    {
      ...{ id: 'pair', words: 'Control pair', insulations: ['violet', 'pink'] },
      pair: { gauge: '18 AWG' },
    },
  ],
  neutralAtSwitch: true,
  newSwitchNeutral: true,
  sharedNeutrals: 'two-legs-one-handle',
  loadOnNeutralColour: false,
  neutralBeside: {},
  groundReferenced: 'listed-retrofit',
  locations: [
    { id: 'dry', says: 'Dry', needs: 'dry', byCover: false },
    { id: 'damp', says: 'Damp: under a roof, outside', needs: 'damp', byCover: true },
    { id: 'wet', says: 'Wet: rain or spray reaches it', needs: 'wet', byCover: true },
    {
      id: 'within-shower',
      says: 'Within a tub or shower space',
      needs: 'nothing-stands',
      byCover: false,
    },
  ],
  protects: [
    {
      by: ['ground-fault', 'dual'],
      rooms: ['wet', 'kitchen', 'outside'],
      words: 'ground-fault protection',
    },
    {
      by: ['arc-fault', 'dual'],
      rooms: ['passage', 'store', 'kitchen', 'living', 'sleeping', 'work'],
      words: 'arc-fault protection',
    },
  ],
  fillBy: 'volume',
  continuousFactor: 1.25,
  currency: 'USD',
  measures: 'inch',
  screws: { device: '6-32', deviceMillimetres: 25, bonding: '10-32' },
}

const europe: Region = {
  id: 'europe-230',
  name: '230 V, brown and blue or red and black',
  language: BRITISH,
  nominalVolts: 230,
  frequencyHertz: 50,
  nominalBand: [207, 253],
  useBand: [207, 253],
  ring: { gauge: '2.5 mm²', amps: 32 },
  freeMillimetres: null,
  gauges: ['0.75 mm²', '1 mm²', '1.5 mm²', '2.5 mm²', '4 mm²'],
  usualGauge: '1.5 mm²',
  leadGauge: '0.75 mm²',
  usualBreakerAmps: 6,
  breakerAmps: [6, 10, 16, 20, 32],
  insulations: ['brown', 'blue', 'green-yellow', 'black', 'grey', 'red', 'green', 'bare'],
  hints: {
    brown: 'line',
    red: 'line',
    blue: 'neutral',
    'green-yellow': 'ground',
    green: 'ground',
    bare: 'ground',
  },
  neutralColours: ['blue', 'black'],
  groundColours: ['green-yellow', 'green', 'bare'],
  colours: {
    hot: 'brown',
    neutral: 'blue',
    ground: 'green-yellow',
    second: 'black',
    third: 'grey',
    loop: { line: 'brown', load: 'blue' },
    beside: {
      load: ['black', 'grey', 'brown'],
      neutral: ['brown', 'grey', 'black'],
      other: ['black', 'grey', 'brown'],
    },
    leads: ['brown', 'blue', 'green-yellow'],
    pigtails: { line: 'brown', load: 'brown', neutral: 'blue', ground: 'green-yellow', other: 'grey' },
    marked: 'brown',
  },
  cables: [
    { id: 'two-earth', words: 'Brown, blue, ground', insulations: ['brown', 'blue', 'green-yellow'] },
    {
      id: 'three-earth',
      words: 'Brown, black, gray, ground',
      insulations: ['brown', 'black', 'grey', 'green-yellow'],
    },
    { id: 'old-two-earth', words: 'Red, black, ground', insulations: ['red', 'black', 'green'] },
    {
      id: 'old-three-earth',
      words: 'Red, yellow, blue, ground',
      insulations: ['red', 'yellow', 'blue', 'green'],
    },
  ],
  neutralAtSwitch: false,
  newSwitchNeutral: false,
  sharedNeutrals: 'never',
  loadOnNeutralColour: true,
  // Red and black were hot and neutral; beside brown and grey a black is a hot.
  neutralBeside: { black: ['red'] },
  groundReferenced: 'never',
  locations: [
    { id: 'dry', says: 'Dry, and beyond the zones', needs: 'dry', byCover: false },
    { id: 'damp', says: 'Damp: under a roof, outside', needs: 'damp', byCover: false },
    { id: 'wet', says: 'Wet: rain or spray reaches it', needs: 'wet', byCover: false },
    {
      id: 'zone-2',
      says: 'Zone 2: within 0.6 m of a bath or shower',
      needs: 'nothing-stands',
      byCover: false,
    },
    { id: 'zone-1', says: 'Zone 1: over a bath or shower', needs: 'nothing-stands', byCover: false },
    { id: 'zone-0', says: 'Zone 0: in the bath or tray', needs: 'nothing-stands', byCover: false },
  ],
  protects: [{ by: ['residual-current'], rooms: null, words: 'a residual current device of 30 mA' }],
  fillBy: 'depth',
  continuousFactor: 1,
  currency: 'EUR',
  measures: 'metric',
  screws: { device: 'M3.5', deviceMillimetres: 25, bonding: 'M4' },
}

/** All there is to know of each: a region is its entry here, and its id. */
export const REGIONS: Readonly<Record<RegionId, Region>> = {
  'north-america-120': northAmerica,
  'europe-230': europe,
}

export const regionOf = (id: RegionId): Region => REGIONS[id]

/** What a conductor’s colour hints at, which is never proof; nothing where it has faded. */
export const hintOf = (region: Region, { insulation, faded }: Conductor): Role | null =>
  faded ? null : (region.hints[insulation] ?? null)

/** Whether it looks like a ground. A bare conductor does not fade. */
export const looksLikeGround = (region: Region, { insulation, faded }: Conductor): boolean =>
  region.groundColours.includes(insulation) && (!faded || insulation === 'bare')

/** Whether it looks like a neutral, or may once have. */
export const mayBeNeutral = (region: Region, { insulation, faded }: Conductor): boolean =>
  region.neutralColours.includes(insulation) || (faded && insulation !== 'bare')

/** True inside the band that a healthy supply shows, in volts. */
export const isNominal = (volts: number, region: Region): boolean =>
  volts >= region.useBand[0] && volts <= region.useBand[1]
