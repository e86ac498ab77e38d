import { trade } from '@/catalogue'
import { accountedIn, Identifier, readingFor, surveyOf, takenIn, valueOf } from '@/core/identify'
import type { Result } from '@/core/model/result'
import type { Role } from '@/core/model/vocabulary'
import { hiddenCircuitFor } from '@/standins/hidden-circuit'
import { SimulatedTester } from '@/standins/tester'
import type { jobBuilder } from './builder'

const value = <Value>(result: Result<Value>): Value => {
  if (result.ok) return result.value
  throw new Error(result.faults.map(({ path, message }) => `${path}: ${message}`).join('; '))
}

/**
 * Reads a box as a careful person does, question after question, and takes over what was proven. What the conductors
 * truly are is what the box was told to have.
 */
export function identify(job: ReturnType<typeof jobBuilder>, boxId: string): void {
  job.lightsAnswer(boxId)
  const told = new Map(job.view(boxId).ends.map(({ end }) => [end.id, end.role] as const))
  const survey = value(surveyOf([job.view(boxId)], trade))
  const { circuit, boxOfJoint } = value(hiddenCircuitFor(survey, 0, told))
  const tester = new SimulatedTester(circuit, boxOfJoint, survey.nominalBand)
  const identifier = value(Identifier.of(survey, { live: true }))
  for (;;) {
    const views = [job.view(boxId)]
    const { known, next } = identifier.after(takenIn(views, trade), accountedIn(views), new Set())
    if (!next) {
      for (const { endId, proof, candidates } of known)
        if (proof === 'proven') job.foundAs(endId, sameAs(told.get(endId), candidates[0]!.role), 'proven')
      return
    }
    const answer = value(tester.answer(next.question))
    job.read(boxId, readingFor(next.question, answer, valueOf(answer, survey), 1))
  }
}

function sameAs(told: Role | null | undefined, found: Role): Role {
  if (told !== found) throw new Error(`${found} was found, ${told} was told`)
  return found
}
