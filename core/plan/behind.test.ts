import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox } from '@/demo/usual'
import {
  bothClamped,
  NOW,
  off,
  reference,
  switching,
  tester,
  tick,
  allDead,
} from '@/testing/safety/usual-story'
import { boxView, type BoxView } from '../job/box-view'
import { applyChanges } from '../job/change'
import type { Edit } from '../job/command'
import { transition } from '../job/transition'
import { moves } from '../model/step-name'
import { holdPoints, planBox, powerHolds } from '.'

const guards = [holdPoints(trade), powerHolds(trade)]
let revision = 0

/** What somebody does on a phone with all up to a revision before him, as the server takes it. */
const by = (device: string, seen: number, view: BoxView, ...edits: Edit[]) => {
  revision += 1
  const from = { origin: { device, number: revision, seen, by: '' }, revision }
  return transition(view.record, edits, { now: NOW, from, isBehind: seen < revision - 1, guards })
}
const then = (view: BoxView, made: ReturnType<typeof by>): BoxView => {
  if (!made.ok) throw new Error(made.faults[0]!.message)
  return boxView(applyChanges(view.record, made.value), view.box.id)!
}

/** A box read dead on one phone, and then planned otherwise on another. */
function plannedOtherwise(...atTheWall: Edit[]) {
  revision = 0
  const box = usualBox({ choice: 'dimmer-led-150-neutral' })
  const ready = then(box, by('wall', 0, box, ...atTheWall))
  const steps = planBox(ready, trade).steps.filter(({ key }) => moves(key))
  const chosen = Object.values(ready.record.choices)
  const retire = chosen.map(({ id }) => ({ kind: 'remove', entity: 'choices', id, based: 1 }) as const)
  const otherwise = then(ready, by('office', 1, ready, ...retire))
  return { steps, otherwise }
}

describe('what hands did by a plan that others changed meanwhile', () => {
  const dead = [tester(), reference(), ...off(), ...allDead(), tester(), ...bothClamped()]

  it('is taken, and keeps the power off', () => {
    const { steps, otherwise } = plannedOtherwise(...dead)
    const [first] = steps
    expect(planBox(otherwise, trade).steps.map(({ key }) => key)).not.toContain(first!.key)
    const done = then(otherwise, by('wall', 1, otherwise, tick(first!.key)))
    expect(Object.values(done.record.steps).map(({ stepKey }) => stepKey)).toEqual([first!.key])
    const on = by('office', revision, done, switching('on'))
    expect(on.ok || on.faults.map(({ message }) => message).join(' ')).toMatch(/is half done/)
  })

  it('keeps the power off however far it went, since nobody knows how it stands', () => {
    const { steps, otherwise } = plannedOtherwise(...dead)
    expect(steps.length).toBeGreaterThan(5)
    let view = otherwise
    for (const { key } of steps) {
      view = then(view, by('wall', 1, view, tick(key)))
      const on = by('office', revision, view, switching('on'))
      expect([key, on.ok || on.faults.map(({ message }) => message).join(' ')]).toEqual([
        key,
        expect.stringMatching(/is half done/),
      ])
    }
  })

  it('is no step for who knows of the change', () => {
    const { steps, otherwise } = plannedOtherwise(...dead)
    const made = by('wall', revision, otherwise, tick(steps[0]!.key))
    expect(made.ok || made.faults.map(({ code }) => code)).toEqual(['no-such-step'])
  })

  it('is held to the box having been dead, and to being a step at all', () => {
    const live = plannedOtherwise(tester(), reference())
    const made = by('wall', 1, live.otherwise, tick(live.steps[0]!.key))
    expect(made.ok || made.faults.map(({ code }) => code)).toEqual(['held'])
    const { otherwise } = plannedOtherwise(...dead)
    const dance = by('wall', 1, otherwise, tick('dance'))
    expect(dance.ok || dance.faults.map(({ code }) => code)).toEqual(['no-such-step'])
  })
})
