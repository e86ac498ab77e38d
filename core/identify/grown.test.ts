import { describe, expect, it } from 'vitest'
import { frameOf } from './frame'
import { networks } from './networks'
import { askedIn, Predictor } from './predict'
import { bitOf } from './question'
import { cutOf, MISTAKES, play, type Cut, type Playing } from '@/testing/grown'
import { someOf, TIMES } from '@/testing/times'

/** Houses in which a search that supposes too little proves what is not so. */
const HARD: readonly number[] = [2028, 2042, 2064, 2173, 2263]
/** Boxes in which one hot for all circuits, as it shows live, proves dead what is not so. */
const SEVERAL_CIRCUITS: readonly number[] = [300772]
const mistakenCut = (seed: number) => cutOf(seed, MISTAKES[seed % MISTAKES.length]!, 1)

function cutsOf(
  from: number,
  count: number,
  most: number,
  mistaken: boolean,
  through: 'none' | 'told' = 'none',
): Cut[] {
  const cuts: Cut[] = []
  for (let seed = from; cuts.length < count * TIMES; seed++) {
    const cut = cutOf(seed, mistaken ? MISTAKES[seed % MISTAKES.length]! : 'none', most, through)
    if (cut) cuts.push(cut)
  }
  return cuts
}

/** Plays all, and says what was proven that is not so. */
function played(cuts: readonly Cut[], playing: (at: number) => Playing) {
  const done = cuts.flatMap((cut, at) => {
    const each = play(cut, playing(at))
    return each ? [{ cut, ...each }] : []
  })
  return {
    done,
    wrong: done.flatMap(({ cut, wrong }) => wrong.map(each => `${cut.name}: ${each}`)),
    fully: done.filter(({ fullyProven }) => fullyProven).length / done.length,
    contradicted: done.filter(({ contradictions, nothingFits }) => contradictions > 0 || nothingFits).length,
  }
}

describe('the search against what is read', () => {
  it('what it finds is spoken against by one reading at most, as the predictions see it', () => {
    let found = 0
    for (const cut of [...cutsOf(411, 3, 1, false), ...cutsOf(2100, 2, 1, true)]) {
      const frame = frameOf(cut.survey)
      const { identification, taken } = play(cut, { live: true, watches: false, most: 25 })!
      if (!frame.ok) throw new Error(cut.name)
      const predictor = new Predictor(frame.value)
      const claims = identification.known.map(({ candidates, endId }) =>
        cut.roles.get(endId) === 'ground' ? null : (candidates[0]?.role ?? null),
      )
      for (const at of [Math.ceil(taken.length / 3), Math.ceil(taken.length / 2), taken.length]) {
        const read = taken.slice(0, at)
        const bound = { steps: 6000, unseen: 2, misread: 1, enough: 3 } as const
        for (const network of networks(frame.value, 1, read, claims, bound).found) {
          found++
          const against = read.filter(
            ({ question, answer }) =>
              !predictor.agrees(network, askedIn(frame.value, question), bitOf(question, answer)),
          )
          expect(against.length, `${cut.name}: ${against.map(({ id }) => id).join()}`).toBeLessThanOrEqual(1)
        }
      }
    }
    expect(found).toBeGreaterThan(50)
  })
})

describe('readings that somebody takes with lamps out, or with a device off its wires', () => {
  it('prove nothing that is not so, and contradict nothing, whatever is read besides', () => {
    const cuts = [
      ...cutsOf(900, 2, 1, false),
      ...cutsOf(2400, 1, 1, true),
      ...cutsOf(720, 12, 2, false)
        .filter(({ survey }) => survey.boxes.length > 1)
        .slice(0, 1),
    ]
    const { done, wrong } = played(cuts, at => ({ live: true, watches: false, most: 30, own: 8, seed: at }))
    expect(wrong).toEqual([])
    expect(done.filter(({ cut, contradictions }) => cut.mistake === 'none' && contradictions > 0)).toEqual([])
    expect(done.reduce((sum, { own }) => sum + own, 0)).toBeGreaterThan(20)
  })
})

describe('conductors that run through a box unbroken', () => {
  it('are of what lies beyond: of the others nothing wrong is proven, nothing contradicts, most are fully proven', () => {
    const { wrong, contradicted, fully } = played(
      [...cutsOf(300, 6, 1, false, 'told'), ...cutsOf(2200, 3, 1, true, 'told')],
      () => ({ live: true, watches: false, most: 35 }),
    )
    expect(wrong).toEqual([])
    expect(contradicted).toBe(0)
    expect(fully).toBeGreaterThanOrEqual(0.6)
  })
})

describe('boxes cut out of houses that nobody listed', () => {
  it('one box: nothing wrong is proven, true readings contradict nothing, most are fully proven', () => {
    const { wrong, contradicted, fully, done } = played(cutsOf(300, 10, 1, false), () => ({
      live: true,
      watches: true,
      most: 45,
    }))
    expect(wrong).toEqual([])
    expect(contradicted).toBe(0)
    expect(done.filter(({ nothingFits }) => nothingFits)).toEqual([])
    expect(fully).toBeGreaterThanOrEqual(0.8)
  })

  it('one box of a house with a mistake: nothing wrong is proven', () => {
    const cuts = [...cutsOf(2000, 1, 1, true), ...someOf(HARD, 2).flatMap(seed => mistakenCut(seed) ?? [])]
    expect(played(cuts, () => ({ live: true, watches: false, most: 40 })).wrong).toEqual([])
  })

  it('one box, one false reading: nothing wrong is proven', () => {
    const { wrong } = played(cutsOf(605, 4, 1, false), at => ({
      live: true,
      watches: true,
      most: 40,
      lie: { at: at % 5, choice: at },
    }))
    expect(wrong).toEqual([])
  })

  it('one box, dead readings only: nothing wrong is proven', () => {
    expect(played(cutsOf(500, 3, 1, false), () => ({ live: false, watches: false, most: 15 })).wrong).toEqual(
      [],
    )
  })

  it('boxes on several circuits, dead readings only: nothing wrong is proven', () => {
    const cuts = SEVERAL_CIRCUITS.map(seed => cutOf(seed, 'none', 5)!)
    expect(played(cuts, () => ({ live: false, watches: false, reach: 'soon' })).wrong).toEqual([])
  })

  it('two boxes: nothing wrong is proven', () => {
    const cuts = cutsOf(700, 12, 2, false).filter(({ survey }) => survey.boxes.length > 1)
    expect(played(cuts.slice(0, TIMES), () => ({ live: true, watches: true, most: 20 })).wrong).toEqual([])
  })
})
