import type { CableAsFound, Control, RunStrand } from '@/demo/builder'
import { bareJob, strand } from '@/demo/usual'
import type { JobRecord } from '@/core/model/record'
import { lot } from '@/testing/model/lot'
import { deviceNamed, type Trade } from '@/core/model/trade'
import type { Insulation, RegionId } from '@/core/model/vocabulary'
import { setsFor } from '@/core/route/sets'

/** What a region’s wiring looks like: colours, and the old switches with their screws. */
const USUAL: Readonly<
  Record<
    RegionId,
    {
      readonly hot: Insulation
      readonly second: Insulation
      readonly neutral: Insulation
      readonly ground: Insulation
      readonly old: readonly [one: string, end: string, middle: string]
      readonly screws: readonly [line: string, load: string]
      readonly groundScrew: boolean
    }
  >
> = {
  'north-america-120': {
    hot: 'black',
    second: 'red',
    neutral: 'white',
    ground: 'bare',
    old: ['old-switch', 'old-two-place-switch', 'old-middle-switch'],
    screws: ['upper', 'lower'],
    groundScrew: true,
  },
  'europe-230': {
    hot: 'brown',
    second: 'grey',
    neutral: 'blue',
    ground: 'green-yellow',
    old: ['old-switch-230', 'old-two-place-230', 'old-middle-230'],
    screws: ['line', 'load'],
    groundScrew: false,
  },
}

/** One light of a drawn house: the boxes of its places in order, the circuit it is on. */
export interface DrawnLight {
  readonly id: string
  readonly circuit: string
  readonly boxes: readonly string[]
  /** Fed at its luminaire, by a loop to its one switch. */
  readonly isLoop: boolean
}

export interface DrawnHouse {
  readonly record: JobRecord
  readonly lights: readonly DrawnLight[]
}

const LAMPS: Control['lamps'] = [{ kind: 'led', wattsEach: 15, count: 4, dimmable: 'yes', powerFactor: 0.9 }]

/**
 * A house of two to four boxes of several gangs, fed by two circuits that each enter one box. Its lights begin where
 * their circuit enters, are worked from one to three boxes, and hang on the last, or on a loop; wired as plain switches
 * are, hot and ground by pigtails, some boxes of metal, some circuits going on to somewhere else. For some of the lights
 * devices are chosen that work together.
 * @param shared both circuits come in one cable, with one neutral that they share
 */
export function houseOf(
  seed: number,
  trade: Trade,
  { shared = false }: { readonly shared?: boolean } = {},
): DrawnHouse {
  const draw = lot(seed)
  const region: RegionId = draw(3) === 0 ? 'europe-230' : 'north-america-120'
  const { hot, second, neutral, ground, screws, groundScrew } = USUAL[region]
  const boxes = Array.from({ length: 2 + draw(3) }, (_, at) => `box${at}`)
  const pick = <Item>(items: readonly Item[]): Item => items[draw(items.length)]!
  const entry = { '7': pick(boxes), '9': pick(boxes) }
  const enters: Readonly<Record<string, string>> = shared ? { '7': entry['7'], '9': entry['7'] } : entry
  const whites = (circuit: string) => (shared ? 'whites-shared' : `whites-${circuit}`)
  const gangs = new Map<string, string[]>(boxes.map(box => [box, []]))
  const lights = Array.from({ length: 2 + draw(3) }, (_, at): DrawnLight => {
    const circuit = pick(['7', '9'])
    const first = enters[circuit]!
    const others = boxes.filter(box => box !== first)
    const more = Array.from({ length: draw(3) }, () => others.splice(draw(others.length), 1)[0]!)
    const path = [first, ...more.filter(Boolean)]
    const isLoop = path.length === 1 && draw(4) === 0
    return { id: `light${at + 1}`, circuit, boxes: path, isLoop }
  }).filter(light => {
    const fits = light.boxes.every(box => gangs.get(box)!.length < 3)
    if (fits) for (const box of light.boxes) gangs.get(box)!.push(light.id)
    return fits
  })
  const gangOf = (box: string, light: DrawnLight) => gangs.get(box)!.indexOf(light.id) + 1
  const chosen = choicesOf(lights, region, trade, draw)
  const job = bareJob('drawn', { region, breakers: ['7', '9'] })
  const metal = boxes.filter(() => draw(3) === 0)
  const onward = boxes.filter(() => draw(4) === 0)
  for (const box of boxes) {
    const here = gangs.get(box)!.map(id => lights.find(light => light.id === id)!)
    if (here.length === 0) continue
    const fed = ['7', '9'].filter(circuit => enters[circuit] === box)
    const together: CableAsFound = {
      name: 'P79',
      entry: 'bottom',
      far: 'panel',
      strands: [
        strand(hot, 'joint:hots-7', 'line', { circuit: '7' }),
        strand(second, 'joint:hots-9', 'line', { circuit: '9' }),
        strand(neutral, 'joint:whites-shared', 'neutral', { circuit: draw(2) === 0 ? '7' : '9' }),
        strand(ground, 'joint:grounds', 'ground'),
      ],
    }
    const apart = fed.map((circuit): CableAsFound => ({
      name: `P${circuit}`,
      entry: 'bottom',
      far: 'panel',
      strands: [
        strand(hot, `joint:hots-${circuit}`, 'line', { circuit }),
        strand(neutral, `joint:whites-${circuit}`, 'neutral', { circuit }),
        strand(ground, 'joint:grounds', 'ground'),
      ],
    }))
    const feeds = shared && fed.length > 0 ? [together] : apart
    const goesOn = fed.slice(0, onward.includes(box) ? 1 : 0).map((circuit): CableAsFound => ({
      name: `O${circuit}`,
      entry: 'bottom',
      far: 'elsewhere',
      strands: [
        strand(hot, `joint:hots-${circuit}`, 'onward-feed', { circuit }),
        strand(neutral, `joint:${whites(circuit)}`, 'neutral', { circuit }),
        strand(ground, 'joint:grounds', 'ground'),
      ],
    }))
    const lamps = here.flatMap((light): CableAsFound[] => {
      if (light.boxes.at(-1) !== box) return []
      const screw = light.boxes.length === 1 ? screws[1] : 'common'
      const gang = gangOf(box, light)
      if (light.isLoop)
        return [
          {
            name: `L${light.id}`,
            entry: 'top',
            far: 'luminaire',
            strands: [
              strand(neutral, `${gang}.${screws[0]}`, 'loop-feed', { circuit: light.circuit }),
              strand(hot, `${gang}.${screws[1]}`, 'loop-return', { group: light.id }),
              strand(ground, 'joint:grounds', 'ground'),
            ],
          },
        ]
      return [
        {
          name: `L${light.id}`,
          entry: 'top',
          far: 'luminaire',
          strands: [
            strand(hot, `${gang}.${screw}`, 'switched-load', { group: light.id }),
            strand(neutral, `joint:${whitesOf(box, light, enters, whites)}`, 'neutral', {
              circuit: light.circuit,
            }),
            strand(ground, 'joint:grounds', 'ground'),
          ],
        },
      ]
    })
    job.box({
      id: box,
      room: 'room',
      name: box,
      breakers: [...new Set([...fed, ...here.map(({ circuit }) => circuit)])],
      box: {
        depthMillimetres: 90,
        volumeCubicInches: 120,
        ...(metal.includes(box) ? { material: 'metal', bonded: 'yes' } : {}),
      },
      controls: here.map((light): Control => {
        const at = light.boxes.indexOf(box)
        const choice = chosen.get(light.id)?.[at]
        return {
          group: light.id,
          name: light.id,
          old: oldAt(light, at, region),
          ...(choice ? { choice } : {}),
          ...(at === 0 ? { lamps: LAMPS } : {}),
        }
      }),
      cables: draw(2) === 0 ? [...feeds, ...lamps, ...goesOn] : [...lamps, ...goesOn, ...feeds],
      pigtails: here.flatMap(light => [
        ...(light.boxes[0] === box && !light.isLoop
          ? [
              [
                `hots-${light.circuit}`,
                `${gangOf(box, light)}.${light.boxes.length === 1 ? screws[0] : 'common'}`,
              ] as const,
            ]
          : []),
        ...(groundScrew ? [['grounds', `${gangOf(box, light)}.ground`] as const] : []),
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
        { insulation: hot, on: pair('a'), role: 'traveller' },
        { insulation: second, on: pair('b'), role: 'traveller' },
        {
          insulation: neutral,
          on: [
            `joint:${whitesOf(from, light, enters, whites)}`,
            `joint:${whitesOf(box, light, enters, whites)}`,
          ],
          role: 'neutral',
          circuit: light.circuit,
        },
        { insulation: ground, on: ['joint:grounds', 'joint:grounds'], role: 'ground' },
      ]
      job.run({ name: `R${light.id}${at}`, from, to: box, strands })
    })
  const record = job.record()
  return { record: shared ? withSharing(record) : record, lights }
}

const withSharing = (record: JobRecord): JobRecord => ({
  ...record,
  circuits: Object.fromEntries(
    Object.entries(record.circuits).map(([id, circuit]) => [
      id,
      {
        ...{ ...circuit, poles: 2, handleWithId: id === 'circuit-7' ? 'circuit-9' : null },
        sharedNeutralWithId: id === 'circuit-7' ? 'circuit-9' : 'circuit-7',
      },
    ]),
  ),
})

const whitesOf = (
  box: string,
  light: DrawnLight,
  enters: Readonly<Record<string, string>>,
  whites: (circuit: string) => string,
): string => (enters[light.circuit] === box ? whites(light.circuit) : `whites-${light.id}`)

function oldAt({ boxes }: DrawnLight, at: number, region: RegionId): string {
  const [one, end, middle] = USUAL[region].old
  return boxes.length === 1 ? one : at === 0 || at === boxes.length - 1 ? end : middle
}

/** Devices for some of the lights: a set for those of several places, any for those of one. */
function choicesOf(
  lights: readonly DrawnLight[],
  region: RegionId,
  trade: Trade,
  draw: (below: number) => number,
): Map<string, readonly (string | null)[]> {
  const singles = trade.devices.filter(
    ({ stock, regions, places }) => stock === 'new' && regions.includes(region) && places.least === 1,
  )
  return new Map(
    lights.flatMap((light): [string, readonly (string | null)[]][] => {
      if (draw(3) === 0) return []
      if (light.boxes.length === 1) return [[light.id, [singles[draw(singles.length)]!.id]]]
      const found = light.boxes.map((_, at) => deviceNamed(trade, oldAt(light, at, region)) ?? null)
      const sets = setsFor(trade, region, found)
      return sets.length > 0
        ? [[light.id, sets[draw(sets.length)]!.members.map(model => model?.id ?? null)]]
        : []
    }),
  )
}
