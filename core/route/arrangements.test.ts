import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { switchLoop, usualBox } from '@/demo/usual'
import type { BoxView } from '../job/box-view'
import { prove } from '../prove'
import {
  circuitOfPlan,
  foundJointOf,
  plannedCircuit,
  routeBox,
  routeTogether,
  withRule,
  type RoutedBox,
  type RoutedTogether,
} from '.'
import { chainOf, type Chain } from '@/testing/route/chain'
import { tiedBoxes } from '../job/tied'

const DIMMER = 'dimmer-led-150-two-wire'
const OAK = 'companion-oak'
const PLAIN = 'switch-two-place-15'
const MIDDLE = 'switch-middle-15'
const LINKED = 'smart-switch-linked'

const chain = (more: Partial<Chain> & Pick<Chain, 'choices'>): BoxView[] =>
  chainOf({
    fed: 0,
    lit: 0,
    neutrals: true,
    spares: 0,
    seated: true,
    proven: true,
    count: more.choices.length,
    ...more,
  })

function planned(views: readonly BoxView[]): RoutedTogether {
  const routed = routeTogether(views, trade)
  if (!routed.ok) throw new Error(routed.faults.map(({ message }) => message).join('; '))
  const proof = prove(circuitOfPlan(routed.value, trade))
  expect(proof.kind === 'refuted' ? proof.counterexamples.map(({ says }) => says) : proof.kind).toBe('proven')
  return routed.value
}

const boxAt = ({ boxes }: RoutedTogether, at: number): RoutedBox => boxes[at]!.routed
const netAt = (box: RoutedBox, terminal: string) =>
  box.netOfTerminal[`${box.devices[0]!.placeId}.${terminal}`]?.split(':')[0] ?? null

/** What each conductor of the cable between two boxes carries, by its colour. */
const carried = ({ boxes }: RoutedTogether, cable: string): Record<string, string | null> =>
  Object.fromEntries(
    boxes.flatMap(({ view, routed }) =>
      view.ends
        .filter(each => each.cable.name === cable && each.conductor.insulation !== 'bare')
        .map(({ end, conductor }) => [conductor.insulation, routed.netOfEnd[end.id]?.split(':')[0] ?? null]),
    ),
  )

/** Joints of a plan that are not there yet as they will be. */
const madeAnew = ({ boxes }: RoutedTogether): number =>
  boxes.flatMap(({ view, routed }) =>
    routed.joints.filter(joint => !foundJointOf(view, joint, routed.pigtails)),
  ).length

const positions = (count: number) => Array.from({ length: count }, (_, at) => at)

describe('arrangements that everybody meets', () => {
  it('plain two-place and middle switches, fed and lit in any box', () => {
    for (const count of [2, 3, 4])
      for (const fed of positions(count))
        for (const lit of positions(count)) {
          const choices = positions(count).map(at => (at === 0 || at === count - 1 ? PLAIN : MIDDLE))
          const plan = planned(chain({ fed, lit, choices }))
          expect(plan.schemes[0]!.kind).toBe('two-way')
          // Conductors carry what they carried; joints alone are made anew.
          expect(plan.cost).toBe(madeAnew(plan) * trade.routeCosts.newJoint)
          // Where the old ones stay no conductor leaves its screw.
          const kept = planned(chain({ fed, lit, choices: positions(count).map(() => null) }))
          expect(kept.cost).toBe(madeAnew(kept) * trade.routeCosts.newJoint)
          for (const { view, routed } of kept.boxes)
            for (const { end } of view.ends)
              if (end.seat === 'terminal') expect(routed.seats[end.id]?.kind).toBe('terminal')
        }
  })

  it('a dimmer with companions, the main in any place: one colour brings the signal throughout', () => {
    for (const count of [2, 3, 5])
      for (const main of positions(count)) {
        const plan = planned(
          chain({
            lit: count - 1,
            // The power goes on to the last box and the lamp’s conductor comes back past it.
            spares: 1,
            choices: positions(count).map(at => (at === main ? DIMMER : OAK)),
          }),
        )
        const signals = positions(count - 1).map(
          at => Object.entries(carried(plan, `R${at}`)).find(([, net]) => net === 'signal')![0],
        )
        expect(new Set(signals)).toEqual(new Set(['red']))
      }
  })

  it('a dimmer and the old switch that stays: the power passes in a joint with a pigtail to its common', () => {
    for (const choices of [
      [DIMMER, null],
      [null, DIMMER],
    ]) {
      const plan = planned(chain({ lit: 1, choices }))
      const kept = plan.boxes.find(({ routed }) => !routed.devices[0]!.isNew)!.routed
      const jumper = kept.pigtails.find(({ to }) => to !== 'box' && to.terminalId === 'common')!
      const passing = kept.joints.find(({ pigtailIds }) => pigtailIds.includes(jumper.id))!
      expect(passing.endIds).toHaveLength(2)
      expect([netAt(kept, 'traveller-a'), netAt(kept, 'traveller-b')].sort()).toEqual([null, 'signal'].sort())
    }
  })

  it('a radio set whose load leaves from the far box: one traveller brings the line, the near load lead is capped', () => {
    const plan = planned(chain({ lit: 1, choices: [LINKED, LINKED] }))
    const nets = carried(plan, 'R0')
    expect(Object.values(nets).filter(net => net === 'line')).toHaveLength(1)
    expect(Object.values(nets).filter(net => net === null)).toHaveLength(1)
    const far = plan.boxes.find(({ view }) => view.box.id === 'box1')!.routed
    const near = plan.boxes.find(({ view }) => view.box.id === 'box0')!.routed
    const capped = [near, far].flatMap(({ cappedLeads }) => cappedLeads.map(({ terminalId }) => terminalId))
    expect(capped).toEqual(['load'])
    // The second traveller is capped in both boxes.
    for (const { view, routed } of plan.boxes)
      expect(
        view.ends.filter(
          ({ end, cable }) =>
            cable.name === 'R0' && routed.netOfEnd[end.id] === null && routed.seats[end.id]?.kind === 'cap',
        ),
      ).toHaveLength(1)
  })

  it('without a neutral at the far box it is refused; re-marking allowed, the second traveller becomes it', () => {
    const views = chain({ neutrals: false, choices: [LINKED, LINKED] })
    expect(routeTogether(views, trade).ok).toBe(false)
    const allowed = withRule(views[0]!.record, 'remark-neutral', 'as-allowed')
    const plan = planned(tiedBoxes(allowed, 'box0'))
    expect(Object.values(carried(plan, 'R0'))).toContain('neutral')
    for (const { routed } of plan.boxes) expect(routed.remarks.map(({ as }) => as)).toEqual(['white'])
  })

  it('a smart switch with its sense lead on one traveller of a switch that stays', () => {
    const plan = planned(chain({ choices: ['smart-switch-sense', null] }))
    expect(netAt(boxAt(plan, 0), 'sense')).toBe('signal')
    const kept = plan.boxes.find(({ routed }) => !routed.devices[0]!.isNew)!.routed
    expect([netAt(kept, 'traveller-a'), netAt(kept, 'traveller-b')]).toContain('signal')
  })

  it('linked countdown timers: the line is where the sheet says, not where the old common was', () => {
    const plan = planned(chain({ choices: ['timer-linked', 'timer-second-place'] }))
    for (const { routed } of plan.boxes) expect(netAt(routed, 'line')).toBe('line')
    expect(plan.boxes.map(({ routed }) => netAt(routed, 'signal'))).toEqual(['signal', 'signal'])
    expect(plan.boxes.map(({ routed }) => netAt(routed, 'load')).filter(net => net === 'load')).toHaveLength(
      1,
    )
  })

  it('a time switch at the one place: the lead for a second place is capped', () => {
    const view = usualBox({ choice: 'time-switch-sun' })
    const routed = routeBox(view, trade)
    expect(routed.ok && routed.value.cappedLeads).toEqual([{ placeId: 'box-1', terminalId: 'signal' }])
    expect(routed.ok && prove(plannedCircuit(view, routed.value, trade)).kind).toBe('proven')
  })

  it('a loop: the marked white feeds, and never takes the switched conductor back', () => {
    const view = usualBox({ choice: 'switch-plain-15', cables: switchLoop(true) })
    const routed = routeBox(view, trade)
    if (!routed.ok) throw new Error('a loop routes')
    const white = view.ends.find(({ conductor }) => conductor.insulation === 'white')!
    expect(routed.value.netOfEnd[white.end.id]).toMatch(/^line:/)
    expect(routed.value.remarks).toEqual([{ endId: white.end.id, as: 'black' }])
  })

  it('a control that keeps its lamps fed: the load lead is on the line', () => {
    const view = usualBox({ choice: 'control-keeps-fed' })
    const routed = routeBox(view, trade)
    expect(routed.ok && prove(plannedCircuit(view, routed.value, trade)).kind).toBe('proven')
    const model = routed.ok ? routed.value.devices[0]!.model : null
    expect(model!.contacts.some(({ when }) => Object.keys(when).length === 0)).toBe(true)
  })
})
