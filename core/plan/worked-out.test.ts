import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox } from '@/demo/usual'
import { drawnRoom } from '@/testing/setup/rooms'
import { TIMES } from '@/testing/times'
import { boxView, type BoxView } from '../job/box-view'
import { faultsOfShapes, soundShapes } from '../job/sound-shapes'
import { faultsOfRecord } from '../job/integrity'
import { transition } from '../job/transition'
import type { Hanging, PlanOfRoom } from '../model/floor-plan'
import { figureOf, valuesOf } from '../model/setting'
import {
  aimOf,
  aimSensor,
  eyesOf,
  faultsOfHangings,
  parseRoom,
  rectangle,
  seenBy,
  sensorAt,
  settingsOfAim,
} from '../setup'
import { progressOf, sensorInRoom, settingsAtPlace, workedOut } from '.'

const SENSORS = trade.devices.filter(({ does, stock }) => does.includes('presence') && stock === 'new')

const plan = (hangings: readonly Hanging[] = []): PlanOfRoom => ({
  corners: rectangle(4, 3),
  height: 2.5,
  openings: [
    {
      kind: 'door',
      wall: 0,
      from: 3,
      width: 0.8,
      hinge: 'start',
      swings: 'in',
      usually: 'open',
      passage: null,
    },
  ],
  furniture: [],
  seats: [],
  heat: [],
  hangings,
})
const HANGS: Hanging = { on: 'wall', boxId: 'box', wall: 2, along: 1, height: 1.2 }

const withPlan = (
  view: BoxView,
  of: PlanOfRoom | null,
  settings: Readonly<Record<string, string>> = {},
  reason = '',
) =>
  boxView(
    {
      ...view.record,
      plans: of ? { plan: { id: 'plan', roomId: view.room.id, plan: of } } : {},
      settings: Object.fromEntries(
        Object.entries(settings).map(([settingId, value]) => [
          settingId,
          {
            id: settingId,
            placeId: view.places[0]!.place.id,
            settingId,
            value,
            reason,
            trial: null,
            keyed: null,
          },
        ]),
      ),
    },
    view.box.id,
  )!

describe('a sensor in the plan of its room', () => {
  const bare = usualBox({ choice: 'sensor-neutral' })

  it('is told apart by what is wanted to say what it sees', () => {
    const kind = (view: BoxView) => sensorInRoom(view.record, view.places[0]!, trade)?.kind
    expect(kind(bare)).toBe('no-plan')
    expect(kind(withPlan(bare, plan()))).toBe('not-placed')
    expect(kind(withPlan(bare, plan([HANGS])))).toBe('hangs')
    // A wall kind on the ceiling: its sheet says nothing of that.
    const above: Hanging = { on: 'ceiling', boxId: 'box', at: { x: 1, y: 1 }, height: 2.5 }
    expect(kind(withPlan(bare, plan([above])))).toBe('no-sheet')
    expect(kind(usualBox({ choice: 'switch-plain-15' }))).toBeUndefined()
  })

  it('has each of its settings that aim it worked out, as the best of all ways sees, and no other', () => {
    const view = withPlan(bare, plan([HANGS]))
    const model = SENSORS.find(({ id }) => id === 'sensor-neutral')!
    const best = aimSensor(plan(), sensorAt(model, HANGS)!).best
    const found = Object.fromEntries(
      model.settings.map(setting => [setting.id, workedOut(view.record, view.places[0]!, setting, trade)]),
    )
    expect(found['mode']).toBeNull()
    expect(found['delay']).toBeNull()
    const figure = (id: string) =>
      figureOf(
        model.settings.find(each => each.id === id)!,
        found[id]!,
      )
    expect([figure('shutter-left'), figure('shutter-right'), figure('sensitivity')! / 100]).toEqual([
      best.aim.left,
      best.aim.right,
      best.aim.sensitivity,
    ])
  })

  it('made otherwise is marked, and not done, until somebody says why', () => {
    const view = withPlan(bare, plan([HANGS]))
    const all = settingsAtPlace(view, view.places[0]!, trade)
    const asFound = Object.fromEntries(all.map(({ setting, value }) => [setting.id, value]))
    const left = all.find(({ setting }) => setting.id === 'shutter-left')!
    const other = valuesOf(left.setting).find(value => value !== left.value)!
    const setStage = (of: BoxView) => progressOf(of, trade).stages.find(({ stage }) => stage === 'set')!
    const state = (of: BoxView) =>
      settingsAtPlace(of, of.places[0]!, trade).find(({ setting }) => setting.id === 'shutter-left')!.is
    const right = withPlan(bare, plan([HANGS]), asFound)
    expect([state(right), setStage(right).state]).toEqual(['made', 'done'])
    const wrong = withPlan(bare, plan([HANGS]), { ...asFound, 'shutter-left': other })
    expect([state(wrong), setStage(wrong).state]).toEqual(['otherwise', 'begun'])
    expect(setStage(wrong).missing).toContain('Left shutter')
    const told = withPlan(
      bare,
      plan([HANGS]),
      { ...asFound, 'shutter-left': other },
      'The owner wants the cat seen',
    )
    expect([state(told), setStage(told).state]).toEqual(['made', 'done'])
  })

  it('that comes as it is to be need not be touched; what is found by trial is open however it comes', () => {
    const dimmer = usualBox({ choice: 'dimmer-led-150-neutral' })
    const states = Object.fromEntries(
      settingsAtPlace(dimmer, dimmer.places[0]!, trade).map(({ setting, is }) => [setting.id, is]),
    )
    expect(states).toEqual({ trim: 'open', 'high-end': 'as-it-comes', edge: 'as-it-comes' })
    const sensor = Object.fromEntries(
      settingsAtPlace(bare, bare.places[0]!, trade).map(({ setting, is }) => [setting.id, is]),
    )
    expect([sensor['delay'], sensor['mode'], sensor['shutter-left']]).toEqual([
      'open',
      'as-it-comes',
      'as-it-comes',
    ])
  })
})

describe('every sensor of the catalogue', () => {
  it('has its left shutter on the left', () => {
    for (const model of SENSORS.filter(({ sees }) => sees?.hangs === 'wall')) {
      const made = settingsOfAim(model, { left: 90, right: 30, sensitivity: 1 })
      expect(
        made
          .filter(({ setting }) => setting.kind === 'angle')
          .map(({ setting, value }) => `${setting.name}: ${value}`),
      ).toEqual(['Left shutter: open', 'Right shutter: shut to the last mark'])
    }
  })

  it('hangs where it is made for, and an aim goes into its settings and back', () => {
    let hung = 0
    for (let seed = 1; seed <= 40 * TIMES; seed++) {
      const { room, sensor } = drawnRoom(seed)
      if (!parseRoom(room).ok) continue
      const hanging: Hanging =
        sensor.kind === 'wall'
          ? { on: 'wall', boxId: 'b', wall: sensor.wall, along: sensor.along, height: sensor.height }
          : { on: 'ceiling', boxId: 'b', at: sensor.at, height: sensor.height }
      if (faultsOfHangings({ ...room, hangings: [hanging] }).length > 0) continue
      const model = SENSORS[seed % SENSORS.length]!
      const here = sensorAt(model, hanging)
      expect(here !== null).toBe(model.sees?.hangs === hanging.on)
      if (!here) continue
      const { best } = aimSensor(room, here)
      const made = Object.fromEntries(
        settingsOfAim(model, best.aim).map(({ setting, value }) => [setting.id, value]),
      )
      const back = aimOf(model, id => made[id])
      expect(seenBy(eyesOf(room, here), back)).toEqual(seenBy(eyesOf(room, here), best.aim))
      expect(back.sensitivity).toBeCloseTo(best.aim.sensitivity, 9)
      hung++
    }
    expect(hung).toBeGreaterThan(5)
  })
})

describe('a plan in the record', () => {
  const faults = (of: PlanOfRoom) =>
    faultsOfShapes(withPlan(usualBox({}), of).record).map(({ path, code }) => `${path} ${code}`)

  it('is refused at its field where it does not hang together', () => {
    expect(faults(plan([HANGS]))).toEqual([])
    const crossed = [0, 2, 1, 3].map(at => rectangle(4, 3)[at]!)
    expect(faults({ ...plan(), corners: crossed })[0]).toMatch(/^\/plans\/plan\/plan\/corners\/\d crosses$/)
    const wide = plan().openings.map(each => ({ ...each, width: 9 }))
    expect(faults({ ...plan(), openings: wide })).toEqual(['/plans/plan/plan/openings/0/width range'])
    expect(faults(plan([{ ...HANGS, along: 7 }] as Hanging[]))).toEqual([
      '/plans/plan/plan/hangings/0/along outside',
    ])
  })

  it('is held to that at the door, whatever else is changed with it', () => {
    const { record } = usualBox({})
    const add = (of: PlanOfRoom) =>
      transition(record, [{ kind: 'add', entity: 'plans', row: { id: 'plan', roomId: 'room', plan: of } }], {
        now: '2026-11-02T09:00:00.000Z',
        guards: [soundShapes],
      })
    expect(add(plan([HANGS])).ok).toBe(true)
    const refused = add(plan([{ ...HANGS, height: 9 }]))
    expect(refused.ok ? [] : refused.faults.map(({ path }) => path)).toEqual([
      '/plans/plan/plan/hangings/0/height',
    ])
  })

  it('is one for a room', () => {
    const view = withPlan(usualBox({}), plan())
    const two = {
      ...view.record,
      plans: { ...view.record.plans, more: { ...view.record.plans['plan']!, id: 'more' } },
    }
    expect(faultsOfRecord(two).map(({ code }) => code)).toEqual(['one-each', 'one-each'])
  })
})
