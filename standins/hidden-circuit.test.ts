import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { Identifier, surveyOf, type Survey, type Taken } from '@/core/identify'
import { tiedSets } from '@/core/job/tied'
import { boxView } from '@/core/job/box-view'
import { quillbackRoad } from '@/demo/quillback'
import { fedAtTheSwitch, usualBox } from '@/demo/usual'
import { hiddenCircuitFor } from './hidden-circuit'
import { SimulatedTester } from './tester'

const MOST_READINGS = 60
const LOTS = [0, 0.37, 0.62, 0.95, 0.999]

/** Asks whatever is worth asking of a hidden circuit until nothing is, and gives what was found. */
function measured(survey: Survey, lot: number) {
  const hidden = hiddenCircuitFor(survey, lot)
  const opened = Identifier.of(survey, { live: true })
  if (!hidden.ok || !opened.ok) throw new Error('the boxes cannot be measured')
  const tester = new SimulatedTester(hidden.value.circuit, hidden.value.boxOfJoint, survey.nominalBand)
  const taken: Taken[] = []
  const carries = new Set<string>()
  const now = () => opened.value.after(taken, { toldFromGround: carries }, new Set())
  for (let next = now().next; next && taken.length < MOST_READINGS; next = now().next) {
    const shown = tester.answer(next.question)
    if (!shown.ok) throw new Error(shown.faults[0]!.message)
    taken.push({ id: `${taken.length}`, question: next.question, answer: shown.value })
  }
  // What only a current tells from a ground is clamped with its light on.
  for (const { endId, groundOpen } of now().known) {
    const clamped = groundOpen ? tester.clamp(endId) : null
    if (clamped?.ok && clamped.value > 0) carries.add(endId)
  }
  return { hidden: hidden.value, found: now(), taken, clamped: carries.size }
}

const answering = (survey: Survey): Survey => ({
  ...survey,
  lights: survey.lights.map(light => ({ ...light, behaves: 'answers' })),
})

const waiting = tiedSets(quillbackRoad())
  .map(views => ({ names: views.map(({ box }) => box.id).join(' + '), views }))
  .filter(({ views }) =>
    views.some(({ ends }) => ends.length > 0 && ends.every(({ end }) => end.role === null)),
  )

describe('the simulated tester, at boxes of the demo house that nobody has read', () => {
  it.each(waiting.map(({ names, views }) => [names, views] as const))(
    '%s is identified to the end',
    (_, views) => {
      const survey = surveyOf(views, trade)
      if (!survey.ok) throw new Error(survey.faults[0]!.message)
      for (const lot of LOTS) {
        const { found } = measured(answering(survey.value), lot)
        expect(found.conflict).toBeNull()
        expect(found.known.filter(({ proof }) => proof !== 'proven')).toEqual([])
      }
    },
  )

  it('hides the same circuit for the same lot, whatever was found out since', () => {
    const survey = surveyOf(waiting[0]!.views, trade)
    if (!survey.ok) throw new Error(survey.faults[0]!.message)
    const [before, since] = [survey.value, answering(survey.value)].map(each => hiddenCircuitFor(each, 0.4))
    expect(before).toEqual(since)
  })
})

describe('a box without a ground', () => {
  const { record } = usualBox({
    proven: false,
    cables: fedAtTheSwitch(false).map(cable => ({
      ...cable,
      strands: cable.strands.filter(({ insulation }) => insulation !== 'bare'),
    })),
  })
  const survey = surveyOf([boxView(record, 'box')!], trade)
  if (!survey.ok) throw new Error(survey.faults[0]!.message)

  it('its neutrals are proven by the current of the light, and by no voltage', () => {
    for (const lot of LOTS) {
      const { found, taken, clamped } = measured(answering(survey.value), lot)
      expect(clamped).toBeGreaterThan(0)
      expect(found.known.filter(({ proof }) => proof !== 'proven')).toEqual([])
      const opened = Identifier.of(answering(survey.value), { live: true })
      const without = opened.ok ? opened.value.after(taken, { toldFromGround: new Set() }, new Set()) : null
      const neutrals = without!.known.filter(({ candidates: [first] }) => first?.role === 'neutral')
      expect(neutrals.length).toBeGreaterThan(0)
      for (const { proof, groundOpen } of neutrals) {
        expect(groundOpen).toBe(true)
        expect(proof).not.toBe('proven')
      }
    }
  })

  it('with the neutral lifted at the panel only a ground still sounds; that proves the neutrals too', () => {
    const bare = usualBox({ proven: false }).record
    const grounded = surveyOf([boxView(bare, 'box')!], trade)
    if (!grounded.ok) throw new Error(grounded.faults[0]!.message)
    for (const lot of LOTS) {
      const hidden = hiddenCircuitFor(grounded.value, lot)
      if (!hidden.ok) throw new Error('nothing hidden')
      const { circuit, boxOfJoint } = hidden.value
      const tester = new SimulatedTester(circuit, boxOfJoint, grounded.value.nominalBand)
      const ends = grounded.value.cables.flatMap(cable => cable.ends)
      for (const { id, ground } of ends)
        expect(tester.lift(id)).toEqual({ ok: true, value: ground ? 'sounds' : 'silent' })
    }
    const { found, taken } = measured(answering(survey.value), 0.1)
    const opened = Identifier.of(answering(survey.value), { live: true })
    if (!opened.ok) throw new Error('not opened')
    const open = opened.value.after(taken, { toldFromGround: new Set() }, new Set())
    const neutrals = open.known.filter(({ groundOpen }) => groundOpen).map(({ endId }) => endId)
    expect(neutrals.length).toBeGreaterThan(0)
    const lifted = opened.value.after(taken, { toldFromGround: new Set(neutrals) }, new Set())
    expect(lifted.known.map(({ proof }) => proof)).toEqual(found.known.map(({ proof }) => proof))
  })

  it('a clamp round what carries nothing shows nothing', () => {
    const hidden = hiddenCircuitFor(survey.value, 0)
    if (!hidden.ok) throw new Error('nothing hidden')
    const tester = new SimulatedTester(
      hidden.value.circuit,
      hidden.value.boxOfJoint,
      survey.value.nominalBand,
    )
    expect(tester.clamp('nowhere').ok).toBe(false)
    const amps = survey.value.cables.flatMap(cable => cable.ends).map(({ id }) => tester.clamp(id))
    expect(amps.every(each => each.ok)).toBe(true)
    expect(Math.max(...amps.map(each => (each.ok ? each.value : 0)))).toBeGreaterThan(0)
  })
})

describe('the simulated tester', () => {
  it('refuses what it cannot hold or work', () => {
    const survey = surveyOf(waiting[0]!.views, trade)
    if (!survey.ok) throw new Error(survey.faults[0]!.message)
    const hidden = hiddenCircuitFor(survey.value, 0)
    if (!hidden.ok) throw new Error('nothing hidden')
    const tester = new SimulatedTester(
      hidden.value.circuit,
      hidden.value.boxOfJoint,
      survey.value.nominalBand,
    )
    const end = survey.value.cables[0]!.ends[0]!.id
    const live = {
      kind: 'continuity',
      power: 'on',
      apart: [],
      from: { kind: 'end', end },
      to: { kind: 'earth' },
      work: null,
    } as const
    expect(tester.answer(live).ok).toBe(false)
    expect(tester.answer({ ...live, kind: 'volts', from: { kind: 'end', end: 'nowhere' } }).ok).toBe(false)
    expect(tester.work('nothing').ok).toBe(false)
  })
})
