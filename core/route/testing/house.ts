import type { CableAsFound, Control, RunStrand } from '@/demo/builder'
import { bareJob, strand } from '@/demo/usual'
import type { JobRecord } from '../../model/record'
import { lot } from '../../model/testing/lot'
import { deviceNamed, type Trade } from '../../model/trade'
import { setsFor } from '../sets'

/** One light of a drawn house: the boxes of its places in order, the circuit it is on. */
export interface DrawnLight {
  readonly id: string
  readonly circuit: string
  readonly boxes: readonly string[]
}

export interface DrawnHouse {
  readonly record: JobRecord
  readonly lights: readonly DrawnLight[]
}

const LAMPS: Control['lamps'] = [{ kind: 'led', wattsEach: 15, count: 4, dimmable: 'yes', powerFactor: 0.9 }]

/**
 * A house of two to four boxes of several gangs, fed by two circuits that each enter one box. Its lights begin where
 * their circuit enters, are worked from one to three boxes, and hang on the last; wired as plain switches are, hot
 * and ground by pigtails. For some of them devices are chosen that work together.
 */
export function houseOf(seed: number, trade: Trade): DrawnHouse {
  const draw = lot(seed)
  const boxes = Array.from({ length: 2 + draw(3) }, (_, at) => `box${at}`)
  const pick = <Item>(items: readonly Item[]): Item => items[draw(items.length)]!
  const enters: Readonly<Record<string, string>> = { '7': pick(boxes), '9': pick(boxes) }
  const gangs = new Map<string, string[]>(boxes.map(box => [box, []]))
  const lights = Array.from({ length: 2 + draw(3) }, (_, at): DrawnLight => {
    const circuit = pick(['7', '9'])
    const first = enters[circuit]!
    const others = boxes.filter(box => box !== first)
    const more = Array.from({ length: draw(3) }, () => others.splice(draw(others.length), 1)[0]!)
    const path = [first, ...more.filter(Boolean)]
    return { id: `light${at + 1}`, circuit, boxes: path }
  }).filter(light => {
    const fits = light.boxes.every(box => gangs.get(box)!.length < 3)
    if (fits) for (const box of light.boxes) gangs.get(box)!.push(light.id)
    return fits
  })
  const gangOf = (box: string, light: DrawnLight) => gangs.get(box)!.indexOf(light.id) + 1
  const chosen = choicesOf(lights, trade, draw)
  const job = bareJob('drawn', { breakers: ['7', '9'] })
  for (const box of boxes) {
    const here = gangs.get(box)!.map(id => lights.find(light => light.id === id)!)
    if (here.length === 0) continue
    const fed = ['7', '9'].filter(circuit => enters[circuit] === box)
    const feeds = fed.map((circuit): CableAsFound => ({
      name: `P${circuit}`,
      entry: 'bottom',
      far: 'panel',
      strands: [
        strand('black', `joint:hots-${circuit}`, 'line', { circuit }),
        strand('white', `joint:whites-${circuit}`, 'neutral', { circuit }),
        strand('bare', 'joint:grounds', 'ground'),
      ],
    }))
    const lamps = here.flatMap((light): CableAsFound[] => {
      if (light.boxes.at(-1) !== box) return []
      const screw = light.boxes.length === 1 ? 'lower' : 'common'
      return [
        {
          name: `L${light.id}`,
          entry: 'top',
          far: 'luminaire',
          strands: [
            strand('black', `${gangOf(box, light)}.${screw}`, 'switched-load', { group: light.id }),
            strand('white', `joint:${whitesOf(box, light, enters)}`, 'neutral', { circuit: light.circuit }),
            strand('bare', 'joint:grounds', 'ground'),
          ],
        },
      ]
    })
    job.box({
      id: box,
      room: 'room',
      name: box,
      breakers: [...new Set(here.map(({ circuit }) => circuit))],
      box: { depthMillimetres: 90, volumeCubicInches: 120 },
      controls: here.map((light): Control => {
        const at = light.boxes.indexOf(box)
        const choice = chosen.get(light.id)?.[at]
        return {
          group: light.id,
          name: light.id,
          old: oldAt(light, at),
          ...(choice ? { choice } : {}),
          ...(at === 0 ? { lamps: LAMPS } : {}),
        }
      }),
      cables: draw(2) === 0 ? [...feeds, ...lamps] : [...lamps, ...feeds],
      pigtails: here.flatMap(light => [
        ...(light.boxes[0] === box
          ? [
              [
                `hots-${light.circuit}`,
                `${gangOf(box, light)}.${light.boxes.length === 1 ? 'upper' : 'common'}`,
              ] as const,
            ]
          : []),
        ['grounds', `${gangOf(box, light)}.ground`] as const,
      ]),
    })
  }
  for (const light of lights)
    light.boxes.slice(1).forEach((box, at) => {
      const from = light.boxes[at]!
      const [near, far] = [gangOf(from, light), gangOf(box, light)]
      const pair = (side: 'a' | 'b'): [string, string] => [
        at === 0 ? `${near}.traveller-${side}` : `${near}.second-${side}`,
        at === light.boxes.length - 2 ? `${far}.traveller-${side}` : `${far}.first-${side}`,
      ]
      const strands: RunStrand[] = [
        { insulation: 'black', on: pair('a'), role: 'traveller' },
        { insulation: 'red', on: pair('b'), role: 'traveller' },
        {
          insulation: 'white',
          on: [`joint:${whitesOf(from, light, enters)}`, `joint:${whitesOf(box, light, enters)}`],
          role: 'neutral',
          circuit: light.circuit,
        },
        { insulation: 'bare', on: ['joint:grounds', 'joint:grounds'], role: 'ground' },
      ]
      job.run({ name: `R${light.id}${at}`, from, to: box, strands })
    })
  return { record: job.record(), lights }
}

const whitesOf = (box: string, light: DrawnLight, enters: Readonly<Record<string, string>>): string =>
  enters[light.circuit] === box ? `whites-${light.circuit}` : `whites-${light.id}`

const oldAt = ({ boxes }: DrawnLight, at: number): string =>
  boxes.length === 1
    ? 'old-switch'
    : at === 0 || at === boxes.length - 1
      ? 'old-two-place-switch'
      : 'old-middle-switch'

/** Devices for some of the lights: a set for those of several places, any for those of one. */
function choicesOf(
  lights: readonly DrawnLight[],
  trade: Trade,
  draw: (below: number) => number,
): Map<string, readonly (string | null)[]> {
  const singles = trade.devices.filter(
    ({ stock, regions, places }) =>
      stock === 'new' && regions.includes('north-america-120') && places.least === 1,
  )
  return new Map(
    lights.flatMap((light): [string, readonly (string | null)[]][] => {
      if (draw(3) === 0) return []
      if (light.boxes.length === 1) return [[light.id, [singles[draw(singles.length)]!.id]]]
      const found = light.boxes.map((_, at) => deviceNamed(trade, oldAt(light, at)) ?? null)
      const sets = setsFor(trade, 'north-america-120', found)
      return sets.length > 0
        ? [[light.id, sets[draw(sets.length)]!.members.map(model => model?.id ?? null)]]
        : []
    }),
  )
}
