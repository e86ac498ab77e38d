import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { BLANK } from '@/core/model/blank-rows'
import { usualBox } from '@/demo/usual'
import { boxView, type BoxView } from '../job/box-view'
import { ALONE } from '../model/placed'
import { deviceNamed } from '../model/trade'
import { keyOfStep, stepOfKey } from '../model/step-name'
import { madeBy, planBox } from '.'

/** By the house rule a sensor turns on by hand: its setting is not as it comes. */
const at = (choice: string) => usualBox({ choice, rules: { 'presence-on': 'by-hand' } })
const keys = (view: BoxView) => planBox(view, trade).steps.map(({ key }) => key)
const placeOf = (view: BoxView) => view.places[0]!.place.id

/** The box with some settings of its one place made, and some steps ticked. */
function having(view: BoxView, settings: Readonly<Record<string, string>>, ticked: readonly string[] = []) {
  const placeId = placeOf(view)
  const made = Object.entries(settings).map(([settingId, value]) => ({
    id: `made-${settingId}`,
    placeId,
    settingId,
    value,
    ...BLANK.settings,
  }))
  const steps = ticked.map((stepKey, seq) => ({
    id: `tick-${seq}`,
    boxId: view.box.id,
    stepKey,
    ...BLANK.steps,
    ...ALONE,
    seq: 1000 + seq,
    at: '2026-03-02T12:00:00.000Z',
  }))
  const by = <Row extends { readonly id: string }>(rows: readonly Row[]) =>
    Object.fromEntries(rows.map(row => [row.id, row]))
  return boxView({ ...view.record, settings: by(made), steps: by(steps) }, view.box.id)!
}

describe('settings that are out of reach once the plate is on', () => {
  it('are a step of Wire: what is set on the device before its conductors, what is under its cover before it is folded in', () => {
    const convertible = at('sensor-convertible')
    const place = placeOf(convertible)
    const all = keys(convertible)
    expect(all.indexOf(`set-before:${place}`)).toBeGreaterThan(0)
    expect(all.indexOf(`set-before:${place}`)).toBeLessThan(all.indexOf('tug'))
    expect(all.indexOf(`set-under:${place}`)).toBe(all.indexOf('fold') - 1)
    expect(all.filter(key => key.startsWith('set-'))).toHaveLength(2)
    expect(keys(at('switch-plain-15')).some(key => key.startsWith('set-'))).toBe(false)
  })

  it('make what does not come as it is to be, or is found by trial, and no other', () => {
    let looked = 0
    for (const { id, stock, settings, places } of trade.devices) {
      if (stock !== 'new' || places.least > 1 || settings.length === 0) continue
      const view = at(id)
      const made = (['set-before', 'set-under'] as const).flatMap(kind =>
        madeBy(view, { kind, placeId: placeOf(view) }, trade),
      )
      const wanted = settings
        .filter(({ when }) => when !== 'power-on')
        .flatMap(({ id: of, bearsOn, initial }) =>
          bearsOn === 'mode'
            ? [[of, 'by hand']]
            : bearsOn === 'delay' || bearsOn === 'low-end' || bearsOn === 'program' || bearsOn === 'link'
              ? [[of, initial]]
              : [],
        )
      expect(made.map(({ setting, value }) => [setting.id, value]).sort(), id).toEqual(wanted.sort())
      looked += made.length
    }
    expect(looked).toBeGreaterThan(5)
    // As everything comes: nothing to be moved.
    expect(keys(usualBox({ choice: 'sensor-neutral' })).some(key => key.startsWith('set-'))).toBe(false)
  })

  it('are held as every hand is: until the box is dead', () => {
    const step = planBox(at('sensor-neutral'), trade).steps.find(({ name }) => name.kind === 'set-under')!
    expect(step.kind).toBe('touch')
    expect(step.done).toBe(false)
    expect(step.holds.length).toBeGreaterThan(0)
  })

  it('say what was made in Set already, and are done by it once all of it was', () => {
    const view = at('sensor-neutral')
    const under = deviceNamed(trade, 'sensor-neutral')!.settings.filter(({ when }) => when === 'under-cover')
    const step = (of: BoxView) => planBox(of, trade).steps.find(({ name }) => name.kind === 'set-under')!
    const some = having(view, { mode: 'by itself' })
    expect(step(view).says).toContain('Turns on: by hand')
    expect(step(some).says).toContain('Turns on: by itself')
    expect([step(view).done, step(view).doneBy]).toEqual([false, 'tick'])
    const every = having(view, Object.fromEntries(under.map(({ id, initial }) => [id, initial])))
    expect([step(every).done, step(every).doneBy]).toEqual([true, 'record'])
    // What was ticked stays a tick that can be taken back.
    const ticked = having(view, Object.fromEntries(under.map(({ id, initial }) => [id, initial])), [
      `set-under:${placeOf(view)}`,
    ])
    expect([step(ticked).done, step(ticked).doneBy]).toEqual([true, 'tick'])
  })

  it('open nothing again in a box that was finished before they were asked for', () => {
    const view = at('sensor-neutral')
    const ticks = planBox(view, trade).steps.filter(
      ({ doneBy, name }) => doneBy === 'tick' && !name.kind.startsWith('set-'),
    )
    const finished = having(
      view,
      {},
      ticks.map(({ key }) => key),
    )
    expect(planBox(finished, trade).steps.every(({ done }) => done)).toBe(true)
    const one = having(
      view,
      {},
      ticks.slice(0, -1).map(({ key }) => key),
    )
    expect(planBox(one, trade).steps.every(({ done }) => done)).toBe(false)
  })

  it('have keys that lead back to them', () => {
    for (const kind of ['set-before', 'set-under'] as const)
      expect(stepOfKey(keyOfStep({ kind, placeId: 'place-1' }))).toEqual({ kind, placeId: 'place-1' })
  })
})
