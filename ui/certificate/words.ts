import type { TestOfCircuit } from '@/core/certificate'
import type { CircuitTestRow } from '@/core/model/entities'
import { measuresOf, runWords } from '@/core/model/measures'
import type { JobRecord } from '@/core/model/record'
import { figure } from '@/core/model/units'
import type { Say } from '@/core/words/say'

export const TEST_VERDICT_WORDS: Readonly<Record<TestOfCircuit['verdict'], string>> = {
  open: 'not taken yet',
  holds: 'as it should be',
  fails: 'not as it should be',
}

const amount = (value: number): string => figure(value, value < 10 ? 2 : 1)

/** `At most 2 Ω`, `15 to 30 mA`; empty where it is only looked at. */
export function limitWords(say: Say, { rule: { unit }, least, most }: TestOfCircuit): string {
  if (least !== null && most !== null) return say`${amount(least)} to ${amount(most)} ${unit}`
  if (most !== null) return say`At most ${amount(most)} ${unit}`
  return least === null ? '' : say`At least ${amount(least)} ${unit}`
}

/** How long the run is that was read; empty where nobody said. */
export const runOf = (record: JobRecord, { metres }: CircuitTestRow): string =>
  metres === null ? '' : runWords(measuresOf(record), metres)

/** What was shown last. */
export function shownWords(say: Say, { rule: { unit }, row }: TestOfCircuit): string {
  if (row === null) return ''
  if (row.value !== null) return `${amount(row.value)} ${unit ?? ''}`
  if (row.shows === 'as-it-should') return say`As it should`
  return beyondWords(say, unit)
}

/** What is recorded where an instrument shows no figure, or what is looked at is not so. */
export const beyondWords = (say: Say, unit: TestOfCircuit['rule']['unit']): string =>
  unit === null
    ? say`Not so`
    : unit === 'Ω'
      ? say`Open`
      : unit === 'MΩ'
        ? say`Nothing built up`
        : say`It does not trip`
