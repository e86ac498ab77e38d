import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { SimulatedTester } from '@/standins/tester'
import { drawnFan, isolatedFan } from '@/testing/route/isolated-fan'
import { TIMES } from '@/testing/times'
import { boxView } from '../job/box-view'
import type { Result } from '../model/result'
import { foundCircuit } from '../route'
import { Identifier, surveyOf } from '.'
import type { Taken } from './ledger'

const value = <Value>(result: Result<Value>): Value => {
  if (result.ok) return result.value
  throw new Error(result.faults[0]!.message)
}

const MOST = 60

/** The box of a fan and its isolator, its light seen to answer to its switch. */
function seenBox(seed: number) {
  const [view] = isolatedFan({
    ...drawnFan(seed, ['switch-230-10']),
    ...{ oneBox: true, old: 'old-fan-isolator-230', isolator: null },
  })
  const { record } = view!
  const bath = { ...record.groups.bath!, behaves: 'answers' as const }
  return boxView({ ...record, groups: { ...record.groups, bath } }, view!.box.id)!
}

describe('conductors beside an isolator', () => {
  it('read as they are: that its switch answers is not said of the isolator', { timeout: 120_000 }, () => {
    let proven = 0
    for (let seed = 1; seed <= 4 * TIMES; seed++) {
      const view = seenBox(seed)
      const survey = value(surveyOf([view], trade))
      expect(survey.lights.map(({ behaves }) => behaves)).toEqual(['not-known'])
      const circuit = value(foundCircuit([view], trade))
      const inBox = circuit.joints.filter(
        ({ id }) => id.startsWith('seat:') || view.joints.some(joint => joint.id === id),
      )
      const tester = new SimulatedTester(
        circuit,
        new Map(inBox.map(({ id }) => [id, view.box.id])),
        survey.nominalBand,
      )
      const identifier = value(Identifier.of(survey, { live: true }))
      const taken: Taken[] = []
      const after = () => identifier.after(taken, { toldFromGround: new Set() }, new Set())
      let said = after()
      while (said.next && taken.length < MOST) {
        const { question } = said.next
        taken.push({ id: `${taken.length}`, question, answer: value(tester.answer(question)) })
        said = after()
        expect([seed, said.conflict]).toEqual([seed, null])
      }
      const roles = new Map(view.ends.map(({ end }) => [end.id, end.role]))
      for (const { endId, proof, candidates } of said.known)
        if (proof === 'proven') {
          proven++
          expect([seed, endId, candidates[0]!.role]).toEqual([seed, endId, roles.get(endId)])
        }
    }
    expect(proven).toBeGreaterThan(4 * TIMES)
  })
})
