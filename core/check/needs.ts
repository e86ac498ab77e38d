import { houseRule } from '../model/house-rules'
import { type PlaceView } from '../job/box-view'
import type { DeviceModel } from '../model/device'
import type { Need } from '../model/entities'
import { rowsWith, type JobRecord } from '../model/record'
import {
  allows,
  figuresOf,
  PRESENCE_ON,
  settingFor,
  valuesOf,
  type BearsOn,
  type Setting,
} from '../model/setting'
import { ruleOfRoom, ruleValue, type Trade } from '../model/trade'
import { NEEDS, type NeedKind, type Opening, type Want } from '../model/vocabulary'

/** What would stand at the places of a light, held against what is wanted of it. */
export interface Offered {
  /** Model at each place; null where the old one stays. */
  readonly members: readonly (DeviceModel | null)[]
  readonly price: number
  /** Openings of the other devices in the same boxes. */
  readonly beside: readonly Opening[]
}

/** Always in the same order, whatever came first. */
export function needsIn(record: JobRecord, groupId: string): readonly Need[] {
  const needs = rowsWith(record, 'needs', 'groupId', groupId)
  return needs.length < 2 ? needs : [...needs].sort((a, b) => NEEDS.indexOf(a.need) - NEEDS.indexOf(b.need))
}

/** Whether one need is met. Needs with a figure that was not said are met by any. */
export function meets({ need, value }: Pick<Need, 'need' | 'value'>, offered: Offered): boolean {
  const bought = offered.members.filter(model => model !== null)
  const any = (test: (model: DeviceModel) => boolean) => bought.some(test)
  return MEETS[need](any, value, offered, bought)
}

type Test = (
  any: (test: (model: DeviceModel) => boolean) => boolean,
  value: number | null,
  offered: Offered,
  bought: readonly DeviceModel[],
) => boolean

const does = (want: DeviceModel['does'][number]) => (model: DeviceModel) => model.does.includes(want)
const mode = ({ settings }: DeviceModel) => settingFor(settings, 'mode')
const canBe = (setting: Setting | null, value: string) => setting && allows(setting, value)
const isPresence = does('presence')

const MEETS: Readonly<Record<NeedKind, Test>> = {
  dim: any => any(does('dim')),
  'automatic-on': any =>
    any(model => isPresence(model) && canBe(mode(model), PRESENCE_ON['automatic-on']) === true),
  'manual-on': any =>
    any(model => isPresence(model) && canBe(mode(model), PRESENCE_ON['manual-on']) !== false),
  'automatic-off': any => any(model => isPresence(model) || does('countdown')(model) || does('sun')(model)),
  'off-after': (any, value) =>
    any(model => (value === null ? canEnd(model) : minutesOffered(model).includes(value))),
  'from-dusk': any => any(does('sun')),
  'until-hour': (any, value) =>
    any(model => hoursOffered(model).some(hour => value === null || hour === value)),
  remote: any => any(does('remote')),
  scenes: any => any(model => does('remote')(model) && model.radio !== null),
  glow: (_, __, ___, bought) => bought.every(({ glows }) => glows),
  'keep-fed': any => any(keepsFed),
  'few-places': (_, value, ___, bought) => bought.length <= (value ?? 0),
  'match-neighbour': (_, __, { beside }, bought) =>
    bought.every(({ opening }) => beside.every(other => other === opening)),
  budget: (_, value, { price }) => value === null || price <= value,
  // What is taken out is kept: it bears on no device.
  'keep-old': () => true,
}

const canEnd = (model: DeviceModel) => does('countdown')(model) || isPresence(model)

/** Figures of all the values of what decides something. */
const figuresOffered = ({ settings }: DeviceModel, ...decides: readonly BearsOn[]): number[] =>
  settings
    .filter(({ bearsOn }) => bearsOn !== null && decides.includes(bearsOn))
    .flatMap(setting => valuesOf(setting).flatMap(value => figuresOf(setting, value)))

/** Minutes after which it goes off, as its settings offer them: a walk test is none. */
export const minutesOffered = (model: DeviceModel): number[] =>
  figuresOffered(model, 'presets', 'delay').flatMap(seconds => (seconds < 60 ? [] : [seconds / 60]))

/** Hours of the clock at which a program ends, 24 for midnight. */
export const hoursOffered = (model: DeviceModel): number[] =>
  figuresOffered(model, 'program').map(minute => minute / 60)

/** Its lamps are never cut off: it has no contact to them, or one that never opens. */
const keepsFed = ({ terminals, contacts, does: can }: DeviceModel): boolean =>
  can.includes('remote') &&
  (terminals.length === 0 ||
    contacts.some(({ between, when }) => between.includes('load') && Object.keys(when).length === 0))

/** What is wanted of a light and is not met: its chief want, or one of its needs. */
export type Lacking = NeedKind | Want

const NOTHING: readonly Lacking[] = []

/** What the house rule wants of a fan of which nobody said anything. */
function ruledWant(record: JobRecord, loads: PlaceView['loads']): Want | null {
  if (loads.length === 0 || !loads.every(({ kind }) => kind === 'fan-motor')) return null
  const rule = houseRule(record, 'fans')
  return rule === 'countdown' || rule === 'humidity' ? rule : null
}

/**
 * Whether a presence sensor at a place is to turn its light on by itself or by hand: as the customer wants it, else as
 * the house rule has it for the kind of room; null where it stays as the device comes.
 */
export function presenceOn(
  record: JobRecord,
  { place, group }: PlaceView,
  trade: Trade,
): 'automatic-on' | 'manual-on' | null {
  const said = needsIn(record, group.id).find(({ need }) => need === 'automatic-on' || need === 'manual-on')
  if (said) return said.need as 'automatic-on' | 'manual-on'
  const kind = record.rooms[record.boxes[place.boxId]?.roomId ?? '']?.kind ?? 'not-said'
  const rule = ruleValue(trade, record, ruleOfRoom('presence-on', kind))
  return rule === 'by-hand' ? 'manual-on' : rule === 'by-itself' ? 'automatic-on' : null
}

/** What of a light’s wants something would leave unmet, its chief want first. */
export function unmet(
  record: JobRecord,
  place: PlaceView,
  offered: Offered,
  trade: Trade,
): readonly Lacking[] {
  const { group, loads } = place
  const needs = needsIn(record, group.id)
  const want = group.want ?? ruledWant(record, loads)
  if (want === null && needs.length === 0) return NOTHING
  const bought = offered.members.filter(model => model !== null)
  const on = want === 'presence' ? presenceOn(record, place, trade) : null
  return [
    ...new Set<Lacking>([
      ...(want !== null && !bought.some(does(want)) ? [want] : []),
      ...(on !== null && bought.some(isPresence) && !meets({ need: on, value: null }, offered) ? [on] : []),
      ...needs.flatMap(each => (meets(each, offered) ? [] : [each.need])),
    ]),
  ]
}
