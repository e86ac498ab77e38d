import { describe, expect, it } from 'vitest'
import { cutOf } from '@/testing/grown'
import { TIMES } from '@/testing/times'
import { frameOf } from './frame'
import { networks } from './networks'

const CUTS = 60 * TIMES

describe('before anything was read', () => {
  it(`no role of any conductor is without a rival, whatever its box holds (${CUTS} boxes)`, () => {
    const closed: string[] = []
    let [conductors, cuts] = [0, 0]
    for (let seed = 1_400_200; cuts < CUTS; seed++) {
      const cut = cutOf(seed, 'none', 1)
      if (!cut) continue
      const survey = {
        ...cut.survey,
        lights: cut.survey.lights.map(light => ({
          ...light,
          behaves: cut.answering.has(light.id) ? ('answers' as const) : light.behaves,
        })),
      }
      const frame = frameOf(survey)
      if (!frame.ok) continue
      cuts++
      // Each claimed by itself: whatever else hangs in the box still decides what there may be.
      for (const { index, ground, id } of frame.value.ends) {
        if (ground) continue
        conductors++
        const claims = frame.value.ends.map(each => (each.index === index ? cut.roles.get(id)! : null))
        const bound = { steps: 200_000, unseen: 1, misread: 1, enough: 1 } as const
        const searched = networks(frame.value, 1, [], claims, bound)
        if (searched.unrefuted[index] !== null) closed.push(`${cut.name}: ${id} is ${cut.roles.get(id)}`)
      }
    }
    expect(closed).toEqual([])
    expect(conductors).toBeGreaterThan(3 * CUTS)
  })
})
