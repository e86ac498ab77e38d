import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { bareJob, strand } from '@/demo/usual'
import { SimulatedTester } from '@/standins/tester'
import { rowsOf } from '../model/record'
import type { Result } from '../model/result'
import type { Role } from '../model/vocabulary'
import { foundCircuit } from '../route'
import { accountedIn, Identifier, readingFor, surveyOf, takenIn, valueOf } from '.'

/* Two switches on one strap: the line lands on one of them, and its tab feeds the other. */

const value = <Value>(result: Result<Value>): Value => {
  if (result.ok) return result.value
  throw new Error(result.faults[0]!.message)
}

/** The box, its roles told only where `told`; the second switch has no line of its own. */
function strapped(told: boolean) {
  const job = bareJob('strap')
  const role = (name: Role) => (told ? name : undefined)
  job.box({
    id: 'box',
    room: 'room',
    name: 'By the door',
    breakers: ['7'],
    controls: ['porch', 'hall'].map((group, at) => ({
      group,
      name: group,
      old: 'old-switch-strap-tab',
      shares: at > 0,
      lamps: [{ kind: 'tungsten' as const, count: 1, wattsEach: 60 }],
    })),
    cables: [
      {
        name: 'A',
        entry: 'bottom',
        far: 'panel',
        strands: [
          strand('black', '1.tabbed', role('line')),
          strand('white', 'joint:whites', role('neutral')),
          strand('bare', 'joint:grounds', role('ground')),
        ],
      },
      ...['porch', 'hall'].map((group, at) => ({
        name: 'BC'[at]!,
        entry: 'top' as const,
        far: 'luminaire' as const,
        strands: [
          strand('black', `${at + 1}.single`, role('switched-load'), told ? { group } : {}),
          strand('white', 'joint:whites', role('neutral')),
          strand('bare', 'joint:grounds', role('ground')),
        ],
      })),
    ],
    pigtails: [
      ['grounds', '1.ground'],
      ['grounds', '2.ground'],
    ],
  })
  job.lightsAnswer('box')
  return job
}

describe('a strap with its tab', () => {
  it('reads as it is: the second switch is fed through the tab, and every role is proven', () => {
    const truth = strapped(true).view('box')
    const roles = new Map(truth.ends.map(({ end }) => [end.id, end.role]))
    const circuit = value(foundCircuit([truth], trade))
    const boxOfJoint = new Map(
      circuit.joints.filter(({ id }) => !id.startsWith('tab:')).map(({ id }) => [id, 'box']),
    )
    const job = strapped(false)
    const survey = value(surveyOf([job.view('box')], trade))
    expect(survey.tabs).toHaveLength(1)
    const tester = new SimulatedTester(circuit, boxOfJoint, survey.nominalBand)
    const identifier = value(Identifier.of(survey, { live: true }))
    for (let asked = 0; asked < 60; asked++) {
      const views = [job.view('box')]
      const { known, next, kind } = {
        kind: '',
        ...identifier.after(takenIn(views, trade), accountedIn(views), new Set()),
      }
      expect(
        known.filter(({ proof }) => proof === 'contradicted'),
        kind,
      ).toEqual([])
      for (const { endId, proof, candidates } of known)
        if (proof === 'proven') expect(candidates[0]!.role).toBe(roles.get(endId))
      if (!next) {
        const proven = known.filter(({ proof }) => proof === 'proven')
        expect(proven.map(({ endId }) => roles.get(endId))).toEqual(
          expect.arrayContaining(['line', 'switched-load', 'neutral', 'ground']),
        )
        expect(proven.filter(({ endId }) => roles.get(endId) === 'switched-load')).toHaveLength(2)
        return
      }
      const answer = value(tester.answer(next.question))
      job.read('box', readingFor(next.question, answer, valueOf(answer, survey), 1))
    }
    throw new Error('it went on asking')
  })

  it('comes off with the switch beside it: a reading with one of them off its wires is not reckoned with', () => {
    const job = strapped(false)
    const [end] = job.view('box').ends
    const reading = readingFor(
      {
        kind: 'volts',
        power: 'on',
        apart: [],
        from: { kind: 'end', end: end!.end.id },
        to: { kind: 'earth' },
        work: null,
        off: 'box-1-old',
      },
      'nominal',
      120,
      1,
    )
    job.read('box', reading)
    expect(rowsOf(job.record(), 'readings')).toHaveLength(1)
    expect(takenIn([job.view('box')], trade)).toEqual([])
  })
})
