import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { plainPlaces } from '@/demo/places'
import { AS_IT_COMES, read, standing } from '.'

describe('the clamp, in rows of plain places (300, seed 20261127)', () => {
  it('what leaves on hot comes home on neutral, by one traveller of each pair, and none by the ground', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 5 }),
        fc.nat(4),
        fc.nat(5),
        fc.integer({ min: 5, max: 400 }),
        fc.nat(31),
        (places, load, supply, watts, positions) => {
          const circuit = plainPlaces({
            places,
            loadAt: load % places,
            supplyAt: supply % (places + 1) === places ? 'luminaire' : supply % (places + 1),
            watts,
          })
          const state = Object.fromEntries(
            circuit.devices.map(({ id }, at) => [id, { position: (positions >> at) & 1 ? 'up' : 'down' }]),
          )
          const stand = { ...AS_IT_COMES, state }
          const amps = (at: string) => {
            const shown = read(circuit, stand, { instrument: 'clamp', at })
            return shown.ok && shown.value.kind === 'amps' ? shown.value.amps : NaN
          }
          const here = standing(circuit, stand)
          const lit = here.ok && here.value.solution.lights[0] === 'full'
          const full = lit ? watts / 120 : 0
          const entry = circuit.wires.find(({ a }) => a === 'panel:hot')!.id
          const home = circuit.wires.find(({ a }) => a === 'panel:neutral')!.id
          expect(amps(entry)).toBeCloseTo(full, 6)
          expect(amps(home)).toBeCloseTo(full, 6)
          for (let run = 0; run < places - 1; run++) {
            const [a, b] = [amps(`run${run}:traveller-${run}a`), amps(`run${run}:traveller-${run}b`)]
            expect(a + b).toBeCloseTo(full, 6)
            expect(Math.min(a, b)).toBeCloseTo(0, 6)
            expect(amps(`run${run}:ground`)).toBeCloseTo(0, 9)
          }
        },
      ),
      { numRuns: 300, seed: 20261127 },
    )
  })
})
