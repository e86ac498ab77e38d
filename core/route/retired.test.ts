import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox } from '@/demo/usual'
import { lot } from '@/testing/model/lot'
import { wrongForGood } from '@/testing/prove/plain-judge'
import { boxesOfLaw } from '@/testing/route/colour-law'
import { chainOf } from '@/testing/route/chain'
import { TIMES } from '@/testing/times'
import { boxView, type BoxView } from '../job/box-view'
import { tiedBoxes } from '../job/tied'
import type { Circuit } from '../model/circuit'
import type { JobRecord } from '../model/record'
import { deviceNamed } from '../model/trade'
import type { Unworked } from '../model/vocabulary'
import { ifOnAfter, planBox, progressOf, testList } from '../plan'
import { prove } from '../prove'
import { plannedCircuit, routeBox, setsFor, unsaidAbout, withChoices } from '.'

const withRetired = (record: JobRecord, placeIds: readonly string[], unworked: Unworked): JobRecord => ({
  ...record,
  places: Object.fromEntries(
    Object.entries(record.places).map(([id, place]) => [id, { ...place, retired: placeIds.includes(id) }]),
  ),
  groups: Object.fromEntries(
    Object.entries(record.groups).map(([id, group]) => [id, { ...group, unworked }]),
  ),
})

/** Points that are one metal with one, over conductors and joints; over contacts of devices too where it is said. */
function metalOf({ wires, joints, devices }: Circuit, from: string, contacts: boolean): Set<string> {
  const pairs = [
    ...wires.map(({ a, b }) => [a, b] as const),
    ...joints.flatMap(({ members }) => members.map(member => [members[0]!, member] as const)),
    ...(contacts
      ? devices.flatMap(({ id, model }) =>
          model.contacts.map(({ between: [a, b] }) => [`${id}.${a}`, `${id}.${b}`] as const),
        )
      : []),
  ]
  const seen = new Set([from])
  for (let before = 0; before < seen.size;) {
    before = seen.size
    for (const [a, b] of pairs)
      if (seen.has(a) !== seen.has(b)) {
        seen.add(a)
        seen.add(b)
      }
  }
  return seen
}

const hotAt = (circuit: Circuit, point: string, contacts: boolean) =>
  circuit.supplies.some(({ hot }) => metalOf(circuit, point, contacts).has(hot))

const planned = (view: BoxView): Circuit => {
  const routed = routeBox(view, trade)
  if (!routed.ok) throw new Error(routed.faults.map(({ message }) => message).join('; '))
  return plannedCircuit(view, routed.value, trade)
}

describe('the one control of a light goes', () => {
  const gone = (unworked: Unworked) => {
    const { record, box } = usualBox({ choice: 'switch-plain-15' })
    const places = Object.keys(record.places)
    return boxView(withRetired(record, places, unworked), box.id)!
  }

  it('what is left of its light is asked, and nothing is planned before it is said', () => {
    const view = gone('not-said')
    const routed = routeBox(view, trade)
    expect(routed.ok ? [] : routed.faults.map(({ code, path }) => [code, path])).toEqual([
      ['unworked-not-said', `/groups/${view.places[0]!.group.id}/unworked`],
    ])
    expect(unsaidAbout(view, trade)).toEqual([{ kind: 'unworked', groupId: view.places[0]!.group.id }])
  })

  it('always on: its lamps hang on the hot over conductors alone, and it proves', () => {
    const circuit = planned(gone('always-on'))
    expect(circuit.devices).toEqual([])
    expect(hotAt(circuit, circuit.loads[0]!.hot, false)).toBe(true)
    expect(prove(circuit).kind).toBe('proven')
    expect([...wrongForGood(circuit)]).toEqual([])
  })

  it('left dead: no hot comes to its lamps, every conductor is capped by itself, and it proves', () => {
    const circuit = planned(gone('left-dead'))
    expect(hotAt(circuit, circuit.loads[0]!.hot, true)).toBe(false)
    expect(prove(circuit).kind).toBe('proven')
    expect([...wrongForGood(circuit)]).toEqual(['full'])
  })

  it('a lamp that is not what it was said to be is refuted, whatever the plan says of its points', () => {
    for (const [said, other] of [
      ['always-on', 'left-dead'],
      ['left-dead', 'always-on'],
    ] as const) {
      const circuit = planned(gone(said))
      const { keeps } = planned(gone(other)).loads[0]!
      const proof = prove({
        ...circuit,
        plan: null,
        loads: circuit.loads.map(load => ({ ...load, keeps: keeps! })),
      })
      const broken = proof.kind === 'refuted' ? proof.counterexamples.map(({ property }) => property) : []
      expect(broken).toEqual([said === 'always-on' ? 'off' : 'full'])
    }
  })

  it('between its steps what is bare is told; at the end nothing is, always on or left dead', () => {
    for (const unworked of ['always-on', 'left-dead'] as const) {
      const view = gone(unworked)
      const after = ifOnAfter(view, planBox(view, trade).steps, trade)
      const [out] = [...after].filter(([key]) => key.startsWith('take-out:'))
      expect(out![1].map(({ kind }) => kind)).toContain('live-end')
      expect([...after.values()].at(-1)).toEqual([])
    }
  })

  it('the old device comes out, a blank plate goes on, no room is counted for a yoke, and the lamp is looked at', () => {
    const view = gone('always-on')
    const steps = planBox(view, trade).steps.map(({ says }) => says)
    expect(steps.some(says => /take out the old device/.test(says))).toBe(true)
    expect(steps.some(says => /blank plate on/.test(says))).toBe(true)
    expect(progressOf(view, trade).stages.find(({ stage }) => stage === 'choose')?.state).toBe('done')
    expect(testList(view, view.places[0]!, trade).map(({ key }) => key)).toContain('fed')
    const dead = gone('left-dead')
    expect(testList(dead, dead.places[0]!, trade).map(({ key }) => key)).toEqual(['left-dead'])
  })
})

describe('places of a light of several go', () => {
  const SEEDS = 250 * TIMES
  it(`what is left works it alone or together, or nothing does (seeds 1 to ${SEEDS})`, () => {
    const faults: string[] = []
    const met = { refused: 0, one: 0, several: 0, 'always-on': 0, 'left-dead': 0 }
    for (let seed = 1; seed <= SEEDS; seed++) {
      const draw = lot(seed)
      const count = 2 + draw(3)
      const loop = ([undefined, undefined, 'three-wire'] as const)[draw(3)]
      const lit = draw(count)
      const views = chainOf({
        count,
        shape: (['line', 'star'] as const)[draw(2)]!,
        loop,
        lit,
        fed: loop ? lit : draw(count),
        neutrals: draw(3) > 0,
        spares: draw(2),
        seated: draw(2) === 0,
        choices: Array.from({ length: count }, () => null),
      })
      const all = views.map(({ places }) => places[0]!.place.id)
      const gone = all.filter(() => draw(2) === 0)
      if (gone.length === 0) gone.push(all[draw(count)]!)
      const left = all.filter(id => !gone.includes(id))
      const unworked = (['always-on', 'left-dead'] as const)[draw(2)]!
      const found = left.map(() => deviceNamed(trade, 'old-two-place-switch')!)
      const sets = left.length === 0 ? [] : setsFor(trade, 'north-america-120', found)
      const plain = sets.filter(({ members: [model] }) => model && model.supply.length === 0)
      const set =
        draw(2) === 0 && plain.length > 0 ? plain[draw(plain.length)]! : sets[draw(sets.length || 1)]
      const chosen = Object.fromEntries(left.map((id, at) => [id, set?.members[at]?.id ?? null]))
      const record = withRetired(withChoices(views[0]!.record, chosen), gone, unworked)
      const view = boxView(record, views[0]!.box.id)!
      const say = (words: string) => faults.push(`seed ${seed}: ${words}`)
      const routed = routeBox(view, trade)
      if (!routed.ok) {
        met.refused++
        if (left.length === 0) say(`nothing works it, and still ${routed.faults[0]!.message}`)
        continue
      }
      met[left.length === 0 ? unworked : left.length === 1 ? 'one' : 'several']++
      const circuit = plannedCircuit(view, routed.value, trade)
      if (
        circuit.devices
          .map(({ id }) => id)
          .sort()
          .join() !== [...left].sort().join()
      )
        say(`devices at ${circuit.devices.map(({ id }) => id).join()}`)
      const proof = prove(circuit)
      if (proof.kind !== 'proven')
        say(
          proof.kind === 'refuted'
            ? proof.counterexamples.map(({ property, says }) => `${property} ${says}`).join('; ')
            : proof.kind,
        )
      const lamp = circuit.loads.find(({ kind }) => kind === 'lamp')!
      const wrong = [...wrongForGood(circuit)].filter(
        each => !(each === 'full' && left.length === 0 && unworked === 'left-dead'),
      )
      if (wrong.length > 0) say(`wrong for good: ${wrong.join()}`)
      if (left.length === 0 && hotAt(circuit, lamp.hot, true) !== (unworked === 'always-on'))
        say(`${unworked}, and the lamp is otherwise`)
      const tied = tiedBoxes(record, view.box.id)
      for (const broken of boxesOfLaw(
        tied,
        tied.flatMap(each => {
          const own = routeBox(each, trade)
          return own.ok ? [own.value] : []
        }),
      ))
        say(broken)
    }
    expect(faults.slice(0, 5)).toEqual([])
    for (const [kind, count] of Object.entries(met)) expect([kind, count > SEEDS / 25]).toEqual([kind, true])
  })
})
