import type { BoxView, PlaceView } from '../job/box-view'
import type { Row } from '../model/entities'
import { rowsWith } from '../model/record'
import type { BearsOn, Setting } from '../model/setting'
import { deviceNamed, type Trade } from '../model/trade'
import { settingOfPlan } from '../route'
import { isKeyedIn } from './keyed-in'
import { usualValue } from './usual-setting'
import { workedOut } from './worked-out'

/** How a setting of a device at a place stands. */
export interface SettingState {
  readonly setting: Setting
  /** What it is to be, and by what. */
  readonly value: string
  readonly by: 'proved' | 'worked-out' | 'usual'
  readonly row: Row<'settings'> | null
  /**
   * `made`: somebody made it, to a program that is the same still. `as-it-comes`: it comes as it is to be, and nobody has to touch it. `open`: it is still to
   * be made. `otherwise`: made to another value than was worked out, and nobody said why.
   */
  readonly is: 'made' | 'as-it-comes' | 'open' | 'otherwise'
}

/** What is found by a trial, keyed in or told: however it comes, somebody has to see to it. */
const SEEN_TO: readonly BearsOn[] = ['delay', 'low-end', 'program', 'link']

export function settingState(view: BoxView, place: PlaceView, setting: Setting, trade: Trade): SettingState {
  const row =
    rowsWith(view.record, 'settings', 'placeId', place.place.id).find(
      ({ settingId }) => settingId === setting.id,
    ) ?? null
  const proved = settingOfPlan(view, place.place.id, setting.id, trade)
  const worked = workedOut(view.record, place, setting, trade)
  const value = usualValue(view, place, setting, trade)
  const by = proved !== null ? 'proved' : worked !== null ? 'worked-out' : 'usual'
  const isSeenTo = setting.bearsOn !== null && SEEN_TO.includes(setting.bearsOn)
  const isPast = row !== null && setting.bearsOn === 'program' && !isKeyedIn(view.record, row)
  const is =
    row && !isPast
      ? worked !== null && worked !== row.value && row.reason === ''
        ? 'otherwise'
        : 'made'
      : !row && value === setting.initial && !isSeenTo
        ? 'as-it-comes'
        : 'open'
  return { setting, value, by, row, is }
}

/** Every setting of the device at a place. */
export const settingsAtPlace = (view: BoxView, place: PlaceView, trade: Trade): SettingState[] =>
  (deviceNamed(trade, place.choice?.modelId ?? '')?.settings ?? []).map(setting =>
    settingState(view, place, setting, trade),
  )
