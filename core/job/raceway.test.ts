import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import type { CableAsFound } from '@/demo/builder'
import { fedAtTheSwitch, usualBox } from '@/demo/usual'
import { chainOf } from '@/testing/route/chain'
import { checkPlace, raisedDefects } from '../check'
import { BLANK } from '../model/blank-rows'
import type { Reading } from '../model/entities'
import type { JobRecord } from '../model/record'
import { planBox } from '../plan'
import { prove } from '../prove'
import { isOneConductor, plannedCircuit, routeBox } from '../route'
import { boxView, type BoxView } from './box-view'
import { racewayGround } from './raceway'

/** A metal box on steel pipes without a ground conductor, read so many volts to its metal, one after the other. */
function piped(
  volts: readonly number[],
  more: { material?: 'metal' | 'plastic'; sheath?: CableAsFound['sheath'] } = {},
) {
  const view = usualBox({
    choice: 'switch-plain-15',
    box: { material: more.material ?? 'metal' },
    cables: fedAtTheSwitch(true).map(cable => ({
      ...cable,
      sheath: more.sheath ?? ('steel-pipe' as const),
      strands: cable.strands.filter(({ insulation }) => insulation !== 'bare'),
    })),
  })
  const readings = Object.fromEntries(
    volts.map((value, at): [string, Reading] => [
      `metal-${at}`,
      {
        ...BLANK.readings,
        id: `metal-${at}`,
        boxId: 'box',
        seq: 500 + at,
        at: '2026-11-02T09:00:00.000Z',
        purpose: 'reference',
        toSpot: 'box-metal',
        value,
      },
    ]),
  )
  return boxView({ ...view.record, readings: { ...view.record.readings, ...readings } }, 'box')!
}

const ground = (view: BoxView) =>
  checkPlace(view, 'box-1', trade)
    .find(({ device }) => device.id === 'switch-plain-15')!
    .lines.find(({ rule }) => rule === 'ground')!
const said = (view: BoxView) =>
  raisedDefects(view, trade).flatMap(({ ruleId }) => (/ground|raceway/.test(ruleId) ? [ruleId] : []))
const routed = (view: BoxView) => {
  const found = routeBox(view, trade)
  if (!found.ok) throw new Error(found.faults[0]!.message)
  return found.value
}

describe('a steel pipe as the ground', () => {
  it('is one once it was read to the metal of the box; the last reading decides', () => {
    expect(racewayGround(piped([]))).toBe('not-read')
    expect(racewayGround(piped([120]))).toBe('continuous')
    expect(racewayGround(piped([3]))).toBe('open')
    expect(racewayGround(piped([3, 119]))).toBe('continuous')
    expect(racewayGround(piped([119, 40]))).toBe('open')
  })

  it('by a meter that no phantom moves alone: what another shows neither makes one nor takes it away', () => {
    const read = (values: readonly (readonly [number, Reading['instrument']])[]) => {
      const view = piped(values.map(([value]) => value))
      const readings = Object.fromEntries(
        Object.entries(view.record.readings).map(([id, reading]) => {
          const at = /^metal-(\d+)$/.exec(id)?.[1]
          return [id, at === undefined ? reading : { ...reading, instrument: values[Number(at)]![1] }]
        }),
      )
      return racewayGround(boxView({ ...view.record, readings }, 'box')!)
    }
    expect(read([[120, 'high-impedance-meter']])).toBe('not-read')
    expect(read([[120, 'non-contact']])).toBe('not-read')
    expect(
      read([
        [3, 'low-impedance-meter'],
        [120, 'high-impedance-meter'],
      ]),
    ).toBe('open')
    expect(
      read([
        [120, 'low-impedance-meter'],
        [3, 'high-impedance-meter'],
      ]),
    ).toBe('continuous')
  })

  it('never for plastic, armour or a cable without metal', () => {
    expect(racewayGround(piped([120], { material: 'plastic' }))).toBe('none')
    for (const sheath of ['armoured', 'nonmetallic', 'plastic-pipe', 'not-known'] as const)
      expect(racewayGround(piped([120], { sheath })), sheath).toBe('none')
  })

  it('Check: proven, asked for, or missing', () => {
    expect(ground(piped([120]))).toMatchObject({
      verdict: 'fits',
      says: expect.stringContaining('steel pipe'),
    })
    expect(ground(piped([]))).toMatchObject({
      verdict: 'not-known',
      settledBy: expect.stringContaining('to the metal of the box'),
    })
    expect(ground(piped([2]))).toMatchObject({ verdict: 'fits-if' })
  })

  it('what is wrong: nothing, a reading to be taken, or a danger', () => {
    expect(said(piped([120]))).toEqual([])
    expect(said(piped([]))).toEqual(['raceway-not-read'])
    expect(said(piped([2]))).toEqual(['no-ground-metal-box'])
    expect(said(piped([120], { sheath: 'nonmetallic' }))).toEqual(['no-ground-metal-box'])
  })

  it('Wire: a pigtail from the metal of the box to the device, which proves; none where it is open', () => {
    const view = piped([120])
    const plan = routed(view)
    const joint = plan.joints.find(({ netId }) => netId === 'ground')!
    expect(isOneConductor(joint)).toBe(true)
    expect(joint.connectors).toEqual([])
    expect(prove(plannedCircuit(view, plan, trade))).toMatchObject({ kind: 'proven' })
    expect(planBox(view, trade).steps.find(({ key }) => key === 'joint:ground')).toMatchObject({
      says: 'One bare conductor of 14 AWG from the box’s bonding screw to “Green screw”',
      parts: [
        { kind: 'pigtail', words: 'pigtail, bare 14 AWG', millimetres: 150 },
        { kind: 'screw', words: 'bonding screw, 10-32' },
      ],
    })
    const open = piped([2])
    expect(routed(open).pigtails.filter(({ netId }) => netId === 'ground')).toEqual([])
    // What replaces something may go without, as local code permits; the proof says that it does.
    expect(prove(plannedCircuit(open, routed(open), trade))).toMatchObject({
      kind: 'proven',
      groundless: ['Room, By the door'],
    })
  })

  it('boxes that hang together, each by its own pipe', () => {
    const [first] = chainOf({
      count: 2,
      choices: ['switch-two-place-15', 'switch-two-place-15'],
      fed: 0,
      lit: 1,
      neutrals: true,
      spares: 0,
    })
    const { record } = first!
    const ends = Object.fromEntries(Object.entries(record.ends).filter(([, { role }]) => role !== 'ground'))
    const used = new Set(Object.values(ends).map(({ conductorId }) => conductorId))
    const boxes = Object.values(record.boxes)
    const piping: JobRecord = {
      ...record,
      ends,
      findings: Object.fromEntries(Object.entries(record.findings).filter(([, { endId }]) => ends[endId])),
      conductors: Object.fromEntries(Object.entries(record.conductors).filter(([id]) => used.has(id))),
      boxes: Object.fromEntries(boxes.map(box => [box.id, { ...box, material: 'metal' as const }])),
      cables: Object.fromEntries(
        Object.entries(record.cables).map(([id, cable]) => [id, { ...cable, sheath: 'steel-pipe' as const }]),
      ),
      readings: Object.fromEntries(
        boxes.map(({ id }, at): [string, Reading] => [
          `metal-${id}`,
          {
            ...BLANK.readings,
            id: `metal-${id}`,
            boxId: id,
            seq: 900 + at,
            at: '2026-11-02T09:00:00.000Z',
            purpose: 'reference',
            toSpot: 'box-metal',
            value: 120,
          },
        ]),
      ),
    }
    for (const { id } of boxes) {
      const view = boxView(piping, id)!
      const plan = routed(view)
      expect(plan.joints.filter(isOneConductor).map(({ netId }) => netId)).toEqual(['ground'])
      expect(prove(plannedCircuit(view, plan, trade))).toMatchObject({ kind: 'proven' })
    }
  })
})
