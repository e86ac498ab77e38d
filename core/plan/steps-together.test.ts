import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import type { BoxView } from '../job/box-view'
import { tiedSets } from '../job/tied'
import { lot } from '@/testing/model/lot'
import { prove } from '../prove'
import { circuitBetween, plannedCircuit, routeAll, routeBox, type HalfDone } from '../route'
import { chainOf } from '@/testing/route/chain'
import { houseOf } from '@/testing/route/house'
import { moves } from '../model/step-name'
import { doneSoFar, ifOn } from './if-on'
import { planBox } from '.'
import { dangers, unsaid } from '@/testing/plan/dangers'
import { chainFor } from '@/testing/plan/small-chain'
import { TIMES } from '@/testing/times'

/** Boxes that hang together with some of their steps done. */
function between(views: readonly BoxView[], isDone: (key: string) => boolean): HalfDone {
  return circuitBetween(
    views.map(view => {
      const routed = routeBox(view, trade)
      const keys = planBox(view, trade).steps.flatMap(({ key }) => (isDone(key) ? [key] : []))
      return { view, routed: routed.ok ? routed.value : null, done: doneSoFar(keys) }
    }),
    trade,
  )
}

/** What is wrong with boxes all of whose steps are done, against their plan; in words. */
function wrongWhenWhole(views: readonly BoxView[]): string[] {
  const { circuit, bare } = between(views, () => true)
  const own = routeBox(views[0]!, trade)
  if (!own.ok) throw new Error('it was routed a moment ago')
  const { devices } = plannedCircuit(views[0]!, own.value, trade)
  // Told what each place is set to, as the plan has it.
  const settings = new Map(devices.map(device => [device.id, device.settings ?? {}]))
  const placeOf = new Map(
    views.flatMap(({ places }) => places.map(({ place, found }) => [found?.id ?? '', place.id] as const)),
  )
  const proof = prove({
    ...circuit,
    devices: circuit.devices.map(device => ({
      ...device,
      settings: settings.get(device.id) ?? settings.get(placeOf.get(device.id) ?? '') ?? {},
    })),
  })
  return [
    ...[...bare.values()].map(({ name }) => `${name} bare`),
    ...(proof.kind === 'refuted' ? proof.counterexamples.map(({ says }) => says) : []),
    ...(proof.kind === 'not-decided' ? ['not decided'] : []),
  ]
}

/** Pieces of wiring that can be wired as chosen. */
const wirable = (sets: readonly (readonly BoxView[])[]) =>
  sets.filter(
    ([view]) => view && view.places.length > 0 && routeAll(view.record, view.box.id, trade).ok,
  ) as (readonly [BoxView, ...BoxView[]])[]

describe('the steps together', () => {
  it('of one light, done one and all: wired as planned, and it proves', () => {
    const wrong: string[] = []
    let whole = 0
    for (let seed = 1; seed <= 60 * TIMES; seed++)
      for (const views of wirable([chainOf(chainFor(seed))])) {
        whole++
        wrong.push(...wrongWhenWhole(views).map(says => `seed ${seed}: ${says}`))
      }
    expect(wrong.slice(0, 5)).toEqual([])
    expect(whole).toBeGreaterThan(40 * TIMES)
  })

  it('of houses of several gangs and two circuits: the same, and what is wrong half way is said', () => {
    const wrong: string[] = []
    let [whole, states, dangerous, careful, shells] = [0, 0, 0, 0, 0]
    for (let seed = 1; seed <= 20 * TIMES; seed++) {
      const draw = lot(seed)
      for (const views of wirable(tiedSets(houseOf(seed, trade).record))) {
        whole++
        wrong.push(...wrongWhenWhole(views).map(says => `seed ${seed}: ${says}`))
        for (let round = 0; round < 6; round++) {
          const share = 1 + draw(5)
          const half = between(views, key => moves(key) && draw(6) < share)
          states++
          const found = dangers(half)
          const said = ifOn(half)
          if (found.length > 0) dangerous++
          else if (said.length > 0) careful++
          const missing = unsaid(found, said)
          if (missing.length > 0) wrong.push(`seed ${seed}, round ${round}: not said: ${missing.join('; ')}`)
          if (found.some(({ kind }) => kind === 'live-shell')) shells++
        }
      }
    }
    expect(wrong.slice(0, 5)).toEqual([])
    expect(whole).toBeGreaterThan(10 * TIMES)
    expect(dangerous).toBeGreaterThan(16 * TIMES)
    expect(shells).toBeGreaterThan(3 * TIMES)
    expect(careful / states).toBeLessThan(0.15)
  })

  it('with a joint too many or a conductor on another’s neutral, each danger is said at its point', () => {
    const silent: string[] = []
    const met = new Map<string, number>()
    for (let seed = 1; seed <= 24 * TIMES; seed++) {
      const draw = lot(seed + 500)
      for (const views of wirable(tiedSets(houseOf(seed, trade).record))) {
        for (let round = 0; round < 8; round++) {
          const half = between(views, key => moves(key) && draw(6) < 4)
          const { circuit } = half
          const poles = circuit.supplies.flatMap(({ neutral, ground }) => [neutral, ground])
          const ends = circuit.wires.flatMap(({ a, b }) => [a, b])
          const loads = circuit.loads.flatMap(({ hot, neutral }) => [hot, neutral])
          const any = [poles, ends, loads]
          const one = any[draw(3)]!
          const members = [one[draw(one.length)]!, poles[draw(poles.length)]!]
          // A lamp’s return taken off its own neutral, or left on it.
          const load = circuit.loads[draw(Math.max(1, circuit.loads.length))]
          const parted =
            load && draw(2) === 0
              ? circuit.joints.map(joint => ({
                  ...joint,
                  members: joint.members.filter(member => member !== load.neutral),
                }))
              : circuit.joints
          const other = load ? [load.neutral, poles[draw(poles.length)]!] : members
          const wrong = {
            ...half,
            circuit: {
              ...circuit,
              joints: [
                ...parted,
                { id: 'mistake', members },
                ...(parted === circuit.joints ? [] : [{ id: 'another', members: other }]),
              ],
            },
          }
          const found = dangers(wrong)
          for (const { kind } of found) met.set(kind, (met.get(kind) ?? 0) + 1)
          const missing = unsaid(found, ifOn(wrong))
          if (missing.length > 0) silent.push(`seed ${seed}, round ${round}: ${missing.join('; ')}`)
        }
      }
    }
    expect(silent.slice(0, 5)).toEqual([])
    for (const kind of ['short', 'live-end', 'live-shell', 'other-return', 'ground-carries'])
      expect([kind, (met.get(kind) ?? 0) > 10]).toEqual([kind, true])
  })
})
