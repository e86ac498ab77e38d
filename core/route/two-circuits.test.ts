import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import type { CableAsFound } from '@/demo/builder'
import { quillbackRoad } from '@/demo/quillback'
import { bareJob, strand } from '@/demo/usual'
import { boxView, type BoxView } from '../job/box-view'
import { lot } from '../model/testing/lot'
import { planBox } from '../plan'
import { prove } from '../prove'
import { plannedCircuit, routeBox, withChoices } from '.'

const DEVICES = [
  'switch-plain-15',
  'dimmer-led-150-two-wire',
  'dimmer-led-150-neutral',
  'sensor-neutral',
  'timer-countdown',
  null,
]

/** A box of two to four gangs fed by two circuits, each light on one of them, in any order. */
function meeting(seed: number): { readonly view: BoxView; readonly fedBy: readonly string[] } {
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
  return { view: job.view('box'), fedBy: fedBy.map(circuit => `circuit-${circuit}`) }
}

const SEEDS = 400

describe('two circuits that meet in one box', () => {
  it(`each light stays on its own, whatever comes first (seeds 1 to ${SEEDS})`, () => {
    const faults: string[] = []
    for (let seed = 1; seed <= SEEDS; seed++) {
      const { view, fedBy } = meeting(seed)
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
          if (net !== `${wants}:${fedBy[gang - 1]}`)
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
