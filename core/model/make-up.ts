import type { DeviceModel, Signal, Terminal } from './device'

/** Terminals that ask for one kind of net. */
export const wanting = ({ terminals }: DeviceModel, wants: Terminal['wants']) =>
  terminals.filter(each => each.wants === wants)

/** For the pair of low voltage that tells drivers how bright to be. */
export const isForPair = ({ wants }: Pick<Terminal, 'wants'>): boolean =>
  wants === 'control-plus' || wants === 'control-minus'

/** An old or plain two-place switch: one common, two travellers. */
export const isTwoPlace = (model: DeviceModel): boolean =>
  wanting(model, 'common').length === 1 && wanting(model, 'traveller').length === 2
export const isMiddle = (model: DeviceModel): boolean =>
  wanting(model, 'common').length === 0 && wanting(model, 'traveller').length === 4
/** A signal of a main: it hears others on the conductor. */
export const mainSignal = ({ signals }: DeviceModel): Signal | null =>
  signals.find(({ hears }) => hears.length > 0) ?? null
/** A signal of a companion: it speaks only. */
export const companionSignal = ({ signals }: DeviceModel): Signal | null =>
  signals.find(({ hears }) => hears.length === 0) ?? null

/** One that switches nothing itself, and tells another place what to do: over a conductor or by radio. */
export const onlyTells = (model: DeviceModel): boolean =>
  wanting(model, 'load').length === 0 &&
  (companionSignal(model) !== null || model.control.some(({ tells }) => tells !== undefined))
