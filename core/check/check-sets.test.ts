import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { quillbackRoad } from '@/demo/quillback'
import { bareJob, fedAtTheSwitch } from '@/demo/usual'
import { chainOf, type Chain } from '@/testing/route/chain'
import { plannedCircuit, routeTogether, setsFor } from '../route'
import { prove } from '../prove'
import { deviceNamed } from '../model/trade'
import type { JobRecord } from '../model/record'
import { checkLight, placesOf, withSet, type SetJudgement } from '.'

const chain = (more: Partial<Chain> = {}): JobRecord => {
  const count = more.count ?? 2
  const choices = Array.from({ length: count }, () => null)
  const [first] = chainOf({
    fed: 0,
    lit: 1,
    neutrals: true,
    spares: 0,
    ...more,
    count,
    choices: more.choices ?? choices,
  })
  return first!.record
}

/** All that is known of its conductors is proven: what a set lacks is then not a reading. */
const sets = (more: Partial<Chain> = {}) => checkLight(chain(more), 'light', trade)
const named = (all: readonly SetJudgement[], ...ids: (string | null)[]) =>
  all.find(({ set }) => set.members.map(model => model?.id ?? null).join() === ids.join())
const wiring = (judgement: SetJudgement | undefined) =>
  judgement?.ofLight.find(({ rule }) => rule === 'wiring')

const DIMMER = 'dimmer-led-150-two-wire'
const COMPANION = 'companion-oak'

describe('sets of devices for a light of several places', () => {
  it('a dimmer with its companion needs no more conductors than the two travellers', () => {
    const found = named(sets(), DIMMER, COMPANION)
    expect(found?.set.kind).toBe('companions')
    expect(wiring(found)).toMatchObject({ verdict: 'fits' })
    expect(found?.price).toBe(deviceNamed(trade, DIMMER)!.price + deviceNamed(trade, COMPANION)!.price)
  })

  it('an old switch may stay at the one other place, and never in a group of three', () => {
    expect(wiring(named(sets(), DIMMER, null))).toMatchObject({ verdict: 'fits' })
    expect(named(sets(), DIMMER, null)?.set.kind).toBe('kept-switch')
    const three = sets({ count: 3 })
    expect(three.filter(({ set }) => set.members.includes(null))).toEqual([])
    expect(named(three, DIMMER, COMPANION, COMPANION)?.set.kind).toBe('companions')
  })

  it('a linked pair where one box has no neutral and no conductor to bring one does not fit', () => {
    const linked = 'smart-switch-linked'
    // Fed and lit at the near box: two travellers and the switched conductor run to the far one, and no neutral.
    const without = sets({ lit: 0, neutrals: false })
    expect(wiring(named(without, linked, linked))).toMatchObject({
      verdict: 'does-not-fit',
      says: expect.stringContaining('neutral'),
      cures: [expect.objectContaining({ id: 'cable-between' })],
    })
    // With a white spare the neutral comes along.
    expect(wiring(named(sets({ lit: 0, neutrals: true }), linked, linked))).toMatchObject({ verdict: 'fits' })
  })

  it('a companion carries none of the lamps: only the main is held against them', () => {
    const found = named(sets(), DIMMER, COMPANION)!
    const rules = found.ofPlaces.map(lines => lines.map(({ rule }) => rule))
    expect(rules[0]!.some(rule => rule.startsWith('load'))).toBe(true)
    expect(rules[1]!.some(rule => rule.startsWith('load'))).toBe(false)
  })

  it('two places of one light in one box see each other as the set would have it, not as it is chosen now', () => {
    const job = bareJob('both')
    const [feed] = fedAtTheSwitch(true)
    const place = { group: 'light', name: 'Light', old: 'old-two-place-switch' }
    job.box({
      id: 'box',
      room: 'room',
      name: 'By the door',
      breakers: ['7'],
      box: { gangs: 3, depthMillimetres: 90, volumeCubicInches: 40 },
      controls: [{ ...place, lamps: [{ kind: 'led', wattsEach: 9, count: 2, dimmable: 'yes' }] }, place],
      cables: [{ ...feed!, strands: feed!.strands.map(each => ({ ...each, on: 'loose' })) }],
    })
    const record = job.record()
    // Two gangs wide: what is chosen at the second place now would fill the box more than the set does.
    const wide = { id: 'now', placeId: 'box-2', modelId: 'dimmer-led-600-neutral-wide' }
    const fill = (of: JobRecord) =>
      named(checkLight(of, 'light', trade), DIMMER, COMPANION)!.ofPlaces[0]!.find(
        ({ rule }) => rule === 'box-fill',
      )!.value
    expect(fill({ ...record, choices: { now: wide } })).toBe(fill(record))
    // Two conductors 2.00 each, one ground 2.00, two yokes 4.00 each.
    expect(fill(record)).toBe(14)
  })

  it('what has no role yet is not known, and names where it is settled', () => {
    const record = quillbackRoad()
    const all = checkLight(record, 'path-light', trade)
    expect(all.length).toBeGreaterThan(10)
    for (const { verdict, settledBy } of all) {
      if (verdict === 'not-known')
        expect(settledBy).toContain('Identify the conductors of every box of this light on Test.')
      expect(verdict).not.toBe('fits')
    }
  })

  it('a set with its main in any place, in each region; companions of one family only', () => {
    for (const region of ['north-america-120', 'europe-230'] as const)
      for (const count of [2, 3, 5]) {
        const found = Array.from({ length: count }, () => null)
        for (const { kind, members } of setsFor(trade, region, found)) {
          expect(members).toHaveLength(count)
          expect(members.every(model => model === null || model.regions.includes(region))).toBe(true)
          if (kind !== 'companions') continue
          expect(new Set(members.flatMap(model => model!.signals.map(({ family }) => family))).size).toBe(1)
          expect(
            members.filter(model => model!.terminals.some(({ wants }) => wants === 'load')),
          ).toHaveLength(1)
        }
      }
  })

  it('what is said to be wired proves, and a set that is chosen routes the same', () => {
    for (const shape of [{}, { count: 3, lit: 2 }, { lit: 0 }, { neutrals: false }] as const) {
      const record = chain(shape)
      const places = placesOf(record, 'light')
      for (const judgement of checkLight(record, 'light', trade)) {
        const tried = withSet(record, places, judgement.set)
        const views = placesOf(tried, 'light').map(({ view }) => view)
        const routed = routeTogether(views, trade)
        expect(routed.ok).toBe(wiring(judgement)!.verdict === 'fits')
        if (!routed.ok) continue
        const [first] = routed.value.boxes
        expect(prove(plannedCircuit(first!.view, first!.routed, trade)).kind, judgement.id).toBe('proven')
      }
    }
  })
})
