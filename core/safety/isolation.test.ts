import { BLANK } from '../model/blank-rows'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { fedAtTheSwitch, passingThrough, usualBox } from '@/demo/usual'
import { boxView, type BoxView } from '../job/box-view'
import { applyChanges } from '../job/change'
import type { Edit } from '../job/command'
import { transition } from '../job/transition'
import type { Row } from '../model/entities'
import { holdPoints, planBox } from '../plan'
import { approachToLift, isLifted, isolationOf, LIFTED, PUT_BACK, toClamp, toReadParted } from '.'

const NOW = '2026-03-02T09:00:00.000Z'
let counter = 0

const then = (view: BoxView, ...edits: Edit[]): BoxView => {
  const changes = transition(view.record, edits, { now: NOW, guards: [] })
  if (!changes.ok) throw new Error(changes.faults[0]!.message)
  return boxView(applyChanges(view.record, changes.value), view.box.id)!
}

const reading = (fields: Partial<Row<'readings'>>): Edit => ({
  kind: 'add',
  entity: 'readings',
  row: {
    id: `reading-${++counter}`,
    boxId: 'box',
    seq: 0,
    at: NOW,
    ...BLANK.readings,
    purpose: 'dead',
    breaker: 'off',
    ...fields,
  },
})

const switching = (to: 'on' | 'off', circuitId: string | null = 'circuit-7'): Edit => ({
  kind: 'add',
  entity: 'switchings',
  row: { id: `switching-${++counter}`, circuitId, to, foundSo: false, struck: null, seq: 0, at: NOW },
})

const tester = (value = 120) =>
  reading({ purpose: 'tester', value, breaker: 'on', reference: 'known live point' })
const reference = (value = 120) =>
  reading({ purpose: 'reference', value, breaker: 'on', reference: 'brought-in ground' })
const dead = (endId: string, value = 0) =>
  reading({ fromEndId: endId, reference: 'brought-in ground', value })
/** Switched off, and locked by somebody. */
const lock = (circuitId: string | null = 'circuit-7', keyWith = 'Rowan Vale'): Edit => ({
  kind: 'add',
  entity: 'locks',
  row: { id: `lock-${++counter}`, circuitId, how: 'lock-and-tag', keyWith, seq: 0, at: NOW },
})
const off = (circuitId: string | null = 'circuit-7') => [switching('off', circuitId), lock(circuitId)]
const ENDS = usualBox().ends.map(each => each.end.id)
const allDead = () => ENDS.map(id => dead(id))
const whole = () => [tester(), reference(), ...off(), ...allDead(), tester()]
const kinds = (view: BoxView) => [...new Set(isolationOf(view).needs.map(need => need.kind))]

describe('dead is read at every conductor, in the safe order', () => {
  it('nothing done: everything is needed', () => {
    expect(kinds(usualBox())).toEqual([
      'prove-tester',
      'prove-reference',
      'switch-off',
      'read-dead',
      'prove-tester-again',
    ])
  })

  it('the whole sequence makes it dead', () => {
    expect(isolationOf(then(usualBox(), ...whole()))).toMatchObject({ dead: true, ends: 6, endsReadDead: 6 })
  })

  it.each(ENDS)('one conductor left out (%s) holds', left => {
    const steps = [
      tester(),
      reference(),
      ...off(),
      ...ENDS.filter(id => id !== left).map(id => dead(id)),
      tester(),
    ]
    expect(kinds(then(usualBox(), ...steps))).toEqual(['read-dead'])
  })

  it.each<[string, () => Edit[], string]>([
    ['tester not proved before', () => [reference(), ...off(), ...allDead(), tester()], 'read-dead'],
    ['tester not proved after', () => [tester(), reference(), ...off(), ...allDead()], 'prove-tester-again'],
    [
      'reference that did not read nominal',
      () => [tester(), reference(3), ...off(), ...allDead(), tester()],
      'prove-reference',
    ],
    [
      'tester that did not read nominal',
      () => [tester(60), reference(), ...off(), ...allDead()],
      'prove-tester',
    ],
    [
      'readings from before the breaker was off',
      () => [tester(), reference(), ...allDead(), ...off(), tester()],
      'read-dead',
    ],
    ['nothing keeps it off', () => [tester(), reference(), switching('off'), ...allDead(), tester()], 'lock'],
    [
      'locked only after it was read',
      () => [tester(), reference(), switching('off'), ...allDead(), tester(), lock()],
      'read-dead',
    ],
    [
      'another breaker locked',
      () => [tester(), reference(), switching('off'), lock(null), ...allDead(), tester()],
      'lock',
    ],
    ['switched on again', () => [...whole(), switching('on')], 'switch-off'],
    [
      'read live again, though nobody recorded the switching',
      () => [...whole(), reading({ purpose: 'identify', fromEndId: ENDS[0]!, value: 120, breaker: 'on' })],
      'switch-off',
    ],
    ['the main switched on again', () => [...whole(), switching('on', null)], 'switch-off'],
    [
      '6 V somewhere',
      () => [tester(), reference(), ...off(), ...allDead(), dead(ENDS[0]!, 6), tester()],
      'read-dead',
    ],
    ['another breaker off', () => [tester(), reference(), ...allDead(), tester()], 'switch-off'],
  ])('%s: not dead', (_, steps, need) => {
    const view = then(usualBox(), ...steps())
    expect(isolationOf(view).dead).toBe(false)
    expect(kinds(view)).toContain(need)
  })

  it('exactly 5 V still counts, a high-impedance meter never does', () => {
    const five = [tester(), reference(), ...off(), ...ENDS.map(id => dead(id, 5)), tester()]
    expect(isolationOf(then(usualBox(), ...five)).dead).toBe(true)
    const high = ENDS.map(id =>
      reading({ fromEndId: id, instrument: 'high-impedance-meter', reference: 'x' }),
    )
    expect(isolationOf(then(usualBox(), tester(), reference(), ...off(), ...high, tester())).dead).toBe(false)
  })

  it('the main switch off serves for its breakers', () => {
    const steps = [tester(), reference(), ...off(null), ...allDead(), tester()]
    expect(isolationOf(then(usualBox(), ...steps)).dead).toBe(true)
  })

  it('no breaker known: the main switch must be off', () => {
    const view = usualBox()
    const unknown = then(view, { kind: 'remove', entity: 'feeds', id: view.feeds[0]!.feed.id, based: 1 })
    expect(isolationOf(unknown).toSwitchOff).toEqual([null])
    expect(isolationOf(then(unknown, ...whole())).dead).toBe(false)
    expect(isolationOf(then(unknown, tester(), reference(), ...off(null), ...allDead(), tester())).dead).toBe(
      true,
    )
  })

  it('a shared neutral ties the other breaker in', () => {
    const other = {
      ...usualBox().record.circuits['circuit-7']!,
      id: 'circuit-9',
      breaker: '9',
      sharedNeutralWithId: 'circuit-7',
    }
    const tied = then(
      usualBox(),
      { kind: 'add', entity: 'circuits', row: other },
      {
        kind: 'change',
        entity: 'circuits',
        id: 'circuit-7',
        based: 1,
        fields: { sharedNeutralWithId: 'circuit-9' },
      },
    )
    expect(isolationOf(tied).toSwitchOff.map(circuit => circuit?.breaker)).toEqual(['7', '9'])
    expect(isolationOf(then(tied, ...whole())).dead).toBe(false)
  })

  it('a shared neutral ties it in from whichever side it was written at', () => {
    const other = {
      ...usualBox().record.circuits['circuit-7']!,
      id: 'circuit-9',
      breaker: '9',
      sharedNeutralWithId: 'circuit-7',
    }
    const tied = then(usualBox(), { kind: 'add', entity: 'circuits', row: other })
    expect(tied.record.circuits['circuit-7']!.sharedNeutralWithId).toBeNull()
    expect(isolationOf(tied).toSwitchOff.map(circuit => circuit?.breaker)).toEqual(['7', '9'])
    expect(isolationOf(then(tied, ...whole())).dead).toBe(false)
  })

  it('a cable found later opens the question again', () => {
    const view = then(usualBox(), ...whole())
    const later = then(
      view,
      { kind: 'add', entity: 'cables', row: { ...view.cables[0]!, id: 'cable-z', name: 'Z' } },
      {
        kind: 'add',
        entity: 'conductors',
        row: { ...view.ends[0]!.conductor, id: 'strand-z', cableId: 'cable-z' },
      },
      {
        kind: 'add',
        entity: 'ends',
        row: {
          ...view.ends[0]!.end,
          id: 'end-z',
          conductorId: 'strand-z',
          seat: 'loose',
          deviceId: null,
          terminal: null,
        },
      },
    )
    expect(isolationOf(later).dead).toBe(false)
  })
})

describe('hold points', () => {
  const guarded = (view: BoxView, ...edits: Edit[]) =>
    transition(view.record, edits, { now: NOW, guards: [holdPoints(trade)] })
  const tick = (stepKey: string): Edit => ({
    kind: 'add',
    entity: 'steps',
    row: { id: `step-${++counter}`, boxId: 'box', stepKey, seq: 0, at: NOW, note: '' },
  })
  const chosen = () => usualBox({ choice: 'dimmer-led-150-neutral' })
  const clampedAt = (fromEndId: string) =>
    reading({ purpose: 'clamp', instrument: 'clamp', fromEndId, value: 0, resolutionAmps: 0.1 })
  const clamped = () => clampedAt('box-a-white-2-end')
  const bothClamped = () => [clamped(), clampedAt('box-b-white-2-end')]

  it('no step that touches conductors can be ticked in a box that may be live', () => {
    const view = chosen()
    const touching = planBox(view, trade).steps.filter(step => step.kind === 'touch')
    expect(touching.length).toBeGreaterThan(5)
    for (const step of touching) {
      expect(step.holds.length).toBeGreaterThan(0)
      const refused = guarded(view, tick(step.key))
      expect(!refused.ok && refused.faults[0]!.code).toBe('held')
    }
  })

  it('a neutral is lifted at the panel only dead and clamped, and nothing goes on before it is back', () => {
    const lift = { ...tick(LIFTED) }
    const lifting = (view: BoxView) => guarded(view, lift)
    const end = usualBox().ends.find(each => each.end.id === 'box-a-white-2-end')!
    expect(approachToLift(usualBox(), end).map(({ kind }) => kind)).toEqual(['make-dead', 'clamp'])
    expect(lifting(usualBox()).ok).toBe(false)
    const dead = then(usualBox(), ...whole())
    expect(approachToLift(dead, end).map(({ kind }) => kind)).toEqual(['clamp'])
    expect(lifting(dead)).toMatchObject({ ok: false, faults: [{ code: 'held' }] })
    const idle = then(dead, clamped())
    expect(approachToLift(idle, end)).toEqual([])
    expect(lifting(idle).ok).toBe(true)
    const [hanging] = Object.keys(idle.record.locks)
    const lifted = then(idle, tick(LIFTED), { kind: 'remove', entity: 'locks', id: hanging!, based: 1 })
    expect(isLifted(lifted.record, 'box')).toBe(true)
    for (const circuitId of ['circuit-7', null]) {
      expect(guarded(lifted, switching('on', circuitId))).toMatchObject({
        ok: false,
        faults: [{ code: 'held', message: 'Not on yet: the neutral of Room, By the door, is off its bar.' }],
      })
      expect(guarded(lifted, switching('off', circuitId)).ok).toBe(true)
      expect(guarded(lifted, tick(PUT_BACK), switching('on', circuitId)).ok).toBe(true)
      expect(guarded(then(lifted, tick(PUT_BACK)), switching('on', circuitId)).ok).toBe(true)
    }
  })

  it('a breaker that does not feed the box whose neutral is lifted may go on', () => {
    const two = usualBox({ breakers: ['7', '8'], cables: [...fedAtTheSwitch(true), ...passingThrough(true)] })
    const [other] = Object.values(two.record.circuits).filter(({ breaker }) => breaker === '8')
    const apart = {
      ...two.record,
      feeds: { one: { id: 'one', boxId: 'box', circuitId: 'circuit-7', basis: 'reading' as const } },
    }
    const lifted = then(boxView(apart, 'box')!, tick(LIFTED))
    expect(guarded(lifted, switching('on', other!.id)).ok).toBe(true)
    expect(guarded(lifted, switching('on', 'circuit-7')).ok).toBe(false)
  })

  it('once dead, the neutral joint still waits for a clamp reading at each of its conductors', () => {
    const dead = then(chosen(), ...whole())
    const touchOf = (view: BoxView) => planBox(view, trade).steps.find(step => step.kind === 'touch')!
    expect(touchOf(dead).holds).toEqual(['Clamp A white before its joint is opened: 0 A'])
    expect(guarded(dead, tick(touchOf(dead).key)).ok).toBe(false)
    const once = then(dead, clamped())
    expect(touchOf(once).holds).toEqual(['Clamp B white before its joint is opened: 0 A'])
    expect(guarded(once, tick(touchOf(once).key)).ok).toBe(false)
    expect(guarded(then(dead, ...bothClamped()), tick(touchOf(dead).key)).ok).toBe(true)
  })

  it('a clamp that shows whole amperes, or of which nobody said what it shows, clears nothing', () => {
    const dead = then(chosen(), ...whole())
    const [first] = toClamp(dead)
    const by = (resolutionAmps: number | null) =>
      toClamp(
        then(
          dead,
          reading({
            purpose: 'clamp',
            instrument: 'clamp',
            fromEndId: first!.end.id,
            value: 0,
            resolutionAmps,
          }),
        ),
      ).map(({ name }) => name)
    expect(by(0.1)).not.toContain(first!.name)
    expect(by(0.01)).not.toContain(first!.name)
    expect(by(1)).toContain(first!.name)
    expect(by(null)).toContain(first!.name)
  })

  it('let out of its joint, each side is read on its own before any hand goes in', () => {
    const parting = tick('part:box-joint-whites')
    const parted = then(chosen(), ...whole(), ...bothClamped(), parting)
    const holdOf = (view: BoxView) =>
      planBox(view, trade).steps.find(({ name, done }) => name.kind === 'take-out' && !done)!.holds[0]
    expect(holdOf(parted)).toBe('Read A white to ground, on its own: dead')
    // Readings of before it was parted say nothing of what stands on it now.
    const once = then(parted, dead('box-a-white-2-end'))
    expect(toReadParted(once).map(({ name }) => name)).toEqual(['B white'])
    // The other side at line voltage: stop.
    const live = then(once, dead('box-b-white-2-end', 118))
    expect(holdOf(live)).toBe('B white read 118 V: not dead. Stop, find what feeds it')
    expect(holdOf(then(live, dead('box-b-white-2-end'), tester()))).toMatch(/^B white read 118 V/)
    // Both dead: only the tester is left to be proved again.
    const both = then(once, dead('box-b-white-2-end'))
    expect(holdOf(both)).toBe('Prove the tester again on the known live point')
    expect(holdOf(then(both, tester()))).toBeUndefined()
  })

  it('the plate and the device come off after the power, and what is on the screws is read before', () => {
    const named = (view: BoxView, kind: string) => planBox(view, trade).steps.find(({ key }) => key === kind)!
    const closed = usualBox({ choice: 'dimmer-led-150-neutral', proven: false })
    expect(named(closed, 'plate-off')).toMatchObject({ kind: 'open', done: false })
    expect(named(closed, 'plate-off').holds[0]).toBe('Prove the tester on a known live point')
    const unlocked = then(closed, tester(), reference(), switching('off'))
    expect(named(unlocked, 'plate-off').holds[0]).toMatch(/nothing keeps it so/)
    const ready = then(unlocked, lock())
    expect(named(ready, 'plate-off').holds).toEqual([])
    expect(named(ready, 'device-out').holds[0]).toMatch(/^Read dead at A black/)
    expect(guarded(ready, tick('device-out')).ok).toBe(false)
    const seats = ready.ends.filter(({ end }) => end.seat === 'terminal')
    const read = then(ready, ...seats.map(({ end }) => dead(end.id)))
    expect(named(read, 'plate-off').done).toBe(true)
    expect(named(read, 'device-out')).toMatchObject({ holds: [], done: false })
    expect(guarded(read, tick('device-out')).ok).toBe(true)
  })

  it('of a joint every conductor is clamped that was not proven something else, whatever its colour or its word', () => {
    const names = (view: BoxView) => toClamp(view).map(({ name }) => name)
    const cables = passingThrough(true)
    const said = usualBox({ cables, proven: false })
    const blacks = cables.map(({ name }) => `${name} black`)
    expect(names(said)).toEqual(expect.arrayContaining(blacks))
    expect(names(said).filter(name => name.endsWith('bare'))).toEqual([])
    const proven = usualBox({ cables })
    expect(names(proven).filter(name => name.endsWith('black'))).toEqual([])
    expect(names(proven)).toEqual(cables.map(({ name }) => `${name} white`))
  })

  it('a role that is not proven holds every touch', () => {
    const view = then(usualBox({ choice: 'dimmer-led-150-neutral', proven: false }), ...whole(), clamped())
    const touch = planBox(view, trade).steps.find(step => step.kind === 'touch')!
    expect(touch.holds[0]).toMatch(/^Identify A black/)
  })

  it('the power waits for all the work', () => {
    const view = then(chosen(), ...whole(), ...bothClamped())
    expect(guarded(view, tick('power')).ok).toBe(false)
    let working = view
    for (const step of planBox(view, trade).steps.filter(each => each.kind === 'touch'))
      working = then(working, tick(step.key))
    // By who took his lock off; over his head never.
    expect(guarded(working, tick('power'), switching('on'))).toMatchObject({
      ok: false,
      faults: [
        { message: 'Not on yet: the lock of Rowan Vale hangs on it, and only Rowan Vale takes it off.' },
      ],
    })
    const [hanging] = Object.keys(working.record.locks)
    const off: Edit = { kind: 'remove', entity: 'locks', id: hanging!, based: 1 }
    expect(guarded(working, off, tick('power'), switching('on')).ok).toBe(true)
  })

  it('a step done by its readings is not ticked by hand, and an unknown one never', () => {
    const codes = (key: string) => {
      const refused = guarded(chosen(), tick(key))
      return refused.ok ? 'ok' : refused.faults[0]!.code
    }
    expect(codes('dead')).toBe('by-record')
    expect(codes('isolate')).toBe('by-record')
    expect(codes('dance')).toBe('no-such-step')
    expect(codes('photo')).toBe('ok')
  })

  it('whatever order people record in, a touch is only ever ticked in a dead box (150 runs, seed 7)', () => {
    const view = chosen()
    const touching = planBox(view, trade).steps.filter(step => step.kind === 'touch')
    const reads = ENDS.map(id => () => dead(id))
    const off = () => switching('off')
    const clampB = () => clampedAt('box-b-white-2-end')
    const lockIt = () => lock()
    const actions: readonly (() => Edit)[] = [
      tester,
      reference,
      off,
      () => switching('on'),
      () => switching('off', null),
      lockIt,
      clamped,
      ...reads,
      clampB,
      ...ENDS.slice(0, 2).map(id => () => dead(id, 120)),
      ...touching.map(step => () => tick(step.key)),
    ]
    const inOrder = [tester, reference, off, lockIt, clamped, ...reads, clampB, tester].map(each =>
      actions.indexOf(each),
    )
    // What was let apart is read on its own, and the tester proved once more.
    const anew = [...reads, clampB, tester].map(each => actions.indexOf(each))
    const script = fc.array(fc.nat(actions.length - 1), { minLength: 10, maxLength: 60 })
    let ticked = 0
    fc.assert(
      fc.property(script, order => {
        let now = view
        for (const index of [...order, ...inOrder, ...order, ...anew, ...order]) {
          const edit = actions[index]!()
          const changes = guarded(now, edit)
          if (!changes.ok) continue
          if (edit.kind === 'add' && edit.entity === 'steps') {
            expect(isolationOf(now).dead).toBe(true)
            ticked++
          }
          now = boxView(applyChanges(now.record, changes.value), 'box')!
        }
      }),
      { numRuns: 150, seed: 7 },
    )
    expect(ticked).toBeGreaterThan(20)
  })
})
