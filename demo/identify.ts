import { trade } from '@/catalogue'
import { accountedIn, Identifier, readingFor, surveyOf, takenIn, valueOf } from '@/core/identify'
import type { Result } from '@/core/model/result'
import type { Role } from '@/core/model/vocabulary'
import { foundCircuit } from '@/core/route'
import { seatsOf } from '@/standins/hidden-circuit'
import { SimulatedTester } from '@/standins/tester'
import type { jobBuilder } from './builder'

const value = <Value>(result: Result<Value>): Value => {
  if (result.ok) return result.value
  throw new Error(result.faults.map(({ path, message }) => `${path}: ${message}`).join('; '))
}

/**
 * Reads boxes as a careful person does, question after question, and takes over what was proven; those of one light
 * together. What the conductors truly are is what the boxes were told to have.
 */
export function identify(
  job: ReturnType<typeof jobBuilder>,
  ...boxIds: readonly [string, ...string[]]
): void {
  for (const boxId of boxIds) job.lightsAnswer(boxId)
  const views = () => boxIds.map(boxId => job.view(boxId))
  const told = new Map(views().flatMap(({ ends }) => ends.map(({ end }) => [end.id, end.role] as const)))
  const survey = value(surveyOf(views(), trade))
  const circuit = value(foundCircuit(views(), trade))
  const { boxOfJoint } = seatsOf(survey)
  const tester = new SimulatedTester(circuit, boxOfJoint, survey.nominalBand)
  const identifier = value(Identifier.of(survey, { live: true }))
  for (;;) {
    const now = views()
    const { known, next } = identifier.after(takenIn(now, trade), accountedIn(now), new Set())
    if (!next) {
      for (const { endId, proof, candidates } of known)
        if (proof === 'proven') job.foundAs(endId, sameAs(told.get(endId), candidates[0]!.role), 'proven')
      return
    }
    const { from } = next.question
    const stands = from.kind === 'end' && now.find(({ ends }) => ends.some(({ end }) => end.id === from.end))
    const answer = value(tester.answer(next.question))
    const read = readingFor(next.question, answer, valueOf(answer, survey), boxIds.length)
    job.read(stands ? stands.box.id : boxIds[0], read)
  }
}

function sameAs(told: Role | null | undefined, found: Role): Role {
  if (told !== found) throw new Error(`${found} was found, ${told} was told`)
  return found
}
