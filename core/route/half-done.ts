import { tabsOf, type Standing } from '../job/tabs'
import { joinedByTab } from './joined-by-tab'
import type { DeviceModel } from '../model/device'
import { keyOfTerminal } from '../model/terminal-key'
import type { BoxView, EndView } from '../job/box-view'
import {
  terminalPoint,
  type Circuit,
  type CircuitJoint,
  type PlacedDevice,
  type Wire,
} from '../model/circuit'
import { deviceNamed, type Trade } from '../model/trade'
import { changedTerminals } from './as-found'
import { bondPoint, nearPoint, outsideOf } from './outside'
import type { RoutedBox } from './planned'
import { sayIn } from '../words/say'
import { INSULATION_WORDS } from '../words/of-vocabulary'

/** What of a box’s plan was done so far, by the same ids as in the plan. */
export interface DoneSoFar {
  /** Places whose old device is out. */
  readonly takenOut: ReadonlySet<string>
  /** Joints as found whose conductors were let apart. */
  readonly parted: ReadonlySet<string>
  /** Nets whose joint is made. */
  readonly joined: ReadonlySet<string>
  /** Terminals, as `place.terminal`, that hold what they are to hold. */
  readonly landed: ReadonlySet<string>
  /** Conductor ends that are capped. */
  readonly capped: ReadonlySet<string>
  /** Leads, as `place.terminal`, that are capped. */
  readonly cappedLeads: ReadonlySet<string>
}

export interface BoxHalfDone {
  readonly view: BoxView
  /** Null where nothing is planned for it: it stays as found. */
  readonly routed: RoutedBox | null
  readonly done: DoneSoFar
}

/** A circuit in the middle of the work, and the points of it that are bare in the air. */
export interface HalfDone {
  readonly circuit: Circuit
  readonly bare: ReadonlyMap<string, Bare>
}

/** What is bare in the air: in words, and in which box. */
export interface Bare {
  readonly name: string
  readonly boxId: string
}

/**
 * Some boxes in the middle of the work: what is done as planned, the rest as found, what was let go and not yet
 * landed bare in the air. A joint somebody opened still holds those of its members that were not taken from it.
 */
export function circuitBetween(boxes: readonly BoxHalfDone[], trade: Trade): HalfDone {
  const base = outsideOf(
    boxes.map(({ view }) => view),
    trade,
  )
  const parts = boxes.map(box => new Half(box, trade))
  return {
    circuit: {
      ...base,
      devices: parts.flatMap(({ devices }) => devices),
      wires: [...base.wires, ...parts.flatMap(({ wires }) => wires)],
      joints: [...base.joints, ...parts.flatMap(({ joints }) => joints)],
      caps: [...base.caps, ...parts.flatMap(({ caps }) => caps)],
      plan: null,
    },
    bare: new Map(parts.flatMap(({ bare }) => [...bare])),
  }
}

/** One box half done. */
class Half {
  readonly devices: PlacedDevice[] = []
  readonly wires: Wire[] = []
  readonly joints: CircuitJoint[] = []
  readonly caps: string[] = []
  readonly bare = new Map<string, Bare>()

  constructor(
    readonly box: BoxHalfDone,
    trade: Trade,
  ) {
    const { view } = box
    const standing: Standing[] = []
    for (const place of view.places) {
      const { placeId, isNew, model } = this.#planned(place.place.id) ?? {
        placeId: place.place.id,
        isNew: false,
        model: undefined,
      }
      const old = place.found ? deviceNamed(trade, place.found.modelId) : undefined
      const goes = isNew || place.place.retired
      const stays = !goes || !box.done.takenOut.has(placeId)
      const put = (id: string, device: DeviceModel) => {
        this.devices.push({ id, groupId: place.group.id, model: device })
        standing.push({ id, place: place.place, model: device })
      }
      if (place.found && old && stays) put(place.found.id, old)
      if (isNew && model) put(placeId, model)
    }
    this.joints.push(...tabsOf(standing).map(joinedByTab))
    this.#ends()
    this.#foundPigtails()
    this.#newJoints()
    this.#newLeads()
    this.#bond()
  }

  #planned(placeId: string) {
    return this.box.routed?.devices.find(each => each.placeId === placeId)
  }

  /** The point of a terminal of the plan: a device that stays keeps the name it was found under. */
  #terminal(placeId: string, terminalId: string): string {
    const kept = this.#planned(placeId)?.isNew === false
    const found = this.box.view.places.find(({ place }) => place.id === placeId)?.found
    return terminalPoint(kept && found ? found.id : placeId, terminalId)
  }

  #isBare(point: string, what: string): void {
    const { room, box } = this.box.view
    this.bare.set(point, {
      name: sayIn(this.box.view.region)`${what} in ${room.name}, ${box.name}`,
      boxId: box.id,
    })
  }

  /** Whether an end is where the plan puts it. */
  #isMoved({ end }: EndView): boolean {
    const { routed, done } = this.box
    const seat = routed?.seats[end.id]
    if (!routed || !seat) return false
    if (seat.kind === 'joint') {
      const joint = routed.joints.find(({ id }) => id === seat.jointId)!
      return done.joined.has(joint.netId)
    }
    if (seat.kind === 'terminal') return done.landed.has(keyOfTerminal(seat))
    return done.capped.has(end.id)
  }

  /** Whether a device that was found is still in, and has that terminal. */
  #holds(deviceId: string | null, terminal: string | null): boolean {
    const place = this.box.view.places.find(({ found }) => found?.id === deviceId)
    if (deviceId === null || !place || this.box.done.takenOut.has(place.place.id)) return false
    const model = this.devices.find(({ id }) => id === deviceId)?.model
    return model?.terminals.some(({ id }) => id === terminal) ?? false
  }

  #ends(): void {
    const { view, routed } = this.box
    const stillIn = new Map<string, string[]>()
    for (const each of view.ends) {
      const point = nearPoint(each)
      const { end } = each
      if (this.#isMoved(each)) {
        const seat = routed!.seats[end.id]!
        if (seat.kind === 'cap') this.caps.push(point)
        if (seat.kind === 'terminal')
          this.joints.push({
            id: `seat:${end.id}`,
            members: [point, this.#terminal(seat.placeId, seat.terminalId)],
          })
      } else if (end.seat === 'terminal' && this.#holds(end.deviceId, end.terminal))
        this.joints.push({
          id: `seat:${end.id}`,
          members: [point, terminalPoint(end.deviceId!, end.terminal!)],
        })
      else if (end.seat === 'joint' && end.jointId && !this.#isParted(end.jointId))
        stillIn.set(end.jointId, [...(stillIn.get(end.jointId) ?? []), point])
      else if (end.seat === 'cap') this.caps.push(point)
      else this.#isBare(point, each.name)
    }
    for (const { id } of view.joints) {
      const pigtails = this.#isMadeAnew(id)
        ? []
        : view.pigtails.filter(each => each.jointId === id).map(each => `pigtail:${each.id}:near`)
      const members = [...(stillIn.get(id) ?? []), ...pigtails]
      if (this.#isParted(id)) continue
      if (members.length > 1) this.joints.push({ id, members })
      for (const [only] of members.length === 1 && !pigtails.includes(members[0]!) ? [members] : []) {
        const each = view.ends.find(end => nearPoint(end) === only)
        if (only && each) this.#isBare(only, each.name)
      }
    }
  }

  #isParted(jointId: string): boolean {
    return this.box.done.parted.has(jointId)
  }

  /** Nothing of a joint is left but its pigtails, which go with it. */
  #isMadeAnew(jointId: string): boolean {
    const members = this.box.view.ends.filter(({ end }) => end.jointId === jointId)
    return members.length > 0 && members.every(end => this.#isMoved(end))
  }

  /** Short conductors that were in the box: they stay in their joint until it is made anew. */
  #foundPigtails(): void {
    const { view } = this.box
    for (const each of view.pigtails) {
      const [near, far] = [`pigtail:${each.id}:near`, `pigtail:${each.id}:far`]
      if (this.#isMadeAnew(each.jointId)) continue
      this.wires.push({ id: `pigtail:${each.id}`, a: near, b: far })
      if (this.#isParted(each.jointId)) this.#isBare(near, sayIn(this.box.view.region)`a pigtail`)
      if (this.#holds(each.deviceId, each.terminal))
        this.joints.push({
          id: `pigtail:${each.id}`,
          members: [far, terminalPoint(each.deviceId!, each.terminal!)],
        })
      else if (each.deviceId === null)
        this.joints.push({ id: `pigtail:${each.id}`, members: [far, bondPoint(view.box.id)] })
      else this.#isBare(far, sayIn(this.box.view.region)`a pigtail`)
    }
  }

  #newJoints(): void {
    const { view, routed, done } = this.box
    for (const joint of routed?.joints ?? []) {
      if (!done.joined.has(joint.netId)) continue
      const ends = view.ends.filter(({ end }) => joint.endIds.includes(end.id)).map(nearPoint)
      const leads = joint.leads.map(lead => this.#terminal(lead.placeId, lead.terminalId))
      const pigtails = routed!.pigtails
        .filter(({ id }) => joint.pigtailIds.includes(id))
        .map(({ id, to, insulation }) => {
          const [near, far] = [`new:${view.box.id}:${id}:near`, `new:${view.box.id}:${id}:far`]
          this.wires.push({ id: `new:${view.box.id}:${id}`, a: near, b: far })
          const goal = to === 'box' ? bondPoint(view.box.id) : this.#terminal(to.placeId, to.terminalId)
          if (to === 'box' || done.landed.has(keyOfTerminal(to)) || this.#stays(to))
            this.joints.push({ id: `new:${view.box.id}:${id}`, members: [far, goal] })
          else
            this.#isBare(
              far,
              sayIn(
                this.box.view.region,
              )`the ${sayIn(this.box.view.region)(INSULATION_WORDS[insulation])} pigtail`,
            )
          return near
        })
      const members = [...ends, ...leads, ...pigtails]
      if (members.length > 1) this.joints.push({ id: `${view.box.id}:${joint.id}`, members })
    }
  }

  /** Whether a terminal keeps what is on it: its pigtail goes from the old joint into the new one. */
  #stays({ placeId, terminalId }: { readonly placeId: string; readonly terminalId: string }): boolean {
    const { view, routed } = this.box
    if (!routed || this.#planned(placeId)?.isNew !== false) return false
    return !changedTerminals(view, routed, placeId).includes(terminalId)
  }

  /** Leads of a new device hang bare until their joint is made or they are capped. */
  #newLeads(): void {
    const { routed, done } = this.box
    for (const { placeId, model, isNew } of routed?.devices ?? []) {
      if (!isNew) continue
      for (const { id, joins, word } of model.terminals) {
        if (joins !== 'lead') continue
        const net = routed!.netOfTerminal[keyOfTerminal({ placeId, terminalId: id })] ?? null
        const point = terminalPoint(placeId, id)
        if (net === null && done.cappedLeads.has(keyOfTerminal({ placeId, terminalId: id })))
          this.caps.push(point)
        else if (net === null || !done.joined.has(net)) this.#isBare(point, `“${word}”`)
      }
    }
  }

  #bond(): void {
    const { view } = this.box
    const bonded = view.box.bonded === 'yes' ? view.ends.find(({ end }) => end.role === 'ground') : undefined
    if (bonded)
      this.joints.push({ id: `bond:${view.box.id}`, members: [nearPoint(bonded), bondPoint(view.box.id)] })
  }
}
