import { later } from '@/core/words/say'
import { RULE_DEFAULTS, type HouseRuleId } from '@/core/model/house-rules'
import { ruleOfRoom, type HouseRule } from '@/core/model/trade'
import type { RoomKind } from '@/core/model/vocabulary'

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
    later`How do presence sensors turn the light on?`,
    [
      ['as-it-comes', later`As the device comes`],
      ['by-hand', later`By hand; off by themselves`],
      ['by-itself', later`By themselves`],
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
    'measures',
    'What are lengths and torques given in?',
    [
      ['as-region', 'As the region of the job has them'],
      ['metric', 'mm and N·m'],
      ['inch', 'inches and lb·in'],
      ['both', 'Both'],
    ],
    'What is on the tape measure and on the screwdriver.',
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
    'May a colored conductor be marked again as a neutral?',
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
  presenceOn('kitchen', 'by-hand', 'Daylight is usual, and the stove wants its own light.'),
  presenceOn('living', 'by-hand', 'People sit in the dark on purpose.'),
  presenceOn('sleeping', 'by-hand', 'Nobody is to be lit awake.'),
  presenceOn('work', 'by-hand', 'By hand saves most where daylight is usual.'),
  presenceOn('outside', 'by-itself', 'It is dark, and the switch is indoors.'),
  presenceOn('not-said', 'as-it-comes', 'Nobody said what the room is for.'),
]
