import { modelStanding } from '../job/kept-switch'
import { type BoxView, type PlaceView } from '../job/box-view'
import type { DeviceModel } from '../model/device'
import { FULL_FROM } from '../model/limits'
import { rowsWith } from '../model/record'
import { type Trade } from '../model/trade'
import { tiedBoxes } from '../job/tied'
import { protectedBy, waysIn } from '../route'
import { walkTest } from './walk-test'
import { sayIn } from '../words/say'

/** One thing to try when the power is back, and what it should show. */
export interface TestItem {
  readonly key: string
  readonly says: string
  readonly expect: string
  /** Some are made before the power comes back, the rest with it. */
  readonly power: 'off' | 'on'
  /** What is tried by the same hand at the same place, one after the other; null where it stands by itself. */
  readonly act: 'worked' | 'read' | null
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
  const say = sayIn(view.region)

  const model = modelStanding(place, trade)
  // A retired place has nothing to work; its light is looked at once nothing works it any more.
  if (!model && !(place.place.retired && place.workingInGroup === 0)) return []
  if (!model && place.group.unworked === 'left-dead')
    return withResults(view, place, [
      { ...LEFT_DEAD, says: say(LEFT_DEAD.says), expect: say(LEFT_DEAD.expect) },
    ])
  const { useBand } = view.region
  // What lives through the lamp, or cuts its waves, keeps a little of the voltage at full.
  const least = model && keepsSome(model) ? Math.floor(FULL_FROM * useBand[0]) : useBand[0]
  const nominal = say`${least} to ${useBand[1]} V${least < useBand[0] ? say`, at its highest level` : ''}`
  if (model?.outlet && model.control.length === 0)
    return withResults(view, place, receptacleTests(view, place, model, nominal, trade))
  const lampsScrewed = place.loads.some(
    load => load.kind === 'tungsten' || load.kind === 'led' || load.kind === 'cfl',
  )
  const names = place.loads.map(({ name }) => name).join(say` and `)
  const items: Item[] = [
    {
      key: 'ground-continuity',
      says: say`Power off: ground at the ${model ? say`device` : say`box`} to ground at the luminaire`,
      expect: say`Continuous`,
    },
    ...(place.isolates
      ? [
          {
            key: 'on',
            says: say`On here: work ${names} from its switch`,
            expect: say`It comes on and goes off, as without an isolator`,
          },
        ]
      : model !== null && model.control.length > 0
        ? [
            {
              key: 'on',
              says: say`Switch on at this place`,
              expect: model?.dims
                ? say`Every lamp comes on steadily, and is fully lit at the highest level`
                : say`Every lamp is fully lit, at once and steadily`,
            },
            {
              key: 'off',
              says: say`Switch off at this place`,
              expect: say`Every lamp is dark: no glow, no flash`,
            },
          ]
        : [
            {
              key: 'fed',
              says: say`Look at the lamp`,
              expect: say`It is fed all the time${model ? say` and answers to commands` : ''}`,
            },
          ]),
    { key: 'line-neutral', says: say`At the luminaire, on: hot to neutral`, expect: nominal },
    {
      key: 'line-ground',
      says: say`At the luminaire, on: hot to ground`,
      expect: say`${nominal}, and within 2 V of hot to neutral`,
    },
    {
      key: 'neutral-ground',
      says: say`At the luminaire, on: neutral to ground`,
      expect: say`At most 2 V`,
    },
    ...(lampsScrewed
      ? [
          {
            key: 'shell',
            says: say`At a screw lampholder, on: shell to ground`,
            expect: say`At most 2 V: the shell is on the neutral`,
          },
        ]
      : []),
    ...(model?.tests ?? []).map(test => ({ key: `device:${test.id}`, says: test.says, expect: test.expect })),
    ...walkTest(view, place, trade),
  ]
  return withResults(view, place, items)
}

/** A receptacle has no lamp to look at: it is read at its contacts, and its protection tried with all that hangs behind. */
function receptacleTests(
  view: BoxView,
  place: PlaceView,
  model: DeviceModel,
  nominal: string,
  trade: Trade,
): Item[] {
  const say = sayIn(view.region)
  const behind = model.outlet?.protects ? hangingBehind(view, place, trade) : []
  return [
    {
      key: 'ground-continuity',
      says: say`Power off: its ground contact to the ground of the feed`,
      expect: say`Continuous`,
    },
    { key: 'line-neutral', says: say`At its contacts: hot to neutral`, expect: nominal },
    {
      key: 'line-ground',
      says: say`At its contacts: hot to ground`,
      expect: say`${nominal}, and within 2 V of hot to neutral`,
    },
    { key: 'neutral-ground', says: say`At its contacts: neutral to ground`, expect: say`At most 2 V` },
    ...(model.outlet?.protects
      ? [
          {
            key: 'protection',
            says: say`Press its test button, everything behind it switched on`,
            expect:
              behind.length > 0
                ? say`It goes dead, and with it ${behind.join(', ')}; its reset button brings them back`
                : say`It goes dead; its reset button brings it back`,
          },
        ]
      : []),
  ]
}

/** What a receptacle protects as planned: lights and receptacles by name, and what cables lead on. */
function hangingBehind(view: BoxView, { place }: PlaceView, trade: Trade): string[] {
  const say = sayIn(view.region)
  const views = tiedBoxes(view.record, view.box.id)
  const ways = waysIn(views, trade)
  const groups = new Map(views.flatMap(({ places }) => places.map(({ group }) => [group.id, group.name])))
  return [
    ...[...groups].flatMap(([id, name]) => (protectedBy(ways, id) === place.id ? [name] : [])),
    ...views.flatMap(each =>
      each.ends.flatMap(one =>
        one.end.role === 'onward-feed' && ways.behind.of(each, one) === place.id
          ? [say`what cable ${one.cable.name} feeds`]
          : [],
      ),
    ),
  ]
}

/** Whether some of the voltage stays at the device with its light at full. */
const keepsSome = ({ dims, supply }: DeviceModel): boolean =>
  dims !== null || supply.some(({ kind }) => kind === 'through-load')

type Item = Omit<TestItem, 'outcome' | 'note' | 'power' | 'act'>

/** On and off at one place; the readings at a luminaire or at the contacts of a receptacle, hands on the probes. */
const ACTS: Readonly<Record<'worked' | 'read', readonly string[]>> = {
  worked: ['on', 'off'],
  read: ['line-neutral', 'line-ground', 'neutral-ground', 'shell'],
}

const actOf = (testKey: string): TestItem['act'] =>
  (['worked', 'read'] as const).find(act => ACTS[act].includes(testKey)) ?? null

/** What is tried next of some tests: one, or several of one act. */
export function nextTests(items: readonly TestItem[]): readonly TestItem[] {
  const at = items.findIndex(({ outcome }) => outcome === null)
  const first = items[at]
  if (!first) return []
  const after = items.slice(at)
  const other = after.findIndex(({ act, outcome }) => act !== first.act || act === null || outcome !== null)
  return after.slice(0, Math.max(1, other < 0 ? after.length : other))
}

const LEFT_DEAD: Item = { key: 'left-dead', says: 'Look at the lamp', expect: 'It stays dark' }

function withResults(view: BoxView, place: PlaceView, items: readonly Item[]): TestItem[] {
  const results = new Map(
    rowsWith(view.record, 'tests', 'placeId', place.place.id).map(test => [test.testKey, test]),
  )
  return items.map(item => ({
    ...item,
    power: powerOf(item.key),
    act: actOf(item.key),
    outcome: results.get(item.key)?.outcome ?? null,
    note: results.get(item.key)?.note ?? '',
  }))
}
