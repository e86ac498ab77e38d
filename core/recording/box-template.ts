import type { BoxView, PlaceView } from '../job/box-view'
import type { Edit } from '../job/command'
import type { DeviceModel, Terminal } from '../model/device'
import { deviceNamed, devicesFor, type Trade } from '../model/trade'
import type { Gauge } from '../model/vocabulary'
import { BLANK } from '../model/blank-rows'
import { cableEdits, freeName, type Seat } from './cables'
import type { Pen } from './pen'
import { boxTemplates, type BoxTemplate, type SwitchKind, type TemplateSeat } from './templates'

/** Screws that wires other than the ground go to, in the order of the switch. */
const screwsOf = (model: DeviceModel): Terminal[] => model.terminals.filter(({ wants }) => wants !== 'ground')

/** What kind of switch a model is, by its screws; null for what is none. */
export function kindOf(model: DeviceModel | undefined): SwitchKind | null {
  if (!model?.does.includes('switch')) return null
  const wants = screwsOf(model).map(each => each.wants)
  if (wants.join() === 'line,load') return 'one-place'
  if (wants.join() === 'common,traveller,traveller') return 'two-place'
  return wants.join() === 'traveller,traveller,traveller,traveller' ? 'middle' : null
}

/** The kind of switch a place has, or most likely has, by how many places work its light. */
function kindAt({ found, placesInGroup }: PlaceView, trade: Trade): SwitchKind {
  const kind = kindOf(deviceNamed(trade, found?.modelId ?? ''))
  return kind ?? (placesInGroup > 1 ? 'two-place' : 'one-place')
}

/** Templates for a box; none where an old device is no switch, so that nothing is guessed of it. */
export function templatesFor(view: BoxView, trade: Trade): BoxTemplate[] {
  const strange = view.places.some(
    ({ found }) => found !== null && kindOf(deviceNamed(trade, found.modelId)) === null,
  )
  if (strange || view.places.length === 0) return []
  const kinds = view.places.map(place => kindAt(place, trade))
  const oldKinds = devicesFor(trade, view.region.id, 'found').map(kindOf)
  return boxTemplates(view.region, kinds).filter(({ kind }) => oldKinds.includes(kind))
}

/** The edits that record a whole box as a template has it, its old switches with it. */
export function templateEdits(
  pen: Pen,
  view: BoxView,
  trade: Trade,
  template: BoxTemplate,
  gauge: Gauge,
): Edit[] {
  const edits: Edit[] = []
  const { add, change, newId } = pen
  const switches = view.places.map((place, at) => {
    const kind = view.places.length > 1 ? kindAt(place, trade) : template.kind
    const before = deviceNamed(trade, place.found?.modelId ?? '')
    const model =
      before && kindOf(before) === kind
        ? before
        : devicesFor(trade, view.region.id, 'found').find(each => kindOf(each) === kind)
    const deviceId = place.found?.id ?? newId()
    if (model && !place.found)
      edits.push(
        add('devices', { ...BLANK.devices, id: deviceId, placeId: place.place.id, modelId: model.id }),
      )
    if (model && place.found && model !== before)
      edits.push(change('devices', deviceId, { modelId: model.id }))
    return { control: at + 1, deviceId, model }
  })
  const switchOf = (control: number) => switches.find(each => each.control === control)
  const joints = new Map<string, string>()
  const jointNamed = (name: string) => {
    const known = joints.get(name)
    if (known) return known
    const id = newId()
    joints.set(name, id)
    edits.push(add('joints', { id, boxId: view.box.id, ...BLANK.joints }))
    return id
  }
  const pigtail = (jointId: string, deviceId: string, terminal: Terminal | undefined) => {
    if (terminal)
      edits.push(
        add('pigtails', { ...BLANK.pigtails, id: newId(), jointId, deviceId, terminal: terminal.id }),
      )
  }
  const seated = (seat: BoxTemplate['cables'][number]['strands'][number][1]): Seat => {
    if ('joint' in seat)
      return { seat: 'joint', deviceId: null, terminal: null, jointId: jointNamed(seat.joint) }
    const at = switchOf(seat.control)
    const terminal = at?.model && screwsOf(at.model)[seat.screw]
    return at && terminal
      ? { seat: 'terminal', deviceId: at.deviceId, terminal: terminal.id, jointId: null }
      : { seat: 'loose', deviceId: null, terminal: null, jointId: null }
  }
  const lightOf = (seat: TemplateSeat): string | null =>
    'control' in seat ? (view.places[seat.control - 1]?.group.id ?? null) : null
  const names: string[] = []
  template.cables.forEach(() => names.push(freeName(names)))
  const cables = template.cables.flatMap((cable, position) =>
    cableEdits(
      pen,
      view.record,
      { boxId: view.box.id, name: names[position]!, entry: cable.entry, far: cable.far, position },
      cable.strands.map(([insulation, seat, role = null]) => ({
        insulation,
        gauge,
        at: [
          {
            boxId: view.box.id,
            said: { ...seated(seat), role, roleGroupId: role === 'switched-load' ? lightOf(seat) : null },
          },
        ],
      })),
    ),
  )
  for (const { control, screw } of template.fedFromJoint) {
    const at = switchOf(control)
    if (at?.model) pigtail(jointNamed('line'), at.deviceId, screwsOf(at.model)[screw])
  }
  const ground = joints.get('ground')
  if (ground)
    for (const { deviceId, model } of switches)
      pigtail(
        ground,
        deviceId,
        model?.terminals.find(({ wants }) => wants === 'ground'),
      )
  return [...edits, ...cables]
}
