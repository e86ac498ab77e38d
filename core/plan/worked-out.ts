import type { PlaceView } from '../job/box-view'
import type { DeviceModel } from '../model/device'
import type { Hanging, PlanOfRoom } from '../model/floor-plan'
import { rowsWith, type JobRecord } from '../model/record'
import { allows, DAYLIGHT_SAVING, OWN_PROGRAM, type Setting } from '../model/setting'
import { deviceNamed, type Trade } from '../model/trade'
import { aimSensor, sensorAt, settingsOfAim, type AimResult, type Sensor } from '../setup'

/** A sensor where it hangs in its room; or what is not there yet to tell what it sees. */
export type SensorInRoom =
  | {
      readonly kind: 'hangs'
      readonly plan: PlanOfRoom
      readonly hanging: Hanging
      readonly sensor: Sensor
      readonly model: DeviceModel
    }
  /** No plan of its room; its box nowhere in it; its sheet not known, or made for where it does not hang. */
  | { readonly kind: 'no-plan' | 'not-placed' | 'no-sheet'; readonly model: DeviceModel }

/** The row that keeps the plan of a room. */
export const planRowOf = (record: JobRecord, roomId: string) =>
  rowsWith(record, 'plans', 'roomId', roomId)[0] ?? null

/** The row that keeps the program of the clock at a place. */
export const programRowOf = (record: JobRecord, placeId: string) =>
  rowsWith(record, 'programs', 'placeId', placeId)[0] ?? null

/** What a presence sensor at a place is to the plan of its room; null where none is chosen there. */
export function sensorInRoom(
  record: JobRecord,
  { place, choice }: PlaceView,
  trade: Trade,
): SensorInRoom | null {
  const model = deviceNamed(trade, choice?.modelId ?? '')
  if (!model?.does.includes('presence')) return null
  const plan = planRowOf(record, record.boxes[place.boxId]?.roomId ?? '')?.plan
  if (!plan) return { kind: 'no-plan', model }
  const hanging = plan.hangings.find(({ boxId }) => boxId === place.boxId)
  if (!hanging) return { kind: 'not-placed', model }
  const sensor = sensorAt(model, hanging)
  return sensor ? { kind: 'hangs', plan, hanging, sensor, model } : { kind: 'no-sheet', model }
}

/** A plan never changes: what was worked out from it stays true. */
const known = new WeakMap<PlanOfRoom, Map<string, { model: DeviceModel; result: AimResult }>>()

/** How a sensor that hangs in its room is best aimed. */
export function aimedIn({
  plan,
  hanging,
  sensor,
  model,
}: Extract<SensorInRoom, { kind: 'hangs' }>): AimResult {
  let ofPlan = known.get(plan)
  if (!ofPlan) known.set(plan, (ofPlan = new Map()))
  const key = `${hanging.boxId} ${model.id}`
  const before = ofPlan.get(key)
  if (before?.model === model) return before.result
  const result = aimSensor(plan, sensor)
  ofPlan.set(key, { model, result })
  return result
}

/** The value that was worked out for a setting, from its room or the program that was made; null where none was. */
export function workedOut(
  record: JobRecord,
  place: PlaceView,
  setting: Setting,
  trade: Trade,
): string | null {
  const { bearsOn } = setting
  if (bearsOn === 'program' || bearsOn === 'daylight-saving') {
    const kept = programRowOf(record, place.place.id)?.program
    const value = kept && (bearsOn === 'program' ? OWN_PROGRAM : DAYLIGHT_SAVING[kept.daylightSaving])
    return value !== undefined && allows(setting, value) ? value : null
  }
  if (bearsOn !== 'shutter-left' && bearsOn !== 'shutter-right' && bearsOn !== 'sensitivity') return null
  const found = sensorInRoom(record, place, trade)
  if (found?.kind !== 'hangs') return null
  const made = settingsOfAim(found.model, aimedIn(found).best.aim)
  return made.find(each => each.setting.id === setting.id)?.value ?? null
}
