import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { tiedSets } from '../job/tied'
import { prove } from '../prove'
import { plannedCircuit, routeAll, routeBox } from '.'
import { lot } from '@/testing/model/lot'
import { TIMES } from '@/testing/times'
import { houseOf, type DrawnHouse } from '@/testing/route/house'
import { loosened, shuffled, type Loosened } from '@/testing/route/loose'
import { whoFeeds } from '@/testing/route/who-feeds'

const SEEDS = 100 * TIMES

/** A plain switch where nothing is chosen: the old one is out, or hangs off its wires. */
function chosenEverywhere(house: DrawnHouse): DrawnHouse {
  const { record } = house
  const chosen = new Set(Object.values(record.choices).map(({ placeId }) => placeId))
  const plain = record.job.regionId === 'europe-230' ? 'switch-230-10' : 'switch-plain-15'
  const ids = new Set(trade.devices.map(({ id }) => id))
  expect(ids.has(plain)).toBe(true)
  const more = Object.values(record.places)
    .filter(({ id, groupId }) => {
      const places = Object.values(record.places).filter(place => place.groupId === groupId)
      return places.length === 1 && !chosen.has(id)
    })
    .map(({ id: placeId }) => ({ id: `plain ${placeId}`, placeId, modelId: plain }))
  const choices = { ...record.choices, ...Object.fromEntries(more.map(each => [each.id, each])) }
  return { ...house, record: { ...record, choices } }
}

const faultsOf = (faults: readonly { readonly code: string; readonly path: string }[]) =>
  faults.map(({ code, path }) => `${code} ${path}`).sort()

describe(`houses with every conductor loose and two circuits, seeds 1 to ${SEEDS}`, () => {
  it('no plan feeds a light from another breaker than its own, or returns it there; what is not said is asked, in whatever order the rows come', () => {
    const wrong: string[] = []
    const count = { planned: 0, asked: 0, bothCircuits: 0, shared: 0 }
    for (let seed = 1; seed <= SEEDS; seed++) {
      const draw = lot(seed * 7)
      const how: Loosened = {
        areOut: draw(2) === 0,
        cablesUnsaid: ([null, 1, 3, 5] as const)[draw(4)]!,
        endsUnsaid: ([null, null, 4] as const)[draw(3)]!,
        feeds: (['all', 'all', 'none', 'one-of-several'] as const)[draw(4)]!,
      }
      const house = chosenEverywhere(houseOf(seed, trade, { shared: seed % 3 === 0 }))
      const loose = loosened(house, seed, how)
      const mixed = shuffled(loose, seed)
      for (const views of tiedSets(loose)) {
        const [view] = views
        if (!view || view.places.length === 0) continue
        const routed = routeAll(loose, view.box.id, trade)
        const again = routeAll(mixed, view.box.id, trade)
        const say = (words: string) => wrong.push(`seed ${seed} ${JSON.stringify(how)}: ${words}`)
        if (!routed.ok) {
          const codes = faultsOf(routed.faults)
          if (codes.some(code => /^(circuit|light|sharing)-not-said/.test(code))) count.asked++
          if (again.ok || faultsOf(again.faults).join() !== codes.join())
            say(
              `${codes.join()} in one order, ${again.ok ? 'a plan' : faultsOf(again.faults).join()} in another`,
            )
          continue
        }
        if (!again.ok) {
          say(`a plan in one order, ${faultsOf(again.faults).join()} in another`)
          continue
        }
        count.planned++
        if (seed % 3 === 0) count.shared++
        if (new Set(views.flatMap(({ feeds }) => feeds.map(({ circuit }) => circuit.id))).size > 1)
          count.bothCircuits++
        for (const each of [...whoFeeds(house, loose, routed.value), ...whoFeeds(house, mixed, again.value)])
          say(each)
        const own = routeBox(view, trade)
        if (own.ok && prove(plannedCircuit(view, own.value, trade)).kind !== 'proven')
          say('its plan does not prove')
      }
    }
    expect(wrong.slice(0, 6)).toEqual([])
    expect(count.planned).toBeGreaterThan(SEEDS / 5)
    expect(count.bothCircuits).toBeGreaterThan(SEEDS / 20)
    expect(count.shared).toBeGreaterThan(SEEDS / 20)
    expect(count.asked).toBeGreaterThan(SEEDS / 4)
  })
})

it('a neutral that two circuits share is planned whole: past every device, each light on its own hot (seeds 1 to 60)', () => {
  const wrong: string[] = []
  let planned = 0
  for (let seed = 1; seed <= 60; seed++) {
    const house = houseOf(seed, trade, { shared: true })
    for (const views of tiedSets(house.record)) {
      const [view] = views
      if (!view || view.places.length === 0) continue
      const routed = routeAll(house.record, view.box.id, trade)
      if (!routed.ok) continue
      planned++
      const own = routeBox(view, trade)
      if (own.ok && prove(plannedCircuit(view, own.value, trade)).kind !== 'proven')
        wrong.push(`seed ${seed}: its plan does not prove`)
      wrong.push(...whoFeeds(house, house.record, routed.value).map(each => `seed ${seed}: ${each}`))
    }
  }
  expect(wrong.slice(0, 4)).toEqual([])
  expect(planned).toBeGreaterThan(40)
})
