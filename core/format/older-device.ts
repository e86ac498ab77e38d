import type { DeviceModel } from '../model/device'
import { BEARS_ON, valuesOf, type AllowedValue, type BearsOn, type Setting } from '../model/setting'

type Loose = Readonly<Record<string, unknown>>

const isLoose = (given: unknown): given is Loose =>
  typeof given === 'object' && given !== null && !Array.isArray(given)

/** Settings were lists of words once: what is decided by them was told by their id, how they are made by nothing. */
const DECIDED: Readonly<Record<string, BearsOn>> = {
  trim: 'low-end',
  preset: 'presets',
  'light-threshold': 'threshold',
}

const SECONDS: Readonly<Record<string, number>> = { s: 1, min: 60, h: 3600 }

/** “10, 20, 30 min” in seconds. */
function durationsIn(words: string): number[] {
  const unit = /\b(h|min|s)\b/.exec(words)?.[1]
  return unit === undefined ? [] : (words.match(/\d+/g) ?? []).map(each => Number(each) * SECONDS[unit]!)
}

/** The minute of the clock at which “dusk to 22:00” ends. */
function endIn(words: string): number[] {
  if (/midnight/.test(words)) return [1440]
  const hour = /to (\d{1,2}):00/.exec(words)
  return hour ? [Number(hour[1]) * 60] : []
}

const READ: Readonly<Record<string, { readonly kind: Setting['kind']; readonly read: typeof endIn }>> = {
  delay: { kind: 'duration', read: durationsIn },
  preset: { kind: 'duration', read: durationsIn },
  program: { kind: 'program', read: endIn },
}

function typed(setting: unknown): unknown {
  if (!isLoose(setting) || !Array.isArray(setting.values)) return setting
  const { values, ...rest } = setting
  const id = String(setting.id)
  const read = READ[id]
  const bearsOn = DECIDED[id] ?? BEARS_ON.find(each => each === id) ?? null
  const allowed = (values as unknown[]).map((says): unknown => {
    const is = read && typeof says === 'string' ? read.read(says) : []
    return is.length === 0 ? says : ({ says: says as string, is } satisfies AllowedValue)
  })
  return { ...rest, kind: read?.kind ?? 'choice', allowed, bearsOn, made: null, when: null, how: [] }
}

/** A device of an older form as it would be written today; what is of no form comes back as it is. */
export function ofToday(given: unknown): unknown {
  if (!isLoose(given) || given.form !== 1) return given
  const settings = Array.isArray(given.settings) ? given.settings.map(typed) : given.settings
  return { ...given, form: 2, settings }
}

const sameWords = (one: Setting, other: Setting): boolean =>
  valuesOf(one).join('\n') === valuesOf(other).join('\n')

/**
 * A device as it was kept: one of the older form that came with the application, and was changed since, has from the one
 * that comes with it now what it could not say then. Unchanged it is that one, to the letter.
 */
export function keptDevice(kept: DeviceModel, shipped: DeviceModel | undefined): DeviceModel {
  const device = ofToday(kept) as DeviceModel
  if (device === kept || !shipped) return device
  const ownOf = (id: string) => device.settings.find(own => own.id === id)
  const settings = [
    ...shipped.settings.map(now => {
      const own = ownOf(now.id)
      if (!own) return now
      return sameWords(own, now) ? { ...now, name: own.name, initial: own.initial, why: own.why } : own
    }),
    ...device.settings.filter(own => !shipped.settings.some(({ id }) => id === own.id)),
  ]
  const { sees, clock, joining } = shipped
  const whole: Loose = {
    ...device,
    settings,
    ...(sees && { sees }),
    ...(clock && { clock }),
    ...(joining && { joining }),
  }
  const names = [...Object.keys(shipped), ...Object.keys(whole)].filter(name => name in whole)
  return Object.fromEntries([...new Set(names)].map(name => [name, whole[name]])) as unknown as DeviceModel
}
