import { describe, expect, it } from 'vitest'
import type { Role } from '../model/vocabulary'
import { frameOf, type Frame } from './frame'
import type { Taken } from './ledger'
import { networks } from './networks'
import { askedIn, Predictor } from './predict'
import { bitOf } from './question'
import { rolesIn } from './roles'
import { Standing } from './standing'
import { cutOf, play, type Cut } from '@/testing/grown'
import { everyNetwork } from '@/testing/identify/every-network'
import { TIMES } from '@/testing/times'

const MOST_ENDS = 6
const SHOWS_NOTHING: ReadonlySet<string> = new Set(['dead', 'stays-dead', 'silent'])

/** Boxes of so few conductors that everything can be gone through, whose lights answer. */
function smallCuts(from: number, count: number): readonly (readonly [Cut, Frame])[] {
  const cuts: (readonly [Cut, Frame])[] = []
  for (let seed = from; cuts.length < count; seed++) {
    const cut = cutOf(seed, 'none', 1)
    if (!cut || cut.survey.lights.length === 0) continue
    if (cut.survey.lights.some(({ behaves }) => behaves !== 'answers')) continue
    const frame = frameOf(cut.survey)
    if (!frame.ok || frame.value.switches.length > 2) continue
    const insulated = frame.value.ends.filter(({ ground }) => !ground).length
    if (insulated <= MOST_ENDS && frame.value.ends.every(({ other }) => other < 0))
      cuts.push([cut, frame.value])
  }
  return cuts
}

/** For each end the roles it has in networks that all of these readings but one at most agree with. */
function rolesAnywhere(frame: Frame, taken: readonly Taken[]): ReadonlySet<Role>[] {
  const [standing, predictor] = [new Standing(frame), new Predictor(frame)]
  const asked = taken.map(
    ({ question, answer }) =>
      [askedIn(frame, question), bitOf(question, answer), SHOWS_NOTHING.has(answer)] as const,
  )
  const roles = frame.ends.map(() => new Set<Role>())
  for (const network of everyNetwork(frame, standing)) {
    // What lets current through makes something show; it hides nothing.
    const bare = { ...network, loads: [], sure: network.sure?.slice(0, network.lamps.length) }
    let against = 0
    for (const [each, bit, isDead] of asked)
      if (!predictor.agrees(network, each, bit) || (isDead && !predictor.agrees(bare, each, bit)))
        if (++against > 1) break
    if (against <= 1) rolesIn(frame, standing, network).forEach((role, end) => roles[end]!.add(role))
  }
  return roles
}

describe('what the search leaves standing', () => {
  it('nothing that can be tried out speaks against', () => {
    let [held, refuted] = [0, 0]
    for (const [at, [cut, frame]] of smallCuts(5520, 12 * TIMES).entries()) {
      const live = at % 4 !== 3
      const { taken } = play(cut, { live, watches: live, most: 25 })!
      for (const many of new Set([1, 3, Math.ceil(taken.length / 2), taken.length])) {
        const read = taken.slice(0, many)
        const claims = frame.ends.map(({ id, ground }) => (ground ? null : (cut.roles.get(id) ?? null)))
        const bound = { steps: 10_000_000, unseen: 0, misread: 1, enough: 1 } as const
        const searched = networks(frame, 1, read, claims, bound)
        expect(searched.finished).toBe(true)
        const anywhere = rolesAnywhere(frame, read)
        searched.unrefuted.forEach((role, end) => {
          if (role === null) return void refuted++
          held++
          const others = [...anywhere[end]!].filter(other => other !== role)
          expect(others, `${cut.name}, ${frame.ends[end]!.id} after ${many} readings`).toEqual([])
        })
      }
    }
    expect(Math.min(held, refuted)).toBeGreaterThan(40)
  })
})
