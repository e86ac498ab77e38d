import { trade } from '@/catalogue'
import type { BoxView } from '@/core/job/box-view'
import type { Result } from '@/core/model/result'
import { Identifier, surveyOf, type Identification } from '@/core/identify'
import type { Taken } from '@/core/identify/ledger'
import { foundCircuit } from '@/core/route'
import { SimulatedTester } from '@/standins/tester'

const MOST = 60

const value = <Value>(result: Result<Value>): Value => {
  if (result.ok) return result.value
  throw new Error(result.faults[0]!.message)
}

/** What is known of a box once all that is asked of it was read, live, off its circuit as found; and each step of it. */
export function* readOut(view: BoxView): Generator<Identification> {
  const survey = value(surveyOf([view], trade))
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
  yield said
  while (said.next && taken.length < MOST) {
    const { question } = said.next
    taken.push({ id: `${taken.length}`, question, answer: value(tester.answer(question)) })
    yield (said = after())
  }
}

/** Ends that are proven, and what each is proven to be; with the role that the record has. */
export const provenIn = (
  view: BoxView,
  { known }: Identification,
): { end: string; is: string; said: string }[] =>
  known.flatMap(({ endId, proof, candidates }) =>
    proof === 'proven'
      ? [{ end: endId, is: candidates[0]!.role, said: view.record.ends[endId]!.role ?? 'nothing' }]
      : [],
  )
