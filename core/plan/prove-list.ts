import { willStand, type BoxView, type PlaceView } from '../job/box-view'
import type { DeviceModel } from '../model/device'
import { FULL_FROM } from '../model/limits'
import { rowsWith } from '../model/record'
import { deviceNamed, type Trade } from '../model/trade'

/** One thing to try when the power is back, and what it should show. */
export interface TestItem {
  readonly key: string
  readonly says: string
  readonly expect: string
  /** Some are made before the power comes back, the rest with it. */
  readonly power: 'off' | 'on'
  readonly outcome: 'pass' | 'fail' | null
  readonly note: string
}

const DEAD_TESTS: readonly string[] = ['ground-continuity']

/** Whether a test is made dead, before the power comes back, or with it. */
export const powerOf = (testKey: string): TestItem['power'] => (DEAD_TESTS.includes(testKey) ? 'off' : 'on')

/**
 * The test list of one place: what is read dead before the power comes back, then working the control, the readings that catch mistakes a working lamp
 * hides, and what this device alone can do.
 */
export function testList(view: BoxView, place: PlaceView, trade: Trade): TestItem[] {
  const model = deviceNamed(trade, willStand(place) ?? '')
  // A retired place has nothing to work; its light is looked at once nothing works it any more.
  if (!model && !(place.place.retired && place.workingInGroup === 0)) return []
  if (!model && place.group.unworked === 'left-dead') return withResults(view, place, [LEFT_DEAD])
  const { useBand, words } = view.region
  // What lives through the lamp, or cuts its waves, keeps a little of the voltage at full.
  const least = model && keepsSome(model) ? Math.floor(FULL_FROM * useBand[0]) : useBand[0]
  const nominal = `${least} to ${useBand[1]} V${least < useBand[0] ? ', at its highest level' : ''}`
  const lampsScrewed = place.loads.some(
    load => load.kind === 'tungsten' || load.kind === 'led' || load.kind === 'cfl',
  )
  const switches = model !== undefined && model.control.length > 0
  const items: Item[] = [
    {
      key: 'ground-continuity',
      says: `Power off: ${words.ground} at the ${model ? 'device' : words.box} to ${words.ground} at the luminaire`,
      expect: 'Continuous',
    },
    ...(switches
      ? [
          {
            key: 'on',
            says: 'Switch on at this place',
            expect: model?.dims
              ? 'Every lamp comes on steadily, and is fully lit at the highest level'
              : 'Every lamp is fully lit, at once and steadily',
          },
          { key: 'off', says: 'Switch off at this place', expect: 'Every lamp is dark: no glow, no flash' },
        ]
      : [
          {
            key: 'fed',
            says: 'Look at the lamp',
            expect: `It is fed all the time${model ? ' and answers to commands' : ''}`,
          },
        ]),
    { key: 'line-neutral', says: `At the luminaire, on: ${words.hot} to neutral`, expect: nominal },
    {
      key: 'line-ground',
      says: `At the luminaire, on: ${words.hot} to ${words.ground}`,
      expect: `${nominal}, and within 2 V of ${words.hot} to neutral`,
    },
    {
      key: 'neutral-ground',
      says: `At the luminaire, on: neutral to ${words.ground}`,
      expect: 'At most 2 V',
    },
    ...(lampsScrewed
      ? [
          {
            key: 'shell',
            says: `At a screw lampholder, on: shell to ${words.ground}`,
            expect: 'At most 2 V: the shell is on the neutral',
          },
        ]
      : []),
    ...(model?.tests ?? []).map(test => ({ key: `device:${test.id}`, says: test.says, expect: test.expect })),
  ]
  return withResults(view, place, items)
}

/** Whether some of the voltage stays at the device with its light at full. */
const keepsSome = ({ dims, supply }: DeviceModel): boolean =>
  dims !== null || supply.some(({ kind }) => kind === 'through-load')

type Item = Omit<TestItem, 'outcome' | 'note' | 'power'>

const LEFT_DEAD: Item = { key: 'left-dead', says: 'Look at the lamp', expect: 'It stays dark' }

function withResults(view: BoxView, place: PlaceView, items: readonly Item[]): TestItem[] {
  const results = new Map(
    rowsWith(view.record, 'tests', 'placeId', place.place.id).map(test => [test.testKey, test]),
  )
  return items.map(item => ({
    ...item,
    power: powerOf(item.key),
    outcome: results.get(item.key)?.outcome ?? null,
    note: results.get(item.key)?.note ?? '',
  }))
}
