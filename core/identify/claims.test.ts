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
  return { ...view, readings: [...view.readings, ...rows] }
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

  it('is no more than indicated, however often it is read', () => {
    expect(proofOf(withReadings([{}]), END.line)).toBe('indicated')
    expect(proofOf(withReadings([{}, {}, {}]), END.line)).toBe('indicated')
  })

  it('one reading that speaks against it is enough', () => {
    expect(proofOf(withReadings([{}, {}, { value: 0 }]), END.line)).toBe('contradicted')
  })

  it('volts that answer a question as nominal bear as such, also beyond what a healthy supply shows', () => {
    for (const value of [109, 131]) expect(proofOf(withReadings([{ value }]), END.line)).toBe('indicated')
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
    expect(proofOf(withReadings([off, on]), END.load)).toBe('indicated')
    expect(proofOf(withReadings([{ ...off, value: 120 }]), END.load)).toBe('contradicted')
    expect(proofOf(withReadings([{ ...on, switchPosition: 'not-known' }]), END.load)).toBe('assumed')
  })

  it('what would settle a neutral says so where its ground was not seen', () => {
    const reading = { fromEndId: END.neutral, toEndId: END.line }
    const view = withReadings([reading, reading])
    expect(proofOf(view, END.neutral)).toBe('indicated')
    const ends = view.ends.map(each => ({ ...each, end: { ...each.end, seenAtSheath: false } }))
    const unseen = { ...view, ends }
    expect(
      claimStatus(
        unseen,
        ends.find(each => each.end.id === END.neutral)!,
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
    expect(proofOf(withReadings([{ ...pair, switchPosition: 'not-known' }]), END.neutral)).toBe(
      'contradicted',
    )
  })

  it('nominal with its breaker off belongs to another circuit', () => {
    expect(proofOf(withReadings([{ breaker: 'off' }]), END.line)).toBe('contradicted')
  })

  it('a reading at one conductor of a joint holds for the others in it', () => {
    const reading = { fromEndId: END.neutral, toEndId: END.line }
    expect(proofOf(withReadings([reading]), 'box-b-white-2-end')).toBe('indicated')
  })

  it('without a role there is nothing to prove', () => {
    const view = usualBox({ cables: fedAtTheSwitch(false), proven: false })
    expect(claimStatus(view, view.ends[0]!)).toMatchObject({ role: null, proof: 'assumed' })
  })
})
