import type { DeviceModel } from './device'
import { fault, type Fault } from './result'

/**
 * What is impossible in a device model beyond the shape of its fields: a contact to nowhere, a state
 * no variable has, a supply on an unknown terminal. Each fault names the field's path.
 */
export function faultsOfDevice(model: DeviceModel): Fault[] {
  const faults: Fault[] = []
  const terminals = new Set(model.terminals.map(terminal => terminal.id))
  const values = new Map(model.variables.map(variable => [variable.id, new Set(variable.values)]))
  const needTerminal = (path: string, id: string) => {
    if (!terminals.has(id)) faults.push(fault(path, 'unknown-terminal', `there is no terminal “${id}”`))
  }
  const needState = (path: string, state: Readonly<Record<string, string>>) => {
    for (const [variable, value] of Object.entries(state)) {
      const known = values.get(variable)
      if (!known)
        faults.push(fault(`${path}/${variable}`, 'unknown-variable', `there is no variable “${variable}”`))
      else if (!known.has(value))
        faults.push(fault(`${path}/${variable}`, 'impossible-state', `“${variable}” is never “${value}”`))
    }
  }

  if (terminals.size !== model.terminals.length)
    faults.push(fault('/terminals', 'twice', 'two terminals have the same id'))
  model.variables.forEach((variable, index) => {
    if (!variable.values.includes(variable.initial))
      faults.push(
        fault(
          `/variables/${index}/initial`,
          'impossible-state',
          `“${variable.id}” is never “${variable.initial}”`,
        ),
      )
  })
  model.contacts.forEach(({ between, when }, index) => {
    between.forEach((id, end) => needTerminal(`/contacts/${index}/between/${end}`, id))
    if (between[0] === between[1])
      faults.push(fault(`/contacts/${index}/between`, 'to-itself', 'a contact joins two different terminals'))
    needState(`/contacts/${index}/when`, when)
  })
  model.supply.forEach((supply, index) => {
    const path = `/supply/${index}`
    needTerminal(`${path}/line`, supply.line)
    if (supply.kind === 'line-neutral') needTerminal(`${path}/neutral`, supply.neutral)
    if (supply.kind === 'line-ground') needTerminal(`${path}/ground`, supply.ground)
    if (supply.kind === 'through-load') needTerminal(`${path}/load`, supply.load)
  })
  model.signals.forEach(({ terminal }, index) => needTerminal(`/signals/${index}/terminal`, terminal))
  model.control.forEach(({ from, to }, index) => {
    needState(`/control/${index}/from`, from)
    needState(`/control/${index}/to`, to)
  })
  if (model.commanded) needState('/commanded', { [model.commanded.variable]: model.commanded.on })
  model.settings.forEach((setting, index) => {
    if (!setting.values.includes(setting.initial))
      faults.push(
        fault(
          `/settings/${index}/initial`,
          'impossible-value',
          `“${setting.name}” has no value “${setting.initial}”`,
        ),
      )
  })
  if (model.places.least > model.places.most)
    faults.push(fault('/places/least', 'range', 'least places is above most places'))
  const electronic = model.contacts.some(contact => contact.kind === 'electronic')
  if (electronic && model.supply.length === 0)
    faults.push(fault('/supply', 'no-supply', 'electronics need at least one way of being fed'))
  return faults
}
