import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import type { CableAsFound } from '@/demo/builder'
import { quillbackRoad } from '@/demo/quillback'
import { bareJob, strand } from '@/demo/usual'
import { boxView, type BoxView } from '../job/box-view'
import { tiedBoxes } from '../job/tied'
import { lot } from '@/testing/model/lot'
import { planBox } from '../plan'
import { prove } from '../prove'
import { circuitOfPlan, plannedCircuit, routeBox, routeTogether, withChoices } from '.'
import { ringsOf, waysAcross } from './across'
import type { Edge } from './carry'

const DEVICES = [
  'switch-plain-15',
  'dimmer-led-150-two-wire',
  'dimmer-led-150-neutral',
  'sensor-neutral',
  'timer-countdown',
  null,
]

/** A box of two to four gangs fed by two circuits, each light on one of them, in any order. */
function meeting(seed: number): {
  readonly view: BoxView
  readonly fedBy: readonly string[]
  readonly isLoop: readonly boolean[]
} {
  const draw = lot(seed)
  const gangs = 2 + draw(3)
  const first = draw(gangs)
  const fedBy = Array.from({ length: gangs }, (_, at) => (at === first ? '9' : draw(2) === 0 ? '7' : '9'))
  if (new Set(fedBy).size === 1) fedBy[(first + 1) % gangs] = '7'
  const breakers = [...new Set(draw(2) === 0 ? ['7', '9'] : ['9', '7'])]
  const job = bareJob('meeting', { breakers: ['7', '9'] })
  const isLoop = fedBy.map(() => draw(4) === 0)
  const feeds = breakers.map((circuit): CableAsFound => ({
    name: `P${circuit}`,
    entry: 'bottom',
    far: 'panel',
    strands: [
      strand('black', `joint:hots-${circuit}`, 'line', { circuit }),
      strand('white', `joint:whites-${circuit}`, 'neutral', { circuit }),
      strand('bare', 'joint:grounds', 'ground'),
    ],
  }))
  const lamps = fedBy.map((circuit, at): CableAsFound => {
    const group = `light-${at + 1}`
    const gang = at + 1
    return {
      name: `L${gang}`,
      entry: 'top',
      far: 'luminaire',
      strands: isLoop[at]
        ? [
            strand('white', `${gang}.upper`, 'loop-feed', {
              circuit,
              group: draw(2) === 0 ? group : undefined,
            }),
            strand('black', `${gang}.lower`, 'loop-return', { group }),
            strand('bare', 'joint:grounds', 'ground'),
          ]
        : [
            strand('black', `${gang}.lower`, 'switched-load', { group }),
            strand('white', `joint:whites-${circuit}`, 'neutral', { circuit }),
            strand('bare', 'joint:grounds', 'ground'),
          ],
    }
  })
  job.box({
    id: 'box',
    room: 'room',
    name: 'Box',
    breakers,
    box: { depthMillimetres: 90, volumeCubicInches: 90, gangs },
    controls: fedBy.map((_, at) => ({
      group: `light-${at + 1}`,
      name: `Light ${at + 1}`,
      old: 'old-switch',
      choice: (isLoop[at] ? 'switch-plain-15' : DEVICES[draw(DEVICES.length)]) ?? undefined,
      lamps: [{ kind: 'led', wattsEach: 15, count: 4, dimmable: 'yes', powerFactor: 0.9 }],
    })),
    cables: draw(2) === 0 ? [...feeds, ...lamps] : [...lamps, ...feeds],
    pigtails: fedBy.flatMap((circuit, at) =>
      isLoop[at] ? [] : [[`hots-${circuit}`, `${at + 1}.upper`] as const],
    ),
  })
  return { view: job.view('box'), fedBy: fedBy.map(circuit => `circuit-${circuit}`), isLoop }
}

const SEEDS = 400

describe('two circuits that meet in one box', () => {
  it(`each light stays on its own, whatever comes first (seeds 1 to ${SEEDS})`, () => {
    const faults: string[] = []
    for (let seed = 1; seed <= SEEDS; seed++) {
      const { view, fedBy, isLoop } = meeting(seed)
      const routed = routeBox(view, trade)
      if (!routed.ok) {
        faults.push(`seed ${seed}: ${routed.faults[0]!.message}`)
        continue
      }
      const proof = prove(plannedCircuit(view, routed.value, trade))
      if (proof.kind !== 'proven')
        faults.push(
          `seed ${seed}: ${proof.kind === 'refuted' ? proof.counterexamples.map(({ says }) => says).join('; ') : proof.kind}`,
        )
      for (const { placeId, gang, model } of routed.value.devices)
        for (const { id, wants } of model.terminals) {
          if (wants !== 'line' && wants !== 'neutral') continue
          const net = routed.value.netOfTerminal[`${placeId}.${id}`]
          // A plain switch that stays may stand either way about.
          if (net?.startsWith('load:')) continue
          // Fed by its loop, it is not joined to what else comes in.
          const loop = isLoop[gang - 1] && wants === 'line' ? `:box-l${gang}` : ''
          if (net !== `${wants}:${fedBy[gang - 1]}${loop}`)
            faults.push(`seed ${seed}: gang ${gang} has ${net} of ${fedBy[gang - 1]}`)
        }
    }
    expect(faults.slice(0, 4)).toEqual([])
  })

  it('three gangs by the island: the third keeps its feed, and nothing of it is capped', () => {
    const record = withChoices(quillbackRoad(), { 'box-island-3': 'switch-plain-15' })
    const view = boxView(record, 'box-island')!
    const { routed } = planBox(view, trade)
    if (!routed.ok) throw new Error(routed.faults[0]!.message)
    expect(prove(plannedCircuit(view, routed.value, trade)).kind).toBe('proven')
    const hot = view.ends.find(({ name }) => name === 'C black')!
    expect(routed.value.netOfEnd[hot.end.id]).toBe('line:circuit-5')
    expect(routed.value.seats[hot.end.id]).toMatchObject({ kind: 'terminal', placeId: 'box-island-3' })
  })
})

describe('one circuit that comes in by several cables', () => {
  const toLamps = (name: string, on: string, group: string): CableAsFound => ({
    name,
    entry: 'top',
    far: 'luminaire',
    strands: [
      strand('black', on, 'switched-load', { group }),
      strand('white', 'joint:whites', 'neutral'),
      strand('bare', 'joint:grounds', 'ground'),
    ],
  })

  /** Two boxes, each fed by itself from the same breaker, with a light that is worked from both. */
  function fedTwice(choices: readonly (string | null)[]) {
    const job = bareJob('twice')
    for (const at of [0, 1])
      job.box({
        id: `box${at}`,
        room: 'room',
        name: `Box ${at}`,
        breakers: ['7'],
        box: { depthMillimetres: 90, volumeCubicInches: 60 },
        controls: [
          {
            group: 'light',
            name: 'Light',
            old: 'old-two-place-switch',
            choice: choices[at] ?? undefined,
            ...(at === 0
              ? { lamps: [{ kind: 'led', wattsEach: 15, count: 4, dimmable: 'yes', powerFactor: 0.9 }] }
              : {}),
          },
          { group: `own-${at}`, name: `Own ${at}`, old: 'old-switch' },
        ],
        cables: [
          {
            name: `P${at}`,
            entry: 'bottom',
            far: 'panel',
            strands: [
              strand('black', 'joint:hots', 'line'),
              strand('white', 'joint:whites', 'neutral'),
              strand('bare', 'joint:grounds', 'ground'),
            ],
          },
          ...(at === 1 ? [toLamps('L', '1.common', 'light')] : []),
          toLamps(`O${at}`, '2.lower', `own-${at}`),
        ],
        pigtails: [
          ...(at === 0 ? [['hots', '1.common'] as const] : []),
          ['hots', '2.upper'],
          ['grounds', '1.ground'],
          ['grounds', '2.ground'],
        ],
      })
    job.run({
      name: 'R',
      from: 'box0',
      to: 'box1',
      strands: [
        { insulation: 'black', on: ['1.traveller-a', '1.traveller-a'], role: 'traveller' },
        { insulation: 'red', on: ['1.traveller-b', '1.traveller-b'], role: 'traveller' },
        { insulation: 'bare', on: ['joint:grounds', 'joint:grounds'], role: 'ground' },
      ],
    })
    return tiedBoxes(job.record(), 'box0')
  }

  it('each box has it by itself: it takes no conductor between them, and two travellers suffice', () => {
    const plan = routeTogether(fedTwice([null, null]), trade)
    if (!plan.ok) throw new Error(plan.faults[0]!.message)
    expect(plan.value.cost).toBe(0)
    expect(prove(circuitOfPlan(plan.value, trade)).kind).toBe('proven')
    for (const { view, routed } of plan.value.boxes)
      for (const each of view.ends)
        if (each.cable.name === 'R' && each.end.role !== 'ground')
          expect(routed.netOfEnd[each.end.id]).toMatch(/^traveller:/)
  })

  it('a main and a companion: the second box needs no line from the first', () => {
    const plan = routeTogether(fedTwice(['companion-oak', 'dimmer-led-150-two-wire']), trade)
    if (!plan.ok) throw new Error(plan.faults[0]!.message)
    expect(prove(circuitOfPlan(plan.value, trade)).kind).toBe('proven')
    const used = plan.value.boxes[0]!.view.ends.flatMap(({ end, cable }) =>
      cable.name === 'R' ? [plan.value.boxes[0]!.routed.netOfEnd[end.id] ?? null] : [],
    )
    expect(used.filter(net => net?.startsWith('line:'))).toEqual([])
  })
})

describe('ways across', () => {
  const edge = (a: string, b: string): Edge => ({ boxes: [a, b], runners: [] })
  const ring = [edge('a', 'b'), edge('b', 'c'), edge('c', 'a')]
  const names = (ways: ReturnType<typeof waysAcross>) =>
    'apart' in ways ? ways.apart : ways.map(way => way.map(({ boxes }) => boxes.join('')).join(' '))

  it('round a ring either way, the shortest first; no box twice', () => {
    expect(names(waysAcross(ring, ['a', 'b']))).toEqual(['ab', 'bc ca'])
    expect(names(waysAcross(ring, ['a', 'b', 'c']))).toEqual(['ab bc', 'ab ca', 'bc ca'])
    expect(names(waysAcross(ring, ['a']))).toEqual([''])
  })

  it('from whichever box has it from the supply', () => {
    expect(names(waysAcross(ring, ['a', 'b'], ['a', 'b']))).toEqual([''])
    expect(names(waysAcross(ring, ['a', 'b', 'c'], ['a', 'b']))).toEqual(['bc', 'ca'])
  })

  it('none where no cable leads', () => {
    expect(names(waysAcross([edge('a', 'b')], ['a', 'd']))).toEqual(['a', 'd'])
  })

  it('rings that crossings close', () => {
    expect(ringsOf(ring)).toBe(1)
    expect(ringsOf(ring.slice(1))).toBe(0)
    expect(ringsOf([])).toBe(0)
  })
})
