import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { plainFaults } from '@/testing/prove/plain-trips'
import { drawnBox, protectedBox, type ProtectedBox } from '@/testing/route/protected-box'
import { bareJob, strand } from '@/demo/usual'
import { TIMES } from '@/testing/times'
import type { BoxView } from '../job/box-view'
import { raisedDefects } from '../check/defects'
import { tiedBoxes } from '../job/tied'
import type { Circuit } from '../model/circuit'
import { prove } from '../prove'
import { circuitOfPlan, foundCircuit, plannedCircuit, routeBox, routeTogether } from '.'

const CHOICES = [
  null,
  'switch-plain-15',
  'dimmer-led-150-two-wire',
  'dimmer-led-150-neutral',
  'sensor-neutral',
  'smart-switch-neutral',
  'timer-countdown-hours',
  'switch-pilot-15',
]

const plain: ProtectedBox = {
  ...{ out: 'behind', back: 'behind', choice: 'dimmer-led-150-neutral' },
  ...{ onward: true, receptacle: 'none', second: false },
}

const said = (circuit: Circuit): string => {
  const proof = prove(circuit)
  return proof.kind === 'refuted'
    ? proof.counterexamples.map(({ property, says }) => `${property}: ${says}`).join('; ')
    : proof.kind
}

function routed(view: BoxView) {
  const result = routeBox(view, trade)
  if (!result.ok) throw new Error(result.faults.map(({ message }) => message).join('; '))
  return result.value
}

const tripsIn = (view: BoxView): boolean =>
  raisedDefects(view, trade).some(({ ruleId }) => ruleId.startsWith('past-protection'))

const planned = (view: BoxView): Circuit => plannedCircuit(view, routed(view), trade)

function found(view: BoxView): Circuit {
  const result = foundCircuit([view], trade)
  if (!result.ok) throw new Error(result.faults.map(({ message }) => message).join('; '))
  return result.value
}

/** What is one metal with a terminal in a plan, by the names of conductors and by other terminals. */
function together(view: BoxView, terminal: string): string[] {
  const { netOfEnd, netOfTerminal } = routed(view)
  const net = netOfTerminal[terminal]
  return [
    ...view.ends.filter(({ end }) => netOfEnd[end.id] === net).map(({ name }) => name),
    ...Object.keys(netOfTerminal).filter(key => key !== terminal && netOfTerminal[key] === net),
  ].sort()
}

describe('what hangs behind a receptacle with ground-fault protection', () => {
  it('stays behind it: the light goes out from its load screws and comes back to them', () => {
    const view = protectedBox(plain)
    expect(together(view, 'box-1.hot-on')).toEqual(['C black', 'box-2.line'])
    expect(together(view, 'box-1.neutral-on')).toEqual(['B white', 'C white', 'box-2.neutral'])
    expect(together(view, 'box-1.hot')).toEqual(['A black'])
    expect(said(planned(view))).toBe('proven')
  })

  it('stays before it where it was: nothing moves to the load screws', () => {
    const view = protectedBox({ ...plain, out: 'before', back: 'before' })
    expect(together(view, 'box-1.hot-on')).toEqual(['C black'])
    expect(together(view, 'box-1.hot')).toEqual(['A black', 'box-2.line'])
    expect(together(view, 'box-1.neutral')).toEqual(['A white', 'B white', 'box-2.neutral'])
    expect(said(planned(view))).toBe('proven')
  })

  it('a light that goes out behind it and comes back before it trips, and is put right behind it', () => {
    for (const [out, back] of [
      ['behind', 'before'],
      ['before', 'behind'],
    ] as const) {
      const view = protectedBox({ ...plain, out, back })
      expect(said(found(view))).toContain('own-circuit: ')
      expect(said(found(view))).toContain('it trips')
      expect(together(view, 'box-1.neutral-on')).toContain('B white')
      expect(together(view, 'box-1.hot-on')).toContain('box-2.line')
      expect(said(planned(view))).toBe('proven')
    }
  })

  it('fed from its load screws it protects nothing: that is told, and the feed comes before it', () => {
    const view = protectedBox({ ...plain, reversed: true })
    expect(said(found(view))).toContain('it trips, or protects nothing')
    expect(together(view, 'box-1.hot')).toContain('A black')
    expect(together(view, 'box-1.neutral')).toContain('A white')
    expect(said(planned(view))).toBe('proven')
  })

  it('its load screws stay empty where nothing hangs on them', () => {
    const view = protectedBox({ ...plain, out: 'before', back: 'before', onward: false })
    const { netOfTerminal } = routed(view)
    expect(netOfTerminal['box-1.hot-on']).toBeNull()
    expect(netOfTerminal['box-1.neutral-on']).toBeNull()
    expect(said(planned(view))).toBe('proven')
  })

  it('does not lose its protection: the receptacle may go only where the breaker protects', () => {
    const gone = routeBox(protectedBox({ ...plain, retired: true }), trade)
    expect(gone.ok ? [] : gone.faults.map(({ code }) => code)).toEqual(['protection-lost'])
    const kept = protectedBox({ ...plain, retired: true, breaker: 'ground-fault' })
    expect(said(planned(kept))).toBe('proven')
    // Nothing on its load screws, nothing to lose.
    const bare = { ...plain, out: 'before', back: 'before', onward: false, retired: true } as const
    expect(said(planned(protectedBox(bare)))).toBe('proven')
  })

  it('over drawn boxes: proved, and by a judge that follows each current round; as found told where it trips', () => {
    let tripping = 0
    for (let seed = 1; seed <= 60 * TIMES; seed++) {
      const box = drawnBox(seed, CHOICES)
      const view = protectedBox(box)
      const isWrong = box.out !== box.back
      if (isWrong) tripping++
      expect([seed, plainFaults(found(view))]).toEqual([seed, isWrong ? ['light'] : []])
      expect([seed, said(found(view)).includes('it trips')]).toEqual([seed, isWrong])
      expect([seed, tripsIn(view)]).toEqual([seed, isWrong])
      expect([seed, plainFaults(planned(view))]).toEqual([seed, []])
      expect([seed, said(planned(view))]).toEqual([seed, 'proven'])
    }
    expect(tripping).toBeGreaterThan(10)
  })

  it('every single conductor on the wrong side of it is found', () => {
    let exchanged = 0
    for (let seed = 1; seed <= 12 * TIMES; seed++) {
      const circuit = planned(protectedBox(drawnBox(seed, CHOICES)))
      for (const { moved, wrong } of movedAcross(circuit)) {
        exchanged++
        expect([seed, moved, prove(wrong).kind]).toEqual([seed, moved, 'refuted'])
        expect([seed, plainFaults(wrong).length > 0]).toEqual([seed, true])
      }
    }
    expect(exchanged).toBeGreaterThan(20)
  })

  it('over two places: the feed behind it is carried to the other box, and its neutral with it', () => {
    for (const choice of ['switch-two-place-15', 'smart-switch-linked']) {
      const views = twoPlaces(choice)
      const result = routeTogether(views, trade)
      if (!result.ok) throw new Error(result.faults.map(({ message }) => message).join('; '))
      const circuit = circuitOfPlan(result.value, trade)
      expect(said(circuit)).toBe('proven')
      expect(plainFaults(circuit)).toEqual([])
      const first = result.value.boxes.find(({ view }) => view.box.id === 'one')!.routed
      expect(first.netOfTerminal['one-1.hot-on']).toMatch(/^line:.*:one-1$/)
    }
  })
})

/** The circuit with one conductor of a lamp or a device taken from one side of the protection to the other. */
function movedAcross(circuit: Circuit): { moved: string; wrong: Circuit }[] {
  const sides = [
    ['box-1.hot', 'box-1.hot-on'],
    ['box-1.neutral', 'box-1.neutral-on'],
  ]
  const jointOf = (point: string) =>
    circuit.joints.find(({ id, members }) => !id.startsWith('tab:') && members.includes(point))
  return sides.flatMap(pair =>
    [pair, [...pair].reverse()].flatMap(([from, to]) => {
      const [own, other] = [jointOf(from!), jointOf(to!)]
      if (!own || !other) return []
      return own.members
        .filter(
          member => (member.startsWith('end:') || member.startsWith('box-2.')) && !isFeed(circuit, member),
        )
        .map(member => ({
          moved: `${member} to ${to}`,
          wrong: {
            ...circuit,
            // What is planned is left aside: the currents alone are to tell.
            plan: null,
            joints: circuit.joints.map(joint =>
              joint === own
                ? { ...own, members: own.members.filter(each => each !== member) }
                : joint === other
                  ? { ...other, members: [...other.members, member] }
                  : joint,
            ),
          },
        }))
    }),
  )
}

/** The cable from the panel, which is before whatever it feeds. */
const isFeed = ({ wires }: Circuit, point: string): boolean =>
  wires.some(({ a, cable }) => a === point && cable === 'box-A')

/** Two places that work one light, fed behind the protection in the first box, its lamps beyond the second. */
function twoPlaces(choice: string): BoxView[] {
  const job = bareJob('two', { breakers: [] })
  job.circuit('7', 'Bath', 20, { protection: 'none' })
  const lamp = { kind: 'led', wattsEach: 10, count: 4, dimmable: 'yes', powerFactor: 0.9 } as const
  const light = { group: 'light', name: 'Light', old: 'old-two-place-switch', choice, lamps: [lamp] }
  job.box({
    ...{ id: 'one', room: 'room', name: 'By the mirror', breakers: ['7'] },
    box: { gangs: 2, depthMillimetres: 90, volumeCubicInches: 60 },
    controls: [{ group: 'mirror', name: 'Mirror receptacle', old: 'old-receptacle-leak' }, light],
    cables: [
      {
        ...{ name: 'A', entry: 'bottom', far: 'panel' },
        strands: [
          strand('black', '1.hot', 'line'),
          strand('white', '1.neutral', 'neutral'),
          strand('bare', 'joint:grounds', 'ground'),
        ],
      },
    ],
    pigtails: [
      ['protected-whites', '1.neutral-on'],
      ['protected-hots', '1.hot-on'],
      ['protected-hots', '2.common'],
      ['grounds', '1.ground'],
    ],
  })
  job.put('joints', { id: 'one-joint-protected-hots', boxId: 'one', connector: 'twist-on', bareShows: false })
  job.box({
    ...{ id: 'two', room: 'room', name: 'By the door', breakers: ['7'] },
    box: { gangs: 1, depthMillimetres: 90, volumeCubicInches: 60 },
    controls: [{ ...light, lamps: [] }],
    cables: [
      {
        ...{ name: 'B', entry: 'top', far: 'luminaire' },
        strands: [
          strand('black', '1.common', 'switched-load', { group: 'light' }),
          strand('white', 'joint:whites', 'neutral'),
          strand('bare', 'joint:grounds', 'ground'),
        ],
      },
    ],
  })
  job.run({
    ...{ name: 'R', from: 'one', to: 'two' },
    strands: [
      { insulation: 'black', on: ['2.traveller-a', '1.traveller-a'], role: 'traveller', group: 'light' },
      { insulation: 'red', on: ['2.traveller-b', '1.traveller-b'], role: 'traveller', group: 'light' },
      { insulation: 'white', on: ['joint:protected-whites', 'joint:whites'], role: 'neutral' },
      { insulation: 'bare', on: ['joint:grounds', 'joint:grounds'], role: 'ground' },
    ],
  })
  return tiedBoxes(job.view('one').record, 'one')
}
