import { describe, expect, it } from 'vitest'
import { frameOf, type Frame } from './frame'
import { agrees, askedIn } from './predict'
import { bitOf, keyOf, type Question } from './question'
import { Standing } from './standing'
import { randomHidden } from '@/testing/identify/arrangements'
import { prepare, testerOf } from '@/testing/identify/run'
import { TIMES } from '@/testing/times'

const COUNT = 60 * TIMES

describe(`what a way of wiring allows agrees with what a tester shows (${COUNT}, seeds from 1)`, () => {
  it('for every question, one way of wiring with the true roles allows every true answer', () => {
    const faults: string[] = []
    for (let seed = 1; seed <= COUNT; seed++) {
      const hidden = randomHidden(seed, 3)
      const { held, candidates } = prepare(hidden)
      if (!held.complete) continue
      const truth = held.frame.ends.map(({ id }) => hidden.roles.get(id)).join(' ')
      let left = held.hypotheses
        .map((_, at) => at)
        .filter(at => held.classes[held.classOf[at]!]!.join(' ') === truth)
      const tester = testerOf(hidden)
      for (const question of candidates.questions) {
        const answered = tester.answer(question)
        if (!answered.ok) {
          faults.push(`${hidden.name}: ${keyOf(question)}: ${answered.faults[0]!.message}`)
          continue
        }
        const bit = bitOf(question, answered.value)
        const asked = askedIn(held.frame, question)
        left = left.filter(at => agrees(held.predictor.allowed(held.hypotheses[at]!, asked), bit))
        if (left.length === 0) {
          faults.push(`${hidden.name}: ${keyOf(question)} shows ${answered.value}`)
          break
        }
      }
    }
    expect(faults).toEqual([])
  })
})

describe('lamps out, and a device off its wires', () => {
  /** The same questions, with lamps out or a device off its wires, or both. */
  const varied = (question: Question, at: number, lights: readonly string[], devices: readonly string[]) =>
    question.kind === 'light' || question.work !== null
      ? []
      : [
          { ...question, lampsOut: lights[at % lights.length]! },
          { ...question, off: devices[at % devices.length]! },
          { ...question, lampsOut: lights[at % lights.length]!, off: devices[at % devices.length]! },
        ]

  it('one way of wiring with the true roles allows every true answer (seeds from 1)', () => {
    const faults: string[] = []
    let asked = 0
    for (let seed = 1; seed <= 30 * TIMES; seed++) {
      const hidden = randomHidden(seed, 3)
      const { held, candidates } = prepare(hidden)
      const { lights, devices } = held.frame.survey
      if (!held.complete || devices.length === 0) continue
      const truth = held.frame.ends.map(({ id }) => hidden.roles.get(id)).join(' ')
      let left = held.hypotheses
        .map((_, at) => at)
        .filter(at => held.classes[held.classOf[at]!]!.join(' ') === truth)
      const tester = testerOf(hidden)
      const questions = candidates.questions.flatMap((each, at) =>
        varied(
          each,
          at,
          lights.map(({ id }) => id),
          devices.map(({ id }) => id),
        ),
      )
      for (const question of questions) {
        const answered = tester.answer(question)
        if (!answered.ok) continue
        asked++
        const bit = bitOf(question, answered.value)
        const own = askedIn(held.frame, question)
        left = left.filter(at => agrees(held.predictor.allowed(held.hypotheses[at]!, own), bit))
        if (left.length === 0) {
          faults.push(`${hidden.name}: ${keyOf(question)} shows ${answered.value}`)
          break
        }
      }
    }
    expect(faults).toEqual([])
    expect(asked).toBeGreaterThan(400 * TIMES)
  })

  it('off its wires a device joins nothing, nor what was under one screw of it; on them it does', () => {
    let [parted, joined, leaked] = [0, 0, 0]
    for (let seed = 1; seed <= 30 * TIMES; seed++) {
      const { frame } = prepare(randomHidden(seed, 3)).held
      frame.survey.devices.forEach(({ id, pigtails }, device) => {
        const on = frame.ends.filter(({ seat }) => seat.kind === 'terminal' && seat.deviceId === id)
        const [one, two] = on
        if (!one || !two || pigtails.length > 0) return
        const crowded = frameOf({
          ...frame.survey,
          cables: frame.survey.cables.map(cable => ({
            ...cable,
            ends: cable.ends.map(end => (end.id === two.id ? { ...end, seat: one.seat } : end)),
          })),
        })
        if (!crowded.ok) throw new Error(crowded.faults[0]!.message)
        // Electronics between its two terminals let a little through as long as they are on their wires.
        const leaky: Frame = {
          ...frame,
          switches: frame.switches.map(each => ({
            ...each,
            leaks: each.deviceAt === device ? [[one.index, two.index] as const] : each.leaks,
          })),
        }
        for (const each of [frame, crowded.value, leaky]) {
          const standing = new Standing(each)
          const nothing = {
            beyond: new Int16Array(each.ends.length).fill(-1),
            lamps: [],
            loads: [],
            sources: 1,
          }
          for (let at = 0; at < 1 << each.switches.length; at++)
            for (const off of [0, 1 << device]) {
              standing.fill(nothing, { power: 'off', apart: 0, lampsOut: -1, off }, at)
              for (const { index: a } of on)
                for (const { index: b } of on) {
                  if (a >= b) continue
                  const isOne = standing.root(a) === standing.root(b)
                  const isLinked = standing.connected(a, b)
                  if (off > 0) {
                    parted++
                    expect([seed, isOne, isLinked]).toEqual([seed, false, false])
                  } else if (isOne) joined++
                  else if (each === leaky && a === Math.min(one.index, two.index)) leaked += Number(isLinked)
                }
            }
        }
      })
    }
    expect(parted).toBeGreaterThan(250 * TIMES)
    expect(joined).toBeGreaterThan(50 * TIMES)
    expect(leaked).toBeGreaterThan(50 * TIMES)
  })
})
