import { boxView, type BoxView } from '../job/box-view'
import { circuitsOf } from '../job/circuits'
import { tiedBoxes } from '../job/tied'
import type { Row } from '../model/entities'
import type { JobRecord } from '../model/record'
import type { Region } from '../model/regions'
import { good, type Fault, type Result } from '../model/result'
import type { Trade } from '../model/trade'
import type { Insulation, Role } from '../model/vocabulary'
import type { RoutedBox } from './planned'
import { routeAlone } from './route-box'
import { isTied, routeTogether } from './tied-boxes'
import { sayFor } from '../model/say-for'

/** A cable that is not there yet: so many conductors besides ground, one of them neutral-coloured. */
export interface NewCable {
  readonly from: string
  /** The box it would lead to; null: it would come from where the circuit is fed, and bring its neutral. */
  readonly to: string | null
  readonly conductors: number
  /** Of one from the supply: whose neutral it brings, where more circuits than one are about. */
  readonly circuitId: string | null
}

/** A way in which what cannot be wired could be: it was tried, and its wiring reaches. */
export interface RouteCure {
  readonly kind: 'house-rule' | 'another-place' | 'another-device' | 'cable'
  readonly id: string
  readonly says: string
  readonly price: number
  readonly minutes: number
  /** The job as it would be. */
  readonly tried: JobRecord
}

/** What is sold: two to four conductors and a ground. */
const MOST_CONDUCTORS = 4
const LEAST_CONDUCTORS = 2
/** Cables that one cure may ask for. */
const MOST_CABLES = 4

/** The record as it would be with such a cable pulled in, its conductors loose. */
export function withCable(record: JobRecord, cable: NewCable): JobRecord {
  const view = boxView(record, cable.from)
  if (!view) return record
  const id = ['new-cable', cable.from, cable.to ?? 'supply', cable.circuitId].filter(Boolean).join(' ')
  const row: Row<'cables'> = {
    id,
    boxId: cable.from,
    name: 'new',
    sheath: 'nonmetallic',
    entry: 'top',
    far: cable.to === null ? 'panel' : 'box',
    farBoxId: cable.to,
    farEntry: cable.to === null ? null : 'bottom',
    farLoadId: null,
    pulled: false,
    position: 99,
  }
  const colours = coloursOf(view.region, cable.conductors)
  const conductors = colours.map((insulation, position): Row<'conductors'> => ({
    id: `${id} ${position}`,
    cableId: id,
    insulation,
    markedAs: null,
    gauge: view.ends[0]?.conductor.gauge ?? view.region.usualGauge,
    stranding: 'solid',
    metal: 'copper',
    faded: false,
    unfit: false,
    wish: null,
    position,
  }))
  const ends = conductors.flatMap(({ id: conductorId, insulation }) =>
    [cable.from, ...(cable.to === null ? [] : [cable.to])].map((boxId): Row<'ends'> => ({
      id: `${conductorId} ${boxId}`,
      conductorId,
      boxId,
      seat: 'loose',
      deviceId: null,
      terminal: null,
      jointId: null,
      role: roleOf(view.region, insulation, cable),
      roleCircuitId: cable.circuitId,
      roleGroupId: null,
      seenAtSheath: true,
    })),
  )
  return {
    ...record,
    cables: { ...record.cables, [id]: row },
    conductors: { ...record.conductors, ...byId(conductors) },
    ends: { ...record.ends, ...byId(ends) },
  }
}

const byId = <Item extends { readonly id: string }>(items: readonly Item[]): Record<string, Item> =>
  Object.fromEntries(items.map(item => [item.id, item]))

function coloursOf({ insulations, neutralColours, groundColours }: Region, count: number): Insulation[] {
  const hots = insulations.filter(each => !neutralColours.includes(each) && !groundColours.includes(each))
  return [
    ...Array.from({ length: count - 1 }, (_, at) => hots[at % hots.length]!),
    neutralColours[0]!,
    groundColours[0]!,
  ]
}

function roleOf({ neutralColours, groundColours }: Region, insulation: Insulation, { to }: NewCable): Role {
  if (groundColours.includes(insulation)) return 'ground'
  return to === null && neutralColours.includes(insulation) ? 'neutral' : 'spare'
}

const between = ({ from, to, circuitId }: NewCable): string => `${from} ${to} ${circuitId}`

/** A box, with all that hangs together with it, wired as chosen; or why it cannot be. */
export function routeAll(record: JobRecord, boxId: string, trade: Trade): Result<readonly RoutedBox[]> {
  const view = boxView(record, boxId) as BoxView
  if (isTied(view)) {
    const together = routeTogether(tiedBoxes(record, boxId), trade)
    return together.ok ? good(together.value.boxes.map(({ routed }) => routed)) : together
  }
  const alone = routeAlone(view, trade)
  return alone.ok ? good([alone.value]) : alone
}

/**
 * The least cables with which a box, and all that hangs together with it, can be wired as chosen: each was tried and
 * works, and none of them could be smaller. Null where it can be wired as it is, or where no cable would help.
 */
export function cablesThatCure(record: JobRecord, boxId: string, trade: Trade): readonly NewCable[] | null {
  const cables: NewCable[] = []
  const tried = (all: readonly NewCable[]) => routeAll(all.reduce(withCable, record), boxId, trade)
  for (;;) {
    const now = tried(cables)
    if (now.ok) break
    const more = now.faults.map(cableFor).filter(each => each !== null)
    const added = more.filter(each => !cables.some(other => between(other) === between(each)))
    if (added.length === 0 || cables.length + added.length > MOST_CABLES) return null
    cables.push(...new Map(added.map(each => [between(each), each])).values())
  }
  if (cables.length === 0) return null
  for (let at = 0; at < cables.length; at++)
    for (let conductors = LEAST_CONDUCTORS; conductors < MOST_CONDUCTORS; conductors++) {
      const smaller = cables.with(at, { ...cables[at]!, conductors })
      if (!tried(smaller).ok) continue
      cables[at] = smaller[at]!
      break
    }
  return cables

  function cableFor({ path, code }: Fault): NewCable | null {
    const [, kind, first, second] = path.split('/')
    if (kind === 'cables' && first && second)
      return { from: first, to: second, conductors: MOST_CONDUCTORS, circuitId: null }
    const place = kind === 'places' && code === 'net-missing' ? record.places[first ?? ''] : undefined
    if (!place) return null
    const circuits = circuitsOf(tiedBoxes(record, boxId))
    const whose = circuits.ofLight(place.groupId)
    const circuitId = whose.kind === 'known' && record.circuits[whose.circuitId] ? whose.circuitId : null
    return { from: place.boxId, to: null, conductors: MOST_CONDUCTORS, circuitId }
  }
}

/** Cables that cure, in words, money and minutes. */
export function cableCure(
  record: JobRecord,
  boxId: string,
  cables: readonly NewCable[],
  trade: Trade,
): RouteCure {
  const say = sayFor(record)

  const {} = tiedBoxes(record, boxId)[0]!
  const name = (id: string) => `${record.rooms[record.boxes[id]!.roomId]!.name}, ${record.boxes[id]!.name}`
  const words = cables.map(({ from, to, conductors }) =>
    to === null
      ? say`one of ${conductors} conductors and ground into ${name(from)}, with a neutral from where its circuit is fed`
      : say`one of ${conductors} conductors and ground between ${name(from)} and ${name(to)}`,
  )
  return {
    kind: 'cable',
    id: 'cable-between',
    says: `${say.count(cables.length, 'A new cable', '# new cables')}: ${words.join('; ')}.`,
    price: trade.prices['new-cable'] * cables.length,
    minutes: trade.minutes['new-cable'] * cables.length,
    tried: cables.reduce(withCable, record),
  }
}
