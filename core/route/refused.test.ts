import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { prove } from '../prove'
import { wired } from '../prove/testing/wired'
import { switchLoop, usualBox } from '@/demo/usual'
import { routeBox, routeTogether } from '.'
import { chainOf } from './testing/chain'

const LINKED = 'smart-switch-linked'
const TERMINALS = ['line', 'load', 'neutral'] as const

/** Each terminal on one of some nets, or on none. */
function* seated(
  device: string,
  nets: readonly string[],
): Generator<Readonly<Record<string, string | null>>> {
  const choices = [...nets, null]
  for (const line of choices)
    for (const load of choices)
      for (const neutral of choices) {
        const on = { line, load, neutral }
        yield Object.fromEntries(TERMINALS.map(terminal => [`${device}.${terminal}`, on[terminal]]))
      }
}

/** What of a net’s points is joined; what is on none is capped. */
function circuitOf(seats: Readonly<Record<string, string | null>>) {
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

const works = (seats: Readonly<Record<string, string | null>>): boolean => {
  const { kind } = prove(circuitOf(seats))
  return kind === 'proven'
}

describe('what is refused for its wiring, tried every other way', () => {
  it('a linked pair whose far box has no neutral: no way to put its leads proves', () => {
    const views = chainOf({ count: 2, fed: 0, lit: 0, neutrals: false, spares: 0, choices: [LINKED, LINKED] })
    const routed = routeTogether(views, trade)
    expect(!routed.ok && routed.faults.map(({ code }) => code)).toContain('colours-do-not-allow')
    let tried = 0
    // Coloured conductors bring the line, the switched conductor, both or neither; a neutral none of them may.
    for (const far of [[], ['line'], ['load'], ['line', 'load']])
      for (const atFar of seated('far', far))
        for (const atNear of seated('near', ['line', 'load', 'neutral'])) {
          tried++
          expect(works({ ...atFar, ...atNear }), JSON.stringify({ ...atFar, ...atNear })).toBe(false)
        }
    expect(tried).toBeGreaterThan(2_000)
  })

  it('a device that lives by a neutral in a box of a switch loop: no way to put its leads proves', () => {
    const model = 'dimmer-led-150-neutral'
    const view = usualBox({ choice: model, cables: switchLoop(true) })
    const routed = routeBox(view, trade)
    expect(!routed.ok && routed.faults.map(({ code }) => code)).toContain('net-missing')
    const ways = [...seated('only', ['line', 'load'])].filter(seats => {
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
    expect(ways).toEqual([])
  })

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
    const ways = [...seated('far', ['line', 'neutral'])].filter(atFar => works({ ...good, ...atFar }))
    expect(ways).toEqual([{ 'far.line': 'line', 'far.load': null, 'far.neutral': 'neutral' }])
    const views = chainOf({ count: 2, fed: 0, lit: 0, neutrals: true, spares: 0, choices: [LINKED, LINKED] })
    const routed = routeTogether(views, trade)
    expect(routed.ok && routed.value.boxes[1]!.routed.cappedLeads).toEqual([
      { placeId: 'box1-1', terminalId: 'load' },
    ])
  })
})
