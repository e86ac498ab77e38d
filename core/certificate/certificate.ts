import type { Breaker, CircuitTestRow } from '../model/entities'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
import { regionOf } from '../model/regions'
import type { Metal } from '../model/vocabulary'
import type { CircuitTestRule, Trade } from '../model/trade'
import { sharersOf } from '../model/ties'
import { rounded } from '../model/units'
import { isKeptOff, isSwitchedOff } from '../safety'
import { sayFor } from '../model/say-for'

/** One test of a circuit, with the newest that was recorded of it. */
export interface TestOfCircuit {
  readonly rule: CircuitTestRule
  /** Bounds of what it may show, in its unit; null where there is none. */
  readonly least: number | null
  readonly most: number | null
  readonly row: CircuitTestRow | null
  readonly verdict: 'open' | 'holds' | 'fails'
}

/** A breaker of the common kind trips at once at five times its rating; the supply may be low, and copper warms. */
const AT_ONCE = 5
const LOW_SUPPLY = 0.95
const READ_COLD = 0.8

/** The largest loop, in Ω, at which a fault to ground still trips a breaker of so many amperes at once; to 0.01. */
export const mostLoopOhms = (volts: number, ratedAmps: number): number =>
  rounded((READ_COLD * LOW_SUPPLY * volts) / (AT_ONCE * ratedAmps), 2)

/** Of any run in a house; and of one whose length is known, for its warmth, and for clips and joints. */
const MOST_OF_ANY_OHMS = 2
const WARMER = 1.2
const CLIPS_AND_JOINTS_OHMS = 0.1
/** Of a metre of 1 mm². */
const OHMS_OF: Readonly<Record<Metal, number>> = { copper: 0.0185, aluminium: 0.029 }

/** What one metre has of the conductor with the most of it that is recorded on a circuit; null where none is. */
export function ohmsOfMetre(record: JobRecord, circuit: Breaker, trade: Trade): number | null {
  const boxes = rowsWith(record, 'feeds', 'circuitId', circuit.id).map(({ boxId }) => boxId)
  const cables = boxes.flatMap(boxId => rowsWith(record, 'cables', 'boxId', boxId))
  const each = cables
    .flatMap(({ id }) => rowsWith(record, 'conductors', 'cableId', id))
    .map(({ gauge, metal }) => OHMS_OF[metal] / trade.conductors[gauge].squareMillimetres)
  return each.length === 0 ? null : Math.max(...each)
}

/** The most that a run shows, in Ω, out and back, which is so many metres long; to 0.01, rounded up. */
export const mostRunOhms = (metres: number, ohmsOfOne: number): number =>
  Math.min(
    MOST_OF_ANY_OHMS,
    Math.ceil((2 * metres * ohmsOfOne * WARMER + CLIPS_AND_JOINTS_OHMS) * 100 - 1e-9) / 100,
  )

/** The tests that a circuit is to have where it is, in the order they are done; those not taken yet of a run of so many metres. */
export function testsOfCircuit(
  record: JobRecord,
  circuit: Breaker,
  trade: Trade,
  metres: number | null = null,
): TestOfCircuit[] {
  const { nominalVolts } = regionOf(record.job.regionId)
  const rows = rowsWith(record, 'circuitTests', 'circuitId', circuit.id)
  const ofMetre = ohmsOfMetre(record, circuit, trade)
  return trade.circuitTests
    .filter(({ regions }) => regions.includes(record.job.regionId))
    .filter(({ protections }) => protections === null || protections.includes(circuit.protection))
    .map(rule => {
      const row = rows.filter(({ kind }) => kind === rule.kind).at(-1) ?? null
      const most =
        rule.most === 'by-breaker'
          ? mostLoopOhms(nominalVolts, circuit.ratedAmps)
          : rule.most === 'by-length'
            ? mostOfRun(row === null ? metres : row.metres, ofMetre)
            : rule.most
      return { rule, least: rule.least, most, row, verdict: verdictOf(row, rule.least, most) }
    })
}

const mostOfRun = (metres: number | null, ohmsOfOne: number | null): number =>
  metres === null || ohmsOfOne === null ? MOST_OF_ANY_OHMS : mostRunOhms(metres, ohmsOfOne)

function verdictOf(
  row: CircuitTestRow | null,
  least: number | null,
  most: number | null,
): TestOfCircuit['verdict'] {
  if (row === null) return 'open'
  if (row.value === null) return row.shows === 'as-it-should' ? 'holds' : 'fails'
  return (least === null || row.value >= least - 1e-9) && (most === null || row.value <= most + 1e-9)
    ? 'holds'
    : 'fails'
}

/** What keeps a test from being taken now: a dead one before its circuit is off and kept off. */
export function holdsBeforeTest(record: JobRecord, circuit: Breaker, rule: CircuitTestRule): string[] {
  const say = sayFor(record)
  if (rule.power === 'on') return []
  return [circuit, ...sharersOf(record, circuit)]
    .filter(each => !isKeptOff(record, each))
    .map(each => say`breaker ${each.breaker} is not off and locked`)
}

/** Dead tests that failed on what a breaker, or the main switch (null), would bring on: it stays off for them. */
export function failedBehind(record: JobRecord, circuitId: string | null, trade: Trade): string[] {
  const say = sayFor(record)
  const behind = rowsOf(record, 'circuits').filter(({ id }) =>
    circuitId === null ? !isSwitchedOff(record, id) : id === circuitId,
  )
  return behind.flatMap(circuit =>
    testsOfCircuit(record, circuit, trade)
      .filter(({ rule, verdict }) => rule.power === 'off' && verdict === 'fails')
      .map(({ rule }) => say`breaker ${circuit.breaker} failed a dead test: ${say(rule.says).toLowerCase()}`),
  )
}
