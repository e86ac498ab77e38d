/** The trade's words, once each: arrays give the order in lists, unions give the types. */

export const STAGES = ['look', 'test', 'choose', 'wire', 'set', 'prove'] as const
export type Stage = (typeof STAGES)[number]

export const INSULATIONS = [
  'black',
  'red',
  'white',
  'blue',
  'brown',
  'grey',
  'yellow',
  'green',
  'green-yellow',
  'bare',
  'violet',
  'pink',
] as const
export type Insulation = (typeof INSULATIONS)[number]

/** Conductor sizes of both regions; their figures are trade facts. */
export const GAUGES = [
  '18 AWG',
  '16 AWG',
  '14 AWG',
  '12 AWG',
  '10 AWG',
  '8 AWG',
  '6 AWG',
  '0.75 mm²',
  '1 mm²',
  '1.5 mm²',
  '2.5 mm²',
  '4 mm²',
] as const
export type Gauge = (typeof GAUGES)[number]

export const STRANDINGS = ['solid', 'stranded'] as const
export type Stranding = (typeof STRANDINGS)[number]

export const METALS = ['copper', 'aluminium'] as const
export type Metal = (typeof METALS)[number]

/** What a conductor is for, over its whole run. */
export const ROLES = [
  'line',
  'switched-load',
  'neutral',
  'ground',
  'traveller',
  'onward-feed',
  'loop-feed',
  'loop-return',
  'spare',
  /** Low voltage, that tells a driver how bright to be; no mains. */
  'control-plus',
  'control-minus',
] as const
export type Role = (typeof ROLES)[number]

export const PROOFS = ['assumed', 'indicated', 'proven', 'contradicted'] as const
export type Proof = (typeof PROOFS)[number]

export const SEATS = ['terminal', 'joint', 'cap', 'loose'] as const
export type Seat = (typeof SEATS)[number]

export const INSTRUMENTS = [
  'low-impedance-meter',
  'high-impedance-meter',
  'non-contact',
  'continuity',
  'clamp',
  'receptacle-tester',
  'circuit-finder',
] as const
export type Instrument = (typeof INSTRUMENTS)[number]

/** Why a reading was taken; the safe sequence is built from these. */
export const READING_PURPOSES = ['identify', 'tester', 'reference', 'dead', 'clamp', 'lifted'] as const
export type ReadingPurpose = (typeof READING_PURPOSES)[number]

export const SWITCH_POSITIONS = ['on', 'off', 'separated', 'not-known'] as const
export type SwitchPosition = (typeof SWITCH_POSITIONS)[number]

/** How a breaker that is off is kept from going on: a lock of one’s own, or what hangs there where none fits. */
export const LOCK_WAYS = ['lock-and-tag', 'tape-and-tag', 'fuse-kept'] as const
export type LockWay = (typeof LOCK_WAYS)[number]

/** What is apart while a reading is taken; elsewhere everything is as found. */
export const STANDS = ['as-found', 'this-box', 'all-boxes'] as const
export type Stand = (typeof STANDS)[number]

/** Where a second lead is held that is on no conductor of the boxes. */
export const SPOTS = ['earth', 'panel-hot', 'lamp-holder', 'box-metal'] as const
export type SpotName = (typeof SPOTS)[number]

/** What a reading showed, as far as it tells ways of wiring apart. */
export const ANSWERS = [
  'dead',
  'between',
  'nominal',
  'double',
  'stays-dead',
  'stays-live',
  'changes',
  'silent',
  'sounds',
  'wire',
] as const
export type ReadingAnswer = (typeof ANSWERS)[number]

/** Whether the light of a group came on and went off each time any of its places was worked. */
export const BEHAVES = ['answers', 'does-not', 'not-known'] as const
export type Behaves = (typeof BEHAVES)[number]

/** What the lamps of a receptacle tester said when it was plugged in. */
export const TESTER_SHOWS = [
  'correct',
  'open-ground',
  'open-neutral',
  'open-hot',
  'hot-neutral-reversed',
  'hot-ground-reversed',
  'other',
] as const
export type TesterShows = (typeof TESTER_SHOWS)[number]

/** What a photo shows of a box. */
export const PHOTO_KINDS = ['before', 'detail', 'after'] as const
export type PhotoKind = (typeof PHOTO_KINDS)[number]

/** What was seen, with the light or the meter watched, when one breaker was switched off. */
export const BREAKER_SHOWS = ['went-dark', 'stayed-lit', 'not-tried'] as const
export type BreakerShows = (typeof BREAKER_SHOWS)[number]

export const FINDING_PROOFS = ['indicated', 'proven'] as const

export const LAMP_KINDS = [
  'tungsten',
  'led',
  'cfl',
  'electronic-transformer',
  'magnetic-transformer',
  'electronic-ballast',
  'fan-motor',
  /** A coil that is no lamp and no motor: a bell transformer, a contactor, a valve. */
  'inductive',
  'receptacle',
] as const
export type LampKind = (typeof LAMP_KINDS)[number]

export const RATING_KINDS = [
  'tungsten',
  'led',
  'electronic-transformer',
  'magnetic-transformer',
  'electronic-ballast',
  'inductive',
  'motor',
  'general',
] as const
export type RatingKind = (typeof RATING_KINDS)[number]

export const YES_NO_UNKNOWN = ['yes', 'no', 'not-known'] as const
export type YesNoUnknown = (typeof YES_NO_UNKNOWN)[number]

/** How something is dimmed: by the edge of the wave that is cut, or by a low voltage on a pair of its own. */
export const PHASES = ['leading', 'trailing', 'either', 'control-pair', 'not-known'] as const
export type Phase = (typeof PHASES)[number]

/** What stands or hangs at a box: controls in gangs, a luminaire, a receptacle, or nothing but joints. */
export const BOX_KINDS = ['control', 'luminaire', 'outlet', 'junction'] as const
export type BoxKind = (typeof BOX_KINDS)[number]

export const BOX_MATERIALS = ['plastic', 'metal', 'not-known'] as const
export type BoxMaterial = (typeof BOX_MATERIALS)[number]

export const SURFACES = ['plaster', 'wood', 'tile', 'masonry', 'not-known'] as const
export type Surface = (typeof SURFACES)[number]

/** How near water a box stands, in the words of the regions: a bath’s zones, or places that are damp or wet. */
export const LOCATIONS = [
  'not-said',
  'dry',
  'damp',
  'wet',
  'within-shower',
  'zone-2',
  'zone-1',
  'zone-0',
] as const
export type Location = (typeof LOCATIONS)[number]

/** What is read on a circuit before it is handed over. */
export const CIRCUIT_TESTS = [
  'ground-continuity',
  'hot-continuity',
  'neutral-continuity',
  'insulation-hot-neutral',
  'insulation-hot-ground',
  'insulation-neutral-ground',
  'polarity',
  'loop',
  'trip-current',
  'trip-time',
  'test-button',
] as const
export type CircuitTest = (typeof CIRCUIT_TESTS)[number]
export const TEST_SHOWS = ['as-it-should', 'not-so'] as const

export const SHEATHS = [
  'nonmetallic',
  'cloth',
  'armoured',
  'steel-pipe',
  'plastic-pipe',
  /** No cable at all: the wires that a luminaire, or half a receptacle, brings itself. */
  'own-leads',
  /** A pair that carries no mains. */
  'low-voltage',
  'not-known',
] as const
export type Sheath = (typeof SHEATHS)[number]

export const CABLE_ENTRIES = ['top', 'bottom'] as const
export type CableEntry = (typeof CABLE_ENTRIES)[number]

/** Where a cable goes when it leaves the box. */
export const FAR_ENDS = ['not-known', 'panel', 'box', 'luminaire', 'elsewhere'] as const
export type FarEnd = (typeof FAR_ENDS)[number]

/** What people need while the work goes on. */
export const KEEPS = ['lit-tonight', 'off-at-most'] as const

/** What holds a joint; or that there is none, since one conductor runs through, straight or in a loop. */
export const CONNECTORS = [
  'lever',
  'twist-on',
  'crimp',
  'tape-only',
  'unbroken',
  'looped',
  'not-known',
] as const
export type Connector = (typeof CONNECTORS)[number]

/** No joint at all: the two ends in it are one conductor that comes and goes. */
export const RUNS_THROUGH: readonly Connector[] = ['unbroken', 'looped']

/** Work with parts of its own, whose price is a figure of the trade. */
export const PRICED_WORKS = [
  'pigtail',
  'listed-connector',
  'lamp-change',
  'bypass',
  'plate',
  'breaker-change',
  'protected-breaker',
  'deeper-box',
  'wider-box',
  'partition',
  'new-cable',
  'cover',
] as const
export type PricedWork = (typeof PRICED_WORKS)[number]

/** Small things that work uses up. */
export const SMALL_PARTS = ['connector', 'pigtail', 'cap', 'screw', 'tape', 'bypass'] as const
export type SmallPartKind = (typeof SMALL_PARTS)[number]

/** Pieces of work whose minutes are figures of the trade. */
export const WORKS = [
  'first-look',
  'photo',
  'proving',
  'identifying',
  'signature',
  'opening',
  'taking-out',
  'parting',
  'marking',
  'capping',
  'covering',
  'cut-pigtail',
  'tugging',
  'taping',
  'setting',
  'folding',
  'plain-replacement',
  'reading',
  'switching',
  'termination',
  'lever-joint',
  'twist-joint',
  'ring',
  'house-rule',
  'gang-order',
  ...PRICED_WORKS,
] as const
export type Work = (typeof WORKS)[number]

/** Whether the lamps of a light have a bypass beside them, which carries what a device without neutral lives on. */
export const BYPASSES = ['none', 'to-be-fitted', 'fitted'] as const
export type Bypass = (typeof BYPASSES)[number]

/** What of a light is left that nothing works any more: fed all the time, or never. */
export const UNWORKED = ['not-said', 'always-on', 'left-dead'] as const
export type Unworked = (typeof UNWORKED)[number]

export const PROTECTIONS = [
  'none',
  'ground-fault',
  'arc-fault',
  'dual',
  'residual-current',
  'not-known',
] as const
export type Protection = (typeof PROTECTIONS)[number]

export const WANTS = ['switch', 'dim', 'presence', 'countdown', 'sun', 'remote', 'humidity'] as const
export type Want = (typeof WANTS)[number]

/** What somebody wants a conductor between two boxes to carry. */
export const WISHES = ['line', 'load', 'neutral', 'traveller', 'signal', 'nothing'] as const
export type Wish = (typeof WISHES)[number]

/** What a room is for: house rules differ by it. */
export const ROOM_KINDS = [
  'not-said',
  'passage',
  'wet',
  'store',
  'kitchen',
  'living',
  'sleeping',
  'work',
  'outside',
] as const
export type RoomKind = (typeof ROOM_KINDS)[number]

/** What is wanted of a light beside its chief purpose, in the customer’s terms. */
export const NEEDS = [
  'dim',
  'automatic-on',
  'manual-on',
  'automatic-off',
  'off-after',
  'from-dusk',
  'until-hour',
  'remote',
  'scenes',
  'glow',
  'keep-fed',
  'few-places',
  'match-neighbour',
  'budget',
  'keep-old',
] as const
export type NeedKind = (typeof NEEDS)[number]

/** Radio that a device speaks, by the open standard’s kind. */
export const RADIOS = ['lan', 'mesh-2400', 'mesh-900', 'near'] as const
export type Radio = (typeof RADIOS)[number]

/** Opening of the plate that a device comes through. */
export const OPENINGS = ['toggle', 'wide', 'duplex', 'module'] as const
export type Opening = (typeof OPENINGS)[number]

export const SEVERITIES = ['danger', 'defect', 'remark'] as const
export type Severity = (typeof SEVERITIES)[number]

/** What a device is held to at a place, condition by condition. */
export const LINE_RULES = [
  'region',
  'every-place',
  'places',
  'isolates',
  'reach',
  'supply-neutral',
  'supply-ground',
  'minimum-load',
  'ground',
  'borrowed-neutral',
  'same-leg',
  'motor',
  'ballast',
  'receptacle',
  'load',
  'load-kind',
  'load-sum',
  'load-general',
  'load-drivers',
  'load-inrush',
  'dimmable',
  'phase',
  'separation',
  'breaker',
  'conductor-breaker',
  'pigtail-gauge',
  'termination',
  'aluminium',
  'gangs',
  'shared-gang',
  'kept-switch',
  'fins',
  'box-fill',
  'box-depth',
  'set-back',
  'location',
  'never-dark',
  'wiring',
] as const
export type LineRule = (typeof LINE_RULES)[number]

/** Those that compare watts, amperes and horsepower with ratings. */
export const LOAD_RULES: readonly LineRule[] = ['load', 'load-kind', 'load-sum', 'load-general']

/** Kinds of things wrong that the record itself shows. */
export const DEFECT_KINDS = [
  'still-live',
  'borrowed-neutral',
  'grounded-neutral',
  'label',
  'two-supply',
  'switched-neutral',
  'past-protection',
  'two-on-strap',
  'shared-neutral',
  'same-leg',
  'split-pipe',
  'not-parted',
  'receptacle',
  'dimmed',
  'undersized',
  'thin-tail',
  'aluminium',
  'bare',
  'tape',
  'crowded',
  'loose',
  'unmarked',
  'cloth',
  'raceway-not-read',
  'no-ground-metal-box',
  'box-not-bonded',
  'ground-open',
  'set-back',
  'overfull',
  'hidden',
  'short-conductor',
] as const
export type DefectKind = (typeof DEFECT_KINDS)[number]

export const DEFECT_STATES = ['open', 'mended', 'deferred', 'closed'] as const
export type DefectState = (typeof DEFECT_STATES)[number]

export const REGION_IDS = ['north-america-120', 'europe-230'] as const
export type RegionId = (typeof REGION_IDS)[number]
