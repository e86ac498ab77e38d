import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { switchLoop, usualBox } from '@/demo/usual'
import { boxView, type BoxView } from '../job/box-view'
import { prove } from '../prove'
import { plannedCircuit, routeBox, routeCures, setsFor, type RouteCure } from '.'
import { chainOf, type Chain } from '@/testing/route/chain'

const LINKED = 'smart-switch-linked'
const OAK = 'companion-oak'
const DIMMER = 'dimmer-led-150-two-wire'

const curesOf = ([view]: readonly BoxView[]) => routeCures(view!.record, view!.box.id, trade)

/** What the prover says of a box once a cure is applied. */
function proofOf({ tried }: RouteCure, boxId: string): string {
  const view = boxView(tried, boxId)!
  const routed = routeBox(view, trade)
  if (!routed.ok) return routed.faults[0]!.message
  const proof = prove(plannedCircuit(view, routed.value, trade))
  return proof.kind === 'refuted' ? proof.counterexamples.map(({ says }) => says).join('; ') : proof.kind
}

describe('cures of what cannot be wired', () => {
  it('a linked pair without a neutral at the far box: the rule, other devices, a cable; each proves', () => {
    const views = chainOf({ count: 2, fed: 0, lit: 0, neutrals: false, spares: 0, choices: [LINKED, LINKED] })
    const cures = curesOf(views)
    expect(cures.map(({ kind }) => kind)).toEqual(['house-rule', 'another-device', 'another-device', 'cable'])
    for (const cure of cures) expect(proofOf(cure, 'box0'), cure.says).toBe('proven')
    expect(cures.at(-1)!.says).toBe(
      'A new cable: one of 2 conductors and ground between Room, Box 0 and Room, Box 1.',
    )
  })

  it('allowed to re-mark, the second traveller becomes the neutral, marked again at both ends', () => {
    const views = chainOf({ count: 2, fed: 0, lit: 0, neutrals: false, spares: 0, choices: [LINKED, LINKED] })
    const [rule] = curesOf(views)
    for (const boxId of ['box0', 'box1']) {
      const view = boxView(rule!.tried, boxId)!
      const routed = routeBox(view, trade)
      if (!routed.ok) throw new Error(routed.faults[0]!.message)
      const brought = view.ends.filter(
        ({ end, cable }) => cable.name === 'R0' && routed.value.netOfEnd[end.id]?.startsWith('neutral:'),
      )
      expect(brought.map(({ conductor }) => conductor.insulation)).not.toContain('white')
      expect(brought).toHaveLength(1)
      expect(routed.value.remarks).toContainEqual({ endId: brought[0]!.end.id, as: 'white' })
    }
  })

  it('a box of a loop with a device that lives by a neutral: other devices and a cable with one', () => {
    const view = usualBox({ choice: 'dimmer-led-150-neutral', cables: switchLoop(true) })
    const cures = curesOf([view])
    expect(cures.map(({ kind }) => kind)).toContain('cable')
    expect(cures.map(({ kind }) => kind)).toContain('another-device')
    for (const cure of cures) expect(proofOf(cure, 'box'), cure.says).toBe('proven')
  })

  it('devices that do not work one light: sets that do', () => {
    const views = chainOf({ count: 2, fed: 0, lit: 1, neutrals: true, spares: 0, choices: [OAK, OAK] })
    const cures = curesOf(views)
    expect(cures.map(({ kind }) => kind)).toContain('another-device')
    for (const cure of cures) expect(proofOf(cure, 'box0'), cure.says).toBe('proven')
  })

  it('the electronics at another place, where only that one has what they live by', () => {
    const kept = { count: 2, fed: 0, lit: 0, neutrals: false, spares: 0 } as const
    const cures = curesOf(chainOf({ ...kept, choices: ['smart-switch-sense', 'smart-switch-sense'] }))
    for (const cure of cures) expect(proofOf(cure, 'box0'), cure.says).toBe('proven')
    const elder = curesOf(chainOf({ ...kept, choices: ['second-place-elder', 'time-switch-sun'] }))
    expect(elder[0]).toMatchObject({ kind: 'another-place' })
    for (const cure of elder) expect(proofOf(cure, 'box0'), cure.says).toBe('proven')
  })

  it('every cure of every refused set works, and what can be wired has none', () => {
    let cured = 0
    for (const chain of shapes()) {
      const views = chainOf(chain)
      const cures = curesOf(views)
      expect(routeBox(views[0]!, trade).ok).toBe(cures.length === 0)
      for (const cure of cures) {
        cured++
        expect(proofOf(cure, 'box0'), `${JSON.stringify(chain)} ${cure.says}`).toBe('proven')
      }
    }
    expect(cured).toBeGreaterThan(100)
  })

  it('nothing is cured before roles and devices are there', () => {
    expect(curesOf([usualBox({ choice: DIMMER, proven: false, cables: switchLoop(true) })])).toEqual([])
  })
})

/** Chains of two and three boxes with a few sets each. */
function* shapes(): Generator<Chain> {
  for (const count of [2, 3])
    for (const neutrals of [true, false])
      for (const lit of [0, count - 1]) {
        const shape = { count, fed: 0, lit, neutrals, spares: 0, between: count === 2 ? 1 : 2 }
        const found = Array.from({ length: count }, () => null)
        const sets = setsFor(trade, 'north-america-120', found)
        for (const [at, { members }] of sets.entries())
          if (at % 3 === 0) yield { ...shape, choices: members.map(model => model?.id ?? null) }
      }
}
