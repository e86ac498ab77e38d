import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { fedAtTheSwitch, passingThrough, usualBox } from '@/demo/usual'
import {
  allDead,
  bothClamped,
  clampedAt,
  dead,
  ENDS,
  guarded,
  lock,
  off,
  reading,
  reference,
  switching,
  tester,
  further,
  tick,
  whole,
} from '@/testing/safety/usual-story'
import { boxView, type BoxView } from '../job/box-view'
import { applyChanges } from '../job/change'
import type { Edit } from '../job/command'
import { planBox } from '../plan'
import { approachToLift, isLifted, isolationOf, LIFTED, PUT_BACK, toClamp } from '.'

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
    expect(isolationOf(further(usualBox(), ...whole()))).toMatchObject({
      dead: true,
      ends: 6,
      endsReadDead: 6,
    })
  })

  it.each(ENDS)('one conductor left out (%s) holds', left => {
    const steps = [
      tester(),
      reference(),
      ...off(),
      ...ENDS.filter(id => id !== left).map(id => dead(id)),
      tester(),
    ]
    expect(kinds(further(usualBox(), ...steps))).toEqual(['read-dead'])
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
    [
      'found on over the lock, and off again without another',
      () => [...whole(), switching('on'), switching('off'), tester(), reference(), ...allDead(), tester()],
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
    const view = further(usualBox(), ...steps())
    expect(isolationOf(view).dead).toBe(false)
    expect(kinds(view)).toContain(need)
  })

  it('exactly 5 V still counts, a high-impedance meter never does', () => {
    const five = [tester(), reference(), ...off(), ...ENDS.map(id => dead(id, 5)), tester()]
    expect(isolationOf(further(usualBox(), ...five)).dead).toBe(true)
    const high = ENDS.map(id =>
      reading({ fromEndId: id, instrument: 'high-impedance-meter', reference: 'x' }),
    )
    expect(isolationOf(further(usualBox(), tester(), reference(), ...off(), ...high, tester())).dead).toBe(
      false,
    )
  })

  it('the main switch off serves for its breakers', () => {
    const steps = [tester(), reference(), ...off(null), ...allDead(), tester()]
    expect(isolationOf(further(usualBox(), ...steps)).dead).toBe(true)
  })

  it('no breaker known: the main switch must be off', () => {
    const view = usualBox()
    const unknown = further(view, { kind: 'remove', entity: 'feeds', id: view.feeds[0]!.feed.id, based: 1 })
    expect(isolationOf(unknown).toSwitchOff).toEqual([null])
    expect(isolationOf(further(unknown, ...whole())).dead).toBe(false)
    expect(
      isolationOf(further(unknown, tester(), reference(), ...off(null), ...allDead(), tester())).dead,
    ).toBe(true)
  })

  it('a shared neutral ties the other breaker in', () => {
    const other = {
      ...usualBox().record.circuits['circuit-7']!,
      id: 'circuit-9',
      breaker: '9',
      sharedNeutralWithId: 'circuit-7',
    }
    const tied = further(
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
    expect(isolationOf(further(tied, ...whole())).dead).toBe(false)
  })

  it('a shared neutral ties it in from whichever side it was written at', () => {
    const other = {
      ...usualBox().record.circuits['circuit-7']!,
      id: 'circuit-9',
      breaker: '9',
      sharedNeutralWithId: 'circuit-7',
    }
    const tied = further(usualBox(), { kind: 'add', entity: 'circuits', row: other })
    expect(tied.record.circuits['circuit-7']!.sharedNeutralWithId).toBeNull()
    expect(isolationOf(tied).toSwitchOff.map(circuit => circuit?.breaker)).toEqual(['7', '9'])
    expect(isolationOf(further(tied, ...whole())).dead).toBe(false)
  })

  it('a cable found later opens the question again', () => {
    const view = further(usualBox(), ...whole())
    const later = further(
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
  const chosen = () => usualBox({ choice: 'dimmer-led-150-neutral' })
  const clamped = () => clampedAt('box-a-white-2-end')

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
    const dead = further(usualBox(), ...whole())
    expect(approachToLift(dead, end).map(({ kind }) => kind)).toEqual(['clamp'])
    expect(lifting(dead)).toMatchObject({ ok: false, faults: [{ code: 'held' }] })
    const idle = further(dead, clamped())
    expect(approachToLift(idle, end)).toEqual([])
    expect(lifting(idle).ok).toBe(true)
    const [hanging] = Object.keys(idle.record.locks)
    const lifted = further(idle, tick(LIFTED), { kind: 'remove', entity: 'locks', id: hanging!, based: 1 })
    expect(isLifted(lifted.record, 'box')).toBe(true)
    for (const circuitId of ['circuit-7', null]) {
      expect(guarded(lifted, switching('on', circuitId))).toMatchObject({
        ok: false,
        faults: [{ code: 'held', message: 'Not on yet: the neutral of Room, By the door, is off its bar.' }],
      })
      expect(guarded(lifted, switching('off', circuitId)).ok).toBe(true)
      expect(guarded(lifted, tick(PUT_BACK), switching('on', circuitId)).ok).toBe(true)
      expect(guarded(further(lifted, tick(PUT_BACK)), switching('on', circuitId)).ok).toBe(true)
    }
  })

  it('a breaker that does not feed the box whose neutral is lifted may go on', () => {
    const two = usualBox({ breakers: ['7', '8'], cables: [...fedAtTheSwitch(true), ...passingThrough(true)] })
    const [other] = Object.values(two.record.circuits).filter(({ breaker }) => breaker === '8')
    const apart = {
      ...two.record,
      feeds: { one: { id: 'one', boxId: 'box', circuitId: 'circuit-7', basis: 'reading' as const } },
    }
    const lifted = further(boxView(apart, 'box')!, tick(LIFTED))
    expect(guarded(lifted, switching('on', other!.id)).ok).toBe(true)
    expect(guarded(lifted, switching('on', 'circuit-7')).ok).toBe(false)
  })

  it('once dead, the neutral joint still waits for a clamp reading at each of its conductors', () => {
    const dead = further(chosen(), ...whole())
    const touchOf = (view: BoxView) => planBox(view, trade).steps.find(step => step.kind === 'touch')!
    expect(touchOf(dead).holds).toEqual(['Clamp A white before its joint is opened: 0 A'])
    expect(guarded(dead, tick(touchOf(dead).key)).ok).toBe(false)
    const once = further(dead, clamped())
    expect(touchOf(once).holds).toEqual(['Clamp B white before its joint is opened: 0 A'])
    expect(guarded(once, tick(touchOf(once).key)).ok).toBe(false)
    expect(guarded(further(dead, ...bothClamped()), tick(touchOf(dead).key)).ok).toBe(true)
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
    const view = further(usualBox({ choice: 'dimmer-led-150-neutral', proven: false }), ...whole(), clamped())
    const touch = planBox(view, trade).steps.find(step => step.kind === 'touch')!
    expect(touch.holds[0]).toMatch(/^Identify A black/)
  })

  it('the power waits for all the work', () => {
    const view = further(chosen(), ...whole(), ...bothClamped())
    expect(guarded(view, tick('power')).ok).toBe(false)
    let working = view
    for (const step of planBox(view, trade).steps.filter(each => each.kind === 'touch'))
      working = further(working, tick(step.key))
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
