import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox } from '@/demo/usual'
import {
  bothClamped,
  clampedAt,
  dead,
  guarded,
  lock,
  reference,
  switching,
  tester,
  further,
  tick,
  whole,
} from '@/testing/safety/usual-story'
import type { BoxView } from '../job/box-view'
import { planBox } from '../plan'
import { toClamp, toReadParted } from '.'

const chosen = () => usualBox({ choice: 'dimmer-led-150-neutral' })

describe('a neutral that is about to be opened', () => {
  it('a clamp that shows whole amperes, or of which nobody said what it shows, clears nothing', () => {
    const dead = further(chosen(), ...whole())
    const [first] = toClamp(dead)
    const by = (resolutionAmps: number | null) =>
      toClamp(further(dead, clampedAt(first!.end.id, resolutionAmps))).map(({ name }) => name)
    expect(by(0.1)).not.toContain(first!.name)
    expect(by(0.01)).not.toContain(first!.name)
    expect(by(1)).toContain(first!.name)
    expect(by(null)).toContain(first!.name)
  })

  it('let out of its joint, each side is read on its own before any hand goes in', () => {
    const parting = tick('part:box-joint-whites')
    const parted = further(chosen(), ...whole(), ...bothClamped(), parting)
    const holdOf = (view: BoxView) =>
      planBox(view, trade).steps.find(({ name, done }) => name.kind === 'take-out' && !done)!.holds[0]
    expect(holdOf(parted)).toBe('Read A white to ground, on its own: dead')
    // Readings of before it was parted say nothing of what stands on it now.
    const once = further(parted, dead('box-a-white-2-end'))
    expect(toReadParted(once).map(({ name }) => name)).toEqual(['B white'])
    // The other side at line voltage: stop.
    const live = further(once, dead('box-b-white-2-end', 118))
    expect(holdOf(live)).toBe('B white read 118 V: not dead. Stop, find what feeds it')
    expect(holdOf(further(live, dead('box-b-white-2-end'), tester()))).toMatch(/^B white read 118 V/)
    // Both dead: only the tester is left to be proved again.
    const both = further(once, dead('box-b-white-2-end'))
    expect(holdOf(both)).toBe('Prove the tester again on the known live point')
    expect(holdOf(further(both, tester()))).toBeUndefined()
  })

  it('the plate and the device come off after the power, and what is on the screws is read before', () => {
    const named = (view: BoxView, kind: string) => planBox(view, trade).steps.find(({ key }) => key === kind)!
    const closed = usualBox({ choice: 'dimmer-led-150-neutral', proven: false })
    expect(named(closed, 'plate-off')).toMatchObject({ kind: 'open', done: false })
    expect(named(closed, 'plate-off').holds[0]).toBe('Prove the tester on a known live point')
    const unlocked = further(closed, tester(), reference(), switching('off'))
    expect(named(unlocked, 'plate-off').holds[0]).toMatch(/nothing keeps it so/)
    const ready = further(unlocked, lock())
    expect(named(ready, 'plate-off').holds).toEqual([])
    expect(named(ready, 'device-out').holds[0]).toMatch(/^Read dead at A black/)
    expect(guarded(ready, tick('device-out')).ok).toBe(false)
    const seats = ready.ends.filter(({ end }) => end.seat === 'terminal')
    const read = further(ready, ...seats.map(({ end }) => dead(end.id)))
    expect(named(read, 'plate-off').done).toBe(true)
    expect(named(read, 'device-out')).toMatchObject({ holds: [], done: false })
    expect(guarded(read, tick('device-out')).ok).toBe(true)
  })
})
