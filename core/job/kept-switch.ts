import type { Contact, DeviceModel, Terminal } from '../model/device'
import { isTwoPlace } from '../model/make-up'
import { deviceNamed, type Trade } from '../model/trade'
import { willStand, type PlaceView } from './box-view'

/** Which two terminals of a switch a module behind it uses; null where it is no switch that could stay. */
function polesOf(old: DeviceModel): readonly [fed: string, tells: string] | null {
  const { does, supply, signals, contacts, control, terminals } = old
  if (old.part || supply.length + signals.length > 0) return null
  if (control.some(({ event }) => event !== 'toggle')) return null
  if (does.some(each => each !== 'switch') || contacts.some(({ kind }) => kind !== 'metal')) return null
  if (isTwoPlace(old)) {
    const [common] = terminals.filter(({ wants }) => wants === 'common')
    const [traveller] = terminals.filter(({ wants }) => wants === 'traveller')
    return [common!.id, traveller!.id]
  }
  const [only] = contacts
  return only && contacts.length === 1 ? only.between : null
}

/** Whether a switch can stay before a module that stands behind it. */
export const canStayBefore = (old: DeviceModel): boolean => polesOf(old) !== null

/**
 * A module with the switch that stays before it, as one: the switch is fed by the module’s line, and tells it what to do
 * over a wire between the two. A switch for two places does so by its common and one traveller; its other screw stays
 * empty. Null where that switch cannot stay.
 */
export function behindSwitch(module: DeviceModel, old: DeviceModel): DeviceModel | null {
  let known = together.get(module)
  if (!known) together.set(module, (known = new WeakMap()))
  let model = known.get(old)
  if (model === undefined) known.set(old, (model = asOne(module, old)))
  return model
}

/** Models are compared by what they are, so that the same two make the same one. */
const together = new WeakMap<DeviceModel, WeakMap<DeviceModel, DeviceModel | null>>()

function asOne(module: DeviceModel, old: DeviceModel): DeviceModel | null {
  const poles = polesOf(old)
  if (!poles) return null
  const [fed, tells] = poles
  const named = (id: string) => `kept-${id}`
  const terminals = old.terminals.flatMap((terminal): Terminal[] => {
    const wants = terminal.id === fed ? 'line' : terminal.id === tells ? 'own' : terminal.wants
    if (wants !== 'line' && wants !== 'own' && wants !== 'ground') return []
    return [
      {
        ...terminal,
        id: named(terminal.id),
        word: `Switch: ${terminal.word}`,
        wants,
        alike: null,
        sheet: old.instructions,
      },
    ]
  })
  const there = new Set(terminals.map(({ id }) => id))
  const stateOf = (state: Readonly<Record<string, string>>) =>
    Object.fromEntries(Object.entries(state).map(([variable, value]) => [named(variable), value]))
  return {
    ...module,
    terminals: [...module.terminals, ...terminals],
    variables: [...module.variables, ...old.variables.map(each => ({ ...each, id: named(each.id) }))],
    contacts: [
      ...module.contacts,
      ...old.contacts
        .map((contact): Contact => ({
          ...contact,
          between: [named(contact.between[0]), named(contact.between[1])],
          when: stateOf(contact.when),
        }))
        .filter(({ between }) => between.every(id => there.has(id))),
    ],
    control: [
      ...old.control.map(each => ({ ...each, from: stateOf(each.from), to: stateOf(each.to) })),
      ...module.control,
    ],
  }
}

/** What will stand at a place, with the switch that stays before it; null where nothing will, or not so. */
export function modelStanding(place: PlaceView, trade: Trade): DeviceModel | null {
  const model = deviceNamed(trade, willStand(place) ?? '') ?? null
  if (!model?.behind) return model
  const old = deviceNamed(trade, place.found?.modelId ?? '')
  return old ? behindSwitch(model, old) : null
}
