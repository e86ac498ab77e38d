import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { chainOf, type Chain } from '@/testing/route/chain'
import { leastSpread } from '@/testing/route/least-spread'
import { someOf } from '@/testing/times'
import { plannedDevices } from './route-box'
import { Puzzle } from './puzzle'
import { schemesOf } from './schemes'

const PLAIN = 'switch-two-place-15'
const MIDDLE = 'switch-middle-15'
const OAK = 'companion-oak'
const DIMMER = 'dimmer-led-150-two-wire'
const LINKED = 'smart-switch-linked'

const SETS: readonly (readonly (string | null)[])[] = [
  [PLAIN, null],
  [null, DIMMER],
  [LINKED, LINKED],
  [PLAIN, MIDDLE, PLAIN],
  [OAK, DIMMER, OAK],
]

/** Pieces of wiring small enough to try every way to use their conductors. */
const chains: readonly Chain[] = SETS.flatMap(choices => {
  const count = choices.length
  const shapes = count > 2 ? (['line', 'star', 'ring'] as const) : (['line'] as const)
  const ends = [0, count - 1]
  return shapes.flatMap(shape =>
    ends.flatMap(fed =>
      ends.flatMap(lit =>
        // Of rings fed at one end and lit at the other some: they have some 300,000 ways each.
        (shape === 'ring' && fed !== lit ? [fed === 0] : [true, false]).map(seated => ({
          count,
          shape,
          fed,
          lit,
          seated,
          choices,
          neutrals: count === 2,
          spares: 0,
          between: count === 2 ? 3 : 2,
        })),
      ),
    ),
  )
})

describe('nets spread over the conductors between boxes', () => {
  it('at the least cost of all ways there are, joints and screws counted, round rings either way', () => {
    const found = { ways: 0, none: 0, rings: 0 }
    for (const chain of someOf(chains, 11, 2)) {
      const views = chainOf(chain)
      const puzzle = new Puzzle(
        views.map(view => ({ view, devices: plannedDevices(view, trade, []) })),
        trade,
      )
      const [light] = puzzle.lights()
      const between = puzzle.between(() => Infinity)
      const schemes = [...schemesOf(light!.devices, puzzle.netsOf(light!.groupId), between)]
      for (const scheme of schemes.slice(0, 2)) {
        const words = JSON.stringify({ chain, kind: scheme.kind })
        const carried = puzzle.carried([scheme], 1, Infinity)
        const least = leastSpread(puzzle, [scheme])
        expect(scheme.least).toBeLessThanOrEqual(least ?? Infinity)
        if (!carried.ok) {
          found.none++
          expect(least, words).toBeNull()
          continue
        }
        found.ways++
        if (chain.shape === 'ring') found.rings++
        expect(carried.value[0]!.cost, words).toBe(least)
        const two = puzzle.carried([scheme], 2, Infinity)
        if (!two.ok) throw new Error(words)
        expect(two.value[0], words).toEqual(carried.value[0])
        expect(two.value[1]?.cost ?? Infinity, words).toBeGreaterThanOrEqual(least!)
        expect(puzzle.carried([scheme], 1, least!), words).toEqual({ ok: true, value: [] })
      }
    }
    expect(found.ways).toBeGreaterThan(5)
    expect(found.none).toBeGreaterThan(0)
    expect(found.rings).toBeGreaterThan(1)
  })
})
