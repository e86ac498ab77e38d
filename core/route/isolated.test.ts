import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { Lot } from '@/testing/grown/lot'
import { everyStanding, metalWith, notIsolated } from '@/testing/prove/plain-isolation'
import { drawnFan, isolatedFan, type IsolatedFan } from '@/testing/route/isolated-fan'
import { asPlanned } from '@/testing/route/as-planned'
import { TIMES } from '@/testing/times'
import type { BoxView } from '../job/box-view'
import type { Circuit } from '../model/circuit'
import { prove } from '../prove'
import { foundCircuit, routeBox, routeTogether } from '.'

/** Devices of one variable each, that join metal alone: what the plain way can follow. */
const SWITCHES = ['switch-230-10', 'switch-230-16', 'switch-230-10-metal']
const CHOICES = [...SWITCHES, 'timer-230-fan', 'humidity-230-fan', 'smart-switch-230-neutral']

const plain: IsolatedFan = {
  ...{ runsOn: true, light: 'none', oneBox: false, old: null, isolator: 'fan-isolator-230' },
  ...{ choice: 'switch-230-10', seen: true },
}

const broken = (circuit: Circuit): string[] => {
  const proof = prove(circuit)
  if (proof.kind === 'refuted')
    return proof.counterexamples.map(({ property, says }) => `${property}: ${says}`)
  return proof.kind === 'proven' ? [] : [proof.kind]
}

const refusals = (views: readonly BoxView[]): string[] => {
  const routed = views.length > 1 ? routeTogether(views, trade) : routeBox(views[0]!, trade)
  return routed.ok ? [] : routed.faults.map(({ code }) => code)
}

/** What is one metal with a terminal of a circuit whatever is switched: by the conductors’ points. */
function on(circuit: Circuit, terminal: string): string[] {
  const open = {
    ...circuit,
    devices: circuit.devices.map(each => ({ ...each, model: { ...each.model, contacts: [] } })),
  }
  return [...metalWith(open, terminal, {})].filter(point => point.startsWith('end:')).sort()
}

function found(views: readonly BoxView[]): Circuit {
  const result = foundCircuit(views, trade)
  if (!result.ok) throw new Error(result.faults.map(({ message }) => message).join('; '))
  return result.value
}

describe('an isolator', () => {
  it('parts the fan on all three poles, what it runs on by too', () => {
    const circuit = asPlanned(isolatedFan(plain))
    expect(broken(circuit)).toEqual([])
    expect(on(circuit, 'ceiling-1.load-out')).toEqual(['end:ceiling-f-brown-1-end'])
    expect(on(circuit, 'ceiling-1.neutral-out')).toEqual(['end:ceiling-f-blue-2-end'])
    expect(on(circuit, 'ceiling-1.line-out')).toEqual(['end:ceiling-f-black-3-end'])
    expect(on(circuit, 'ceiling-1.line-in').length).toBeGreaterThan(1)
  })

  it('leaves its pole for a lasting hot empty where the fan does not run on', () => {
    const circuit = asPlanned(isolatedFan({ ...plain, runsOn: false }))
    expect(broken(circuit)).toEqual([])
    expect(on(circuit, 'ceiling-1.line-in')).toEqual([])
    expect(on(circuit, 'ceiling-1.line-out')).toEqual([])
  })

  it('leaves the light of the same switch alone, wherever that hangs', () => {
    for (const light of ['at-switch', 'at-isolator'] as const) {
      const circuit = asPlanned(isolatedFan({ ...plain, light }))
      expect(broken(circuit)).toEqual([])
      const lamp = circuit.loads.find(({ id, kind }) => kind === 'lamp' && id.endsWith('(2)'))!
      const lit = everyStanding(circuit).filter(standing => {
        const hot = metalWith(circuit, lamp.hot, standing)
        return circuit.supplies.some(each => hot.has(each.hot))
      })
      expect(new Set(lit.map(standing => standing['ceiling-1']))).toEqual(new Set(['on', 'off']))
    }
  })

  it('asks which cable leads to the fan, where two take its switched conductor out and neither was followed', () => {
    const views = isolatedFan({ ...plain, light: 'at-isolator', seen: false })
    expect(refusals(views)).toEqual(['isolator-way'])
    expect(refusals(isolatedFan({ ...plain, light: 'at-isolator' }))).toEqual([])
    // The only one there is needs no answer.
    expect(refusals(isolatedFan({ ...plain, seen: false }))).toEqual([])
  })

  it('is refused where nobody recorded what works the fan', () => {
    const [, ceiling] = isolatedFan(plain)
    expect(ceiling!.places[0]).toMatchObject({ isolates: true, placesInGroup: 1 })
    const { record, box } = ceiling!
    const { 'switch-1': _, ...places } = record.places
    const bare = isolatedFan(plain).map(view => ({ ...view, record: { ...record, places } }))
    expect(refusals([{ ...bare[1]!, box }])).toContain('other-place-not-known')
  })

  it('that comes out for good leaves the fan as it was joined', () => {
    const views = isolatedFan({ ...plain, old: 'old-fan-isolator-230', retired: true })
    const circuit = asPlanned(views)
    expect(broken(circuit)).toEqual([])
    expect(circuit.loads.filter(({ isolatedBy }) => isolatedBy !== undefined)).toEqual([])
  })

  it.each(Array.from({ length: 40 * TIMES }, (_, seed) => seed))('%i: as planned, all hold', seed => {
    const drawn = drawnFan(seed, CHOICES)
    const circuit = asPlanned(isolatedFan(drawn))
    expect([drawn, broken(circuit)]).toEqual([drawn, []])
    const fan = circuit.loads.filter(({ isolatedBy }) => isolatedBy !== undefined)
    expect(fan.map(({ kind }) => kind).sort()).toEqual(drawn.runsOn ? ['lamp', 'onward'] : ['lamp'])
  })

  it.each(Array.from({ length: 30 * TIMES }, (_, seed) => seed))('%i: as found too', seed => {
    const drawn = { ...drawnFan(seed, SWITCHES), old: 'old-fan-isolator-230' }
    const circuit = found(isolatedFan(drawn))
    expect([drawn, broken(circuit)]).toEqual([drawn, []])
    expect(notIsolated(circuit)).toEqual([])
  })

  it('two conductors taken for each other: what stays joined is told, and nothing else', () => {
    let wrong = 0
    for (let seed = 0; seed < 120 * TIMES; seed++) {
      const lot = new Lot(seed)
      const circuit = asPlanned(isolatedFan(drawnFan(seed, SWITCHES)))
      const ends = circuit.joints.flatMap(({ id, members }) =>
        members.filter(each => each.startsWith('end:')).map(member => ({ id, member })),
      )
      const [one, other] = [lot.one(ends), lot.one(ends)]
      const swapped: Circuit = {
        ...circuit,
        joints: circuit.joints.map(joint => ({
          ...joint,
          members: joint.members.map(each =>
            each === one.member && joint.id === one.id
              ? other.member
              : each === other.member && joint.id === other.id
                ? one.member
                : each,
          ),
        })),
      }
      const told = broken(swapped).some(each => each.startsWith('isolates: '))
      const is = notIsolated(swapped).length > 0
      expect([seed, one, other, told]).toEqual([seed, one, other, is])
      if (is) wrong++
    }
    expect(wrong).toBeGreaterThan(5)
  })
})
