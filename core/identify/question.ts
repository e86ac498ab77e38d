import { DEAD_VOLTS } from '../model/limits'

/** Where an instrument is held. */
export type Spot =
  | { readonly kind: 'end'; readonly end: string }
  /** A ground that was proved, or one that was brought in. */
  | { readonly kind: 'earth' }
  /** The hot contact of a light’s empty lamp holder. */
  | { readonly kind: 'lamp-holder'; readonly light: string }
  /** The hot of the circuit, off its breaker, at the panel. */
  | { readonly kind: 'panel-hot' }

/**
 * A reading that can be taken, with all it needs to mean anything: what is held where, whether the breakers
 * are on, in which boxes the conductors are apart (elsewhere they are as found), and which switch is worked
 * meanwhile.
 */
export interface Question {
  readonly kind: 'volts' | 'continuity' | 'light'
  readonly power: 'on' | 'off'
  readonly apart: readonly string[]
  readonly from: Spot
  readonly to: Spot
  /** The device that is worked while one watches; null where nothing is touched. */
  readonly work: string | null
  /** The light whose lamps are out of their holders; absent where none are. */
  readonly lampsOut?: string
  /** The device that is off its wires, each of them by itself in the air; absent where none is. */
  readonly off?: string
}

/** Answers by kind of question; the place of each in its list is its bit. */
export const VOLTS = ['dead', 'between', 'nominal', 'double'] as const
export const WATCHED = ['stays-dead', 'stays-live', 'changes'] as const
/** `wire`: it sounds, and so low that nothing but metal lies between; `sounds` says only that current passes. */
export const CONTINUITY = ['silent', 'sounds', 'wire'] as const
export const LIGHT = ['stays-dark', 'stays-lit', 'light-changes'] as const

export type Answer =
  (typeof VOLTS)[number] | (typeof WATCHED)[number] | (typeof CONTINUITY)[number] | (typeof LIGHT)[number]

/** What can be answered, in the order it is offered. */
export function answersTo({ kind, work }: Question): readonly Answer[] {
  switch (kind) {
    case 'volts':
      return work === null ? VOLTS : WATCHED
    case 'continuity':
      return CONTINUITY
    case 'light':
      return LIGHT
  }
}

/** The bit of an answer; 0 where the question has no such answer. */
export const bitOf = (question: Question, answer: Answer): number =>
  (1 << answersTo(question).indexOf(answer)) & 0xff

const spotKey = (spot: Spot): string =>
  spot.kind === 'end' ? spot.end : spot.kind === 'lamp-holder' ? `holder of ${spot.light}` : spot.kind

/** One word for a question: the same question has the same, however it came about. */
export const keyOf = ({ kind, power, apart, from, to, work, lampsOut, off }: Question): string =>
  [
    kind,
    power,
    apart.join('+') || 'as found',
    spotKey(from),
    spotKey(to),
    work ?? '–',
    ...(lampsOut === undefined ? [] : [`lamps of ${lampsOut} out`]),
    ...(off === undefined ? [] : [`${off} off`]),
  ].join(' | ')

/** From here on, as a share of nominal, the two ends stand on different legs. */
const DOUBLE_FROM = 1.5
/** A meter and a long run may take this much off. */
const NOMINAL_WITHIN = 0.9

/** What a voltage on a low-impedance meter says. */
export function answerOfVolts(
  volts: number,
  {
    nominalVolts,
    nominalBand,
  }: { readonly nominalVolts: number; readonly nominalBand: readonly [number, number] },
): (typeof VOLTS)[number] {
  if (volts <= DEAD_VOLTS) return 'dead'
  if (volts >= DOUBLE_FROM * nominalVolts) return 'double'
  return volts >= Math.min(nominalBand[0], NOMINAL_WITHIN * nominalVolts) ? 'nominal' : 'between'
}

/** What a meter that is watched while a switch is worked says. */
export function answerOfWatched(before: number, after: number): (typeof WATCHED)[number] {
  const [first, then] = [before > DEAD_VOLTS, after > DEAD_VOLTS]
  return first !== then ? 'changes' : first ? 'stays-live' : 'stays-dead'
}
