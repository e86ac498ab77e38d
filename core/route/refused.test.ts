import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { deviceNamed } from '../model/trade'
import { prove } from '../prove'
import { wired } from '@/testing/prove/wired'
import { switchLoop, usualBox } from '@/demo/usual'
import { routeBox, routeTogether } from '.'
import { chainOf } from '@/testing/route/chain'

/** What house rules forbid is not refused for its wiring. */
const ALL_ALLOWED = { 'push-in': 'yes', 'ground-referenced': 'allowed' }
const LINKED = 'smart-switch-linked'
const TERMINALS = [{ id: 'line' }, { id: 'load' }, { id: 'neutral' }] as const

type Seats = Readonly<Record<string, string | null>>

/** Each terminal on one of some nets, or on none. */
function* seated(
  device: string,
  [terminal, ...rest]: readonly { readonly id: string }[],
  nets: readonly string[],
): Generator<Seats> {
  if (!terminal) {
    yield {}
    return
  }
  for (const others of seated(device, rest, nets))
    for (const net of [...nets, null]) yield { [`${device}.${terminal.id}`]: net, ...others }
}

/** What of a net’s points is joined; what is on none is capped. */
function circuitOf(seats: Seats) {
  const on = (net: string) => Object.keys(seats).filter(point => seats[point] === net)
  return wired({
    devices: { near: LINKED, far: LINKED },
    nets: {
      line: ['panel:hot', ...on('line')],
      load: ['lamp:hot', ...on('load')],
      neutral: ['panel:neutral', 'lamp:neutral', ...on('neutral')],
    },
    caps: Object.keys(seats).filter(point => seats[point] === null),
  })
}

const works = (seats: Seats): boolean => {
  const { kind } = prove(circuitOf(seats))
  return kind === 'proven'
}

describe('what is refused for its wiring, tried every other way', () => {
  const kinds = trade.devices.filter(
    ({ stock, places, regions, terminals }) =>
      stock === 'new' && places.least === 1 && regions.includes('north-america-120') && terminals.length > 0,
  )

  it.each(kinds.map(({ id }) => id))(
    '%s in a box of a switch loop: refused where no way to put its leads proves, and planned where one does',
    model => {
      const view = usualBox({ choice: model, cables: switchLoop(true), rules: ALL_ALLOWED })
      const routed = routeBox(view, trade)
      const terminals = deviceNamed(trade, model)!.terminals.filter(({ wants }) => wants !== 'ground')
      const ways = [...seated('only', terminals, ['line', 'load'])].filter(seats => {
        const on = (net: string) => Object.keys(seats).filter(point => seats[point] === net)
        const circuit = wired({
          devices: { only: model },
          nets: {
            line: ['panel:hot', ...on('line')],
            load: ['lamp:hot', ...on('load')],
            neutral: ['panel:neutral', 'lamp:neutral'],
          },
          caps: Object.keys(seats).filter(point => seats[point] === null),
        })
        return prove(circuit).kind === 'proven'
      })
      expect(routed.ok ? 'planned' : routed.faults[0]!.code).toBe(ways.length > 0 ? 'planned' : 'net-missing')
    },
  )

  it('with a neutral there, one way proves, and it is the one that is planned', () => {
    const good = {
      'near.line': 'line',
      'near.load': 'load',
      'near.neutral': 'neutral',
      'far.line': 'line',
      'far.load': null,
      'far.neutral': 'neutral',
    }
    expect(works(good)).toBe(true)
    const ways = [...seated('far', TERMINALS, ['line', 'neutral'])].filter(atFar =>
      works({ ...good, ...atFar }),
    )
    expect(ways).toEqual([{ 'far.line': 'line', 'far.load': null, 'far.neutral': 'neutral' }])
    const views = chainOf({ count: 2, fed: 0, lit: 0, neutrals: true, spares: 0, choices: [LINKED, LINKED] })
    const routed = routeTogether(views, trade)
    expect(routed.ok && routed.value.boxes[1]!.routed.cappedLeads).toEqual([
      { placeId: 'box1-1', terminalId: 'load' },
    ])
  })
})

describe('a switch of several places with one place recorded', () => {
  const kinds = trade.devices.filter(
    ({ places, regions, terminals }) =>
      places.least > 1 &&
      regions.includes('north-america-120') &&
      terminals.some(({ wants }) => wants === 'traveller'),
  )

  it.each(kinds.map(({ id }) => id))('%s: where is the other', model => {
    const routed = routeBox(usualBox({ choice: model, rules: ALL_ALLOWED }), trade)
    expect(routed.ok ? [] : routed.faults.map(({ code, path }) => [code, path])).toContainEqual([
      'other-place-not-known',
      '/places/box-1',
    ])
  })

  it('with both recorded that is not asked', () => {
    const choices = ['switch-two-place-15', 'switch-two-place-15']
    const views = chainOf({ count: 2, fed: 0, lit: 1, neutrals: true, spares: 0, choices })
    expect(routeTogether(views, trade).ok).toBe(true)
  })
})
