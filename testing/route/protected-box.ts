import { bareJob, strand } from '@/demo/usual'
import { boxView, type BoxView } from '@/core/job/box-view'
import { Lot } from '../grown/lot'

/** Where the current of a light goes out from, and where it comes back to, as found. */
export interface Found {
  readonly out: 'before' | 'behind'
  readonly back: 'before' | 'behind'
}

export interface ProtectedBox extends Found {
  /** What stands at the light’s place from now on; null: the old switch stays. */
  readonly choice: string | null
  /** A cable that goes on from the load screws. */
  readonly onward: boolean
  /** A plain receptacle beside, and where it hangs. */
  readonly receptacle: 'none' | 'before' | 'behind'
  /** A second light, with a plain switch, as found before the protection. */
  readonly second: boolean
  readonly breaker?: 'none' | 'ground-fault'
  readonly retired?: boolean
  /** Nobody said which light the switched conductors are of: the switches they are on tell. */
  readonly unsaid?: boolean
  /** The feed hangs on its load screws, and what it should protect on the others. */
  readonly reversed?: boolean
}

export const drawnBox = (seed: number, choices: readonly (string | null)[]): ProtectedBox => {
  const lot = new Lot(seed)
  const side = ['before', 'behind'] as const
  return {
    ...{ out: lot.one(side), back: lot.one(side), choice: lot.one(choices), onward: lot.chance(0.5) },
    receptacle: lot.one(['none', 'before', 'behind'] as const),
    second: lot.chance(0.3),
    unsaid: lot.chance(0.5),
  }
}

/** A bath’s box: a receptacle with ground-fault protection at its first gang, switches beside it. */
export function protectedBox(given: ProtectedBox): BoxView {
  const job = bareJob('protected', { breakers: [] })
  job.circuit('7', 'Bath', 20, { protection: given.breaker ?? 'none' })
  const lamp = { kind: 'led', wattsEach: 10, count: 4, dimmable: 'yes', powerFactor: 0.9 } as const
  const hots = { before: 'joint:hots', behind: 'joint:protected-hots' }
  const whites = { before: 'joint:whites', behind: 'joint:protected-whites' }
  const second = given.second ? 3 : null
  const of = (group: string) => (given.unsaid ? {} : { group })
  const plain = given.receptacle === 'none' ? null : given.second ? 4 : 3
  job.box({
    id: 'box',
    room: 'room',
    name: 'By the mirror',
    breakers: ['7'],
    box: { gangs: 4, depthMillimetres: 90, volumeCubicInches: 80 },
    controls: [
      { group: 'mirror', name: 'Mirror receptacle', old: 'old-receptacle-leak' },
      {
        ...{ group: 'light', name: 'Light', old: 'old-switch', lamps: [lamp] },
        ...(given.choice === null ? {} : { choice: given.choice }),
      },
      ...(second ? [{ group: 'shower', name: 'Shower light', old: 'old-switch', lamps: [lamp] }] : []),
      ...(plain ? [{ group: 'shelf', name: 'Shelf receptacle', old: 'old-receptacle' }] : []),
    ],
    cables: [
      {
        ...{ name: 'A', entry: 'bottom', far: 'panel' },
        strands: [
          strand('black', hots.before, 'line'),
          strand('white', whites.before, 'neutral'),
          strand('bare', 'joint:grounds', 'ground'),
        ],
      },
      {
        ...{ name: 'B', entry: 'top', far: 'luminaire' },
        strands: [
          strand('black', '2.lower', 'switched-load', of('light')),
          strand('white', whites[given.back], 'neutral'),
          strand('bare', 'joint:grounds', 'ground'),
        ],
      },
      ...(given.onward
        ? [
            {
              ...({ name: 'C', entry: 'bottom', far: 'elsewhere' } as const),
              strands: [
                strand('black', hots.behind, 'onward-feed'),
                strand('white', whites.behind, 'neutral'),
                strand('bare', 'joint:grounds', 'ground'),
              ],
            },
          ]
        : []),
      ...(second
        ? [
            {
              ...({ name: 'D', entry: 'top', far: 'luminaire' } as const),
              strands: [
                strand('black', '3.lower', 'switched-load', of('shower')),
                strand('white', whites.before, 'neutral'),
                strand('bare', 'joint:grounds', 'ground'),
              ],
            },
          ]
        : []),
    ],
    pigtails: [
      [given.reversed ? 'protected-hots' : 'hots', '1.hot'],
      [given.reversed ? 'protected-whites' : 'whites', '1.neutral'],
      ['grounds', '1.ground'],
      [given.reversed ? 'hots' : 'protected-hots', '1.hot-on'],
      [given.reversed ? 'whites' : 'protected-whites', '1.neutral-on'],
      [given.out === 'before' ? 'hots' : 'protected-hots', '2.upper'],
      ...(second ? ([['hots', '3.upper']] as const) : []),
      ...(plain
        ? ([
            [given.receptacle === 'before' ? 'hots' : 'protected-hots', `${plain}.hot`],
            [given.receptacle === 'before' ? 'whites' : 'protected-whites', `${plain}.neutral`],
            ['grounds', `${plain}.ground`],
          ] as const)
        : []),
    ],
  })
  const { record } = job.view('box')
  if (!record.joints['box-joint-protected-hots'] && [given.out, given.receptacle].includes('behind'))
    job.put('joints', {
      ...{ id: 'box-joint-protected-hots', boxId: 'box' },
      ...{ connector: 'twist-on', bareShows: false },
    })
  const made = job.view('box')
  if (!given.retired) return made
  const { places, groups, ...rest } = made.record
  return boxView(
    {
      ...rest,
      places: { ...places, 'box-1': { ...places['box-1']!, retired: true } },
      groups: { ...groups, mirror: { ...groups.mirror!, unworked: 'left-dead' } },
    },
    'box',
  )!
}
