import { BLANK } from '../model/blank-rows'
import { describe, expect, it } from 'vitest'
import { fedAtTheSwitch, usualBox } from '@/demo/usual'
import type { BoxView } from '../job/box-view'
import type { Row } from '../model/entities'
import { claimStatus } from '.'

const END = {
  line: 'box-a-black-1-end',
  neutral: 'box-a-white-2-end',
  ground: 'box-a-bare-3-end',
  load: 'box-b-black-1-end',
}

const withReadings = (
  readings: readonly Partial<Row<'readings'>>[],
  view = usualBox({ proven: false }),
): BoxView => {
  const rows = readings.map((reading, index) => ({
    id: `r${index}`,
    boxId: 'box',
    seq: 100 + index,
    at: '2026-03-02T08:00:00.000Z',
    ...BLANK.readings,
    fromEndId: END.line,
    toEndId: END.ground,
    value: 120,
    switchPosition: 'separated' as const,
    ...reading,
  }))
  const claims = Object.fromEntries(
    rows.map(row => [`c${row.id}`, { id: `c${row.id}`, endId: row.fromEndId ?? '', readingId: row.id }]),
  )
  return { ...view, readings: [...view.readings, ...rows], record: { ...view.record, claims } }
}

const proofOf = (view: BoxView, endId: string) => {
  const { proof } = claimStatus(
    view,
    view.ends.find(each => each.end.id === endId)!,
  )
  return proof
}

describe('a role set by hand', () => {
  it('stays assumed without a reading, whatever its colour', () => {
    const view = usualBox({ proven: false })
    for (const end of Object.values(END)) expect(proofOf(view, end)).toBe('assumed')
  })

  it('one reading indicates, a repeat proves', () => {
    expect(proofOf(withReadings([{}]), END.line)).toBe('indicated')
    expect(proofOf(withReadings([{}, {}]), END.line)).toBe('proven')
  })

  it('a reading that is not linked to it bears nothing out, but still speaks against it', () => {
    const view = withReadings([{}, {}])
    const unlinked = { ...view, record: { ...view.record, claims: {} } }
    expect(proofOf(unlinked, END.line)).toBe('assumed')
    const against = withReadings([{ value: 0 }])
    expect(proofOf({ ...against, record: { ...against.record, claims: {} } }, END.line)).toBe('contradicted')
  })

  it('a high-impedance meter alone never proves', () => {
    const high = { instrument: 'high-impedance-meter' as const }
    expect(proofOf(withReadings([high, high]), END.line)).toBe('indicated')
    expect(proofOf(withReadings([high, {}]), END.line)).toBe('proven')
  })

  it('phantom volts and a non-contact tester say nothing', () => {
    expect(proofOf(withReadings([{ value: 47, instrument: 'high-impedance-meter' }]), END.line)).toBe(
      'assumed',
    )
    expect(proofOf(withReadings([{ value: 1, instrument: 'non-contact' }]), END.line)).toBe('assumed')
  })

  it('the switched load follows the switch; unknown position says nothing', () => {
    const off = { fromEndId: END.load, value: 0, switchPosition: 'off' as const }
    const on = { fromEndId: END.load, value: 119, switchPosition: 'on' as const }
    expect(proofOf(withReadings([off, on]), END.load)).toBe('proven')
    expect(proofOf(withReadings([{ ...off, value: 120 }]), END.load)).toBe('contradicted')
    expect(proofOf(withReadings([{ ...on, switchPosition: 'not-known' }]), END.load)).toBe('assumed')
  })

  it('a neutral needs a hot, twice, and a ground accounted for beside it', () => {
    const reading = { fromEndId: END.neutral, toEndId: END.line }
    expect(proofOf(withReadings([reading, reading]), END.neutral)).toBe('proven')
    const view = withReadings([reading, reading])
    const unseen = {
      ...view,
      ends: view.ends.map(each => ({ ...each, end: { ...each.end, seenAtSheath: false } })),
    }
    expect(proofOf(unseen, END.neutral)).toBe('indicated')
    expect(
      claimStatus(
        unseen,
        unseen.ends.find(each => each.end.id === END.neutral)!,
      ).settledBy,
    ).toMatch(/sheath/)
  })

  it('0 V between neutral and ground proves nothing; nominal speaks against', () => {
    const pair = { fromEndId: END.neutral, toEndId: END.ground }
    expect(
      proofOf(
        withReadings([
          { ...pair, value: 0 },
          { ...pair, value: 0 },
        ]),
        END.neutral,
      ),
    ).toBe('assumed')
    expect(proofOf(withReadings([pair]), END.neutral)).toBe('contradicted')
  })

  it('nominal with its breaker off belongs to another circuit', () => {
    expect(proofOf(withReadings([{ breaker: 'off' }]), END.line)).toBe('contradicted')
  })

  it('a reading at one conductor of a joint holds for the others in it', () => {
    const reading = { fromEndId: END.neutral, toEndId: END.line }
    expect(proofOf(withReadings([reading, reading]), 'box-b-white-2-end')).toBe('proven')
  })

  it('without a role there is nothing to prove', () => {
    const view = usualBox({ cables: fedAtTheSwitch(false), proven: false })
    expect(claimStatus(view, view.ends[0]!)).toMatchObject({ role: null, proof: 'assumed' })
  })
})
