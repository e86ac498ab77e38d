import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox } from '@/demo/usual'
import { allDead, bothClamped, off, reference, switching, tester, tick } from '@/testing/safety/usual-story'
import { boxView, type BoxView } from '../job/box-view'
import { applyChanges, type Change } from '../job/change'
import type { Edit } from '../job/command'
import { takenBack } from '../job/taken-back'
import { checked, transition } from '../job/transition'
import { holdPoints, planBox } from '../plan'
import { APART, isApart, isolationOf, MADE_SAFE, standOf, ticksThatCount, voidedIn } from '.'

let revision = 0

/** What somebody does on a phone, with all up to a revision before him. */
function by(device: string, number: number, seen: number) {
  const from = { origin: { device, number, seen, by: device === 'panel' ? 'Ash' : '' }, revision: ++revision }
  return (view: BoxView, ...edits: Edit[]): BoxView => {
    const made = transition(view.record, edits, { now: '2026-03-02T09:00:00.000Z', from, guards: [] })
    if (!made.ok) throw new Error(made.faults[0]!.message)
    return boxView(applyChanges(view.record, made.value), view.box.id)!
  }
}

const wall = (view: BoxView, seen: number, number: number, ...edits: Edit[]) =>
  by('wall', number, seen)(view, ...edits)
const chosen = () => usualBox({ choice: 'dimmer-led-150-neutral' })
const keyOf = (view: BoxView, kind: string) =>
  planBox(view, trade).steps.find(({ name }) => name.kind === kind)!.key

describe('what one did while another switched on', () => {
  it('counts no more, says since when and by whom, and is over once it is off again in the knowledge of it', () => {
    revision = 0
    const before = wall(chosen(), 0, 1, tester(), reference(), ...off())
    const found = by('panel', 1, 0)(before, switching('on'))
    // Number three comes after number two, and knew only number one.
    const dead = wall(found, 1, 2, ...allDead(), tester())
    expect(isolationOf(dead).dead).toBe(false)
    const [voided, ...more] = voidedIn(dead)
    expect(more).toEqual([])
    expect(voided!.on).toMatchObject({ by: 'Ash', to: 'on' })
    expect(voided!.readings).toHaveLength(dead.ends.length + 3)
    expect(voided!.offs).toHaveLength(1)
    // The same, not at once: who reads knows of it, and the readings are as void as ever, with nothing to be told.
    const knowing = wall(found, 2, 3, ...allDead(), tester())
    expect(isolationOf(knowing).dead).toBe(false)
    const again = wall(dead, revision, 4, tester(), reference(), ...off())
    expect(voidedIn(again)).toEqual([])
    expect(isolationOf(wall(again, revision, 5, ...allDead(), tester())).dead).toBe(true)
  })

  it('a step is looked at again and ticked again; a photo stands', () => {
    revision = 0
    const dead = wall(chosen(), 0, 1, tester(), reference(), ...off(), ...allDead(), tester())
    const key = keyOf(dead, 'part')
    const on = by('panel', 1, 1)(dead, switching('on'))
    const parted = wall(on, 1, 2, tick('photo'), tick(key))
    expect(ticksThatCount(parted).map(({ stepKey }) => stepKey)).toEqual(['photo'])
    expect(planBox(parted, trade).steps.find(step => step.key === key)!.done).toBe(false)
    expect(voidedIn(parted)[0]!.ticks.map(({ stepKey }) => stepKey)).toEqual([key])
    // Ticked before the switching on by somebody whose work was seen, it stands.
    const ticked = wall(dead, 1, 3, tick(key))
    const seen = by('panel', 2, revision)(ticked, switching('on'))
    expect(ticksThatCount(seen).map(({ stepKey }) => stepKey)).toContain(key)
    const redone = wall(parted, revision, 4, tick(key))
    expect(voidedIn(redone).flatMap(({ ticks }) => ticks)).toEqual([])
    expect(planBox(redone, trade).steps.find(step => step.key === key)!.done).toBe(true)
  })

  it('what makes a box dangerous stands whatever anybody knew; what makes it safe, only in the knowledge of it', () => {
    revision = 0
    const apart = wall(chosen(), 0, 1, tick(APART))
    // Somebody who did not know that it is apart says that it is together.
    const together = by('panel', 1, 0)(apart, tick('test:together'))
    expect(isApart(together)).toBe(true)
    expect(isApart(by('panel', 2, revision)(together, tick('test:together')))).toBe(false)
    const safe = wall(apart, 1, 2, tick(MADE_SAFE))
    expect(standOf(safe)).toBe('safe')
    expect(standOf(by('panel', 3, 0)(safe, tick('joint:net')))).toBe('bare')
    expect(standOf(by('panel', 3, 0)(safe, tick(APART)))).toBe('bare')
  })

  it('everybody is held to what he could know: hands to what came to his phone, and no more', () => {
    revision = 0
    const read = wall(chosen(), 0, 1, tester(), reference(), ...off(), ...allDead(), tester())
    const dead = wall(read, 0, 2, ...bothClamped())
    const key = keyOf(dead, 'part')
    const on = by('panel', 1, 2)(dead, switching('on'))
    const held = (seen: number) =>
      transition(on.record, [tick(key)], {
        now: '2026-03-02T09:00:00.000Z',
        from: { origin: { device: 'wall', number: 3, seen, by: '' }, revision: 9 },
        guards: [holdPoints(trade)],
      }).ok
    expect(held(2)).toBe(true)
    expect(held(3)).toBe(false)
  })

  it('that the power was on is struck out, never gone: taken back or removed', () => {
    revision = 0
    const dead = wall(chosen(), 0, 1, tester(), reference(), ...off(), ...allDead(), tester())
    const on = switching('on')
    const made = transition(dead.record, [on], {
      now: '2026-03-02T09:00:00.000Z',
      from: { origin: { device: 'panel', number: 1, seen: 1, by: '' }, revision: 2 },
      guards: [],
    })
    if (!made.ok) throw new Error('not made')
    const live = applyChanges(dead.record, made.value)
    const back = takenBack(live, made.value)
    expect(checked(live, back, { guards: [] }).ok).toBe(true)
    const after = applyChanges(live, back)
    const id: string = (on as Extract<Edit, { kind: 'add' }>).row.id
    expect(after.switchings[id]).toMatchObject({ to: 'on', struck: 'taken back' })
    expect(isolationOf(boxView(after, 'box')!).dead).toBe(false)
    // Done again it is what it was.
    expect(applyChanges(after, takenBack(after, back as Change[])).switchings[id]).toEqual(
      live.switchings[id],
    )
    expect(
      transition(live, [{ kind: 'remove', entity: 'switchings', id, based: 1 }], {
        now: '2026-03-02T09:00:00.000Z',
        guards: [],
      }),
    ).toMatchObject({ ok: false, faults: [{ code: 'power-was-on' }] })
  })
})
