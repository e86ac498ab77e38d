import { trade } from '@/catalogue'
import { terminalPoint, type Circuit, type PlacedDevice, type Wire } from '@/core/model/circuit'
import type { DeviceModel } from '@/core/model/device'
import { deviceNamed } from '@/core/model/trade'

export interface PlainPlaces {
  /** Boxes in a row, a plain switch in each: two-place ones at the ends, middle ones between. */
  readonly places: number
  /** Box the panel’s cable enters, or the luminaire. */
  readonly supplyAt: number | 'luminaire'
  /** Box the lamp’s cable leaves from. */
  readonly loadAt: number
  readonly watts?: number
}

const model = (id: string): DeviceModel => deviceNamed(trade, id)!

/** Which plain switch stands at a place of a row. */
const plainSwitchAt = (place: number, places: number): DeviceModel =>
  places === 1
    ? model('switch-plain-15')
    : model(place === 0 || place === places - 1 ? 'switch-two-place-15' : 'switch-middle-15')

/**
 * The right wiring of a light worked from a row of places by plain switches: the hot to one end of the
 * row, travellers along it, the switched conductor from its other end to the lamp.
 */
export function plainPlaces({ places, supplyAt, loadAt, watts = 60 }: PlainPlaces): Circuit {
  const last = places - 1
  const enters = supplyAt === 'luminaire' ? loadAt : supplyAt
  // The end nearer to the supply takes the hot, so that the least has to be pulled.
  const hotEnd = enters <= last - enters ? 0 : last
  const loadEnd = places === 1 ? 0 : last - hotEnd
  const wires: Wire[] = []
  const onNet = new Map<string, string[]>()
  const put = (box: number, net: string, ...points: string[]) => {
    const key = `${box}/${net}`
    onNet.set(key, [...(onNet.get(key) ?? []), ...points])
  }
  const plan: Record<string, string> = {}
  const run = (cable: string, net: string, from: number | string, to: number | string) => {
    const end = (at: number | string, side: string) =>
      typeof at === 'string' ? at : `box${at}:${cable}:${net}:${side}`
    const a = end(from, 'a')
    const b = end(to, 'b')
    wires.push({ id: `${cable}:${net}`, a, b, cable })
    if (typeof from === 'number') put(from, net, a)
    if (typeof to === 'number') put(to, net, b)
    for (const point of [a, b]) plan[point] = net
  }
  if (supplyAt === 'luminaire') {
    run('loop', 'line', 'panel:hot', loadAt)
    run('loop', 'load', loadAt, 'lamp:hot')
    run('loop', 'ground', 'panel:ground', loadAt)
    run('luminaire', 'neutral', 'panel:neutral', 'lamp:neutral')
  } else {
    for (const net of ['line', 'neutral', 'ground'])
      run('feed', net, `panel:${net === 'line' ? 'hot' : net}`, supplyAt)
    for (const net of ['load', 'neutral', 'ground'])
      run('lamp', net, loadAt, `lamp:${net === 'load' ? 'hot' : net}`)
  }
  const between = (a: number, b: number, net: string) => {
    for (let box = Math.min(a, b); box < Math.max(a, b); box++) run(`run${box}`, net, box, box + 1)
  }
  between(enters, hotEnd, 'line')
  between(loadEnd, loadAt, 'load')
  if (supplyAt !== 'luminaire') between(enters, loadAt, 'neutral')
  between(0, last, 'ground')
  for (let box = 0; box < last; box++)
    for (const net of [`traveller-${box}a`, `traveller-${box}b`]) run(`run${box}`, net, box, box + 1)

  const devices: PlacedDevice[] = []
  for (let box = 0; box < places; box++) {
    const placed = { id: `place${box + 1}`, groupId: 'light', model: plainSwitchAt(box, places) }
    devices.push(placed)
    const lands: Record<string, string> =
      places === 1
        ? { upper: 'line', lower: 'load' }
        : box === 0 || box === last
          ? {
              common: box === hotEnd ? 'line' : 'load',
              'traveller-a': `traveller-${box === 0 ? 0 : last - 1}a`,
              'traveller-b': `traveller-${box === 0 ? 0 : last - 1}b`,
            }
          : {
              'first-a': `traveller-${box - 1}a`,
              'first-b': `traveller-${box - 1}b`,
              'second-a': `traveller-${box}a`,
              'second-b': `traveller-${box}b`,
            }
    for (const [terminal, net] of Object.entries({ ...lands, ground: 'ground' })) {
      const point = terminalPoint(placed.id, terminal)
      put(box, net, point)
      plan[point] = net
    }
  }
  return {
    nominalVolts: 120,
    supplies: [
      {
        id: 'breaker 4',
        volts: 120,
        phaseDegrees: 0,
        breakerOn: true,
        hot: 'panel:hot',
        neutral: 'panel:neutral',
        ground: 'panel:ground',
      },
    ],
    wires,
    joints: [...onNet].map(([id, members]) => ({ id, members })),
    devices,
    loads: [
      {
        id: 'lamp',
        kind: 'lamp',
        groupId: 'light',
        watts,
        hot: 'lamp:hot',
        neutral: 'lamp:neutral',
        ground: supplyAt === 'luminaire' ? null : 'lamp:ground',
        offLimitMilliamps: 1,
        coldShare: 1 / 12,
        ohmsShare: 1 / 12,
      },
    ],
    caps: [],
    bonds: [],
    plan,
  }
}

/** A dimmer at the lamp’s end of a row of companions that pass the power to it and signal on one conductor. */
export function companionChain(companions: number): Circuit {
  const names = Array.from({ length: companions }, (_, index) => `companion${index + 1}`)
  const devices: PlacedDevice[] = [
    { id: 'main', groupId: 'light', model: model('dimmer-led-150-two-wire') },
    ...names.map(id => ({ id, groupId: 'light', model: model('companion-oak') })),
  ]
  const base = plainPlaces({ places: 1, supplyAt: 0, loadAt: 0, watts: 40 })
  const nets: Record<string, readonly string[]> = {
    line: ['panel:hot', 'main.line', ...names.flatMap(name => [`${name}.pass-1`, `${name}.pass-2`])],
    load: ['main.load', 'lamp:hot'],
    neutral: ['panel:neutral', 'lamp:neutral'],
    signal: ['main.signal', ...names.map(name => `${name}.signal`)],
    ground: ['panel:ground', 'lamp:ground', ...devices.map(({ id }) => `${id}.ground`)],
  }
  return {
    ...base,
    devices,
    wires: [],
    joints: Object.entries(nets).map(([id, members]) => ({ id, members })),
    plan: null,
  }
}
