import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { SimulatedTester } from '@/standins/tester'
import { drawnBox, protectedBox } from '@/testing/route/protected-box'
import { TIMES } from '@/testing/times'
import type { Result } from '../model/result'
import { foundCircuit } from '../route'
import { Identifier, surveyOf } from '.'
import type { Taken } from './ledger'

const value = <Value>(result: Result<Value>): Value => {
  if (result.ok) return result.value
  throw new Error(result.faults[0]!.message)
}

const MOST = 60

describe('conductors behind a receptacle with ground-fault protection', () => {
  it(
    'read as they are: what is proven is so, whichever side the light hangs on',
    { timeout: 120_000 },
    () => {
      let proven = 0
      for (let seed = 1; seed <= 3 * TIMES; seed++) {
        const view = protectedBox({ ...drawnBox(seed, [null]), second: false })
        const survey = value(surveyOf([view], trade))
        expect(survey.tabs).toHaveLength(2)
        const circuit = value(foundCircuit([view], trade))
        const inBox = circuit.joints.filter(
          ({ id }) => id.startsWith('seat:') || view.joints.some(joint => joint.id === id),
        )
        const boxOfJoint = new Map(inBox.map(({ id }) => [id, view.box.id]))
        const tester = new SimulatedTester(circuit, boxOfJoint, survey.nominalBand)
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
      expect(proven).toBeGreaterThan(9 * TIMES)
    },
  )
})
