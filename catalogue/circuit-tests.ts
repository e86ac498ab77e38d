import type { CircuitTestRule } from '@/core/model/trade'
import { later } from '@/core/words/say'
import type { CircuitTest, Protection, RegionId } from '@/core/model/vocabulary'

const HERE: readonly RegionId[] = ['north-america-120']
const THERE: readonly RegionId[] = ['europe-230']
const ANYWHERE: readonly RegionId[] = [...HERE, ...THERE]

/** What trips on a leak. */
const LEAKS: readonly Protection[] = ['ground-fault', 'dual', 'residual-current']

const dead = (
  kind: CircuitTest,
  says: string,
  how: string,
  limits: Pick<CircuitTestRule, 'unit' | 'least' | 'most'>,
  factId: string,
): CircuitTestRule => ({
  kind,
  regions: ANYWHERE,
  says,
  how,
  power: 'off',
  ...limits,
  protections: null,
  factId,
})

const continuity = (kind: CircuitTest, says: string): CircuitTestRule =>
  dead(
    kind,
    says,
    later`Low-resistance ohmmeter, leads zeroed; conductors of the other end joined for it, and parted after.`,
    { unit: 'Ω', least: null, most: 'by-length' },
    'test-continuity',
  )

const insulation = (kind: CircuitTest, says: string): CircuitTestRule =>
  dead(
    kind,
    says,
    later`Insulation tester, 500 V direct. Lamps, electronics and protection taken off the circuit first: it breaks them.`,
    { unit: 'MΩ', least: 1, most: null },
    'test-insulation',
  )

/** What is read on a circuit before it is handed over, in the order it is done: dead first. */
export const circuitTests: readonly CircuitTestRule[] = [
  continuity('ground-continuity', 'Ground, from the panel to the farthest point'),
  continuity('hot-continuity', 'Hot, from end to end'),
  continuity('neutral-continuity', 'Neutral, from end to end'),
  insulation('insulation-hot-neutral', 'Insulation, hot to neutral'),
  insulation('insulation-hot-ground', 'Insulation, hot to ground'),
  insulation('insulation-neutral-ground', 'Insulation, neutral to ground'),
  dead(
    'polarity',
    'Polarity, at every point',
    'By continuity from the panel: hot on every switch and every contact at the bottom of a holder.',
    { unit: null, least: null, most: null },
    'test-polarity',
  ),
  {
    kind: 'loop',
    regions: THERE,
    says: 'Loop of a fault to ground',
    how: 'Loop tester at the farthest point, everything landed and closed.',
    power: 'on',
    unit: 'Ω',
    least: null,
    most: 'by-breaker',
    protections: null,
    factId: 'test-loop',
  },
  ...(
    [
      [HERE, 6, 4, 5590],
      [THERE, 30, 15, 300],
    ] as const
  ).flatMap(([regions, milliamps, least, milliseconds]): CircuitTestRule[] => [
    {
      kind: 'trip-current',
      regions,
      says: later`Leak at which the protection trips`,
      how: later`Tester of the protection, rising slowly, at the farthest point.`,
      power: 'on',
      unit: 'mA',
      least,
      most: milliamps,
      protections: LEAKS,
      factId: 'test-trip',
    },
    {
      kind: 'trip-time',
      regions,
      says: later`Time in which it trips at its rated leak`,
      how: later`Tester of the protection, at both half waves; the longer one counts.`,
      power: 'on',
      unit: 'ms',
      least: null,
      most: milliseconds,
      protections: LEAKS,
      factId: 'test-trip',
    },
  ]),
  {
    kind: 'test-button',
    regions: ANYWHERE,
    says: 'The protection’s own test button: it trips, and resets',
    how: 'Pressed with everything on that may be off for a moment.',
    power: 'on',
    unit: null,
    least: null,
    most: null,
    protections: [...LEAKS, 'arc-fault'],
    factId: 'test-trip',
  },
]
