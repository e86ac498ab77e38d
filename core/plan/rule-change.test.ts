import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { quillbackRoad } from '@/demo/quillback'
import { switchLoop, usualBox, type UsualBox } from '@/demo/usual'
import { ruleChanges } from '.'

const changes = (given: UsualBox, ruleId: string, value: string) =>
  ruleChanges(usualBox(given).record, ruleId, value, trade)

describe('what another answer to a house rule changes', () => {
  it('other connectors: each joint is said otherwise, and takes longer', () => {
    const [change] = changes({ choice: 'sensor-neutral' }, 'joints', 'twist-on')
    expect(change!.added.every(says => /twist-on/.test(says))).toBe(true)
    expect(change!.gone.every(says => /lever/.test(says))).toBe(true)
    expect(change!.added).toHaveLength(change!.gone.length)
    expect(change!.minutes).toBeCloseTo(change!.added.length * 0.5, 9)
    expect(change!.wirable).toEqual([true, true])
  })

  it('tape comes as one step; nothing else', () => {
    const [change] = changes({ choice: 'sensor-neutral' }, 'tape-terminals', 'yes')
    expect(change).toMatchObject({ gone: [], minutes: 1 })
    expect(change!.added).toEqual(['Gang 1: tape round the device’s terminals'])
  })

  it('push-in allowed: a device with such terminals only is judged otherwise', () => {
    const [change] = changes({ choice: 'switch-plain-15-push-in' }, 'push-in', 'yes')
    expect(change!.verdicts).toMatchObject([{ before: 'fits-if', after: 'fits' }])
  })

  it('back clamps not allowed: a device with nothing else is judged otherwise', () => {
    const [change] = changes({ choice: 'switch-plain-15-clamp' }, 'back-clamp', 'no')
    expect(change!.verdicts).toMatchObject([{ before: 'fits', after: 'fits-if' }])
  })

  it('a sensor that may refer to the ground can be wired where it could not', () => {
    const [change] = changes(
      { choice: 'sensor-convertible', cables: switchLoop(true) },
      'ground-referenced',
      'allowed',
    )
    expect(change!.wirable).toEqual([false, true])
  })

  it('how sensors turn on in one kind of room: the setting, and a device that can do only the other', () => {
    const passage = { roomKind: 'passage', want: 'presence' } as const
    const [set] = changes({ ...passage, choice: 'sensor-neutral' }, 'presence-on-passage', 'by-hand')
    expect(set!.settings).toEqual([
      { name: 'Ceiling light: Turns on', before: 'by itself', after: 'by hand' },
    ])
    expect(set!.wants).toEqual([])
    expect(changes({ ...passage, choice: 'sensor-neutral' }, 'presence-on-wet', 'by-hand')).toEqual([])
    const [other] = changes(
      { ...passage, choice: 'sensor-by-hand-neutral' },
      'presence-on-passage',
      'by-hand',
    )
    expect(other!.wants).toEqual([{ name: expect.stringMatching(/by hand/i), does: 'then' }])
    expect(other!.settings).toEqual([])
  })

  it('what is there already changes nothing; boxes without a plan are left alone', () => {
    expect(changes({ choice: 'sensor-neutral' }, 'joints', 'lever')).toEqual([])
    expect(changes({}, 'joints', 'twist-on')).toEqual([])
    const demo = ruleChanges(quillbackRoad(), 'joints', 'twist-on', trade)
    expect(demo.length).toBeGreaterThan(0)
    expect(demo.length).toBeLessThan(26)
  })
})
