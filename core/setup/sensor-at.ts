import type { Hanging } from '../model/floor-plan'
import type { DeviceModel } from '../model/device'
import { settingFor, valuesOf, figureOf, type BearsOn, type Setting } from '../model/setting'
import type { Aim, Sensor } from './sensor'

/** How the settings of a sensor aim it: what each decides. */
const AIMS = {
  left: 'shutter-left',
  right: 'shutter-right',
  sensitivity: 'sensitivity',
} as const satisfies Readonly<Record<keyof Aim, BearsOn>>

/** Figures of all the values of a setting; `fallback` alone where the device has none, since nothing can be changed then. */
const figures = (setting: Setting | null, fallback: number): number[] => {
  const own = setting ? valuesOf(setting).flatMap(value => figureOf(setting, value) ?? []) : []
  return own.length > 0 ? own : [fallback]
}

const settingOf = ({ settings }: DeviceModel, of: keyof Aim) => settingFor(settings, AIMS[of])

/** A device as it hangs there. Null where its sheet does not say what it sees, or it hangs where it is not made for. */
export function sensorAt(model: DeviceModel, hanging: Hanging): Sensor | null {
  const { sees } = model
  if (!sees) return null
  const sensitivities = figures(settingOf(model, 'sensitivity'), 100).map(percent => percent / 100)
  if (sees.hangs === 'ceiling' && hanging.on === 'ceiling')
    return {
      kind: 'ceiling',
      at: hanging.at,
      height: hanging.height,
      reach: sees.reach,
      upTo: sees.upTo,
      sensitivities,
    }
  if (sees.hangs === 'wall' && hanging.on === 'wall')
    return {
      kind: 'wall',
      wall: hanging.wall,
      along: hanging.along,
      height: hanging.height,
      reach: sees.reach,
      shutters: figures(settingOf(model, 'left'), 90),
      sensitivities,
    }
  return null
}

export interface AimSetting {
  readonly setting: Setting
  readonly value: string
}

/** An aim in the words of the device: each setting that makes it, with its value. */
export const settingsOfAim = (model: DeviceModel, aim: Aim): AimSetting[] =>
  (Object.keys(AIMS) as (keyof Aim)[]).flatMap(of => {
    const setting = settingOf(model, of)
    const figure = of === 'sensitivity' ? aim[of] * 100 : aim[of]
    const value =
      setting && valuesOf(setting).find(each => Math.abs((figureOf(setting, each) ?? NaN) - figure) < 1e-6)
    return setting && value ? [{ setting, value }] : []
  })

/** The aim that values of its settings make; what is not said is as it comes. */
export function aimOf(model: DeviceModel, valueOf: (settingId: string) => string | undefined): Aim {
  const figure = (of: keyof Aim, fallback: number) => {
    const setting = settingOf(model, of)
    if (!setting) return fallback
    return figureOf(setting, valueOf(setting.id) ?? setting.initial) ?? fallback
  }
  return {
    left: figure('left', 90),
    right: figure('right', 90),
    sensitivity: figure('sensitivity', 100) / 100,
  }
}
