import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { Lot } from '@/testing/grown/lot'
import { wrongForGood } from '@/testing/prove/plain-judge'
import { drawnPair, pairBox, type PairBox } from '@/testing/route/pair-box'
import { asPlanned } from '@/testing/route/as-planned'
import { TIMES } from '@/testing/times'
import { check, type Judgement } from '../check'
import { surveyOf } from '../identify'
import { tiedBoxes } from '../job/tied'
import { deviceNamed } from '../model/trade'
import type { BoxView } from '../job/box-view'
import type { Circuit } from '../model/circuit'
import { prove } from '../prove'
import { foundCircuit, routeBox, routeTogether } from '.'

const DIMMER = 'dimmer-control-pair-8'

const plain: PairBox = {
  ...{ pair: 'own-sheath', beyond: false, old: 'old-switch', choice: DIMMER, second: false },
  ...{ colour: 'pink', divided: 'yes', phase: 'control-pair' },
}

const broken = (circuit: Circuit): string[] => {
  const proof = prove(circuit)
  return proof.kind === 'refuted' ? proof.counterexamples.map(({ property }) => property) : []
}

function judged(given: PairBox, id = DIMMER): Judgement {
  const [view] = pairBox(given)
  return check({ view: view!, place: view!.places[0]!, device: deviceNamed(trade, id)!, trade })
}

const lineOf = ({ lines }: Judgement, rule: string) => lines.find(each => each.rule === rule)?.verdict

describe('drivers that are dimmed over a pair', () => {
  it('are told by it, + to +, whatever the colors: nothing is marked again', () => {
    for (const colour of ['pink', 'grey'] as const) {
      const [view] = pairBox({ ...plain, colour })
      const routed = routeBox(view!, trade)
      if (!routed.ok) throw new Error(routed.faults.map(({ message }) => message).join('; '))
      const { netOfEnd, netOfTerminal, remarks } = routed.value
      expect(netOfTerminal['box-1.plus']).toBe(netOfEnd['box-p-violet-1-end'])
      expect(netOfTerminal['box-1.minus']).toBe(netOfEnd[`box-p-${colour}-2-end`])
      expect(remarks).toEqual([])
    }
  })

  it('a pair that is not there is asked for, never made of something else', () => {
    const [view] = pairBox(plain)
    const { record } = view!
    const ends = Object.fromEntries(
      Object.entries(record.ends).filter(([, { role }]) => !role?.startsWith('control-')),
    )
    const without = {
      ...view!,
      record: { ...record, ends },
      ends: view!.ends.filter(({ end }) => ends[end.id]),
    }
    const routed = routeBox(without, trade)
    expect(routed.ok ? [] : routed.faults.map(({ code }) => code)).toEqual(['net-missing', 'net-missing'])
  })

  it.each(Array.from({ length: 40 * TIMES }, (_, seed) => seed))('%i: as planned, all hold', seed => {
    const drawn = drawnPair(seed, [DIMMER, DIMMER, null])
    const circuit = asPlanned(pairBox(drawn))
    expect([drawn, broken(circuit)]).toEqual([drawn, []])
    expect([...wrongForGood(circuit)]).toEqual([])
  })

  it.each(Array.from({ length: 20 * TIMES }, (_, seed) => seed))('%i: as found too', seed => {
    const drawn: PairBox = { ...drawnPair(seed, [null]), old: 'old-dimmer-control-pair' }
    const found = foundCircuit(pairBox(drawn), trade)
    if (!found.ok) throw new Error(found.faults.map(({ message }) => message).join('; '))
    expect([drawn, broken(found.value)]).toEqual([drawn, []])
  })

  it('mains never goes over the pair, though no other conductor is left', () => {
    const views = pairBox({ ...plain, beyond: true, colour: 'grey', choice: 'switch-plain-15' })
    const { record } = views[0]!
    const gone = Object.values(record.conductors).find(
      ({ cableId, insulation }) => cableId === 'box-r' && insulation === 'white',
    )!
    const { [gone.id]: _, ...conductors } = record.conductors
    const ends = Object.fromEntries(
      Object.entries(record.ends).filter(([, { conductorId }]) => conductorId !== gone.id),
    )
    const routed = routeTogether(tiedBoxes({ ...record, conductors, ends }, 'box'), trade)
    expect(routed.ok ? [] : routed.faults.map(({ code }) => code)).not.toEqual([])
  })

  it('a plain switch leaves the pair capped, and its drivers at full', () => {
    const circuit = asPlanned(pairBox({ ...plain, choice: 'switch-plain-15' }))
    expect(broken(circuit)).toEqual([])
  })

  it('two conductors taken for each other: what goes astray of a pair is told, and nothing else', () => {
    let wrong = 0
    for (let seed = 0; seed < 80 * TIMES; seed++) {
      const lot = new Lot(seed)
      const circuit = asPlanned(pairBox(drawnPair(seed, [DIMMER])))
      const ends = circuit.joints.flatMap(({ id, members }) =>
        members.filter(each => each.startsWith('end:')).map(member => ({ id, member })),
      )
      const [one, other] = [lot.one(ends), lot.one(ends)]
      const swap = (joint: string, member: string) =>
        joint === one.id && member === one.member
          ? other.member
          : joint === other.id && member === other.member
            ? one.member
            : member
      const swapped: Circuit = {
        ...circuit,
        joints: circuit.joints.map(({ id, members }) => ({
          id,
          members: members.map(each => swap(id, each)),
        })),
      }
      const told = broken(swapped).includes('control-pair')
      const is = wrongForGood(swapped).has('control-pair')
      expect([seed, one, other, told]).toEqual([seed, one, other, is])
      if (is) wrong++
    }
    expect(wrong).toBeGreaterThan(15)
  })
})

describe('low voltage beside mains', () => {
  it('wants a partition, unless the pair is made as mains', () => {
    expect(lineOf(judged(plain), 'separation')).toBe('fits')
    expect(lineOf(judged({ ...plain, divided: 'no' }), 'separation')).toBe('fits-if')
    expect(lineOf(judged({ ...plain, divided: 'not-known' }), 'separation')).toBe('not-known')
    expect(lineOf(judged({ ...plain, pair: 'in-cable', divided: 'no' }), 'separation')).toBe('fits')
    const strict = { ...deviceNamed(trade, DIMMER)!, pairAsMains: false }
    const [view] = pairBox({ ...plain, pair: 'in-cable' })
    const judgement = check({ view: view!, place: view!.places[0]!, device: strict, trade })
    expect(lineOf(judgement, 'separation')).toBe('does-not-fit')
    // Whatever stands there: low voltage lies beside its conductors too.
    expect(lineOf(judged({ ...plain, divided: 'no' }, 'switch-plain-15'), 'separation')).toBe('fits-if')
  })

  it('a driver with a pair wants a dimmer that has one, and the other way round', () => {
    expect(lineOf(judged(plain), 'phase')).toBe('fits')
    expect(lineOf(judged({ ...plain, phase: 'not-known' }), 'phase')).toBe('not-known')
    expect(lineOf(judged({ ...plain, phase: 'either' }), 'phase')).toBe('does-not-fit')
    expect(lineOf(judged(plain, 'dimmer-led-300-neutral'), 'phase')).toBe('does-not-fit')
  })

  it('nobody asks what a pair is that no mains comes near; one that meets mains is asked after like any', () => {
    const asked = (views: readonly BoxView[]) => {
      const survey = surveyOf(views, trade)
      if (!survey.ok) throw new Error(survey.faults.map(({ message }) => message).join('; '))
      return survey.value.cables.flatMap(({ ends }) => ends.map(({ name }) => name))
    }
    const views = pairBox({ ...plain, old: 'old-dimmer-control-pair', choice: null })
    expect(asked(views)).not.toContain('P violet')
    const [view] = views
    const crossed = view!.ends.map(each =>
      each.end.id === 'box-p-violet-1-end'
        ? {
            ...each,
            end: {
              ...each.end,
              seat: 'joint' as const,
              deviceId: null,
              terminal: null,
              jointId: 'box-joint-whites',
            },
          }
        : each,
    )
    expect(asked([{ ...view!, ends: crossed }])).toContain('P violet')
  })
})
