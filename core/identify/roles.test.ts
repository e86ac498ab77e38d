import { describe, expect, it } from 'vitest'
import type { Role } from '../model/vocabulary'
import { frameOf, type Frame } from './frame'
import { rolesIn } from './roles'
import { Standing } from './standing'
import { randomHidden } from '@/testing/identify/arrangements'
import { TIMES } from '@/testing/times'

const CIRCUITS = 60 * TIMES

/** The roles where nothing feeds the boxes and nothing but these runs leads from one to another. */
function undriven(frame: Frame, runs: readonly (readonly [number, number])[]): readonly Role[] {
  const beyond = new Int16Array(frame.ends.length).fill(-1)
  for (const [from, to] of runs) beyond[from] = to
  return rolesIn(frame, new Standing(frame), { beyond, lamps: [], loads: [], sources: 1 })
}

const onASwitch = ({ ends, switches }: Frame) =>
  ends.filter(
    ({ seat, ground, foundNode, other }) =>
      !ground &&
      other < 0 &&
      seat.kind === 'terminal' &&
      switches.some(({ terminals }) => terminals.includes(foundNode)),
  )

describe(`what is undriven (${CIRCUITS} circuits)`, () => {
  it('is spare on a switch too, and a traveller only from a switch of one box to one of another', () => {
    let [spare, travellers] = [0, 0]
    for (let seed = 1; seed <= CIRCUITS; seed++) {
      const framed = frameOf(randomHidden(seed, 3).survey)
      if (!framed.ok) throw new Error(framed.faults[0]!.message)
      const frame = framed.value
      const switched = onASwitch(frame)
      const alone = undriven(frame, [])
      for (const { index } of switched) {
        expect(alone[index], `${seed}, ${frame.ends[index]!.id}`).toBe('spare')
        spare++
      }
      const [first] = switched
      const far = switched.find(({ box }) => box !== first!.box)
      const near = switched.find(({ index, box }) => index !== first!.index && box === first!.box)
      if (!first || !far || !near) continue
      expect(undriven(frame, [[first.index, far.index]])[far.index], `${seed}`).toBe('traveller')
      expect(undriven(frame, [[first.index, near.index]])[near.index], `${seed}`).toBe('spare')
      travellers++
    }
    expect(spare).toBeGreaterThan(100 * TIMES)
    expect(travellers).toBeGreaterThan(10 * TIMES)
  })
})
