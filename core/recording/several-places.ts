import type { Edit } from '../job/command'
import { BLANK } from '../model/blank-rows'
import type { DeviceModel, Terminal } from '../model/device'
import type { Load } from '../model/entities'
import { rowsWith, type JobRecord } from '../model/record'
import { regionOf, type Region } from '../model/regions'
import type { Gauge, Insulation, Role } from '../model/vocabulary'
import { arranged, type ArrangedCable, type Arrangement, type Net, type RowNode } from './arrangements'
import { boxAdded, roomNamed } from './boxes'
import { cableEdits, freeName, LOOSE, type NewStrand, type Said, type Seat } from './cables'
import { lightAdded } from './lights'
import type { Pen } from './pen'

/** A place to be: in a new box of a room, or one that is recorded with no cable in its box yet. */
export type PlaceToBe =
  | { readonly kind: 'new'; readonly roomName: string; readonly floor: string; readonly name: string }
  | { readonly kind: 'recorded'; readonly placeId: string }

export interface SeveralPlaces {
  readonly arrangement: Arrangement
  /** Called so where it is a new one; the light of a recorded place keeps its name and its lamps. */
  readonly lightName: string
  /** One a place, in the order of the row; at most one of them recorded. */
  readonly places: readonly PlaceToBe[]
  readonly lamps: Pick<Load, 'kind' | 'wattsEach' | 'count'> | null
  readonly gauge: Gauge
  readonly circuitId: string | null
  /** Old switches as they are there: for the two ends, and for those between. */
  readonly switches: { readonly end: DeviceModel; readonly middle: DeviceModel }
}

/**
 * A light of several places as one of the usual arrangements has it, whole: rooms, boxes, old switches, cables with
 * both their ends, joints, roles as they are taken for, the light and its lamps. Nothing of it is proven.
 */
export function severalPlaces(
  pen: Pen,
  record: JobRecord,
  said: SeveralPlaces,
): { readonly edits: Edit[]; readonly boxIds: string[]; readonly groupId: string } {
  const region = regionOf(record.job.regionId)
  const plan = arranged(said.arrangement)
  const known = said.places.flatMap(place =>
    place.kind === 'recorded' ? record.places[place.placeId]!.groupId : [],
  )[0]
  const groupId = known ?? pen.newId()
  const edits: Edit[] = known === undefined ? [lightAdded(pen, groupId, said.lightName)] : []
  const loadId = pen.newId()
  if (said.lamps)
    edits.push(pen.add('loads', { ...BLANK.loads, id: loadId, groupId, name: said.lightName, ...said.lamps }))
  const boxes = plan.nodes.map((node, at) => nodeAdded(pen, record, said, node, at, groupId, edits))
  const cables = withOwnLeads(plan.cables, plan.nodes)
  const work = new Joining(pen, said, plan.nodes, boxes, cables, plan.lineAt, plan.loadAt)
  const names: string[] = []
  const runs = cables.flatMap((cable, position) => {
    const name = freeName(names)
    names.push(name)
    return cableEdits(
      pen,
      record,
      cableRow(cable, boxes, name, position, said.lamps ? loadId : null),
      strandsOf(cable, region, said, groupId, (net, at) => work.seat(net, at), boxes),
    )
  })
  edits.push(...work.joints(), ...runs, ...work.pigtails())
  return { edits, boxIds: boxes.map(({ boxId }) => boxId), groupId }
}

interface NodeBox {
  readonly boxId: string
  readonly deviceId: string
  readonly model: DeviceModel | null
}

function nodeAdded(
  pen: Pen,
  record: JobRecord,
  said: SeveralPlaces,
  node: RowNode,
  at: number,
  groupId: string,
  edits: Edit[],
): NodeBox {
  const place = said.places[node.kind === 'place' ? node.place : said.arrangement.lampAt.place]!
  const isEnd = node.kind === 'place' && (node.place === 0 || node.place === said.arrangement.places - 1)
  const model = isEnd ? said.switches.end : said.switches.middle
  if (node.kind === 'place' && place.kind === 'recorded')
    return nodeRecorded(pen, record, place.placeId, model, said, edits)
  const boxId = pen.newId()
  const deviceId = pen.newId()
  const room = roomIn(pen, record, place, edits)
  if (node.kind === 'luminaire') {
    edits.push(
      boxAdded(
        pen,
        record,
        { id: boxId, roomId: room, name: said.lightName, kind: 'luminaire', gangs: 0 },
        at,
      ),
      ...fedBy(pen, boxId, said),
    )
    return { boxId, deviceId, model: null }
  }
  const placeId = pen.newId()
  const name = place.kind === 'new' ? place.name : said.lightName
  edits.push(
    boxAdded(pen, record, { id: boxId, roomId: room, name, gangs: 1 }, at),
    ...fedBy(pen, boxId, said),
    pen.add('places', { ...BLANK.places, id: placeId, boxId, gang: 1, groupId }),
    pen.add('devices', { ...BLANK.devices, id: deviceId, placeId, modelId: model.id }),
  )
  return { boxId, deviceId, model }
}

/** A place that is there already gets the old switch it must have; its light is the one. */
function nodeRecorded(
  pen: Pen,
  record: JobRecord,
  placeId: string,
  model: DeviceModel,
  said: SeveralPlaces,
  edits: Edit[],
): NodeBox {
  const { boxId } = record.places[placeId]!
  const [found] = rowsWith(record, 'devices', 'placeId', placeId)
  const deviceId = found?.id ?? pen.newId()
  if (!found) edits.push(pen.add('devices', { ...BLANK.devices, id: deviceId, placeId, modelId: model.id }))
  else if (found.modelId !== model.id) edits.push(pen.change('devices', deviceId, { modelId: model.id }))
  const isFed = rowsWith(record, 'feeds', 'boxId', boxId).some(
    ({ circuitId }) => circuitId === said.circuitId,
  )
  if (!isFed) edits.push(...fedBy(pen, boxId, said))
  return { boxId, deviceId, model }
}

/** All its boxes are fed by the one circuit, as long as only a label says so. */
const fedBy = (pen: Pen, boxId: string, { circuitId }: SeveralPlaces): Edit[] =>
  circuitId === null ? [] : [pen.add('feeds', { id: pen.newId(), boxId, circuitId, basis: 'label' })]

/** A room by its name: one of the job, one that these edits add already, or a new one. */
function roomIn(pen: Pen, record: JobRecord, place: PlaceToBe, edits: Edit[]): string {
  if (place.kind === 'recorded') return record.boxes[record.places[place.placeId]!.boxId]!.roomId
  const { roomName, floor } = place
  const same = (name: string) => name.trim().toLowerCase() === roomName.trim().toLowerCase()
  let added = 0
  for (const edit of edits) {
    if (edit.kind !== 'add' || edit.entity !== 'rooms') continue
    if (same(edit.row.name)) return edit.row.id
    added++
  }
  const room = roomNamed(pen, record, roomName, floor, added)
  edits.push(...room.edits)
  return room.id
}

/** Where the lamp hangs between two switches its own wires are in that box too. */
function withOwnLeads(cables: readonly ArrangedCable[], nodes: readonly RowNode[]): readonly ArrangedCable[] {
  const at = nodes.findIndex(({ kind }) => kind === 'luminaire')
  return at < 0 ? cables : [...cables, { from: at, to: 'lamp', nets: ['load', 'neutral', 'ground'] }]
}

function cableRow(
  { from, to }: ArrangedCable,
  boxes: readonly NodeBox[],
  name: string,
  position: number,
  loadId: string | null,
) {
  const here = boxes[from]!
  const row = { boxId: here.boxId, name, position }
  if (to === 'panel') return { ...row, entry: 'bottom', far: 'panel' } as const
  if (to === 'lamp') {
    const own = here.model === null ? ({ sheath: 'own-leads' } as const) : {}
    return { ...row, ...own, entry: 'top', far: 'luminaire', farLoadId: loadId } as const
  }
  return { ...row, entry: 'top', far: 'box', farBoxId: boxes[to]!.boxId, farEntry: 'bottom' } as const
}

function strandsOf(
  { from, to, nets }: ArrangedCable,
  region: Region,
  { gauge }: SeveralPlaces,
  groupId: string,
  seatOf: (net: Net | null, node: number) => Seat,
  boxes: readonly NodeBox[],
): NewStrand[] {
  const isLoop = to === 'lamp' && nets.includes('line')
  const { colours } = region
  const pair: Readonly<Record<'line' | 'load' | 'neutral', Insulation>> = {
    line: colours.hot,
    load: colours.hot,
    neutral: colours.neutral,
    ...(isLoop ? colours.loop : {}),
  }
  const own = to === 'lamp' && boxes[from]!.model === null
  const at = (net: Net | null): NewStrand['at'] =>
    [from, ...(typeof to === 'number' ? [to] : [])].map(node => ({
      boxId: boxes[node]!.boxId,
      said: { ...seatOf(net, node), ...roleOf(net, isLoop, groupId) },
    }))
  const strand = (net: Net | null, insulation: Insulation): NewStrand => ({
    insulation,
    gauge: own ? region.leadGauge : gauge,
    at: at(net),
  })
  if (typeof to !== 'number')
    return nets.map(net => strand(net, net in pair ? pair[net as keyof typeof pair] : colours.ground))
  const [first, second, third = null] = nets.filter(net => net !== 'ground') as [Net, Net, Net?]
  const three = colours.beside[third === 'load' || third === 'neutral' ? third : 'other']
  return [
    strand(first, three[0]),
    strand(second, three[1]),
    strand(third, three[2]),
    strand('ground', colours.ground),
  ]
}

function roleOf(net: Net | null, isLoop: boolean, groupId: string): Omit<Said, keyof Seat> {
  const role: Role =
    net === null
      ? 'spare'
      : net === 'line'
        ? isLoop
          ? 'loop-feed'
          : 'line'
        : net === 'load'
          ? isLoop
            ? 'loop-return'
            : 'switched-load'
          : net === 'neutral' || net === 'ground'
            ? net
            : 'traveller'
  return { role, roleGroupId: net === 'load' ? groupId : null }
}

/** Which conductors meet in which box, and so where each of them sits. */
class Joining {
  readonly #joints = new Map<string, { readonly id: string; readonly boxId: string }>()

  constructor(
    readonly pen: Pen,
    readonly said: SeveralPlaces,
    readonly nodes: readonly RowNode[],
    readonly boxes: readonly NodeBox[],
    readonly cables: readonly ArrangedCable[],
    readonly lineAt: number,
    readonly loadAt: number,
  ) {}

  /** Where a conductor of a net sits at a box of the row: on a screw, in a joint, or capped where nothing meets it. */
  seat(net: Net | null, node: number): Seat {
    if (net === null) return { ...LOOSE, seat: 'cap' }
    const { deviceId } = this.boxes[node]!
    const screw = this.#screw(net, node)
    if (this.#meeting(net, node) === 1)
      return screw
        ? { seat: 'terminal', deviceId, terminal: screw.id, jointId: null }
        : { ...LOOSE, seat: 'cap' }
    return { ...LOOSE, seat: 'joint', jointId: this.#joint(net, node).id }
  }

  joints(): Edit[] {
    // Where every conductor sits has to be asked first: the joints are those that came of it.
    for (const { from, to, nets } of this.cables)
      for (const node of [from, ...(typeof to === 'number' ? [to] : [])])
        for (const net of nets) this.seat(net, node)
    return [...this.#joints.values()].map(({ id, boxId }) =>
      this.pen.add('joints', { id, boxId, ...BLANK.joints }),
    )
  }

  /** From joints to the screws of the old switches that are on the same net. */
  pigtails(): Edit[] {
    return [...this.#joints].flatMap(([key, { id }]) => {
      const [net, node] = JSON.parse(key) as [Net, number]
      const screw = this.#screw(net, node)
      return screw
        ? [
            this.pen.add('pigtails', {
              ...BLANK.pigtails,
              id: this.pen.newId(),
              jointId: id,
              deviceId: this.boxes[node]!.deviceId,
              terminal: screw.id,
            }),
          ]
        : []
    })
  }

  #joint(net: Net, node: number) {
    const key = JSON.stringify([net, node])
    const known = this.#joints.get(key) ?? { id: this.pen.newId(), boxId: this.boxes[node]!.boxId }
    this.#joints.set(key, known)
    return known
  }

  /** Conductors of a net that come into a box of the row. */
  #meeting(net: Net, node: number): number {
    return this.cables.filter(({ from, to, nets }) => (from === node || to === node) && nets.includes(net))
      .length
  }

  /** The screw of a box’s old switch that a net belongs on. */
  #screw(net: Net, node: number): Terminal | null {
    const at = this.nodes[node]!
    const model = this.boxes[node]!.model
    if (!model || at.kind !== 'place') return null
    const wanting = (wants: Terminal['wants']) => model.terminals.filter(each => each.wants === wants)
    if (net === 'ground') return wanting('ground')[0] ?? null
    if (net === 'neutral') return null
    if (net === 'line' || net === 'load')
      return at.place === (net === 'line' ? this.lineAt : this.loadAt) ? (wanting('common')[0] ?? null) : null
    const [, stretch, letter] = net.split('-') as [string, string, 'a' | 'b']
    const pair = wanting('traveller')
    // A middle switch has the pair from the place before first, then the pair to the next one.
    const offset = pair.length > 2 && Number(stretch) === at.place ? 2 : 0
    return pair[offset + (letter === 'a' ? 0 : 1)] ?? null
  }
}
