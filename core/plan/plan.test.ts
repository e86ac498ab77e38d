import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { quillbackRoad } from '@/demo/quillback'
import { fedAtTheSwitch, strand, switchLoop, usualBox, type UsualBox } from '@/demo/usual'
import { boxView } from '../job/box-view'
import { planBox, progressOf, progressOfJob, testList } from '.'

const steps = (given: UsualBox) => planBox(usualBox(given), trade).steps
const keys = (given: UsualBox) => steps(given).map(step => step.key)
const says = (given: UsualBox, key: string) => steps(given).find(step => step.key === key)?.says

describe('the steps of one box', () => {
  it('stand in the safe order', () => {
    expect(keys({ choice: 'dimmer-led-150-neutral' })).toEqual([
      'photo',
      'tester',
      'reference',
      'isolate',
      'plate-off',
      'device-out',
      'dead',
      'tester-again',
      'clamp:box-a-white-2-end',
      'clamp:box-b-white-2-end',
      'part:box-joint-whites',
      'parted:box-a-white-2-end',
      'parted:box-b-white-2-end',
      'take-out:box-1',
      'joint:ground',
      'joint:neutral:circuit-7',
      'joint:line:circuit-7',
      'joint:load:light',
      'tug',
      'fold',
      'power',
    ])
  })

  it('live identification is its own kind, before the breaker goes off', () => {
    const list = steps({ choice: 'switch-plain-15', proven: false })
    const live = list.filter(step => step.kind === 'live')
    expect(live).toHaveLength(6)
    expect(Math.max(...live.map(step => list.indexOf(step)))).toBeLessThan(
      list.findIndex(step => step.key === 'isolate'),
    )
    expect(live.every(step => step.doneBy === 'record')).toBe(true)
  })

  it('grounds come first, and the power last', () => {
    const touch = steps({ choice: 'sensor-neutral' }).filter(
      step => step.kind === 'touch' && step.key.startsWith('joint'),
    )
    expect(touch[0]!.key).toBe('joint:ground')
    expect(steps({ choice: 'sensor-neutral' }).at(-1)!.key).toBe('power')
  })

  it('say what goes where: stripping, hooking, torque, connectors, pigtails', () => {
    const switched = { choice: 'switch-plain-15' }
    expect(says(switched, 'land:box-1.upper')).toBe(
      'A black on “Upper dark screw”: strip ⅝ in, hooked clockwise three quarters round, one conductor to the screw, 14 lb·in',
    )
    expect(says(switched, 'joint:ground')).toBe(
      'Join the ground: A bare, B bare, a bare pigtail to “Green screw” in lever, 3 slots, each stripped 7/16 in',
    )
    expect(says({ choice: 'dimmer-led-150-two-wire' }, 'cap-lead:box-1.signal')).toBe(
      'Cap the unused “Blue lead, companion” on its own',
    )
    expect(says({ choice: 'switch-plain-15', cables: switchLoop(true) }, 'remark:box-a-white-1-end')).toBe(
      'Mark A white black here, and at its other end',
    )
  })

  it('a metal box is bonded, and only a metal box', () => {
    expect(says({ choice: 'switch-plain-15', box: { material: 'metal' } }, 'joint:ground')).toContain(
      'bonding screw',
    )
    expect(says({ choice: 'switch-plain-15' }, 'joint:ground')).not.toContain('bonding screw')
  })

  it('house rules change them', () => {
    expect(says({ choice: 'sensor-neutral', rules: { joints: 'twist-on' } }, 'joint:ground')).toContain(
      'twist-on, medium',
    )
    expect(keys({ choice: 'sensor-neutral', rules: { 'tape-terminals': 'yes' } })).toContain('tape:box-1')
    expect(keys({ choice: 'sensor-neutral', rules: { 'tape-terminals': 'metal-boxes' } })).not.toContain(
      'tape:box-1',
    )
    expect(says({ choice: 'sensor-neutral', rules: { isolation: 'main' } }, 'isolate')).toContain(
      'the main switch',
    )
    const minutes = (rules: Record<string, string>) =>
      steps({ choice: 'sensor-neutral', rules }).reduce((sum, step) => sum + step.minutes, 0)
    expect(minutes({ joints: 'twist-on' }) - minutes({ joints: 'lever' })).toBeCloseTo(4 * 0.5, 9)
  })

  it('what else may feed the house is asked, and switched off with the rest', () => {
    const isolate = (backFeed: 'yes' | 'no' | 'not-known') => {
      const view = usualBox({ choice: 'sensor-neutral' })
      const record = { ...view.record, job: { ...view.record.job, backFeed } }
      return planBox(boxView(record, 'box')!, trade).steps.find(({ key }) => key === 'isolate')!
    }
    expect(isolate('yes').says).toContain('solar, battery, standby')
    expect(isolate('no').says).not.toContain('solar')
    expect(isolate('no').why).not.toContain('solar')
    expect(isolate('not-known').why).toMatch(/^Ask first whether solar/)
  })

  it('a radio system that the customer decides on is signed for first; others are not', () => {
    const rules = { 'radio-systems': 'customer' }
    expect(keys({ choice: 'smart-switch-neutral', rules })).toContain('sign')
    expect(says({ choice: 'smart-switch-neutral', rules }, 'sign')).toMatch(
      /^The customer signs for the radio system/,
    )
    expect(keys({ choice: 'smart-switch-neutral' })).not.toContain('sign')
    expect(keys({ choice: 'sensor-neutral', rules })).not.toContain('sign')
  })

  it('what cannot be wired has no work, and says why', () => {
    const plan = planBox(usualBox({ choice: 'dimmer-led-150-neutral', cables: switchLoop(true) }), trade)
    expect(plan.routed.ok).toBe(false)
    expect(plan.steps.some(step => step.kind === 'touch' || step.kind === 'power')).toBe(false)
  })

  it('a conductor that was loose is capped by a step of its own', () => {
    const cables = [
      ...fedAtTheSwitch(true),
      {
        name: 'C',
        entry: 'top' as const,
        far: 'elsewhere' as const,
        strands: [strand('red', 'loose', 'spare')],
      },
    ]
    expect(keys({ choice: 'switch-plain-15', cables })).toContain('cap:box-c-red-1-end')
  })
})

describe('the test list', () => {
  const list = (given: UsualBox) => {
    const view = usualBox(given)
    return testList(view, view.places[0]!, trade).map(item => item.key)
  }

  it('reads the ground dead, then works the control and takes the readings a working lamp hides', () => {
    expect(list({ choice: 'switch-plain-15' })).toEqual([
      'ground-continuity',
      'on',
      'off',
      'line-neutral',
      'line-ground',
      'neutral-ground',
      'shell',
    ])
  })

  it('adds what only this device can show', () => {
    expect(list({ choice: 'sensor-neutral' })).toEqual(
      expect.arrayContaining(['device:walk', 'device:leave', 'device:corridor']),
    )
    expect(list({ choice: 'dimmer-led-150-neutral' })).toContain('device:start-low')
  })

  it('a control that keeps the lamp fed is not switched off', () => {
    const keep = list({ choice: 'control-keeps-fed' })
    expect(keep).toContain('fed')
    expect(keep).not.toContain('off')
  })

  it('no shell where there is none, and nominal by the region', () => {
    expect(
      list({ choice: 'timer-countdown', lamps: [{ kind: 'fan-motor', wattsEach: 30, count: 1 }] }),
    ).not.toContain('shell')
    const view = usualBox({ choice: 'switch-plain-15' })
    expect(testList(view, view.places[0]!, trade).find(item => item.key === 'line-neutral')!.expect).toBe(
      '110 to 126 V',
    )
    // What keeps a little for itself, or cuts the waves, is not failed for it.
    for (const choice of ['dimmer-led-150-two-wire', 'dimmer-led-150-neutral'])
      expect(
        testList(usualBox({ choice }), usualBox({ choice }).places[0]!, trade).find(
          item => item.key === 'line-neutral',
        )!.expect,
      ).toBe('102 to 126 V, at its highest level')
  })

  it('nothing chosen and nothing found: nothing to test', () => {
    const view = usualBox()
    expect(testList(view, { ...view.places[0]!, found: null }, trade)).toEqual([])
  })
})

describe('how far a box is', () => {
  const stages = (given: UsualBox) =>
    Object.fromEntries(progressOf(usualBox(given), trade).stages.map(each => [each.stage, each.state]))

  it('comes from what was recorded, stage by stage', () => {
    expect(stages({ proven: false })).toMatchObject({
      look: 'done',
      test: 'begun',
      choose: 'waiting',
      wire: 'waiting',
    })
    expect(stages({})).toMatchObject({ test: 'done', choose: 'waiting' })
    expect(stages({ choice: 'sensor-neutral' })).toMatchObject({
      choose: 'done',
      wire: 'waiting',
      set: 'waiting',
    })
    expect(stages({ cables: [], proven: false, box: { recorded: false } })).toMatchObject({
      look: 'begun',
      test: 'waiting',
    })
  })

  it('names what is missing first', () => {
    expect(progressOf(usualBox({ proven: false }), trade).next).toMatchObject({
      stage: 'test',
      missing: '6 of 6 roles not proven',
    })
    expect(progressOf(usualBox({ choice: 'sensor-neutral' }), trade).next?.stage).toBe('wire')
    expect(progressOf(usualBox({ lamps: [] }), trade).next).toMatchObject({
      stage: 'look',
      missing: 'lamps not recorded',
    })
  })

  it('a device with nothing to set needs no setting', () => {
    expect(stages({ choice: 'switch-plain-15' }).set).toBe('done')
  })

  it('a failed test keeps the box from being done', () => {
    const record = quillbackRoad()
    const test = Object.values(record.tests).find(each => each.testKey === 'off')!
    const failed = { ...record, tests: { ...record.tests, [test.id]: { ...test, outcome: 'fail' as const } } }
    const porch = progressOf(boxView(failed, 'box-porch')!, trade)
    expect(porch.next).toMatchObject({ stage: 'prove', missing: 'failed: Switch off at this place' })
    expect(progressOf(boxView(record, 'box-porch')!, trade).next).toBeNull()
  })

  it('goes through every box of a job, in the order of the house', () => {
    const record = quillbackRoad()
    const order = progressOfJob(record, trade).map(each => each.boxId)
    expect(order).toHaveLength(Object.keys(record.boxes).length)
    expect(order[0]).toBe('box-pantry')
  })
})
