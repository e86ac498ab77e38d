import { capital } from '@/core/words/capital'
import type {
  BoxKind,
  Connector,
  Instrument,
  LampKind,
  Phase,
  Proof,
  RoomKind,
  Stage,
  Want,
} from '@/core/model/vocabulary'

/** The interface's words for the core's ids, once each. */

export const STAGE_WORDS: Readonly<Record<Stage, { readonly name: string; readonly question: string }>> = {
  look: { name: 'Look', question: 'What is here?' },
  test: { name: 'Test', question: 'What is each wire?' },
  choose: { name: 'Choose', question: 'What will work here?' },
  wire: { name: 'Wire', question: 'What goes where?' },
  set: { name: 'Set', question: 'How is it set up?' },
  prove: { name: 'Prove', question: 'Does it work, and can I show it?' },
}

export const BOX_KIND_WORDS: Readonly<Record<BoxKind, string>> = {
  control: 'Controls in gangs',
  luminaire: 'A luminaire',
  outlet: 'A receptacle',
  junction: 'Joints only',
}

export const ROOM_KIND_WORDS: Readonly<Record<RoomKind, string>> = {
  'not-said': 'Not said',
  passage: 'Hall, stair, passage',
  wet: 'Bath, toilet',
  store: 'Store, pantry, laundry',
  kitchen: 'Kitchen',
  living: 'Living, dining',
  sleeping: 'Bedroom',
  work: 'Study, workroom',
  outside: 'Outside, garage',
}

export const PROOF_WORDS: Readonly<Record<Proof, string>> = {
  assumed: 'assumed',
  indicated: 'indicated',
  proven: 'proven',
  contradicted: 'contradicted',
}

export const INSTRUMENT_WORDS: Readonly<Record<Instrument, string>> = {
  'low-impedance-meter': 'Low-impedance meter',
  'high-impedance-meter': 'High-impedance meter',
  'non-contact': 'Non-contact tester',
  continuity: 'Continuity',
  clamp: 'Clamp ammeter',
  'receptacle-tester': 'Receptacle tester',
  'circuit-finder': 'Circuit finder',
}

export const INSTRUMENT_UNITS: Readonly<Record<Instrument, string>> = {
  'low-impedance-meter': 'V',
  'high-impedance-meter': 'V',
  'non-contact': '1 = field',
  continuity: 'Ω',
  clamp: 'A',
  'receptacle-tester': 'V',
  'circuit-finder': '1 = found',
}

export const PHASE_WORDS: Readonly<Record<Phase, string>> = {
  leading: 'Leading edge',
  trailing: 'Trailing edge',
  either: 'Either edge',
  'control-pair': '0–10 V pair',
  'not-known': 'Not known',
}

export const LAMP_WORDS: Readonly<Record<LampKind, string>> = {
  tungsten: 'Tungsten, halogen',
  led: 'LED',
  cfl: 'Compact fluorescent',
  'electronic-transformer': 'Low voltage, electronic',
  'magnetic-transformer': 'Low voltage, magnetic',
  'electronic-ballast': 'Tubes, electronic ballast',
  'fan-motor': 'Fan, motor',
  inductive: 'Coil: bell transformer, valve',
  receptacle: 'Receptacle',
}

export const CONNECTOR_WORDS: Readonly<Record<Connector, string>> = {
  'twist-on': 'Twist on',
  lever: 'Lever',
  crimp: 'Crimp',
  'tape-only': 'Tape only',
  unbroken: 'None: it runs through',
  looped: 'None: it runs through in a loop',
  'not-known': 'Not known',
}

export const WANT_WORDS: Readonly<Record<Want, string>> = {
  switch: 'On and off',
  dim: 'Dim',
  presence: 'By presence',
  countdown: 'Off after minutes',
  sun: 'From dusk',
  remote: 'By remote or phone',
  humidity: 'By humidity',
}

/** Said already, and set at the beginning of a line. */

/** Ids are spelled the British way, sentences of the source the American one. */
const SPELLED: Readonly<Record<string, string>> = {
  aluminium: 'aluminum',
  armoured: 'armored',
  traveller: 'traveler',
  colour: 'color',
  grey: 'gray',
  neighbour: 'neighbor',
  earth: 'ground',
}

/** A vocabulary id as a person reads it, where it has no words of its own. */
export const plain = (id: string): string => {
  const words = id
    .replaceAll('-', ' ')
    .replace(/aluminium|armoured|traveller|colour|grey|neighbour|earth/g, id => SPELLED[id]!)
  return capital(words)
}
