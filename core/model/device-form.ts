import type { DeviceModel } from './device'
import { fault, type Fault } from './result'
import { MOST_VALUES, valuesOf, type Setting } from './setting'

const OUTLET_POLES = ['hot', 'neutral', 'ground'] as const

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
  if (model.motorAllowed && !model.ratings.some(({ kind }) => kind === 'motor'))
    faults.push(fault('/motorAllowed', 'no-motor-rating', 'what may work a motor has a rating for motors'))
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
  model.contacts.forEach(({ between, when, share }, index) => {
    between.forEach((id, end) => needTerminal(`/contacts/${index}/between/${end}`, id))
    if (between[0] === between[1])
      faults.push(fault(`/contacts/${index}/between`, 'to-itself', 'a contact joins two different terminals'))
    needState(`/contacts/${index}/when`, when)
    if (share) faults.push(...faultsOfShare(`/contacts/${index}/share`, share, values.get(share.variable)))
  })
  model.supply.forEach((supply, index) => {
    const path = `/supply/${index}`
    needTerminal(`${path}/line`, supply.line)
    if (supply.kind === 'line-neutral') needTerminal(`${path}/neutral`, supply.neutral)
    if (supply.kind === 'line-ground') needTerminal(`${path}/ground`, supply.ground)
    if (supply.kind === 'through-load') needTerminal(`${path}/load`, supply.load)
  })
  model.signals.forEach(({ terminal, hears, passes }, index) => {
    const path = `/signals/${index}`
    needTerminal(`${path}/terminal`, terminal)
    hears.forEach((pole, at) => needTerminal(`${path}/hears/${at}`, pole))
    if (passes !== null) needTerminal(`${path}/passes`, passes)
    if (hears.length > 0 === (passes !== null))
      faults.push(
        fault(
          `${path}/hears`,
          'signal-unclear',
          'a signal either hears poles of its own or passes the power',
        ),
      )
  })
  const settings = new Map(model.settings.map(setting => [setting.id, new Set(valuesOf(setting))]))
  model.control.forEach(({ from, to, set, tells }, index) => {
    needState(`/control/${index}/from`, from)
    needState(`/control/${index}/to`, to)
    for (const [setting, value] of Object.entries(set ?? {}))
      if (!settings.get(setting)?.has(value))
        faults.push(
          fault(
            `/control/${index}/set/${setting}`,
            'unknown-setting',
            `no setting “${setting}” is “${value}”`,
          ),
        )
    if (tells && model.family === null)
      faults.push(
        fault(`/control/${index}/tells`, 'no-family', 'only a device with a family tells its peers'),
      )
  })
  for (const [setting, value] of Object.entries(model.keepsSwitch?.set ?? {}))
    if (!settings.get(setting)?.has(value))
      faults.push(
        fault(`/keepsSwitch/set/${setting}`, 'unknown-setting', `no setting “${setting}” is “${value}”`),
      )
  if (model.keepsSwitch && model.signals.every(({ hears }) => hears.length === 0))
    faults.push(fault('/keepsSwitch', 'hears-nothing', 'it has no terminal that would hear a kept switch'))
  if (model.commanded) needState('/commanded/when', model.commanded.when)
  if (model.outOfService) needState('/outOfService/when', model.outOfService.when)
  const before: readonly string[] = model.outlet ? OUTLET_POLES.map(pole => model.outlet![pole]) : []
  before.forEach((id, at) => needTerminal(`/outlet/${OUTLET_POLES[at]}`, id))
  for (const [pole, id] of Object.entries(model.outlet?.protects ?? {})) {
    needTerminal(`/outlet/protects/${pole}`, id)
    if (before.includes(id))
      faults.push(
        fault(`/outlet/protects/${pole}`, 'twice', `“${id}” is before its protection and behind it`),
      )
  }
  for (const [pole, { from, to }] of Object.entries(model.isolates ?? {})) {
    needTerminal(`/isolates/${pole}/from`, from)
    needTerminal(`/isolates/${pole}/to`, to)
    if (!model.contacts.some(({ between }) => between.includes(from) && between.includes(to)))
      faults.push(fault(`/isolates/${pole}`, 'no-contact', `no contact parts “${from}” from “${to}”`))
  }
  const isolated = Object.values(model.isolates ?? {}).map(({ to }) => to)
  model.terminals.forEach(({ id, wants }, index) => {
    if ((wants === 'beyond') !== isolated.includes(id))
      faults.push(
        fault(`/terminals/${index}/wants`, 'isolates-nothing', `what “${id}” leads on to is not said`),
      )
  })
  if (model.isolates && !model.outOfService)
    faults.push(fault('/outOfService', 'never-off', 'what isolates says when it does'))
  if (model.indicator) needState('/indicator/when', model.indicator.when)
  model.settings.forEach((setting, index) => {
    faults.push(...faultsOfSetting(`/settings/${index}`, setting))
    if (setting.bearsOn && model.settings.findIndex(({ bearsOn }) => bearsOn === setting.bearsOn) < index)
      faults.push(fault(`/settings/${index}/bearsOn`, 'twice', 'another setting decides the same'))
  })
  if (model.sees && !model.does.includes('presence'))
    faults.push(fault('/sees', 'no-sensor', 'only what senses presence sees'))
  if (model.joining && model.radio === null)
    faults.push(fault('/joining', 'no-radio', 'only what speaks by radio is set up by it'))
  const own = model.terminals.filter(({ wants }) => wants === 'own')
  if (own.length === 1 && !model.behind)
    faults.push(fault('/terminals', 'own-alone', `“${own[0]!.id}” is joined to no other terminal of its own`))
  if (model.behind && own.length === 0)
    faults.push(fault('/behind', 'hears-nothing', 'no terminal of it is told by the switch before it'))
  if (model.part) {
    if (model.part.tab !== null) needTerminal('/part/tab', model.part.tab)
    if (model.size.gangs > 1)
      faults.push(fault('/part', 'too-wide', 'what shares an opening is one gang wide'))
  }
  if (model.places.least > model.places.most)
    faults.push(fault('/places/least', 'range', 'least places is above most places'))
  const electronic = model.contacts.some(contact => contact.kind === 'electronic')
  if (electronic && model.supply.length === 0)
    faults.push(fault('/supply', 'no-supply', 'electronics need at least one way of being fed'))
  return faults
}

function faultsOfSetting(path: string, setting: Setting): Fault[] {
  const { kind, allowed, name, initial } = setting
  const isRange = 'step' in allowed
  if (isRange && (allowed.to <= allowed.from || (allowed.to - allowed.from) / allowed.step >= MOST_VALUES))
    return [fault(`${path}/allowed`, 'range', `from the less to the more, at most ${MOST_VALUES} values`)]
  const values = valuesOf(setting)
  return [
    ...(isRange && kind === 'choice'
      ? [fault(`${path}/kind`, 'no-figure', 'a choice is a list of words')]
      : []),
    ...(new Set(values).size < values.length
      ? [fault(`${path}/allowed`, 'twice', `“${name}” has a value twice`)]
      : []),
    ...(values.includes(initial)
      ? []
      : [fault(`${path}/initial`, 'impossible-value', `“${name}” has no value “${initial}”`)]),
  ]
}

function faultsOfShare(
  path: string,
  { variable, of }: NonNullable<DeviceModel['contacts'][number]['share']>,
  values: ReadonlySet<string> | undefined,
): Fault[] {
  if (!values) return [fault(`${path}/variable`, 'unknown-variable', `there is no variable “${variable}”`)]
  const unknown = Object.keys(of).filter(value => !values.has(value))
  const missing = [...values].filter(value => of[value] === undefined)
  return [
    ...unknown.map(value =>
      fault(`${path}/of/${value}`, 'impossible-state', `“${variable}” is never “${value}”`),
    ),
    ...missing.map(value =>
      fault(`${path}/of`, 'no-share', `“${value}” of “${variable}” has no share of the voltage`),
    ),
  ]
}
