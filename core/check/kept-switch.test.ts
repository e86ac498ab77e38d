import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { fedAtTheSwitch, switchLoop, usualBox, type UsualBox } from '@/demo/usual'
import { planBox } from '../plan'
import { pickList } from '../pick'
import { prove } from '../prove'
import { plannedCircuit, routeBox } from '../route'
import { checkPlace, fillAsFound } from '.'

/* A radio module behind a switch that stays in its opening. */

const MODULE = 'module-behind-switch'

const box = (more: Partial<UsualBox> = {}) =>
  usualBox({
    choice: MODULE,
    cables: fedAtTheSwitch(true),
    box: { volumeCubicInches: 22, depthMillimetres: 76 },
    rules: { measures: 'metric' },
    ...more,
  })
const judged = (more: Partial<UsualBox> = {}) =>
  checkPlace(box(more), 'box-1', trade).find(({ device }) => device.id === MODULE)!
const lineOf = (more: Partial<UsualBox>, rule: string) => judged(more).lines.find(each => each.rule === rule)

describe('a module behind a kept switch', () => {
  it('fits behind a plain switch, and only there', () => {
    expect(judged().lines.filter(({ verdict }) => verdict !== 'fits')).toEqual([])
    expect(lineOf({}, 'kept-switch')?.verdict).toBe('fits')
    expect(lineOf({ old: 'old-dimmer' }, 'kept-switch')).toMatchObject({ verdict: 'does-not-fit' })
    expect(lineOf({ old: 'old-dimmer' }, 'kept-switch')?.cures.map(({ id }) => id)).toEqual([
      'plain-switch-before',
    ])
    expect(lineOf({ old: null }, 'kept-switch')?.verdict).toBe('not-known')
    expect(lineOf({ old: 'old-two-place-switch' }, 'kept-switch')?.verdict).toBe('fits')
  })

  it('needs a neutral in the box, as its sheet says', () => {
    expect(judged({ cables: switchLoop(true) }).verdict).toBe('does-not-fit')
  })

  it('takes its own room beside the yoke of the switch, and more depth', () => {
    const as = lineOf({}, 'box-fill')!
    // Four conductors of 14 AWG 8, grounds 2, the yoke 4, the module 1.7.
    expect(as.value).toBeCloseTo(15.7, 9)
    expect(fillAsFound(box(), trade).cubicInches).toBeCloseTo(14, 9)
    expect(lineOf({ box: { volumeCubicInches: 15, depthMillimetres: 76 } }, 'box-fill')?.verdict).not.toBe(
      'fits',
    )
    expect(lineOf({ box: { volumeCubicInches: 22, depthMillimetres: 48 } }, 'box-depth')?.verdict).not.toBe(
      'fits',
    )
  })

  it('is routed and proves: its switch flips the light from any state, and its wire reaches nothing else', () => {
    const view = box()
    const routed = routeBox(view, trade)
    if (!routed.ok) throw new Error(routed.faults[0]!.message)
    const circuit = plannedCircuit(view, routed.value, trade)
    expect(prove(circuit).kind).toBe('proven')
    const own = routed.value.joints.filter(({ netId }) => netId.startsWith('own:'))
    expect(own).toHaveLength(1)
    expect(own[0]!.endIds).toEqual([])
    expect(own[0]!.pigtailIds).toHaveLength(2)

    // Its own wire on the neutral, or left away: each is found.
    const wrong = (change: (members: readonly string[]) => readonly string[]) =>
      prove({
        ...circuit,
        joints: circuit.joints.map(joint =>
          joint.members.some(member => member.endsWith('.sense'))
            ? { ...joint, members: change(joint.members) }
            : joint,
        ),
      }).kind
    expect(wrong(members => members)).toBe('proven')
    expect(wrong(members => members.filter(member => !member.endsWith('.sense')))).toBe('refuted')
    const neutral = circuit.joints.find(({ members }) => members.some(member => member.endsWith('.neutral')))!
    expect(wrong(members => [...members, neutral.members[0]!])).toBe('refuted')
  })

  it('keeps the switch: it is taken off its wires, lands again, and its plate stays', () => {
    const view = box()
    const says = planBox(view, trade).steps.map(step => step.says)
    expect(says.some(each => /take the wires off the switch, keep it/.test(each))).toBe(true)
    expect(says.some(each => /take out the old device/.test(each))).toBe(false)
    expect(says.filter(each => / pigtail on “Switch: (?:Upper dark|Green) screw”/.test(each))).toHaveLength(2)
    // Each screw by its own sheet.
    const on = (terminal: string) => says.find(each => each.includes(`on “${terminal}”`))
    expect(on('Switch: Upper dark screw')).toMatch(/strip 16 mm.*1.6 N·m/)
    expect(on('L')).toMatch(/strip 6 mm.*0.5 N·m/)
    const picked = pickList(view.record, trade, {})
    expect(picked.filter(({ kind }) => kind === 'device')).toMatchObject([{ key: `device:${MODULE}` }])
    expect(picked.filter(({ kind }) => kind === 'plate')).toEqual([])
  })
})
