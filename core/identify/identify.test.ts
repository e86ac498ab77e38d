import { describe, expect, it } from 'vitest'
import { conflictOf } from './conflict'
import { candidatesOf } from './candidates'
import { caseOf } from './case'
import { identified, type Accounted } from './identified'
import { Rivals } from './rivals'
import { Ledger, type Taken } from './ledger'
import { nextQuestion } from './next'
import { Candidates } from './predictions'
import { answersTo, type Answer, type Question } from './question'
import type { Survey } from './survey'
import { Identifier } from './identifier'
import { EACH_COSTS_ONE, testerOf } from '@/testing/identify/run'
import { HiddenHouse, randomFrom, type Hidden } from '@/testing/identify/hidden'

const NO_CLAMP: Accounted = { toldFromGround: new Set() }

/** One place fed at the switch: line and load on the switch, whites in a joint. */
function usual(behaves: 'answers' | 'not-known' = 'answers'): Hidden {
  const house = new HiddenHouse('usual', ['box'], randomFrom(7), { scrambled: false, circuitsAtMost: 1 })
  house.supply('a')
  house.light('light', 1, behaves)
  house.lamp('lamp', 'light', 'led')
  house.device('switch', 'box', 'light', 'old-switch', { upper: 'line', lower: 'switched' })
  house.out('box', 'panel', [
    ['line', 'line', 'a:h'],
    ['neutrals', 'neutral', 'a:n'],
  ])
  house.out('box', 'luminaire', [
    ['switched', 'switched-load', 'lamp:h'],
    ['neutrals', 'neutral', 'lamp:n'],
  ])
  return house.finish()
}

/** A switch loop: white and black to the switch, the neutral stays at the luminaire. */
function loop(): Hidden {
  const house = new HiddenHouse('loop', ['box'], randomFrom(3), { scrambled: true, circuitsAtMost: 1 })
  house.supply('a')
  house.light('light', 1, 'answers')
  house.lamp('lamp', 'light', 'filament')
  house.device('switch', 'box', 'light', 'old-switch', { upper: 'line', lower: 'switched' })
  house.out('box', 'luminaire', [
    ['line', 'loop-feed', 'a:h'],
    ['switched', 'loop-return', 'lamp:h'],
  ])
  house.returnsOutside('lamp:n', 'a:n')
  return house.finish()
}

const opened = (survey: Survey) => {
  const held = caseOf(survey)
  if (!held.ok) throw new Error(held.faults[0]!.message)
  return { held: held.value, ledger: new Ledger(held.value) }
}

const endsOf = ({ survey }: Hidden, role: string, roles: Hidden['roles']) =>
  survey.cables.flatMap(({ ends }) => ends).filter(({ id }) => roles.get(id) === role)

const stand = { kind: 'volts', power: 'on', work: null } as const
const toEarth = (end: string, more: Partial<Question> = {}): Question => ({
  ...stand,
  apart: [],
  from: { kind: 'end', end },
  to: { kind: 'earth' },
  ...more,
})
let number = 0
const taken = (question: Question, answer: Answer): Taken => ({ id: `reading ${++number}`, question, answer })

const known = (ledger: Ledger, accounted = NO_CLAMP) =>
  identified(ledger, accounted, new Rivals(ledger.of.frame).thoroughly(ledger))

describe('a bundle of whites with nothing on a device', () => {
  const hidden = usual()
  const whites = endsOf(hidden, 'neutral', hidden.roles)
  /** What is said of the whites after each reading that is asked for. */
  const told = (survey: Survey, accounted = NO_CLAMP) => {
    const identifier = Identifier.of(survey, { live: true })
    if (!identifier.ok) throw new Error(identifier.faults[0]!.message)
    const tester = testerOf(hidden)
    const readings: Taken[] = []
    const said: { proofs: ReadonlySet<string>; held: number }[] = []
    for (;;) {
      const { known, next } = identifier.value.after(readings, accounted, new Set())
      const ofWhites = known.filter(({ endId }) => whites.some(({ id }) => id === endId))
      const held = readings.filter(
        ({ question: { from, to }, answer }) =>
          !['dead', 'stays-dead', 'silent'].includes(answer) &&
          [from, to].some(spot => spot.kind === 'end' && whites.some(({ id }) => id === spot.end)),
      ).length
      said.push({ proofs: new Set(ofWhites.map(each => `${each.candidates[0]!.role} ${each.proof}`)), held })
      if (!next) return { said, known: ofWhites }
      const answered = tester.answer(next.question)
      if (!answered.ok) throw new Error(answered.faults[0]!.message)
      readings.push(taken(next.question, answered.value))
    }
  }

  it('is assumed neutral before anything is read, and proven only by readings at itself', () => {
    const { said } = told(hidden.survey)
    expect(said[0]!.proofs).toEqual(new Set(['neutral assumed']))
    expect(said.at(-1)!.proofs).toEqual(new Set(['neutral proven']))
    for (const { proofs, held } of said)
      if (proofs.has('neutral proven')) expect(held).toBeGreaterThanOrEqual(2)
  })

  it('is not proven where no ground is to be seen, until a clamp finds the current in it', () => {
    const survey = {
      ...hidden.survey,
      cables: hidden.survey.cables.map(cable => ({
        ...cable,
        ends: cable.ends.filter(({ ground }) => !ground),
      })),
    }
    const bare = told(survey).known
    expect(bare.map(({ proof }) => proof)).toEqual(['indicated', 'indicated'])
    expect(bare.filter(({ groundOpen }) => groundOpen)).toHaveLength(2)
    const carried = told(survey, { toldFromGround: new Set([whites[0]!.id]) }).known
    expect(carried.map(({ proof }) => proof)).toEqual(['proven', 'proven'])
  })
})

describe('a white on a switch screw', () => {
  it('is taken for the feed or the return before anything is read, and no single reading proves it a neutral', () => {
    const hidden = loop()
    const white = hidden.survey.cables.flatMap(({ ends }) => ends).filter(({ ground }) => !ground)
    const { held, ledger } = opened(hidden.survey)
    const whites = (of: Ledger) => known(of).filter(({ endId }) => white.some(({ id }) => id === endId))
    for (const { proof, candidates } of whites(ledger)) {
      expect(proof).toBe('assumed')
      expect(['loop-feed', 'loop-return']).toContain(candidates[0]!.role)
    }
    const { questions } = new Candidates(held, candidatesOf(held.frame, { live: true }))
    for (const question of questions)
      for (const answer of answersTo(question)) {
        const one = new Ledger(held)
        one.take(taken(question, answer))
        for (const { proof } of whites(one)) expect(proof).not.toBe('proven')
      }
  })
})

describe('a white on the switch of a box fed at the switch', () => {
  it('is taken for a hot before anything is read, though a neutral is not ruled out', () => {
    const { survey } = usual()
    const white = {
      ...survey,
      cables: survey.cables.map(cable => ({
        ...cable,
        ends: cable.ends.map(end => (end.ground ? end : { ...end, insulation: 'white' as const })),
      })),
    }
    const { ledger } = opened(white)
    const first = new Map(known(ledger).map(({ endId, candidates }) => [endId, candidates[0]!.role]))
    for (const { id, seat, ground } of white.cables.flatMap(({ ends }) => ends))
      if (!ground && seat.kind === 'terminal') expect(first.get(id)).not.toBe('neutral')
  })
})

describe('both wires of a switch read live', () => {
  it('asks for the switch to be worked, and gives neither a role', () => {
    const hidden = usual()
    const { held, ledger } = opened(hidden.survey)
    const onSwitch = hidden.survey.cables
      .flatMap(({ ends }) => ends)
      .filter(({ seat }) => seat.kind === 'terminal')
    for (const { id } of onSwitch) ledger.take(taken(toEarth(id), 'nominal'))
    for (const { endId, candidates, proof } of known(ledger))
      if (onSwitch.some(({ id }) => id === endId)) {
        expect(
          candidates
            .slice(0, 2)
            .map(({ role }) => role)
            .sort(),
        ).toEqual(['line', 'switched-load'])
        expect(proof).toBe('indicated')
      }
    const questions = new Candidates(held, candidatesOf(held.frame, { live: true }))
    expect(nextQuestion(ledger, questions, EACH_COSTS_ONE)?.question.work).toBe('switch')
  })
})

describe('readings that cannot stand together', () => {
  const hidden = usual()
  const [line] = endsOf(hidden, 'line', hidden.roles)
  const [load] = endsOf(hidden, 'switched-load', hidden.roles)
  const stays = taken(toEarth(line!.id, { work: 'switch' }), 'stays-live')
  const changes = taken(toEarth(load!.id, { work: 'switch' }), 'changes')
  const live = taken(toEarth(line!.id, { apart: ['box'] }), 'nominal')
  const wrong = taken(toEarth(line!.id, { apart: ['box'] }), 'dead')

  it('prove nothing, are named, and the likeliest culprit is repeated first', () => {
    const { ledger } = opened(hidden.survey)
    for (const reading of [stays, changes, live, live, wrong])
      ledger.take({ ...reading, id: `r${ledger.taken.length}` })
    expect(ledger.agreed).toBe(false)
    const all = known(ledger).filter(({ endId }) => !endId.endsWith('bare'))
    expect(new Set(all.map(({ proof }) => proof))).toEqual(new Set(['contradicted']))
    const conflict = conflictOf(ledger)!
    expect(conflict.explained).toBe(true)
    expect(conflict.repeat.answer).toBe('dead')
    expect(conflict.repeat.question).toEqual(wrong.question)
    expect(conflict.readings.length).toBeGreaterThanOrEqual(2)
    // Each of those named is needed for the contradiction.
    for (const left of conflict.readings) {
      const without = new Ledger(ledger.of)
      for (const reading of conflict.readings) if (reading !== left) without.take(reading)
      expect(without.agreed).toBe(true)
    }
  })

  it('are no contradiction while some way of wiring agrees', () => {
    const { ledger } = opened(hidden.survey)
    expect(conflictOf(ledger)).toBeNull()
    ledger.take(stays)
    ledger.take(changes)
    expect(conflictOf(ledger)).toBeNull()
  })
})

describe('the rival that a reading is for', () => {
  it('stands beside the leader with other roles, and shows something else, whatever was read so far', () => {
    const hidden = usual()
    const opened = Identifier.of(hidden.survey, { live: true })
    if (!opened.ok) throw new Error(opened.faults[0]!.message)
    const tester = testerOf(hidden)
    const readings: Taken[] = []
    let told = 0
    for (let at = 0; at < 10; at++) {
      const { next } = opened.value.after(readings, { toldFromGround: new Set() }, new Set())
      if (!next) break
      if (next.parts) {
        const [leader, rival] = next.parts
        told++
        expect(leader.roles.length).toBeGreaterThan(0)
        expect(rival.roles.map(({ endId }) => endId)).toEqual(leader.roles.map(({ endId }) => endId))
        leader.roles.forEach(({ role }, each) => expect(rival.roles[each]!.role).not.toBe(role))
        expect(rival.answers).not.toEqual(leader.answers)
        const likely = next.outcomes.filter(each => each.likely > 0).map(({ answer }) => answer)
        expect(likely).toEqual(expect.arrayContaining([leader.answers[0]]))
      }
      const answer = tester.answer(next.question)
      if (!answer.ok) throw new Error(answer.faults[0]!.message)
      readings.push({ id: `r${at}`, question: next.question, answer: answer.value })
    }
    expect(told).toBeGreaterThan(1)
  })
})

describe('dead only', () => {
  it('asks for no reading on live conductors and still finds every role', () => {
    const hidden = usual()
    const { held } = opened(hidden.survey)
    const questions = candidatesOf(held.frame, { live: false })
    expect(questions.filter(({ power, kind }) => power === 'on' && kind !== 'light')).toEqual([])
  })
})

describe('live preferred', () => {
  it('asks dead only where no live reading tells anything, still finds every role, and says the true minutes', () => {
    const hidden = usual()
    const tester = testerOf(hidden)
    const went = (prefers?: 'live') => {
      const opened = Identifier.of(hidden.survey, { live: true, ...(prefers ? { prefers } : {}) })
      if (!opened.ok) throw new Error(opened.faults[0]!.message)
      const readings: Taken[] = []
      const nothing = { toldFromGround: new Set<string>() }
      for (;;) {
        const { next, known } = opened.value.after(readings, nothing, new Set())
        if (!next || readings.length > 40) return { readings, known }
        expect(next.minutes).toBeLessThan(30)
        const answer = tester.answer(next.question)
        if (!answer.ok) throw new Error(answer.faults[0]!.message)
        readings.push({ id: `r${readings.length}`, question: next.question, answer: answer.value })
      }
    }
    const [preferred, usually] = [went('live'), went()]
    const dead = ({ readings }: typeof preferred) =>
      readings.filter(({ question }) => question.kind === 'continuity').length
    expect(dead(preferred)).toBeLessThan(Math.max(1, dead(usually)))
    for (const { proof } of preferred.known) expect(proof).not.toBe('contradicted')
  })
})

describe('what cannot be held against a survey', () => {
  const hidden = usual()
  const [line] = endsOf(hidden, 'line', hidden.roles)

  it('is refused with its place', () => {
    const { ledger } = opened(hidden.survey)
    const refusal = (question: Question, answer: Answer) => {
      const answered = ledger.take(taken(question, answer))
      return answered.ok ? null : answered.faults[0]!.path
    }
    expect(refusal(toEarth('nowhere'), 'dead')).toBe('/question/from')
    expect(refusal(toEarth(line!.id, { work: 'nothing' }), 'changes')).toBe('/question/work')
    expect(refusal(toEarth(line!.id, { apart: ['elsewhere'] }), 'dead')).toBe('/question/apart')
    expect(refusal(toEarth(line!.id), 'changes')).toBe('/answer')
    expect(ledger.taken).toEqual([])
  })

  it('and a survey that does not hang together too', () => {
    const { survey } = hidden
    const faults = (given: Partial<Survey>) => {
      const held = caseOf({ ...survey, ...given })
      return held.ok ? [] : held.faults.map(({ path }) => path)
    }
    expect(faults({ boxes: [] })).toContain('/boxes')
    expect(faults({ circuitsAtMost: 4 })).toEqual(['/circuitsAtMost'])
    expect(faults({ devices: [{ ...survey.devices[0]!, lightId: 'none' }] })).toEqual(['/devices/0/lightId'])
    expect(faults({ lights: [{ ...survey.lights[0]!, cablesAtMost: 9 }] })).toEqual(['/lights'])
    const [first, ...rest] = survey.cables
    const strayed = { ...first!, ends: first!.ends.map(end => ({ ...end, otherEnd: 'nowhere' })) }
    expect(faults({ cables: [strayed, ...rest] })[0]).toBe('/cables/0/ends/0/otherEnd')
  })
})
