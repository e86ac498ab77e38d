import type { BoxView, PlaceView } from '../job/box-view'
import { theControl } from '../job/place-name'
import type { MadeWhen, Setting } from '../model/setting'
import { keyOfStep, type StepName } from '../model/step-name'
import type { Trade } from '../model/trade'
import type { PlannedDevice } from '../route'
import { ticksThatCount } from '../safety'
import { capital } from '../words/capital'
import { sayIn } from '../words/say'
import { SEEN_DONE, step, type Draft } from './step'
import { settingsAtPlace } from './setting-state'

/** A setting with what it was made to, or is to be. */
export interface ToMake {
  readonly placeId: string
  readonly setting: Setting
  readonly value: string
  /** The row that says so; null where it was not made. */
  readonly rowId: string | null
}

type BeforeThePlate = Exclude<MadeWhen, 'power-on'>

export const STEP_WHEN = {
  'set-before': 'before-folding',
  'set-under': 'under-cover',
} as const satisfies Readonly<Record<string, BeforeThePlate>>

type SettingStep = keyof typeof STEP_WHEN

/** What a step of the settings before the plate makes, or made; nothing for any other step. */
export function madeBy(view: BoxView, name: StepName, trade: Trade): ToMake[] {
  if (!(name.kind in STEP_WHEN) || !('placeId' in name)) return []
  const place = view.places.find(each => each.place.id === name.placeId)
  return place ? toMake(view, place, STEP_WHEN[name.kind as SettingStep], trade) : []
}

function toMake(view: BoxView, place: PlaceView, when: BeforeThePlate, trade: Trade): ToMake[] {
  return settingsAtPlace(view, place, trade)
    .filter(({ setting, is }) => setting.when === when && is !== 'as-it-comes')
    .map(({ setting, value, row }) => ({
      placeId: place.place.id,
      setting,
      value: row?.value ?? value,
      rowId: row?.id ?? null,
    }))
}

/** Settings that are out of reach once the plate is on: a step of the work, in its place. */
export function settingSteps(view: BoxView, device: PlannedDevice, kind: SettingStep, trade: Trade): Draft[] {
  const say = sayIn(view.region)
  const place = view.places.find(each => each.place.id === device.placeId)
  const all = place && device.isNew ? toMake(view, place, STEP_WHEN[kind], trade) : []
  if (!place || all.length === 0) return []
  const name = { kind, placeId: device.placeId }
  const isTicked = ticksThatCount(view).some(({ stepKey }) => stepKey === keyOfStep(name))
  const what = all.map(({ setting, value }) => `${setting.name}: ${value}`).join('; ')
  const control = capital(theControl(view.record, place.place))
  return [
    {
      ...step(
        name,
        'touch',
        kind === 'set-before'
          ? say`${control}: set on the device before it goes in: ${what}`
          : say`${control}: set under its cover before the plate: ${what}`,
        [...new Set(all.flatMap(({ setting }) => setting.how))].join(' '),
        trade.minutes.setting * all.length,
      ),
      // Made in Set already, and no tick to be taken back.
      ...(!isTicked && all.every(({ rowId }) => rowId !== null) ? SEEN_DONE : {}),
    },
  ]
}
