import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox } from '@/demo/usual'
import { planBox } from '../plan'
import { boxView, type BoxView } from '../job/box-view'
import { BLANK } from '../model/blank-rows'
import type { Row } from '../model/entities'
import type { JobRecord } from '../model/record'
import {
  accountedIn,
  basisOf,
  claimStatus,
  Identifier,
  readingFor,
  surveyOf,
  takenIn,
  type Answer,
  type Question,
} from '.'

const A_BLACK = 'box-a-black-1-end'
const A_WHITE = 'box-a-white-2-end'
const A_BARE = 'box-a-bare-3-end'
const B_BLACK = 'box-b-black-1-end'
const B_WHITE = 'box-b-white-2-end'

type Shown = readonly [from: string, to: string, volts: number, apart: boolean]

/** What a meter shows in the usual box, fed at the switch, with the light on. */
const READINGS: readonly Shown[] = [
  [A_BLACK, A_BARE, 120, false],
  [A_BLACK, A_BARE, 119, true],
  [A_BLACK, A_WHITE, 121, true],
  [B_BLACK, A_BARE, 0, true],
  [A_BLACK, A_WHITE, 120, false],
  [A_WHITE, A_BARE, 0, false],
  [B_BLACK, A_BLACK, 0, true],
  [A_BLACK, A_WHITE, 118, true],
  [A_BLACK, A_BARE, 120, true],
  [B_BLACK, A_BLACK, 0, true],
  [B_WHITE, A_BLACK, 0, true],
  [B_WHITE, A_BLACK, 1, true],
  [B_BLACK, A_WHITE, 0, true],
  [A_WHITE, A_BARE, 0, true],
  [B_BLACK, A_BARE, 0, false],
  [B_BLACK, A_BARE, 119, false],
  [B_BLACK, A_WHITE, 0, false],
  [B_BLACK, A_WHITE, 119, false],
]

const answerOf = (volts: number): Answer => (volts > 100 ? 'nominal' : 'dead')
const row = (at: number, reading: Partial<Row<'readings'>>): Row<'readings'> => ({
  ...BLANK.readings,
  id: `r${at}`,
  boxId: 'box',
  seq: 100 + at,
  at: '2026-03-02T08:00:00.000Z',
  ...reading,
})

/** By the door of the questions, and by that of somebody’s own readings. */
const DOORS: Readonly<Record<string, (at: number, shown: Shown) => Row<'readings'>>> = {
  asked: (at, [from, to, volts, apart]) => {
    const question: Question = {
      kind: 'volts',
      power: 'on',
      apart: apart ? ['box'] : [],
      from: { kind: 'end', end: from },
      to: { kind: 'end', end: to },
      work: null,
    }
    return row(at, readingFor(question, answerOf(volts), volts, 1))
  },
  'by hand': (at, [fromEndId, toEndId, value, apart]) =>
    row(at, {
      instrument: 'low-impedance-meter',
      purpose: 'identify',
      fromEndId,
      toEndId,
      value,
      breaker: 'on',
      switchPosition: apart ? 'separated' : 'not-known',
    }),
}

function read(door: (at: number, shown: Shown) => Row<'readings'>, readings: readonly Shown[]): BoxView {
  const { record } = usualBox({ proven: false })
  const groups = Object.fromEntries(
    Object.entries(record.groups).map(([id, group]) => [id, { ...group, behaves: 'answers' as const }]),
  )
  const rows = readings.map((shown, at) => door(at, shown))
  return boxView(
    { ...record, groups, readings: Object.fromEntries(rows.map(each => [each.id, each])) },
    'box',
  )!
}

function judged(view: BoxView) {
  const survey = surveyOf([view], trade)
  if (!survey.ok) throw new Error(survey.faults[0]!.message)
  const identifier = Identifier.of(survey.value, { live: true })
  if (!identifier.ok) throw new Error(identifier.faults[0]!.message)
  return identifier.value.after(takenIn([view], trade), accountedIn([view]), new Set())
}

/** The record once what was proven of it is taken over. */
function takenOver(view: BoxView): BoxView {
  const basis = basisOf(view.record, 'box')
  const findings = judged(view).known.flatMap(({ endId, proof, candidates: [first] }) =>
    proof === 'proven' ? [{ id: `found-${endId}`, endId, role: first!.role, proof, basis }] : [],
  )
  const found: JobRecord = {
    ...view.record,
    findings: Object.fromEntries(findings.map(each => [each.id, each])),
  }
  return boxView(found, 'box')!
}

const proofs = (view: BoxView) => view.ends.map(each => [each.name, claimStatus(view, each).proof])

describe('one judge of what a conductor is', () => {
  it('says the same of the same readings, by whichever door they came, after each of them', () => {
    for (let count = 0; count <= READINGS.length; count++) {
      const [asked, byHand] = Object.values(DOORS).map(door => judged(read(door, READINGS.slice(0, count))))
      expect(byHand).toEqual(asked)
    }
  })

  it('what Check, Plan and Progress go by is the same by both doors too, and in the end proven', () => {
    const [asked, byHand] = Object.values(DOORS).map(door => proofs(takenOver(read(door, READINGS))))
    expect(byHand).toEqual(asked)
    expect(byHand).toContainEqual(['B black', 'proven'])
  })

  it('a white that readings prove a hot is not also a neutral because somebody said so', () => {
    const view = takenOver(read(DOORS['asked']!, READINGS))
    const said = boxView(
      {
        ...view.record,
        ends: { ...view.record.ends, [A_BLACK]: { ...view.record.ends[A_BLACK]!, role: 'neutral' } },
      },
      'box',
    )!
    expect(
      claimStatus(
        said,
        said.ends.find(({ end }) => end.id === A_BLACK)!,
      ).proof,
    ).toBe('contradicted')
  })

  it('what was found falls with any reading it did not know of, by either door', () => {
    const view = takenOver(read(DOORS['asked']!, READINGS))
    for (const door of Object.values(DOORS)) {
      const more = door(50, [A_BLACK, A_BARE, 120, false])
      const since = boxView(
        { ...view.record, readings: { ...view.record.readings, [more.id]: more } },
        'box',
      )!
      expect(proofs(since).some(([, proof]) => proof === 'proven')).toBe(false)
    }
  })

  it('volts with the breaker off, a phantom’s meter and a non-contact tester are no questions', () => {
    const byHand = DOORS['by hand']!
    const rows = [
      { ...byHand(1, [A_BLACK, A_BARE, 120, true]), breaker: 'off' as const },
      { ...byHand(2, [A_BLACK, A_BARE, 120, true]), instrument: 'high-impedance-meter' as const },
      { ...byHand(3, [A_BLACK, A_BARE, 120, true]), instrument: 'non-contact' as const },
    ]
    const { record } = usualBox({ proven: false })
    const view = boxView(
      { ...record, readings: Object.fromEntries(rows.map(each => [each.id, each])) },
      'box',
    )!
    expect(takenIn([view], trade)).toEqual([])
  })

  it('what was out or off meanwhile goes with a reading by either door, and what hangs nowhere here does not', () => {
    const { record } = usualBox({ proven: false })
    const [place] = Object.values(record.places)
    const light = place!.groupId
    const [device] = Object.values(record.devices)
    const stands = (more: Partial<Row<'readings'>>) =>
      Object.values(DOORS).map(door => {
        const row = { ...door(1, [A_BLACK, A_BARE, 120, false]), ...more }
        const view = boxView({ ...record, readings: { [row.id]: row } }, 'box')!
        return takenIn([view], trade).map(({ question: { lampsOut, off } }) => [lampsOut, off])
      })
    expect(stands({})).toEqual([[[undefined, undefined]], [[undefined, undefined]]])
    expect(stands({ lampsOutGroupId: light, offDeviceId: device!.id })).toEqual([
      [[light, device!.id]],
      [[light, device!.id]],
    ])
    expect(stands({ lampsOutGroupId: 'elsewhere', offDeviceId: 'another' })).toEqual([
      [[undefined, undefined]],
      [[undefined, undefined]],
    ])
    // At the holder of another light its own lamps are out too.
    expect(
      stands({ toEndId: null, toSpot: 'lamp-holder', toGroupId: 'other', lampsOutGroupId: light })[0],
    ).toEqual([])
  })

  it('what was off when a reading was taken is part of what was found by it', () => {
    const { record } = usualBox({ proven: false })
    const [device] = Object.values(record.devices)
    const row = DOORS['by hand']!(1, [A_BLACK, A_BARE, 120, false])
    const basis = (more: Partial<Row<'readings'>>) =>
      basisOf({ ...record, readings: { [row.id]: { ...row, ...more } } }, 'box')
    expect(basis({})).not.toBe(basis({ offDeviceId: device!.id }))
    expect(basis({})).not.toBe(basis({ lampsOutGroupId: Object.values(record.places)[0]!.groupId }))
  })

  it('a conductor that runs through unbroken is asked about by nobody, and no reading is held to it', () => {
    const { record } = usualBox({ proven: false })
    const whites = Object.values(record.ends).filter(({ id }) => /white/.test(id))
    const [joint] = Object.values(record.joints).filter(({ id }) => whites.every(end => end.jointId === id))
    const row = DOORS['by hand']!(1, [A_BLACK, whites[0]!.id, 120, false])
    const with_ = (connector: 'unbroken' | 'lever') =>
      boxView(
        {
          ...record,
          joints: { ...record.joints, [joint!.id]: { ...joint!, connector } },
          readings: { [row.id]: row },
        },
        'box',
      )!
    const asked = (view: BoxView) => {
      const survey = surveyOf([view], trade)
      return survey.ok ? survey.value.cables.flatMap(({ ends }) => ends.map(({ id }) => id)) : []
    }
    expect(whites).toHaveLength(2)
    expect(asked(with_('lever'))).toEqual(expect.arrayContaining(whites.map(({ id }) => id)))
    expect(asked(with_('unbroken')).filter(id => whites.some(end => end.id === id))).toEqual([])
    expect(takenIn([with_('lever')], trade)).toHaveLength(1)
    expect(takenIn([with_('unbroken')], trade)).toEqual([])
    // Nor does the plan wait for it, while it stays as it is.
    const identifies = (view: BoxView) =>
      planBox(view, trade).steps.flatMap(({ name }) => (name.kind === 'identify' ? [name.endId] : []))
    expect(identifies(with_('lever'))).toEqual(expect.arrayContaining(whites.map(({ id }) => id)))
    expect(identifies(with_('unbroken')).filter(id => whites.some(end => end.id === id))).toEqual([])
  })
})
