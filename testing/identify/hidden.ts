import { deviceNamed } from '@/core/model/trade'
import type { Circuit, CircuitJoint, CircuitLoad, SupplyPoint, Wire } from '@/core/model/circuit'
import { terminalPoint } from '@/core/model/circuit'
import { FILAMENT, lamp, supply } from '@/testing/model/bare'
import { regionOf } from '@/core/model/regions'
import type { FarEnd, Insulation, Role } from '@/core/model/vocabulary'
import { trade } from '@/catalogue'
import type {
  Survey,
  SurveyCable,
  SurveyDevice,
  SurveyEnd,
  SurveyLight,
  SurveySeat,
} from '@/core/identify/survey'

/** A circuit that only the tester knows, what can be seen of it, and what its conductors truly are. */
export interface Hidden {
  readonly name: string
  readonly survey: Survey
  readonly circuit: Circuit
  readonly boxOfJoint: ReadonlyMap<string, string>
  readonly roles: ReadonlyMap<string, Role>
  readonly state: Readonly<Record<string, Readonly<Record<string, string>>>>
}

export type Random = () => number

/** Seeded, so that every run is the same. */
export function randomFrom(seed: number): Random {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), state | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296
  }
}

interface Strand {
  readonly insulation: Insulation
  /** Role at each end, and the net of the box it is joined to there; null: capped. */
  readonly near: { readonly net: string | null; readonly role: Role }
  readonly far: { readonly net: string | null; readonly role: Role } | null
  /** Point it meets beyond, where it leaves the boxes. */
  readonly beyond: string | null
}

/** Boxes and cables put together by the electrician of long ago. */
export class HiddenHouse {
  readonly #random: Random
  readonly #cables: SurveyCable[] = []
  readonly #devices: SurveyDevice[] = []
  readonly #wires: Wire[] = []
  readonly #beyond = new Map<string, string[]>()
  readonly #nets = new Map<string, { ends: string[]; terminals: [device: string, terminal: string][] }>()
  readonly #roles = new Map<string, Role>()
  readonly #lights: SurveyLight[] = []
  readonly #loads: CircuitLoad[] = []
  readonly #supplies: SupplyPoint[] = []
  #count = 0

  constructor(
    readonly name: string,
    readonly boxes: readonly string[],
    random: Random,
    readonly given: { readonly scrambled: boolean; readonly circuitsAtMost: number },
  ) {
    this.#random = random
  }

  supply(id: string, more: Partial<SupplyPoint> = {}) {
    this.#supplies.push(supply(id, more))
  }

  light(id: string, cablesAtMost: number, behaves: SurveyLight['behaves']) {
    this.#lights.push({ id, name: id, cablesAtMost, behaves })
  }

  lamp(id: string, light: string, kind: 'led' | 'filament') {
    this.#loads.push(
      lamp(id, kind === 'led' ? 9 : 60, { groupId: light, ...(kind === 'filament' ? FILAMENT : {}) }),
    )
  }

  /** Something further on that is fed through these boxes. */
  further(id: string) {
    this.#loads.push(lamp(id, 40, { kind: 'onward', groupId: 'further' }))
  }

  device(id: string, box: string, light: string, modelId: string, nets: Readonly<Record<string, string>>) {
    const model = deviceNamed(trade, modelId)!
    this.#devices.push({ id, name: id, boxId: box, lightId: light, model, pigtails: [] })
    for (const [terminal, net] of Object.entries(nets)) this.#net(box, net).terminals.push([id, terminal])
  }

  /** A cable that leaves the boxes. */
  out(
    box: string,
    far: FarEnd,
    strands: readonly (readonly [net: string | null, role: Role, beyond: string | null])[],
  ) {
    this.#cable(
      box,
      null,
      far,
      strands.map(([net, role, beyond]) => ({
        insulation: 'black',
        near: { net, role },
        far: null,
        beyond,
      })),
    )
  }

  /** A cable from one box to another: at each end the net it is joined to, and what it is there. */
  run(
    from: string,
    to: string,
    strands: readonly (readonly [
      nearNet: string | null,
      nearRole: Role,
      farNet: string | null,
      farRole: Role,
    ])[],
  ) {
    this.#cable(
      from,
      to,
      'box',
      strands.map(([nearNet, nearRole, farNet, farRole]) => ({
        insulation: 'black',
        near: { net: nearNet, role: nearRole },
        far: { net: farNet, role: farRole },
        beyond: null,
      })),
    )
  }

  /** Two points that meet where nobody looks. */
  returnsOutside(a: string, b: string) {
    this.#beyond.set(a, [...(this.#beyond.get(a) ?? []), b])
  }

  finish(): Hidden {
    const boxOfJoint = new Map<string, string>()
    const joints: CircuitJoint[] = []
    const seats = new Map<string, SurveySeat>()
    const pigtails = new Map<string, { jointId: string; terminalId: string }[]>()
    for (const [key, { ends, terminals }] of this.#nets) {
      const box = key.slice(0, key.indexOf('/'))
      const [only] = terminals
      if (ends.length === 1 && terminals.length === 1 && only) {
        seats.set(ends[0]!, { kind: 'terminal', deviceId: only[0], terminalId: only[1] })
        const id = `seat:${ends[0]}`
        joints.push({ id, members: [`end:${ends[0]}`, terminalPoint(...only)] })
        boxOfJoint.set(id, box)
        continue
      }
      if (ends.length + terminals.length < 2) continue
      joints.push({
        id: key,
        members: [...ends.map(end => `end:${end}`), ...terminals.map(each => terminalPoint(...each))],
      })
      boxOfJoint.set(key, box)
      for (const end of ends) seats.set(end, { kind: 'joint', jointId: key })
      for (const [device, terminalId] of terminals)
        pigtails.set(device, [...(pigtails.get(device) ?? []), { jointId: key, terminalId }])
    }
    for (const [point, ends] of this.#beyond)
      joints.push({ id: `beyond ${point}`, members: point.startsWith('splice') ? ends : [point, ...ends] })
    const { hints, nominalBand } = regionOf('north-america-120')
    return {
      name: this.name,
      survey: {
        nominalVolts: 120,
        nominalBand,
        hints,
        boxes: this.boxes.map(id => ({ id, name: id })),
        cables: this.#cables.map(cable => ({
          ...cable,
          ends: cable.ends.map(end => ({ ...end, seat: seats.get(end.id) ?? { kind: 'alone' } })),
        })),
        devices: this.#devices.map(device => ({ ...device, pigtails: pigtails.get(device.id) ?? [] })),
        lights: this.#lights,
        circuitsAtMost: this.given.circuitsAtMost,
      },
      circuit: {
        nominalVolts: 120,
        supplies: this.#supplies,
        wires: this.#wires,
        joints,
        devices: this.#devices.map(({ id, lightId, model }) => ({ id, groupId: lightId, model })),
        loads: this.#loads,
        caps: [],
        bonds: [],
        plan: null,
      },
      boxOfJoint,
      roles: this.#roles,
      state: Object.fromEntries(
        this.#devices.map(({ id, model }) => [
          id,
          Object.fromEntries(model.variables.map(each => [each.id, this.#any(each.values)])),
        ]),
      ),
    }
  }

  #any<Item>(items: readonly Item[]): Item {
    return items[Math.floor(this.#random() * items.length)]!
  }

  #net(box: string, net: string) {
    const key = `${box}/${net}`
    let known = this.#nets.get(key)
    if (!known) this.#nets.set(key, (known = { ends: [], terminals: [] }))
    return known
  }

  #cable(from: string, to: string | null, far: FarEnd, strands: readonly Strand[]) {
    const number = ++this.#count
    const followed = to !== null && this.#random() < 0.35
    const told = this.#random()
    const shown: FarEnd = told < 0.4 ? 'not-known' : told < 0.9 ? far : 'panel'
    const colours = this.#colours(strands)
    const ends: SurveyEnd[][] = [[], []]
    const order = this.#shuffled(strands.map((_, at) => at))
    for (const at of order) {
      const strand = strands[at]!
      const near = `${from}-${number}-${at}`
      const other = to === null ? null : `${to}-${number}-${at}`
      const end = (id: string, otherEnd: string | null): SurveyEnd => ({
        id,
        name: id,
        insulation: colours[at]!,
        faded: false,
        ground: false,
        seat: { kind: 'alone' },
        otherEnd,
      })
      this.#roles.set(near, strand.near.role)
      if (strand.near.net !== null) this.#net(from, strand.near.net).ends.push(near)
      ends[0]!.push(end(near, followed ? other : null))
      const wireEnd = other === null ? `far:${near}` : `end:${other}`
      this.#wires.push({ id: near, a: `end:${near}`, b: wireEnd, cable: `cable ${number}` })
      if (other !== null) {
        ends[1]!.push(end(other, followed ? near : null))
        this.#roles.set(other, strand.far!.role)
        if (strand.far!.net !== null) this.#net(to!, strand.far!.net).ends.push(other)
      } else if (strand.beyond !== null)
        this.#beyond.set(strand.beyond, [...(this.#beyond.get(strand.beyond) ?? []), wireEnd])
    }
    ends[1] = this.#shuffled(ends[1]!)
    for (const [at, box] of [from, to].entries()) {
      if (box === null) continue
      const bare = `${box}-${number}-bare`
      this.#roles.set(bare, 'ground')
      this.#net(box, 'grounds').ends.push(bare)
      ends[at]!.push({
        id: bare,
        name: bare,
        insulation: 'bare',
        faded: false,
        ground: true,
        seat: { kind: 'alone' },
        otherEnd: followed ? `${at === 0 ? to : from}-${number}-bare` : null,
      })
      this.#cables.push({
        id: `${box}-${number}`,
        boxId: box,
        name: `${number}`,
        far: shown,
        ends: ends[at]!,
      })
    }
    const first = `end:${from}-${number}-bare`
    this.#wires.push({
      id: `${from}-${number}-bare`,
      a: first,
      b: to === null ? `far:${first}` : `end:${to}-${number}-bare`,
      cable: `cable ${number}`,
    })
    if (to === null) this.#beyond.set('ground', [...(this.#beyond.get('ground') ?? []), `far:${first}`])
  }

  /** White for the neutral and so on, or anything at all. */
  #colours(strands: readonly Strand[]): Insulation[] {
    if (this.given.scrambled) return strands.map(() => this.#any(['black', 'red', 'white', 'white', 'blue']))
    const coloured: Insulation[] = ['black', 'red', 'blue', 'yellow']
    return strands.map(({ near }) => (near.role === 'neutral' ? 'white' : coloured.shift()!))
  }

  #shuffled<Item>(items: readonly Item[]): Item[] {
    const rest = [...items]
    return items.map(() => rest.splice(Math.floor(this.#random() * rest.length), 1)[0]!)
  }
}
