import { describe, expect, it } from 'vitest'
import { lot } from '@/testing/model/lot'
import { TIMES } from '@/testing/times'
import { trade } from '@/catalogue'
import { boxView } from '../job/box-view'
import { tiedBoxes } from '../job/tied'
import type { Edit } from '../job/command'
import { BLANK } from '../model/blank-rows'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
import { circuitBetween, routeAll, routeBox, type HalfDone } from '../route'
import { chainOf } from '@/testing/route/chain'
import { moves } from '../model/step-name'
import { doneSoFar, ifOn } from './if-on'
import { planBox } from '.'
import { dangers, unsaid } from '@/testing/plan/dangers'
import { after, fresh, isOn, readDead, switching, unlocked } from '@/testing/plan/hands'
import { chainFor } from '@/testing/plan/small-chain'

/** Where everything is by the ticks of the record, for the boxes that hang together. */
function between(record: JobRecord): HalfDone {
  const views = tiedBoxes(record, 'box0')
  return circuitBetween(
    views.map(view => {
      const routed = routeBox(view, trade)
      const keys = rowsWith(record, 'steps', 'boxId', view.box.id).map(({ stepKey }) => stepKey)
      return { view, routed: routed.ok ? routed.value : null, done: doneSoFar(keys) }
    }),
    trade,
  )
}

const SHAPES = 30 * TIMES
const MOVES_EACH = 70

describe('every state between two steps', () => {
  it('of each small plan, whatever was ticked: what the solver finds wrong is said, and little else', () => {
    const silent: string[] = []
    let [states, dangerous, careful, plans] = [0, 0, 0, 0]
    for (let seed = 1; plans < 30; seed++) {
      const views = chainOf(chainFor(seed))
      if (!routeAll(views[0]!.record, 'box0', trade).ok) continue
      const boxes = views.map(view => {
        const routed = routeBox(view, trade)
        const keys = planBox(view, trade).steps.flatMap(({ key }) => (moves(key) ? [key] : []))
        return { view, routed: routed.ok ? routed.value : null, keys }
      })
      const all = boxes.flatMap(({ view, keys }) => keys.map(key => ({ boxId: view.box.id, key })))
      // Every set of ticks is a state; so many are gone through in full.
      if (all.length > 10) continue
      plans++
      for (let ticks = 1; ticks < 2 ** all.length; ticks++) {
        const done = all.filter((_, at) => (ticks >> at) % 2 === 1)
        const half = circuitBetween(
          boxes.map(({ view, routed }) => ({
            view,
            routed,
            done: doneSoFar(done.filter(({ boxId }) => boxId === view.box.id).map(({ key }) => key)),
          })),
          trade,
        )
        states++
        const found = dangers(half)
        const said = ifOn(half)
        if (found.length > 0) dangerous++
        else if (said.length > 0) careful++
        const missing = unsaid(found, said)
        if (missing.length > 0)
          silent.push(`seed ${seed}: ${done.map(({ key }) => key).join(', ')}: ${missing.join('; ')}`)
      }
    }
    expect(silent.slice(0, 3)).toEqual([])
    expect(plans).toBe(30)
    expect(states).toBeGreaterThan(2_500)
    expect(dangerous).toBeGreaterThan(1_000)
    // Contacts count as closed: now and then that is one too many.
    expect(careful / states).toBeLessThan(0.1)
  })
})

describe('the step machine, over ticks in any order', () => {
  it(`never lets hands in with the power on, and never lets the power on where it would hurt (seeds 1 to ${SHAPES})`, () => {
    const wrong: string[] = []
    const met = { touched: 0, held: 0, on: 0, refusedOn: 0, dangerous: 0, whole: 0, locked: 0 }
    for (let seed = 1; seed <= SHAPES; seed++) {
      const draw = lot(seed + 1_000)
      const [first] = chainOf(chainFor(seed))
      let record = first!.record
      if (!routeAll(record, 'box0', trade).ok) continue
      const boxIds = rowsOf(record, 'boxes').map(({ id }) => id)
      for (let move = 0; move < MOVES_EACH; move++) {
        const view = boxView(record, boxIds[draw(boxIds.length)]!)!
        const kind = draw(24)
        if (kind === 0) {
          const circuitId = draw(2) === 0 ? null : 'circuit-7'
          // Now and then over the head of who locked it off.
          const own = draw(3) > 0 && circuitId !== null ? unlocked(record, circuitId) : []
          const locked =
            rowsOf(record, 'locks').filter(each => each.circuitId === circuitId).length - own.length
          const next = after(record, [...own, switching(circuitId, 'on')])
          const danger = rowsOf(record, 'steps').some(({ stepKey }) => moves(stepKey))
            ? dangers(between(record))
            : []
          if (danger.length > 0) met.dangerous++
          if (locked > 0) met.locked++
          if (next) {
            met.on++
            if (locked > 0) wrong.push(`seed ${seed}: on with a lock on it`)
            if (danger.length > 0)
              wrong.push(`seed ${seed}: on with ${danger.map(({ says }) => says).join('; ')}`)
            record = next
          } else met.refusedOn++
          continue
        }
        if (kind === 1) {
          record = after(record, [switching('circuit-7', 'off')]) ?? record
          continue
        }
        if (kind === 2 || (kind === 3 && isOn(record))) {
          record = after(record, readDead(record, view)) ?? record
          continue
        }
        const open = planBox(view, trade).steps.filter(({ done, doneBy }) => !done && doneBy === 'tick')
        const free = open.filter(({ holds }) => holds.length === 0)
        if (!free.some(each => each.kind === 'touch') && draw(3) === 0) {
          record = after(record, readDead(record, view)) ?? record
          continue
        }
        const steps = free.length > 0 && draw(4) > 0 ? free : open
        const step = steps[draw(Math.max(1, steps.length))]
        if (!step) continue
        const tick: Edit = {
          kind: 'add',
          entity: 'steps',
          row: { id: fresh(), boxId: view.box.id, stepKey: step.key, ...BLANK.steps },
        }
        const on =
          step.kind === 'power' ? [...unlocked(record, 'circuit-7'), switching('circuit-7', 'on')] : []
        const next = after(record, [tick, ...on])
        if (!next) {
          met.held++
          continue
        }
        if (step.kind === 'touch') {
          met.touched++
          if (isOn(record)) wrong.push(`seed ${seed}: ${step.key} with the power on`)
        }
        if (step.kind === 'power') {
          met.whole++
          const danger = dangers(between(next))
          if (danger.length > 0)
            wrong.push(`seed ${seed}: whole, and ${danger.map(({ says }) => says).join('; ')}`)
        }
        record = next
      }
    }
    expect(wrong.slice(0, 5)).toEqual([])
    expect(met.touched).toBeGreaterThan(100)
    expect(met.held).toBeGreaterThan(100)
    expect(met.locked).toBeGreaterThan(5)
    expect(met.on).toBeGreaterThan(10)
    expect(met.dangerous).toBeGreaterThan(10)
    expect(met.refusedOn).toBeGreaterThanOrEqual(met.dangerous)
  })
})
