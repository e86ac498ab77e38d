import { bareJob, strand } from '@/demo/usual'
import type { Control, RunStrand, Strand } from '@/demo/builder'
import { tiedBoxes } from '@/core/job/tied'
import type { BoxView } from '@/core/job/box-view'
import { Lot } from '../grown/lot'

/** A fan that is worked from a switch and isolated beside its ceiling. */
export interface IsolatedFan {
  /** It runs on after it is switched off: a hot of its own goes with it. */
  readonly runsOn: boolean
  /** A light that the same switch works and nothing isolates: in the switch’s box, or the isolator’s. */
  readonly light: 'none' | 'at-switch' | 'at-isolator'
  /** Switch and isolator stand side by side. */
  readonly oneBox: boolean
  /** What stands there already; null: the conductors run through joints. */
  readonly old: string | null
  /** Null: the old one stays. */
  readonly isolator: string | null
  readonly choice: string
  /** The cables were seen to lead to the fan and the light. */
  readonly seen: boolean
  readonly retired?: boolean
}

const LIGHTS = ['none', 'at-switch', 'at-isolator'] as const

export const drawnFan = (seed: number, choices: readonly string[]): IsolatedFan => {
  const lot = new Lot(seed)
  const old = lot.chance(0.5) ? 'old-fan-isolator-230' : null
  return {
    ...{ runsOn: lot.chance(0.5), light: lot.one(LIGHTS), oneBox: lot.chance(0.3), old },
    isolator: old !== null && lot.chance(0.4) ? null : 'fan-isolator-230',
    ...{ choice: lot.one(choices), seen: true },
  }
}

/** The boxes of such a fan, the switch’s first. */
export function isolatedFan(given: IsolatedFan): BoxView[] {
  const job = bareJob('fan', { region: 'europe-230', breakers: [] })
  job.circuit('3', 'Lights', 6, { protection: 'residual-current' })
  const { runsOn, light, oneBox, old } = given
  const there = oneBox ? 'switch' : 'ceiling'
  const gang = oneBox ? 2 : 1
  const placeId = `${there}-${gang}`
  const at = (pole: string, side: 'in' | 'out') =>
    old === null ? `joint:${pole}` : oneBox ? `${gang}.${pole}-${side}` : `${pole}-${side}`
  const screw = (terminal: string) => (oneBox ? `1.${terminal}` : terminal)
  const ground = strand('green-yellow', 'joint:grounds', 'ground')
  const fan = {
    ...({ name: 'F', entry: 'top', far: 'luminaire' } as const),
    ...(given.seen ? { farLoad: 'bath-lamp-1' } : {}),
    strands: [
      strand('brown', at('load', 'out'), 'switched-load', { group: 'bath' }),
      strand('blue', at('neutral', 'out'), 'neutral'),
      ...(runsOn ? [strand('black', at('line', 'out'), 'onward-feed')] : []),
      ground,
    ],
  }
  const lit = (hot: string, neutral: string) => ({
    ...({ name: 'L', entry: 'top', far: 'luminaire' } as const),
    ...(given.seen ? { farLoad: 'bath-lamp-2' } : {}),
    strands: [
      strand('brown', hot, 'switched-load', { group: 'bath' }),
      strand('blue', neutral, 'neutral'),
      ground,
    ],
  })
  const feed = (hot: string, neutral: string) => ({
    ...({ name: 'A', entry: 'bottom', far: 'panel' } as const),
    strands: [strand('brown', hot, 'line'), strand('blue', neutral, 'neutral'), ground],
  })
  const control: Control = {
    ...{ group: 'bath', name: 'Bath fan', old: 'old-switch-230', choice: given.choice },
    lamps: [
      { kind: 'fan-motor', wattsEach: 20, count: 1, isolatedAtId: placeId, ...RUNS },
      ...(light === 'none' ? [] : [{ kind: 'led', wattsEach: 12, count: 2, ...RUNS } as const]),
    ],
  }
  const isolator: Control = {
    ...{ group: 'bath', name: 'Bath fan', old },
    ...(given.isolator === null ? {} : { choice: given.isolator }),
  }
  const size = { depthMillimetres: 60, volumeCubicInches: 60 }
  if (oneBox) {
    const hots = old === null ? 'line' : 'hots'
    const isJoined = { hots: runsOn, neutral: old === null || light !== 'none' }
    job.box({
      ...{ id: 'switch', room: 'room', name: 'By the door', breakers: ['3'] },
      box: { gangs: 2, ...size },
      controls: [control, isolator],
      cables: [
        feed(
          isJoined.hots ? `joint:${hots}` : screw('line'),
          isJoined.neutral ? 'joint:neutral' : at('neutral', 'in'),
        ),
        fan,
        ...(light === 'none' ? [] : [lit('joint:load', 'joint:neutral')]),
      ],
      pigtails: [
        ['load', '1.load'],
        ...(isJoined.hots ? [[hots, '1.line'] as const] : []),
        ...(old === null ? [] : [['load', `${gang}.load-in`] as const]),
        ...(old !== null && isJoined.hots ? [['hots', `${gang}.line-in`] as const] : []),
        ...(old !== null && isJoined.neutral ? [['neutral', `${gang}.neutral-in`] as const] : []),
      ],
    })
    if (!job.view('switch').record.joints['switch-joint-load'])
      job.put('joints', {
        ...{ id: 'switch-joint-load', boxId: 'switch' },
        ...{ connector: 'lever', bareShows: false },
      })
    return finished(job.view('switch'), placeId, given)
  }
  const shared = light === 'at-isolator'
  const before = (pole: string) =>
    shared && old !== null && pole !== 'line' ? `joint:${pole}-before` : at(pole, 'in')
  job.box({
    ...{ id: 'switch', room: 'room', name: 'By the door', breakers: ['3'] },
    box: { gangs: 1, ...size },
    controls: [control],
    cables: [
      feed(runsOn ? 'joint:hots' : 'line', 'joint:whites'),
      ...(light === 'at-switch' ? [lit('joint:loads', 'joint:whites')] : []),
    ],
    pigtails: [
      ...(runsOn ? [['hots', 'line'] as const] : []),
      ...(light === 'at-switch' ? [['loads', 'load'] as const] : []),
    ],
  })
  job.box({
    ...{ id: 'ceiling', room: 'room', name: 'By the ceiling', breakers: [] },
    box: { gangs: 1, ...size },
    controls: [isolator],
    cables: [fan, ...(shared ? [lit(before('load'), before('neutral'))] : [])],
    pigtails:
      shared && old !== null
        ? [
            ['load-before', 'load-in'],
            ['neutral-before', 'neutral-in'],
          ]
        : [],
  })
  const run = (insulation: Strand['insulation'], on: readonly [string, string], role: Strand['role']) =>
    ({ insulation, on, role }) satisfies RunStrand
  job.run({
    ...{ name: 'R', from: 'switch', to: 'ceiling' },
    strands: [
      run('black', [light === 'at-switch' ? 'joint:loads' : 'load', before('load')], 'switched-load'),
      run('grey', ['joint:whites', before('neutral')], 'neutral'),
      ...(runsOn
        ? [run('brown', ['joint:hots', before('line')], 'onward-feed')]
        : [run('brown', ['cap', 'cap'], 'spare')]),
      run('green-yellow', ['joint:grounds', 'joint:grounds'], 'ground'),
    ],
  })
  return finished(job.view('switch'), placeId, given)
}

const RUNS = { dimmable: 'no', powerFactor: 0.9, metalLuminaire: 'no' } as const

function finished({ record, box }: BoxView, placeId: string, { retired }: IsolatedFan): BoxView[] {
  const place = record.places[placeId]!
  const places = retired ? { ...record.places, [placeId]: { ...place, retired: true } } : record.places
  return tiedBoxes({ ...record, places }, box.id)
}
