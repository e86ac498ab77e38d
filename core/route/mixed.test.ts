import { describe, expect, it } from 'vitest'
import { trade as shelf } from '@/catalogue'
import { chainOf } from '@/testing/route/chain'
import type { DeviceModel } from '../model/device'
import { deviceNamed, type Trade } from '../model/trade'
import { prove } from '../prove'
import { circuitOfPlan, routeTogether } from '.'

/** A main that no shelf has: it hears companions on a conductor, and is told by radio as well. */
function both(): DeviceModel {
  const dimmer = deviceNamed(shelf, 'smart-dimmer-linked')!
  const hearing = deviceNamed(shelf, 'dimmer-led-200-neutral')!
  return {
    ...dimmer,
    id: 'hears-both',
    name: 'Hears both',
    places: { least: 1, most: 10 },
    terminals: [...dimmer.terminals, hearing.terminals.find(({ id }) => id === 'signal')!],
    signals: hearing.signals,
    control: [
      ...dimmer.control,
      { event: 'signal-on', from: { relay: 'off' }, to: { relay: 'on' }, tells: 'told-on' },
      { event: 'signal-on', from: { relay: 'on' }, to: { relay: 'off' }, tells: 'told-off' },
    ],
  }
}

const trade: Trade = { ...shelf, devices: [...shelf.devices, both()] }
const PLACES = ['hears-both', 'companion-elm', 'smart-switch-linked'] as const
const orders = PLACES.flatMap(a => PLACES.flatMap(b => PLACES.map(c => [a, b, c]))).filter(
  order => new Set(order).size === 3,
)

describe('ways to work a light are what the models can tell, not a list of sets', () => {
  it('a companion over a conductor and a switch by radio, in every order of three boxes', () => {
    for (const choices of orders) {
      const views = chainOf({ count: 3, fed: 0, lit: 2, neutrals: true, spares: 1, choices })
      const routed = routeTogether(views, trade)
      if (!routed.ok) throw new Error(`${choices.join()}: ${routed.faults[0]!.message}`)
      expect(routed.value.schemes.map(({ kind }) => kind)).toEqual(['mixed'])
      const proof = prove(circuitOfPlan(routed.value, trade))
      expect([choices.join(), proof.kind === 'refuted' ? proof.counterexamples : proof.kind]).toEqual([
        choices.join(),
        'proven',
      ])
    }
  })

  it('what no model hears works nothing: a companion beside a main that only radio reaches', () => {
    const views = chainOf({
      count: 2,
      fed: 0,
      lit: 1,
      neutrals: true,
      spares: 1,
      choices: ['smart-dimmer-linked', 'companion-elm'],
    })
    const routed = routeTogether(views, trade)
    expect(routed.ok ? [] : routed.faults.map(({ code }) => code)).toEqual(['no-set'])
  })
})
