/** What a value of a setting is measured in: s, %, °, minutes since midnight, % of full light, or pieces; a choice in nothing. */
export const SETTING_KINDS = [
  'choice',
  'duration',
  'percent',
  'angle',
  'clock',
  'program',
  'level',
  'count',
] as const
export type SettingKind = (typeof SETTING_KINDS)[number]

/** How a setting is made on the device. */
export const MADE_BY = ['dial', 'slide', 'hold', 'keys', 'jumper', 'lead', 'radio'] as const
export type MadeBy = (typeof MADE_BY)[number]

/** When it is made: before the device is folded in, under its cover before the plate, or with its power on. */
export const MADE_WHEN = ['before-folding', 'under-cover', 'power-on'] as const
export type MadeWhen = (typeof MADE_WHEN)[number]

/** What is decided by it. */
export const BEARS_ON = [
  'delay',
  'mode',
  'sensitivity',
  'threshold',
  'shutter-left',
  'shutter-right',
  'program',
  'daylight-saving',
  'presets',
  'low-end',
  'high-end',
  'link',
] as const
export type BearsOn = (typeof BEARS_ON)[number]

/**
 * One value as the device has it: its words, and its figure in the unit of the kind; several where one value stands for
 * several presets. Words alone are a choice. Of a program the figure is the minute of the clock at which it ends.
 */
export type AllowedValue = string | { readonly says: string; readonly is: number | readonly number[] }

/** Every figure from the one to the other, so far apart. */
export interface AllowedRange {
  readonly from: number
  readonly to: number
  readonly step: number
}

export interface Setting {
  readonly id: string
  readonly name: string
  readonly kind: SettingKind
  readonly allowed: readonly AllowedValue[] | AllowedRange
  /** As it comes. */
  readonly initial: string
  /** Null where nobody said: an older file does not. */
  readonly bearsOn: BearsOn | null
  readonly made: MadeBy | null
  readonly when: MadeWhen | null
  /** The maker’s way, step by step. */
  readonly how: readonly string[]
  readonly why: string
}

/** More steps than any device has. */
export const MOST_VALUES = 1000

const isRange = (allowed: Setting['allowed']): allowed is AllowedRange => 'step' in allowed

/** A figure as devices and people write it. */
export function figureWords(kind: SettingKind, figure: number): string {
  switch (kind) {
    case 'duration':
      return figure % 3600 === 0 && figure > 0
        ? `${figure / 3600} h`
        : figure % 60 === 0 && figure > 0
          ? `${figure / 60} min`
          : `${figure} s`
    case 'percent':
    case 'level':
      return `${figure} %`
    case 'angle':
      return `${figure}°`
    case 'clock':
      return `${String(Math.floor(figure / 60)).padStart(2, '0')}:${String(figure % 60).padStart(2, '0')}`
    default:
      return String(figure)
  }
}

interface Value {
  readonly says: string
  readonly figures: readonly number[]
}

const known = new WeakMap<Setting, readonly Value[]>()

function listed(setting: Setting): readonly Value[] {
  const before = known.get(setting)
  if (before) return before
  const made = spelled(setting)
  known.set(setting, made)
  return made
}

function spelled({ kind, allowed }: Setting): readonly Value[] {
  if (!isRange(allowed))
    return allowed.map(each =>
      typeof each === 'string'
        ? { says: each, figures: [] }
        : { says: each.says, figures: typeof each.is === 'number' ? [each.is] : each.is },
    )
  const { from, to, step } = allowed
  const count = Math.min(MOST_VALUES, Math.floor((to - from) / step + 1e-9) + 1)
  return Array.from({ length: Math.max(0, count) }, (_, at) => {
    // Steps of a tenth add up to no tenth.
    const figure = Math.round((from + at * step) * 1e6) / 1e6
    return { says: figureWords(kind, figure), figures: [figure] }
  })
}

/** Every value it can be made to, in the device’s words and order. */
export const valuesOf = (setting: Setting): string[] => listed(setting).map(({ says }) => says)

/** The figures of a value; none for a choice, and for what the device does not have. */
export const figuresOf = (setting: Setting, value: string): readonly number[] =>
  listed(setting).find(({ says }) => says === value)?.figures ?? []

/** Of a setting whose values are one figure each: that of a value; null where it has none. */
export const figureOf = (setting: Setting, value: string): number | null =>
  figuresOf(setting, value)[0] ?? null

/** Whether a value is one that it can be made to. */
export const allows = (setting: Setting, value: string): boolean =>
  listed(setting).some(({ says }) => says === value)

/** The value nearest to a figure, with the figure it has: the lesser of two as near. Null where no value has one. */
export function nearestValue(
  setting: Setting,
  figure: number,
): { readonly value: string; readonly figure: number } | null {
  const single = listed(setting).flatMap(({ says, figures }) =>
    figures.length === 1 ? [{ value: says, figure: figures[0]! }] : [],
  )
  const off = (each: { readonly figure: number }) => Math.abs(each.figure - figure)
  return single.sort((one, other) => off(one) - off(other) || one.figure - other.figure)[0] ?? null
}

/** The setting of a device that decides something; null where it has none, or its file does not say. */
export const settingFor = (settings: readonly Setting[], bearsOn: BearsOn): Setting | null =>
  settings.find(each => each.bearsOn === bearsOn) ?? null

/** The value by which a clock goes by the events that were keyed in, where somebody made a program for it. */
export const OWN_PROGRAM = 'its own program'

/** What a clock does when clocks are put forward and back, as devices say it. */
export const DAYLIGHT_SAVING = { follows: 'on', stands: 'off' } as const

/** How a presence sensor turns on, as devices say it. */
export const PRESENCE_ON = { 'manual-on': 'by hand', 'automatic-on': 'by itself' } as const
