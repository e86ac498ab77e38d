import { bareJob, strand } from '@/demo/usual'
import type { RunStrand } from '@/demo/builder'
import { tiedBoxes } from '@/core/job/tied'
import type { BoxView } from '@/core/job/box-view'
import { Lot } from '../grown/lot'

/** Drivers that are dimmed over a pair, from a box with other lights beside. */
export interface PairBox {
  /** The pair in a sheath of its own, or in the cable of the light. */
  readonly pair: 'own-sheath' | 'in-cable'
  /** The pair, and the light, go on from a joint box beyond. */
  readonly beyond: boolean
  /** What was found at the light’s place. */
  readonly old: 'old-switch' | 'old-dimmer-control-pair'
  readonly choice: string | null
  /** Another light beside, with a plain switch. */
  readonly second: boolean
  readonly colour: 'pink' | 'grey'
  readonly divided: 'yes' | 'no' | 'not-known'
  readonly phase: 'control-pair' | 'either' | 'not-known'
}

export const drawnPair = (seed: number, choices: readonly (string | null)[]): PairBox => {
  const lot = new Lot(seed)
  const choice = lot.one(choices)
  const old = choice === null || lot.chance(0.5) ? 'old-dimmer-control-pair' : 'old-switch'
  return {
    ...{ pair: lot.one(['own-sheath', 'in-cable'] as const), beyond: lot.chance(0.4), old, choice },
    ...{ second: lot.chance(0.5), colour: lot.one(['pink', 'grey'] as const), divided: 'yes' },
    phase: 'control-pair',
  }
}

/** The boxes of such a light, its own first. */
export function pairBox(given: PairBox): BoxView[] {
  const { pair, beyond, old, second, colour, divided, phase } = given
  const job = bareJob('pair')
  const isOld = old === 'old-dimmer-control-pair'
  const [plus, minus] = isOld
    ? beyond
      ? (['joint:plus', 'joint:minus'] as const)
      : (['plus', 'minus'] as const)
    : (['cap', 'cap'] as const)
  const on = (terminal: string) =>
    second && !terminal.includes(':') && terminal !== 'cap' ? `1.${terminal}` : terminal
  const group = { group: 'office' }
  const lines = isOld ? (['line', 'load'] as const) : (['upper', 'lower'] as const)
  const bare = strand('bare', 'joint:grounds', 'ground')
  const pairOn = (one: string, other: string) => [
    strand('violet', one, 'control-plus', { ...group, gauge: '18 AWG' }),
    strand(colour, other, 'control-minus', { ...group, gauge: '18 AWG' }),
  ]
  const light = (hot: string, neutral: string, ends: readonly [string, string]) => ({
    ...({ name: 'B', entry: 'top', far: 'luminaire' } as const),
    strands: [
      strand('black', hot, 'switched-load', group),
      strand('white', neutral, 'neutral'),
      bare,
      ...(pair === 'in-cable' ? pairOn(...ends) : []),
    ],
  })
  const own = (ends: readonly [string, string]) => ({
    ...({ name: 'P', entry: 'top', far: 'luminaire', sheath: 'low-voltage' } as const),
    strands: pairOn(...ends),
  })
  const ends = [on(plus), on(minus)] as const
  job.box({
    ...{ id: 'box', room: 'room', name: 'By the door', breakers: ['7'] },
    box: { gangs: second ? 2 : 1, depthMillimetres: 80, volumeCubicInches: 60, divided },
    controls: [
      {
        ...{ group: 'office', name: 'Office light', old },
        ...(given.choice === null ? {} : { choice: given.choice }),
        lamps: [{ kind: 'led', wattsEach: 30, count: 6, powerFactor: 0.95, dimmable: 'yes', phase }],
      },
      ...(second
        ? [
            {
              ...{ group: 'shelf', name: 'Shelf light', old: 'old-switch' },
              lamps: [{ kind: 'led', wattsEach: 5, count: 2, dimmable: 'no', powerFactor: 0.9 } as const],
            },
          ]
        : []),
    ],
    cables: [
      {
        ...{ name: 'A', entry: 'bottom', far: 'panel' },
        strands: [
          strand('black', second ? 'joint:hots' : on(lines[0]), 'line'),
          strand('white', 'joint:whites', 'neutral'),
          bare,
        ],
      },
      ...(beyond ? [] : [light(on(lines[1]), 'joint:whites', ends)]),
      ...(beyond || pair === 'in-cable' ? [] : [own(ends)]),
      ...(second
        ? [
            {
              ...({ name: 'D', entry: 'top', far: 'luminaire' } as const),
              strands: [
                strand('black', '2.lower', 'switched-load', { group: 'shelf' }),
                strand('white', 'joint:whites', 'neutral'),
                bare,
              ],
            },
          ]
        : []),
    ],
    pigtails: [
      ['grounds', on('ground')],
      ...(second ? [['grounds', '2.ground'] as const] : []),
      ...(second
        ? ([
            ['hots', on(lines[0])],
            ['hots', '2.upper'],
          ] as const)
        : []),
      ...(isOld && beyond
        ? ([
            ['plus', on('plus')],
            ['minus', on('minus')],
          ] as const)
        : []),
    ],
  })
  if (beyond) {
    job.box({
      ...{ id: 'joints', room: 'room', name: 'Above', breakers: [], controls: [] },
      box: { kind: 'junction', gangs: 1, depthMillimetres: 60, volumeCubicInches: 40, divided },
      cables: [
        light('joint:loads', 'joint:whites', ['joint:plus', 'joint:minus']),
        ...(pair === 'in-cable' ? [] : [own(['joint:plus', 'joint:minus'])]),
      ],
    })
    const run = (
      insulation: RunStrand['insulation'],
      from: string,
      to: string,
      role: RunStrand['role'],
      more: Partial<RunStrand> = {},
    ): RunStrand => ({ insulation, on: [from, to], role, ...more })
    const isPair = { ...group, gauge: '18 AWG' } as const
    const over = [
      run('violet', ends[0], 'joint:plus', 'control-plus', isPair),
      run(colour, ends[1], 'joint:minus', 'control-minus', isPair),
    ]
    job.run({
      ...{ name: 'R', from: 'box', to: 'joints' },
      strands: [
        run('black', on(lines[1]), 'joint:loads', 'switched-load', group),
        run('white', 'joint:whites', 'joint:whites', 'neutral'),
        run('bare', 'joint:grounds', 'joint:grounds', 'ground'),
        ...(pair === 'in-cable' ? over : []),
      ],
    })
    if (pair === 'own-sheath')
      job.run({ ...{ name: 'S', from: 'box', to: 'joints', sheath: 'low-voltage' }, strands: over })
  }
  const { record } = job.view('box')
  return tiedBoxes(record, 'box')
}
