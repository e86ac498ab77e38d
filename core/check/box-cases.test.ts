import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { jobBuilder, type Control } from '@/demo/builder'
import { fedAtTheSwitch, usualBox, type UsualBox } from '@/demo/usual'
import { boxView, type BoxView } from '../job/box-view'
import { checkPlace, type Judgement, type Verdict } from '.'

/* Cases of boxes that can be checked by hand: fins by what stands beside, rings, and boxes too small. */

const judged = (deviceId: string, given: UsualBox): Judgement =>
  checkPlace(usualBox({ ...given, rules: { measures: 'metric', ...given.rules } }), 'box-1', trade).find(
    each => each.device.id === deviceId,
  )!
const lineIn = (judgement: Judgement, rule: string) => judgement.lines.find(each => each.rule === rule)

type Lamp = NonNullable<UsualBox['lamps']>[number]
const lamp = (kind: Lamp['kind'], count: number, wattsEach: number): Lamp => ({
  kind,
  count,
  wattsEach,
  dimmable: 'yes',
})

/** A box of several gangs, a device chosen for each, all fed from one cable. */
function gangs(
  devices: readonly (string | null)[],
  lamps: readonly (readonly Lamp[])[],
  box: NonNullable<UsualBox['box']> = {},
): BoxView {
  const job = jobBuilder({
    id: 'gangs',
    name: 'Gangs',
    address: '',
    owners: '',
    electrician: '',
    apprentice: '',
    regionId: 'north-america-120',
    backFeed: 'no',
    site: null,
    note: '',
  })
  job.room('room', 'Room', 'Ground floor')
  job.circuit('7', 'Lights', 15)
  job.box({
    id: 'box',
    room: 'room',
    name: 'By the door',
    breakers: ['7'],
    box: { gangs: devices.length, volumeCubicInches: 90, depthMillimetres: 90, ...box },
    controls: devices.map((choice, at): Control => ({
      group: `light-${at}`,
      name: `Light ${at + 1}`,
      old: 'old-switch',
      want: null,
      lamps: [...(lamps[at] ?? [])],
      ...(choice ? { choice } : {}),
    })),
    cables: fedAtTheSwitch(true),
  })
  job.proveRoles('box')
  return boxView(job.record(), 'box')!
}

const inGang = (view: BoxView, gang: number, deviceId: string) =>
  checkPlace(view, `box-${gang}`, trade).find(each => each.device.id === deviceId)!

describe('fins, and what stands beside', () => {
  const D = 'dimmer-led-150-neutral'
  const load = (watts: number) => [lamp('led', 1, watts)]
  it.each<[string, readonly (string | null)[], number, number, number, Verdict]>([
    // 150 W whole, 125 W with one side off, 100 W with both.
    ['alone', [D], 1, 140, 150, 'fits'],
    ['beside a plain switch', [D, 'switch-plain-15'], 1, 140, 150, 'fits'],
    ['beside one dimmer, within 125', [D, D], 1, 120, 125, 'fits'],
    ['beside one dimmer, over 125: nowhere else to go', [D, D], 1, 130, 125, 'does-not-fit'],
    ['between two, within 100', [D, D, D], 2, 100, 100, 'fits'],
    ['between two, over 100: at the end it bears it', [D, D, D], 2, 110, 100, 'fits-if'],
    ['between two, over 125', [D, D, D], 2, 130, 100, 'does-not-fit'],
    ['at the end of three', [D, D, D], 1, 120, 125, 'fits'],
    ['apart by a plain switch', [D, 'switch-plain-15', D], 1, 150, 150, 'fits'],
    ['between a dimmer and a switch', [D, D, 'switch-plain-15'], 2, 125, 125, 'fits'],
    ['beside one with a switch to put between', [D, D, 'switch-plain-15'], 2, 140, 125, 'fits-if'],
    ['beside a companion, which has none', [D, 'companion-oak'], 1, 150, 150, 'fits'],
  ])('%s: %j', (_, devices, gang, watts, limit, verdict) => {
    const lamps = devices.map((__, at) => load(at === gang - 1 ? watts : 60))
    const found = lineIn(inGang(gangs(devices, lamps), gang, D), 'load-kind')!
    expect(found).toMatchObject({ value: watts, limit, verdict })
    const cure = found.cures.find(({ id }) => id === 'gang-order')
    expect(cure !== undefined).toBe(verdict === 'fits-if')
  })

  it('three dimmers where the middle one loses both fins: the order that costs least is said', () => {
    const view = gangs([D, D, D], [load(60), load(110), load(60)])
    const judgement = inGang(view, 2, D)
    expect(lineIn(judgement, 'fins')!.says).toContain('both sides')
    expect(lineIn(judgement, 'load-kind')!.verdict).toBe('fits-if')
    expect(judgement.cures[0]).toMatchObject({ id: 'gang-order', price: 0 })
  })

  it('an order in which another would be over is no cure', () => {
    const view = gangs([D, D, D], [load(120), load(110), load(120)])
    expect(lineIn(inGang(view, 2, D), 'load-kind')!.verdict).toBe('does-not-fit')
  })

  it.each<[string, readonly (string | null)[], number, Verdict]>([
    ['a device of two gangs with an empty one beside it', [null, null], 2, 'fits'],
    ['the last gang', [null, null], 1, 'does-not-fit'],
  ])('%s', (_, devices, first, verdict) => {
    const gang = first === 1 ? 2 : 1
    const view = gangs(devices, [load(60), []])
    const record = { ...view.record, devices: {} }
    const judgement = inGang(boxView(record, 'box')!, gang, 'dimmer-led-600-neutral-wide')
    expect(lineIn(judgement, 'gangs')!.verdict).toBe(verdict)
  })

  it('a device of two gangs beside one that stays', () => {
    const judgement = inGang(
      gangs([null, 'switch-plain-15'], [load(60), load(9)]),
      1,
      'dimmer-led-600-neutral-wide',
    )
    expect(lineIn(judgement, 'gangs')!).toMatchObject({ verdict: 'does-not-fit' })
    // Two gangs of 2 × 2.00 in³ each for itself, and 4.00 for the switch.
    expect(lineIn(judgement, 'box-fill')!.value).toBe(8 + 2 + 8 + 4)
  })
})

describe('rings, and boxes too small', () => {
  /** 14.00 in³ and 35 mm are needed by a plain switch behind two cables; 45 mm by a dimmer with neutral. */
  it.each<[string, number, number, number, string | null]>([
    ['switch-plain-15', 14, 35, 0, null],
    ['switch-plain-15', 12.5, 35, 0, 'an extension ring of one gang, ½ in: then 15.5 in³, 48 mm'],
    ['switch-plain-15', 10.5, 57, 0, 'an extension ring of one gang, 1 in: then 16.5 in³, 82 mm'],
    ['switch-plain-15', 7.5, 40, 0, 'an extension ring of one gang, 1½ in: then 16.5 in³, 78 mm'],
    ['switch-plain-15', 4, 40, 0, 'of 14 in³ and 35 mm or more'],
    ['dimmer-led-150-neutral', 18, 40, 0, 'an extension ring of one gang, ½ in: then 21 in³, 53 mm'],
    ['dimmer-led-150-neutral', 18, 30, 0, 'an extension ring of one gang, 1 in: then 24 in³, 55 mm'],
    ['dimmer-led-150-neutral', 12.5, 25, 0, 'an extension ring of one gang, 1 in: then 18.5 in³, 50 mm'],
    ['dimmer-led-150-neutral', 18, 45, 10, 'an extension ring of one gang, ½ in: then 21 in³, 58 mm'],
    ['dimmer-led-150-neutral', 18, 45, 20, 'an extension ring of one gang, 1 in: then 24 in³, 70 mm'],
    ['dimmer-led-150-neutral', 18, 2, 0, 'of 14 in³ and 45 mm or more'],
  ])(
    '%s in %f in³, %f mm, %f mm back: %s',
    (device, volumeCubicInches, depthMillimetres, setBackMillimetres, cure) => {
      const judgement = judged(device, {
        box: { volumeCubicInches, depthMillimetres, setBackMillimetres, surface: 'plaster' },
      })
      expect(judgement.verdict).toBe(cure === null ? 'fits' : 'fits-if')
      const said = judgement.cures.filter(({ id }) => id === 'ring' || id === 'deeper-box')
      expect(said).toHaveLength(cure === null ? 0 : 1)
      if (cure !== null) expect(said[0]!.says).toContain(cure)
    },
  )

  it('depth that fails though volume passes', () => {
    const judgement = judged('smart-dimmer-neutral', { box: { volumeCubicInches: 30, depthMillimetres: 45 } })
    expect(lineIn(judgement, 'box-fill')!.verdict).toBe('fits')
    expect(lineIn(judgement, 'box-depth')).toMatchObject({ verdict: 'fits-if', value: 50, limit: 45 })
  })

  it('a box that sits back is no deeper for it, until its ring is on', () => {
    const judgement = judged('smart-dimmer-neutral', {
      box: { volumeCubicInches: 30, depthMillimetres: 45, setBackMillimetres: 4, surface: 'wood' },
    })
    expect(lineIn(judgement, 'box-depth')!.says).toContain('counts for nothing until a ring covers it')
    expect(lineIn(judgement, 'set-back')).toMatchObject({ verdict: 'fits-if', value: 4, limit: 0 })
  })

  it('at 230 V a back-box is judged by its depth alone', () => {
    const [judgement] = checkPlace(
      usualBox({ region: 'europe-230', cables: [], proven: false, box: { depthMillimetres: 25 } }),
      'box-1',
      trade,
    ).filter(({ device }) => device.id === 'dimmer-230-neutral')
    expect(lineIn(judgement!, 'box-fill')).toBeUndefined()
    expect(lineIn(judgement!, 'box-depth')!.cures[0]!.says).toBe('Take a back box of 42 mm or more.')
  })
})
