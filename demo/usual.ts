import type { BoxView } from '@/core/job/box-view'
import type { RegionId, RoomKind } from '@/core/model/vocabulary'
import { jobBuilder, type BoxAsFound, type CableAsFound, type Control, type Strand } from './builder'

/** One strand, its role last: the short form that boxes are written in. */
export const strand = (
  insulation: Strand['insulation'],
  on: string,
  role?: Strand['role'],
  more: Partial<Strand> = {},
): Strand => ({
  insulation,
  on,
  role,
  ...more,
})

/** Feed from the panel below, lamp cable above: the usual box fed at the switch. */
export function fedAtTheSwitch(
  roles: boolean,
  more: {
    gauge?: Strand['gauge']
    loadGauge?: Strand['gauge']
    metal?: Strand['metal']
    hot?: Strand['insulation']
    /** Terminals of the old device that take the hot and the switched conductor. */
    screws?: readonly [hot: string, switched: string]
  } = {},
): CableAsFound[] {
  const role = (name: Strand['role']) => (roles ? name : undefined)
  const [hotOn, switchedOn] = more.screws ?? ['upper', 'lower']
  const feed = { gauge: more.gauge, metal: more.metal }
  const load = { gauge: more.loadGauge ?? more.gauge, metal: more.metal }
  return [
    {
      name: 'A',
      entry: 'bottom',
      far: 'panel',
      strands: [
        strand(more.hot ?? 'black', hotOn, role('line'), feed),
        strand('white', 'joint:whites', role('neutral'), feed),
        strand('bare', 'joint:grounds', role('ground'), feed),
      ],
    },
    {
      name: 'B',
      entry: 'top',
      far: 'luminaire',
      strands: [
        strand('black', switchedOn, role('switched-load'), load),
        strand('white', 'joint:whites', role('neutral'), load),
        strand('bare', 'joint:grounds', role('ground'), load),
      ],
    },
  ]
}

/** One cable from the luminaire: the white brings the hot, the black takes it back. */
export function switchLoop(roles: boolean): CableAsFound[] {
  const role = (name: Strand['role']) => (roles ? name : undefined)
  return [
    {
      name: 'A',
      entry: 'top',
      far: 'luminaire',
      strands: [
        strand('white', 'upper', role('loop-feed')),
        strand('black', 'lower', role('loop-return')),
        strand('bare', 'joint:grounds', role('ground')),
      ],
    },
  ]
}

/** Another circuit that only passes through a box, its breaker not told from the first one’s. */
export const passingThrough = (roles: boolean): CableAsFound[] => {
  const role = (name: Strand['role']) => (roles ? name : undefined)
  return (
    [
      ['C', 'bottom', 'panel', 'line'],
      ['D', 'top', 'elsewhere', 'onward-feed'],
    ] as const
  ).map(([name, entry, far, hot]) => ({
    name,
    entry,
    far,
    strands: [
      strand('black', 'joint:other-hots', role(hot)),
      strand('white', 'joint:other-whites', role('neutral')),
      strand('bare', 'joint:grounds', role('ground')),
    ],
  }))
}

export interface UsualBox {
  /** Breakers that feed it; the first has its lights. */
  readonly breakers?: readonly string[]
  readonly region?: RegionId
  readonly ratedAmps?: number
  readonly cables?: readonly CableAsFound[]
  readonly box?: BoxAsFound['box']
  readonly lamps?: Control['lamps']
  readonly want?: Control['want']
  readonly choice?: string
  readonly proven?: boolean
  readonly isolated?: boolean
  readonly rules?: Readonly<Record<string, string>>
  readonly roomKind?: RoomKind
  /** The device that is there; a plain switch where it is not said, none where null. */
  readonly old?: string | null
}

/** A job of nobody’s, with one room called `room` and breakers of 15 A by their numbers: for boxes of one’s own. */
export function bareJob(
  id: string,
  {
    region = 'north-america-120',
    breakers = ['7'],
  }: { region?: RegionId; breakers?: readonly string[] } = {},
) {
  const job = jobBuilder({
    id,
    name: `${id.charAt(0).toUpperCase()}${id.slice(1)}`,
    address: '',
    owners: '',
    electrician: '',
    apprentice: '',
    regionId: region,
    backFeed: 'no',
    site: null,
    note: '',
  })
  job.room('room', 'Room', 'Ground floor')
  for (const breaker of breakers) job.circuit(breaker, 'Lights', 15)
  return job
}

/** A job with one room and one box, as most are; every part can be given otherwise. */
export function usualBox(given: UsualBox = {}): BoxView {
  const job = jobBuilder({
    id: 'one-box',
    name: 'One box',
    address: '',
    owners: '',
    electrician: '',
    apprentice: '',
    regionId: given.region ?? 'north-america-120',
    backFeed: 'no',
    site: null,
    note: '',
  })
  job.room('room', 'Room', 'Ground floor', given.roomKind)
  const breakers = given.breakers ?? ['7']
  for (const breaker of breakers) job.circuit(breaker, 'Lights', given.ratedAmps ?? 15)
  job.box({
    id: 'box',
    room: 'room',
    name: 'By the door',
    breakers,
    box: { depthMillimetres: 80, volumeCubicInches: 30, ...given.box },
    controls: [
      {
        group: 'light',
        name: 'Ceiling light',
        old: given.old === undefined ? 'old-switch' : given.old,
        want: given.want ?? null,
        lamps: given.lamps ?? [{ kind: 'led', wattsEach: 10, count: 4, dimmable: 'yes', powerFactor: 0.9 }],
        choice: given.choice,
      },
    ],
    cables: given.cables ?? fedAtTheSwitch(true),
  })
  for (const [ruleId, value] of Object.entries(given.rules ?? {}))
    job.put('houseRules', { id: `rule-${ruleId}`, ruleId, value })
  if (given.proven ?? true) job.proveRoles('box')
  if (given.isolated) job.isolate('box')
  return job.view('box')
}
