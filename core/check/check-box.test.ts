import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { boxView } from '../job/box-view'
import { deviceNamed } from '../model/trade'
import { prove } from '../prove'
import { plannedCircuit, routeBox } from '../route'
import { checkBox, withSet, ownPlacesOf, type SetJudgement } from '.'
import { bathOf } from '@/testing/check/bath'

const of = (judgements: readonly SetJudgement[], one: string, other: string) =>
  judgements.find(({ set }) => set.members.map(model => model?.id).join() === `${one},${other}`)

describe('devices side by side for the lights of one box', () => {
  it('a sensor for the light beside a timer for the fan: both wants are met, and the wiring proves', () => {
    const record = bathOf()
    const judgements = checkBox(record, 'box', trade)
    const found = of(judgements, 'sensor-neutral', 'timer-countdown')!
    expect(found).toMatchObject({ verdict: 'fits', meetsWant: true })
    expect(found.price).toBe(
      deviceNamed(trade, 'sensor-neutral')!.price + deviceNamed(trade, 'timer-countdown')!.price,
    )
    const view = boxView(withSet(record, ownPlacesOf(record, 'box'), found.set), 'box')!
    const routed = routeBox(view, trade)
    if (!routed.ok) throw new Error(routed.faults[0]!.message)
    expect(prove(plannedCircuit(view, routed.value, trade)).kind).toBe('proven')
    // One line feeds both by pigtails.
    expect(routed.value.joints.find(({ netId }) => netId.startsWith('line:'))!.leads.length).toBeGreaterThan(
      0,
    )
  })

  it('what does only one of the wants comes after what does both', () => {
    const judgements = checkBox(bathOf(), 'box', trade)
    const last = judgements.findLastIndex(({ meetsWant }) => meetsWant)
    expect(last).toBeGreaterThan(0)
    expect(judgements.slice(0, last + 1).every(({ meetsWant }) => meetsWant)).toBe(true)
  })

  it('the box is judged with both devices in it: volume that one would leave, two do not', () => {
    // Six conductors 2.00 each, grounds 2.00, two yokes 4.00 each: 22.00 in³.
    const judgements = checkBox(bathOf({ volume: 21.9 }), 'box', trade)
    const found = of(judgements, 'sensor-neutral', 'timer-countdown')!
    const fill = found.ofPlaces[0]!.find(({ rule }) => rule === 'box-fill')!
    expect(fill).toMatchObject({ verdict: 'fits-if', value: 22, limit: 21.9 })
    expect(found.verdict).toBe('fits-if')
    expect(found.cures.map(({ id }) => id)).toContain('ring')
  })

  it('two finned dimmers beside each other lose a side each, which one alone would not', () => {
    const judgements = checkBox(bathOf({ wants: false }), 'box', trade)
    for (const { set, ofPlaces } of judgements) {
      const finned = set.members.map(model => model?.ratings.some(({ oneSide }) => oneSide !== null) ?? false)
      ofPlaces.forEach((lines, at) => {
        expect(lines.some(({ rule }) => rule === 'fins')).toBe(finned[at]! && finned[1 - at]!)
      })
    }
  })

  it('a box with one light of its own has nothing to set side by side; at most 240 are gone through', () => {
    expect(checkBox(bathOf({ wants: false }), 'box', trade).length).toBeLessThanOrEqual(240)
    expect(checkBox(bathOf(), 'no-such-box', trade)).toEqual([])
  })
})
