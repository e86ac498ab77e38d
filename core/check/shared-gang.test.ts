import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import type { CableAsFound, Control } from '@/demo/builder'
import { bareJob, strand } from '@/demo/usual'
import { boxView, type BoxView } from '../job/box-view'
import { placeName, whichControl } from '../job/place-name'
import { regionOf } from '../model/regions'
import type { RegionId } from '../model/vocabulary'
import { planBox } from '../plan'
import { pickList } from '../pick'
import { prove } from '../prove'
import { foundCircuit, plannedCircuit, routeBox } from '../route'
import { checkPlace, raisedDefects } from '.'

/* Several controls in one opening: on the strap of one switch, or modules on one plate. */

interface One {
  readonly old: string | null
  readonly choice?: string
  readonly shares?: boolean
}

const switchedOf = (old: string) =>
  old.endsWith('-tab') ? 'single' : old.endsWith('-230') ? 'load' : 'lower'

/** A box whose controls each have a light of their own, fed from one joint; their screws by what stands there. */
function boxOf(
  regionId: RegionId,
  controls: readonly One[],
  lampKind: 'led' | 'tungsten' = 'led',
  fed: (at: number) => string | null = at => `${at + 1}.${regionId === 'europe-230' ? 'line' : 'upper'}`,
): BoxView {
  const { hot, neutral, ground } = regionOf(regionId).colours
  const job = bareJob('parts', { region: regionId })
  const gauge = regionId === 'europe-230' ? '1.5 mm²' : '14 AWG'
  const wires = (name: string, far: CableAsFound['far'], load: string, at: string): CableAsFound => ({
    name,
    entry: far === 'panel' ? 'bottom' : 'top',
    far,
    strands: [
      strand(
        hot,
        at,
        load === '' ? 'line' : 'switched-load',
        load === '' ? { gauge } : { group: load, gauge },
      ),
      strand(neutral, 'joint:neutrals', 'neutral', { gauge }),
      strand(ground, 'joint:grounds', 'ground', { gauge }),
    ],
  })
  job.box({
    id: 'box',
    room: 'room',
    name: 'By the door',
    breakers: ['7'],
    box: { volumeCubicInches: 60, depthMillimetres: 60 },
    controls: controls.map((one, at): Control => ({
      ...one,
      group: `light-${at + 1}`,
      name: `Light ${at + 1}`,
      want: null,
      lamps: [{ kind: lampKind, count: 4, wattsEach: 10, dimmable: 'yes', phase: 'either' }],
    })),
    cables: [
      wires('A', 'panel', '', 'joint:hots'),
      ...controls.map((one, at) =>
        wires(
          'BCDE'[at]!,
          'luminaire',
          `light-${at + 1}`,
          one.old === null ? `joint:out-${at}` : `${at + 1}.${switchedOf(one.old)}`,
        ),
      ),
    ],
    pigtails: controls.flatMap(({ old }, at) => {
      const to = fed(at)
      const grounded = old !== null && !old.endsWith('-230')
      return [
        ...(to === null ? [] : [['hots', to] as const]),
        ...(grounded ? [['grounds', `${at + 1}.ground`] as const] : []),
      ]
    }),
  })
  job.proveRoles('box')
  return boxView(job.record(), 'box')!
}

const lineOf = (view: BoxView, at: number, deviceId: string) =>
  checkPlace(view, `box-${at}`, trade)
    .find(({ device }) => device.id === deviceId)!
    .lines.find(({ rule }) => rule === 'shared-gang')

const pair = (first: string | undefined, second: string | undefined) =>
  boxOf('north-america-120', [
    { old: 'old-switch-strap', choice: first },
    { old: 'old-switch-strap', choice: second, shares: true },
  ])

describe('controls that share a gang', () => {
  it('are told apart by their gang and their number, where there are several', () => {
    const { record, places } = boxOf('north-america-120', [
      { old: 'old-switch' },
      { old: 'old-switch-strap' },
      { old: 'old-switch-strap', shares: true },
    ])
    expect(places.map(({ place }) => whichControl(record, place))).toEqual([
      'gang 1',
      'gang 2, control 1',
      'gang 2, control 2',
    ])
    expect(placeName(record, places[2]!.place)).toBe('Room, By the door, gang 2, control 2')
    const one = pair(undefined, undefined)
    expect(one.places.map(({ place }) => whichControl(one.record, place))).toEqual(['control 1', 'control 2'])
  })

  it('need parts of one strap or plate, no more than it takes', () => {
    // What takes the whole opening cannot share it.
    expect(lineOf(pair(undefined, undefined), 1, 'switch-plain-15')?.verdict).toBe('does-not-fit')
    // Nothing is chosen beside it, and the old one is of no strap that goes with it.
    const mixed = boxOf('north-america-120', [{ old: 'old-switch' }, { old: 'old-switch', shares: true }])
    expect(lineOf(mixed, 1, 'switch-strap-15')?.verdict).toBe('not-known')
    expect(lineOf(mixed, 1, 'switch-strap-15')?.settledBy).toMatch(/control 2/)
    expect(lineOf(pair(undefined, 'switch-plain-15'), 1, 'switch-strap-15')?.verdict).toBe('does-not-fit')
    expect(lineOf(pair(undefined, 'switch-strap-15'), 1, 'switch-strap-15')?.verdict).toBe('fits')
    const three = boxOf('north-america-120', [
      { old: 'old-switch-strap' },
      { old: 'old-switch-strap', shares: true },
      { old: 'old-switch-strap', shares: true },
    ])
    expect(lineOf(three, 1, 'switch-strap-15')?.verdict).toBe('does-not-fit')
    // In a gang by itself a part has its plate for itself, and anything else has nothing to say.
    const alone = boxOf('north-america-120', [{ old: 'old-switch' }])
    expect(lineOf(alone, 1, 'switch-strap-15')?.verdict).toBe('fits')
    expect(lineOf(alone, 1, 'switch-plain-15')).toBeUndefined()
  })

  it('count as one yoke in the fill, where two gangs are two', () => {
    const spent = (view: BoxView) =>
      checkPlace(view, 'box-1', trade)
        .find(({ device }) => device.id === 'switch-strap-15')!
        .lines.find(({ rule }) => rule === 'box-fill')!.value
    const shared = pair('switch-strap-15', 'switch-strap-15')
    const apart = boxOf('north-america-120', [
      { old: 'old-switch-strap', choice: 'switch-strap-15' },
      { old: 'old-switch-strap', choice: 'switch-strap-15' },
    ])
    // 14 AWG: three cables of a hot and a neutral 6 × 2, grounds 2, one yoke 4 or two yokes 8.
    expect(spent(shared)).toBeCloseTo(6 * 2 + 2 + 4, 9)
    expect(spent(apart)).toBeCloseTo(6 * 2 + 2 + 8, 9)
  })

  it('are picked as one piece, and without another plate where the opening stays', () => {
    const { record } = pair('switch-strap-15', 'switch-two-place-strap-15')
    const devices = pickList(record, trade, {}).filter(({ kind }) => kind === 'device')
    expect(devices).toHaveLength(1)
    expect(devices[0]).toMatchObject({
      what: 'Switch, 15 A, one of two on a strap + Switch for two places, 15 A, one of two on a strap',
      needed: 1,
      priceEach: 14,
    })
    expect(pickList(record, trade, {}).filter(({ kind }) => kind === 'plate')).toEqual([])
  })
})

describe('modules on one plate at 230 V', () => {
  const MODULES = [
    'switch-module-230-10',
    'dimmer-module-230-trailing',
    'switch-module-230-10',
    'dimmer-module-230-trailing',
  ]

  it.each([1, 2, 3, 4])('%i of them fit, route, prove and take one plate', many => {
    const view = boxOf(
      'europe-230',
      MODULES.slice(0, many).map((choice, at) => ({ old: 'old-switch-230', choice, shares: at > 0 })),
      'led',
    )
    for (const [at, id] of MODULES.slice(0, many).entries()) {
      const judged = checkPlace(view, `box-${at + 1}`, trade).find(({ device }) => device.id === id)!
      expect(judged.lines.find(({ rule }) => rule === 'shared-gang')?.verdict).toBe('fits')
      expect(judged.lines.filter(({ verdict }) => verdict === 'does-not-fit')).toEqual([])
    }
    const routed = routeBox(view, trade)
    if (!routed.ok) throw new Error(routed.faults[0]!.message)
    expect(prove(plannedCircuit(view, routed.value, trade)).kind).toBe('proven')
    const plates = pickList(view.record, trade, {}).filter(({ kind }) => kind === 'plate')
    expect(plates.map(({ what }) => what)).toEqual([
      `Plate, one gang: ${many === 1 ? 'one module' : `${many} modules`}`,
    ])
  })

  it('a fifth module is one too many', () => {
    const five = boxOf(
      'europe-230',
      Array.from({ length: 4 }, (_, at) => ({ old: 'old-switch-230', shares: at > 0 })),
    )
    const place = five.record.places['box-4']!
    const record = {
      ...five.record,
      places: { ...five.record.places, more: { ...place, id: 'more', gang: 1, part: 4 } },
    }
    const crowded = boxView(
      { ...record, places: { ...record.places, 'box-4': { ...place, part: 3 } } },
      'box',
    )!
    expect(lineOf(crowded, 1, 'switch-module-230-10')?.verdict).toBe('does-not-fit')
  })
})

describe('the tab between two on a strap', () => {
  const tabbed = (old: readonly [string, string], fed: (at: number) => string | null) =>
    boxOf(
      'north-america-120',
      old.map((each, at) => ({ old: each, shares: at > 0 })),
      'led',
      fed,
    )

  it('feeds the second from the first; without it the second is dead', () => {
    const together = tabbed(['old-switch-strap-tab', 'old-switch-strap-tab'], at =>
      at === 0 ? '1.tabbed' : null,
    )
    const circuit = foundCircuit([together], trade)
    if (!circuit.ok) throw new Error(circuit.faults[0]!.message)
    expect(prove(circuit.value).kind).toBe('proven')
    const parted = tabbed(['old-switch-strap', 'old-switch-strap'], at => (at === 0 ? '1.upper' : null))
    const apart = foundCircuit([parted], trade)
    if (!apart.ok) throw new Error(apart.faults[0]!.message)
    expect(prove(apart.value).kind).toBe('refuted')
  })

  it('is there between two in one gang alone', () => {
    const three = boxOf(
      'north-america-120',
      [
        { old: 'old-switch-strap-tab' },
        { old: 'old-switch-strap-tab' },
        { old: 'old-switch-strap-tab', shares: true },
      ],
      'led',
      at => `${at + 1}.tabbed`,
    )
    const circuit = foundCircuit([three], trade)
    expect(
      circuit.ok &&
        circuit.value.joints.flatMap(({ id, members }) => (id.startsWith('tab:') ? [members] : [])),
    ).toEqual([['box-2-old.tabbed', 'box-3-old.tabbed']])
  })

  it('makes one strap of what two circuits end on', () => {
    const view = boxOf(
      'north-america-120',
      [{ old: 'old-switch-strap' }, { old: 'old-switch-strap', shares: true }],
      'led',
      at => (at === 0 ? '1.upper' : null),
    )
    const { record } = view
    const [lamp] = view.ends.filter(({ end }) => end.role === 'switched-load')
    const other = { ...record.circuits['circuit-7']!, id: 'circuit-9', breaker: '9' }
    const fed = boxView(
      {
        ...record,
        circuits: { ...record.circuits, 'circuit-9': other },
        feeds: {
          ...record.feeds,
          more: { ...Object.values(record.feeds)[0]!, id: 'more', circuitId: 'circuit-9' },
        },
        ends: {
          ...record.ends,
          [lamp!.end.id]: {
            ...lamp!.end,
            role: 'line',
            roleCircuitId: 'circuit-9',
            seat: 'terminal',
            deviceId: 'box-2-old',
            terminal: 'upper',
          },
          ...Object.fromEntries(
            view.ends
              .filter(({ end }) => end.role === 'line')
              .map(({ end }) => [
                end.id,
                {
                  ...end,
                  roleCircuitId: 'circuit-7',
                  seat: 'terminal' as const,
                  deviceId: 'box-1-old',
                  terminal: 'upper',
                  jointId: null,
                },
              ]),
          ),
        },
      },
      'box',
    )!
    const raised = raisedDefects(fed, trade).filter(({ ruleId }) => ruleId.startsWith('two-on-strap'))
    expect(raised.map(({ ruleId }) => ruleId)).toEqual(['two-on-strap-box-1-old'])
  })

  it('goes when the new ones come: each is fed on its own, and every step holds', () => {
    const view = boxOf(
      'north-america-120',
      [
        { old: 'old-switch-strap-tab', choice: 'switch-strap-15' },
        { old: 'old-switch-strap-tab', choice: 'switch-strap-15', shares: true },
      ],
      'led',
      at => (at === 0 ? '1.tabbed' : null),
    )
    const routed = routeBox(view, trade)
    if (!routed.ok) throw new Error(routed.faults[0]!.message)
    expect(prove(plannedCircuit(view, routed.value, trade)).kind).toBe('proven')
    const says = planBox(view, trade).steps.map(step => step.says)
    expect(says.filter(each => /take out the old device/.test(each)).map(each => each.slice(0, 9))).toEqual([
      'Control 1',
      'Control 2',
    ])
    expect(says.filter(each => / pigtail on “Upper/.test(each))).toHaveLength(2)
  })
})
