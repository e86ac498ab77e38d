import { trade } from '@/catalogue'
import type { BoxView } from '@/core/job/box-view'
import type { Result } from '@/core/model/result'
import { Identifier, surveyOf } from '@/core/identify'
import type { Taken } from '@/core/identify/ledger'
import { foundCircuit } from '@/core/route'
import { SimulatedTester } from '@/standins/tester'

const MOST = 60

const value = <Value>(result: Result<Value>): Value => {
  if (result.ok) return result.value
  throw new Error(result.faults[0]!.message)
}

/** A box read, live, off its circuit as found, until nothing more is asked. */
export interface ReadOut {
  /** How often it was said that readings cannot stand together. */
  readonly conflicts: number
  /** Ends that are proven, what each is proven to be, and the role that the record has. */
  readonly proven: readonly { readonly end: string; readonly is: string; readonly said: string | null }[]
}

export function readOut(view: BoxView): ReadOut {
  const survey = value(surveyOf([view], trade))
  const circuit = value(foundCircuit([view], trade))
  const inBox = circuit.joints.filter(
    ({ id }) => id.startsWith('seat:') || view.joints.some(joint => joint.id === id),
  )
  const boxOfJoint = new Map(inBox.map(({ id }) => [id, view.box.id]))
  const tester = new SimulatedTester(circuit, boxOfJoint, survey.nominalBand)
  const identifier = value(Identifier.of(survey, { live: true }))
  const taken: Taken[] = []
  let conflicts = 0
  const after = () => identifier.after(taken, { toldFromGround: new Set() }, new Set())
  let said = after()
  while (said.next && taken.length < MOST) {
    const { question } = said.next
    taken.push({ id: `${taken.length}`, question, answer: value(tester.answer(question)) })
    said = after()
    if (said.conflict) conflicts++
  }
  return {
    conflicts,
    proven: said.known.flatMap(({ endId, proof, candidates }) =>
      proof === 'proven'
        ? [{ end: endId, is: candidates[0]!.role, said: view.record.ends[endId]!.role }]
        : [],
    ),
  }
}
