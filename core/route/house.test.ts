import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { boxView } from '../job/box-view'
import { tiedSets } from '../job/tied'
import { ifOnAfter, planBox } from '../plan'
import { prove } from '../prove'
import { foundCircuit, plannedCircuit, routeAll, routeBox } from '.'
import { boxesOfLaw } from '@/testing/route/colour-law'
import { houseOf } from '@/testing/route/house'
import { TIMES } from '@/testing/times'

const SEEDS = 60 * TIMES

describe(`houses of boxes of several gangs and two circuits, seeds 1 to ${SEEDS}`, () => {
  it('as found they prove; each plan proves, keeps the colour laws and each light’s circuit; its steps leave nothing live', () => {
    const faults: string[] = []
    const count = { planned: 0, refused: 0, lights: 0, meeting: 0 }
    for (let seed = 1; seed <= SEEDS; seed++) {
      const { record, lights } = houseOf(seed, trade)
      const say = (words: string) => faults.push(`seed ${seed}: ${words}`)
      count.lights += lights.length
      for (const views of tiedSets(record)) {
        const [view] = views
        if (!view || view.places.length === 0) continue
        const found = foundCircuit(views, trade)
        const asFound = found.ok ? prove(found.value) : null
        if (asFound?.kind !== 'proven')
          say(
            `as found ${asFound?.kind === 'refuted' ? asFound.counterexamples.map(({ says }) => says).join('; ') : 'undecided'}`,
          )
        const routed = routeAll(record, view.box.id, trade)
        if (!routed.ok) {
          count.refused++
          continue
        }
        count.planned++
        if (views.some(({ feeds }) => feeds.length > 1)) count.meeting++
        const own = routeBox(view, trade)
        if (!own.ok) throw new Error(own.faults[0]!.message)
        const proof = prove(plannedCircuit(view, own.value, trade))
        if (proof.kind !== 'proven')
          say(
            `plan ${proof.kind === 'refuted' ? proof.counterexamples.map(({ property, says }) => `${property} ${says}`).join('; ') : proof.kind}`,
          )
        for (const broken of boxesOfLaw(views, routed.value)) say(broken)
        for (const { devices, netOfTerminal } of routed.value)
          for (const { placeId, groupId, model } of devices)
            for (const { id } of model.terminals) {
              const net = netOfTerminal[`${placeId}.${id}`]
              const circuit = `circuit-${lights.find(light => light.id === groupId)!.circuit}`
              if (net && /^(line|neutral):/.test(net) && net.split(':')[1] !== circuit)
                say(`${groupId} on ${net}, not ${circuit}`)
            }
        for (const each of views) {
          const last = [...ifOnAfter(each, planBox(each, trade).steps, trade).values()].at(-1) ?? []
          if (views.length === 1 && last.length > 0) say(`${each.box.id}: ${last[0]!.says}`)
        }
      }
    }
    expect(faults.slice(0, 4)).toEqual([])
    expect(count.planned).toBeGreaterThan(SEEDS / 2)
    expect(count.meeting).toBeGreaterThan(SEEDS / 10)
    expect(count.lights).toBeGreaterThan(SEEDS * 2)
    expect(boxView(houseOf(1, trade).record, 'nowhere')).toBeNull()
  })
})
