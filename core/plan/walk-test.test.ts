import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox } from '@/demo/usual'
import { boxView, type BoxView } from '../job/box-view'
import type { PlanOfRoom } from '../model/floor-plan'
import { rectangle } from '../setup'
import { progressOf, testList } from '.'

/** A sensor in the middle of the far wall; a door and a seat on either side, a passage beyond the one door. */
const PLAN: PlanOfRoom = {
  corners: rectangle(5, 4),
  height: 2.5,
  openings: [
    {
      kind: 'door',
      wall: 0,
      from: 0.2,
      width: 0.8,
      hinge: 'start',
      swings: 'out',
      usually: 'shut',
      passage: { from: { x: 0, y: -0.6 }, to: { x: 5, y: -0.6 }, width: 1.2 },
    },
    {
      kind: 'bare',
      wall: 0,
      from: 4,
      width: 0.8,
      hinge: 'start',
      swings: 'in',
      usually: 'open',
      passage: null,
    },
    {
      kind: 'window',
      wall: 1,
      from: 1,
      width: 1,
      hinge: 'start',
      swings: 'in',
      usually: 'shut',
      passage: null,
    },
  ],
  furniture: [],
  seats: [
    { at: { x: 1.5, y: 3 }, asleep: false },
    { at: { x: 3, y: 3 }, asleep: true },
  ],
  heat: [],
  hangings: [{ on: 'wall', boxId: 'box', wall: 2, along: 2.5, height: 1.2 }],
}

const hung = (
  plan: PlanOfRoom | null,
  rule = 'by-itself',
  settings: Readonly<Record<string, string>> = {},
): BoxView => {
  const bare = usualBox({ choice: 'sensor-neutral', rules: { 'presence-on': rule } })
  const placeId = bare.places[0]!.place.id
  return boxView(
    {
      ...bare.record,
      plans: plan ? { plan: { id: 'plan', roomId: bare.room.id, plan } } : {},
      settings: Object.fromEntries(
        Object.entries(settings).map(([id, value]) => [
          id,
          { id, placeId, settingId: id, value, reason: 'so', trial: null, keyed: null },
        ]),
      ),
    },
    'box',
  )!
}
const walks = (view: BoxView) =>
  testList(view, view.places[0]!, trade).filter(({ key }) => key.startsWith('walk:'))

describe('the walk test of a sensor', () => {
  it('is a try for each door and seat that it should see, and each passage that it should not', () => {
    expect(walks(hung(PLAN)).map(({ key, says }) => `${key} ${says}`)).toEqual([
      'walk:door:0@0.20 Light off: come in by Door 1',
      'walk:door:0@4.00 Light off: come in by Opening 2',
      'walk:seat:1.50,3.00 Sit at Seat 1 and move a hand only, past the shortest delay',
      'walk:passage:0@0.20 Light off: pass by Door 1 outside, its door as usual',
    ])
    expect(walks(hung(null))).toEqual([])
  })

  it('says what to change on the side of what was missed', () => {
    // Looked at from the sensor, the start of the wall before it is on its right.
    const [first, second] = walks(hung(PLAN))
    expect(first!.expect).toContain('right shutter')
    expect(second!.expect).toContain('left shutter')
    expect(walks(hung(PLAN, 'by-hand'))[0]!.expect).toContain('It stays on')
    expect(first!.expect).toContain('It comes on')
  })

  it('goes by how it was made: what the shutters cut off is not asked for', () => {
    // The door lies 28° to the right of the axis, the seat 45°.
    const cut = walks(hung(PLAN, 'by-itself', { 'shutter-right': 'shut to the last mark' }))
    expect(cut.map(({ key }) => key)).toEqual(['walk:door:0@0.20', 'walk:door:0@4.00', 'walk:passage:0@0.20'])
  })

  it('is open again where a door was moved; and the box is not proved before it is walked', () => {
    const view = hung(PLAN)
    const pass = (of: BoxView, key: string) =>
      boxView(
        {
          ...of.record,
          tests: {
            t: {
              id: 't',
              placeId: of.places[0]!.place.id,
              testKey: key,
              outcome: 'pass',
              measured: '',
              note: '',
              seq: 1,
              at: '2026-11-02T09:00:00.000Z',
              revision: 0,
              seen: 0,
              device: '',
              deviceNumber: 0,
              by: '',
            },
          },
        },
        'box',
      )!
    const done = (of: BoxView) =>
      walks(pass(of, 'walk:door:0@0.20')).filter(({ outcome }) => outcome === 'pass')
    expect(done(view)).toHaveLength(1)
    const moved = { ...PLAN, openings: [{ ...PLAN.openings[0]!, from: 0.3 }, ...PLAN.openings.slice(1)] }
    expect(done(hung(moved))).toEqual([])
    expect(progressOf(view, trade).stages.find(({ stage }) => stage === 'prove')!.state).not.toBe('done')
  })
})
