import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { bareJob, strand } from '@/demo/usual'
import type { BoxView } from '../job/box-view'
import { prove } from '../prove'
import { plannedCircuit, routeBox } from '.'

/** A switch and a receptacle in one box; the feed’s neutral sits on the receptacle. */
function beside(
  more: { readonly rule?: string; readonly shared?: boolean; readonly two?: boolean } = {},
): BoxView {
  const job = bareJob('beside', { breakers: [] })
  job.circuit('7', 'Lights', 15, more.shared ? { sharedNeutralWithId: 'circuit-9' } : {})
  if (more.shared) job.circuit('9', 'Others', 15, { sharedNeutralWithId: 'circuit-7' })
  job.box({
    id: 'box',
    room: 'room',
    name: 'By the bed',
    breakers: ['7'],
    box: { gangs: 2, depthMillimetres: 90, volumeCubicInches: 40 },
    controls: [
      {
        group: 'light',
        name: 'Light',
        old: 'old-switch',
        choice: 'dimmer-led-150-neutral',
        lamps: [{ kind: 'led', wattsEach: 10, count: 4, dimmable: 'yes', powerFactor: 0.9 }],
      },
      { group: 'outlet', name: 'Receptacle', old: 'old-receptacle' },
    ],
    cables: [
      {
        name: 'A',
        entry: 'bottom',
        far: 'panel',
        strands: [
          strand('black', 'joint:hots', 'line', { group: 'light' }),
          strand('white', '2.neutral', 'neutral'),
          strand('bare', 'joint:grounds', 'ground'),
        ],
      },
      {
        name: 'B',
        entry: 'top',
        far: 'luminaire',
        strands: [
          strand('black', '1.lower', 'switched-load', { group: 'light' }),
          // A second neutral leaves no screw of the receptacle free.
          ...(more.two ? [strand('white', '2.neutral', 'neutral')] : []),
          strand('bare', 'joint:grounds', 'ground'),
        ],
      },
    ],
    pigtails: [
      ['hots', '1.upper'],
      ['hots', '2.hot'],
      ['grounds', '2.ground'],
    ],
  })
  if (more.rule) job.put('houseRules', { id: 'rule', ruleId: 'neutral-source', value: more.rule })
  return job.view('box')
}

const route = (view: BoxView) => {
  const routed = routeBox(view, trade)
  if (!routed.ok) throw new Error(routed.faults.map(({ message }) => message).join('; '))
  return routed.value
}
const proofOf = (view: BoxView) => {
  const proof = prove(plannedCircuit(view, route(view), trade))
  return proof.kind === 'refuted' ? proof.counterexamples.map(({ says }) => says).join('; ') : proof.kind
}
const neutral = (view: BoxView) => route(view).joints.find(({ netId }) => netId.startsWith('neutral:'))!
const whites = (view: BoxView) =>
  view.ends
    .filter(({ conductor }) => conductor.insulation === 'white')
    .map(({ end }) => route(view).seats[end.id])

describe('where a neutral comes from beside a receptacle', () => {
  it('from the splice: the white leaves the receptacle, which gets a pigtail', () => {
    const view = beside()
    expect(neutral(view).endIds).toHaveLength(1)
    expect(whites(view)).toEqual([{ kind: 'joint', jointId: neutral(view).id }])
    expect(proofOf(view)).toBe('proven')
  })

  it('from the receptacle where the house rule lets it: the white stays, a pigtail leads on', () => {
    const view = beside({ rule: 'receptacle' })
    expect(whites(view)).toEqual([{ kind: 'terminal', placeId: 'box-2', terminalId: 'neutral' }])
    const joint = neutral(view)
    expect(joint.endIds).toEqual([])
    expect(joint.leads).toEqual([{ placeId: 'box-1', terminalId: 'neutral' }])
    const pigtails = route(view).pigtails.filter(({ id }) => joint.pigtailIds.includes(id))
    expect(pigtails.map(({ to, insulation }) => [to, insulation])).toEqual([
      [{ placeId: 'box-2', terminalId: 'neutral' }, 'white'],
    ])
    expect(proofOf(view)).toBe('proven')
  })

  it('never on a circuit that shares its neutral, nor where no screw is free', () => {
    for (const view of [
      beside({ rule: 'receptacle', shared: true }),
      beside({ rule: 'receptacle', two: true }),
    ]) {
      expect(neutral(view).endIds.length).toBeGreaterThan(0)
      expect(whites(view).every(seat => seat!.kind === 'joint')).toBe(true)
      expect(proofOf(view)).toBe('proven')
    }
  })
})
