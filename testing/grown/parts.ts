import { trade } from '@/catalogue'
import { terminalPoint, type Circuit, type CircuitLoad } from '@/core/model/circuit'
import type { DeviceModel } from '@/core/model/device'
import { deviceNamed } from '@/core/model/trade'
import type { Insulation } from '@/core/model/vocabulary'
import { Lot } from './lot'

export type PlaceKind = 'panel' | 'switches' | 'luminaire' | 'receptacle' | 'junction'

/** Somewhere cables end: a box with its joints, whoever looks into it. */
export interface Place {
  readonly id: string
  readonly kind: PlaceKind
  /** Points by the joint that holds them. */
  readonly nets: Map<string, string[]>
  /** Circuits that can be taken on from here. */
  readonly feeds: string[]
  gangs: number
}

export interface Strand {
  readonly id: string
  readonly insulation: Insulation
  readonly bare: boolean
}

/** Conductors in one sheath; each has an end `…/a` at the first place and `…/b` at the second. */
export interface Cable {
  readonly id: string
  readonly from: string
  readonly to: string
  readonly strands: readonly Strand[]
}

export interface Placed {
  readonly id: string
  readonly place: string
  readonly light: string
  readonly model: DeviceModel
}

/** Mistakes that a house can be built with. */
export const MISTAKES = [
  'switched-neutral',
  'borrowed-neutral',
  'reversed',
  'open-neutral',
  'neutral-on-ground',
] as const
export type Mistake = 'none' | (typeof MISTAKES)[number]

export type Shape = readonly [here: string | null, there: string | null]

/** Conductors one cable holds at most, grounds apart. */
export const IN_ONE_CABLE = 3
export const GANGS = 3

/** Places, the cables between them, and what an electrician does with one of them. */
export class HouseParts {
  readonly places = new Map<string, Place>()
  readonly cables: Cable[] = []
  readonly devices: Placed[] = []
  readonly loads: CircuitLoad[] = []
  readonly circuits: { id: string; neutral: string; phaseDegrees: number }[] = []
  readonly state: Record<string, Record<string, string>> = {}
  made: Mistake = 'none'
  readonly lot: Lot
  protected count = 0

  constructor(
    seed: number,
    readonly mistake: Mistake = 'none',
  ) {
    this.lot = new Lot(seed)
  }

  /** All of it as one circuit, every place’s joints by `place/net`. */
  circuit(): Circuit {
    return {
      nominalVolts: 120,
      supplies: this.circuits.map(({ id, phaseDegrees }) => ({
        id,
        volts: 120,
        phaseDegrees,
        breakerOn: true,
        hot: `${id}:h`,
        neutral: `${id}:n`,
        ground: 'ground',
      })),
      wires: this.cables.flatMap(({ id, strands }) =>
        strands.map(strand => ({
          id: strand.id,
          a: `end:${strand.id}/a`,
          b: `end:${strand.id}/b`,
          cable: id,
        })),
      ),
      joints: [...this.places.values()].flatMap(({ id, nets }) =>
        [...nets]
          .filter(([, members]) => members.length > 1)
          .map(([net, members]) => ({ id: `${id}/${net}`, members })),
      ),
      devices: this.devices.map(({ id, light, model }) => ({ id, groupId: light, model })),
      loads: this.loads,
      caps: [],
      bonds: [],
      plan: null,
    }
  }

  protected place(kind: PlaceKind): Place {
    const place: Place = { id: `${kind}${++this.count}`, kind, nets: new Map(), feeds: [], gangs: 0 }
    this.places.set(place.id, place)
    return place
  }

  protected join(place: Place, net: string, point: string) {
    place.nets.set(net, [...(place.nets.get(net) ?? []), point])
  }

  protected cable(from: Place, to: Place, shapes: readonly Shape[]) {
    const id = `cable${++this.count}`
    const used = new Set<Insulation>()
    const strands = this.lot.shuffled(shapes).map(([here, there], at): Strand & { shape: Shape } => {
      const neutral = (here ?? there ?? '').startsWith('neutral')
      const usual: Insulation[] =
        neutral || (shapes.length === 2 && !used.has('white') && used.has('black'))
          ? ['white']
          : ['black', 'red', 'blue', 'yellow']
      const insulation = usual.find(each => !used.has(each)) ?? 'blue'
      used.add(insulation)
      return { id: `${id}.${at}`, insulation, bare: false, shape: [here, there] }
    })
    const bare = { id: `${id}.bare`, insulation: 'bare' as const, bare: true }
    for (const { id: strand, shape } of strands) {
      if (shape[0] !== null) this.join(from, shape[0], `end:${strand}/a`)
      if (shape[1] !== null) this.join(to, shape[1], `end:${strand}/b`)
    }
    this.join(from, 'ground', `end:${bare.id}/a`)
    this.join(to, 'ground', `end:${bare.id}/b`)
    this.cables.push({ id, from: from.id, to: to.id, strands: [...strands, bare] })
  }

  protected neutralOf(circuit: string): string {
    return this.circuits.find(({ id }) => id === circuit)!.neutral
  }

  /** Takes circuits on from one place to the next, all that share a neutral by one cable. */
  protected carry(from: Place, to: Place, circuits: readonly string[]) {
    const neutral = this.neutralOf(circuits[0]!)
    const here = from.kind === 'panel' ? 'neutrals' : neutral
    const reversed = this.errs('reversed', circuits.length === 1)
    const open = !reversed && this.errs('open-neutral', from.kind !== 'panel')
    const shapes: Shape[] = circuits.map(id => [`hot ${id}`, reversed ? neutral : `hot ${id}`])
    shapes.push([open ? null : here, reversed ? `hot ${circuits[0]}` : neutral])
    if (circuits.length === 1 && this.lot.chance(0.12))
      shapes.push([null, this.lot.chance(0.2) ? neutral : null])
    this.cable(from, to, shapes)
    to.feeds.push(...circuits)
    if (this.errs('neutral-on-ground', to.kind === 'switches')) {
      to.nets.set(neutral, [...(to.nets.get(neutral) ?? []), ...(to.nets.get('ground') ?? [])])
      to.nets.delete('ground')
    }
  }

  /** The one mistake of a house that has one, made where it can be. */
  protected errs(mistake: Mistake, can: boolean): boolean {
    if (!can || this.mistake !== mistake || this.made !== 'none' || !this.lot.chance(0.5)) return false
    this.made = mistake
    return true
  }

  /** A place where a circuit can be taken on. */
  protected fed(kinds: readonly PlaceKind[] = ['switches', 'luminaire', 'receptacle', 'junction']): Place {
    return this.lot.one(
      [...this.places.values()].filter(({ kind, feeds }) => kinds.includes(kind) && feeds.length > 0),
    )
  }

  /** A box for one more switch, fed: one that is there, or a new one taken on from somewhere. */
  protected fedBox(): readonly [Place, circuit: string] {
    const there = [...this.places.values()].filter(
      ({ kind, feeds, gangs }) => kind === 'switches' && feeds.length > 0 && gangs < GANGS,
    )
    if (there.length > 0 && this.lot.chance(0.6)) {
      const box = this.lot.one(there)
      return [box, this.lot.one(box.feeds)]
    }
    return this.taken('switches')
  }

  /** A new place, fed from one that is. */
  protected taken(kind: PlaceKind): readonly [Place, circuit: string] {
    const from = this.fed()
    const circuit = this.lot.one(from.feeds)
    const beside = from.feeds.filter(id => this.neutralOf(id) === this.neutralOf(circuit))
    const place = this.place(kind)
    this.carry(from, place, beside.length > 1 && this.lot.chance(0.5) ? [...new Set(beside)] : [circuit])
    return [place, circuit]
  }

  protected device(place: Place, light: string, modelId: string, nets: Readonly<Record<string, string>>) {
    const id = `device${++this.count}`
    this.devices.push({ id, place: place.id, light, model: deviceNamed(trade, modelId)! })
    place.gangs++
    for (const [terminal, net] of Object.entries(nets)) this.join(place, net, terminalPoint(id, terminal))
  }

  protected light(): string {
    return `light${++this.count}`
  }

  /** A lamp, or something else that takes current, between two joints of a place. */
  protected load(place: Place, groupId: string, kind: CircuitLoad['kind'], hot: string, neutral: string) {
    const id = `load${++this.count}`
    const filament = this.lot.chance(0.4)
    this.loads.push({
      id,
      kind,
      groupId,
      watts: filament ? this.lot.one([25, 40, 60, 100]) : this.lot.one([6, 9, 13]),
      hot: `${id}:h`,
      neutral: `${id}:n`,
      ground: null,
      offLimitMilliamps: 1,
      ...(filament ? { coldShare: 1 / 12, ohmsShare: 1 / 12 } : { ohmsShare: null }),
    })
    this.join(place, hot, `${id}:h`)
    this.join(place, neutral, `${id}:n`)
  }
}
