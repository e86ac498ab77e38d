import type { CableAsFound, Control, RunStrand } from '@/demo/builder'
import { bareJob, strand } from '@/demo/usual'
import { basisOf } from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import { tiedBoxes } from '@/core/job/tied'
import type { Insulation, RegionId, Role } from '@/core/model/vocabulary'

/** Boxes whose switches work one light; fed in one of them or at the lamp, the lamp on one of them. */
export interface Chain {
  readonly count: number
  /** One after another; all from the first; or one after another and round to the first again. */
  readonly shape?: 'line' | 'star' | 'ring'
  readonly fed: number
  readonly lit: number
  /** Fed at the luminaire: its cable brings the hot to the box it leads to; with a neutral only where it is said. */
  readonly loop?: 'two-wire' | 'three-wire'
  /** The neutral runs through every box. */
  readonly neutrals: boolean
  /** Conductors that lead nowhere yet, in each cable between two boxes. */
  readonly spares: number
  /** Coloured conductors of each cable between two boxes; where it is not said, as many as plain switches take. */
  readonly between?: number
  /** On the old switches' terminals and in joints, as plain switches are wired; else all loose. */
  readonly seated?: boolean
  /** Every role is proven, as Identify finds them. */
  readonly proven?: boolean
  readonly region?: RegionId
  /** Device chosen at each place; null: the old one stays. */
  readonly choices: readonly (string | null)[]
}

const COLOURS: Readonly<
  Record<
    RegionId,
    {
      hots: readonly Insulation[]
      neutral: Insulation
      ground: Insulation
      old: readonly [end: string, middle: string, alone: string]
    }
  >
> = {
  'north-america-120': {
    hots: ['black', 'red', 'blue', 'yellow', 'black', 'red'],
    neutral: 'white',
    ground: 'bare',
    old: ['old-two-place-switch', 'old-middle-switch', 'old-switch'],
  },
  'europe-230': {
    hots: ['brown', 'black', 'grey', 'brown', 'black', 'grey'],
    neutral: 'blue',
    ground: 'green-yellow',
    old: ['old-two-place-230', 'old-middle-230', 'old-switch-230'],
  },
}

/** Pairs of boxes that a cable runs between. */
function linksOf({ count, shape }: Pick<Chain, 'count' | 'shape'>): (readonly [string, number, number])[] {
  const links = Array.from(
    { length: count - 1 },
    (_, at) => [`R${at}`, shape === 'star' ? 0 : at, at + 1] as const,
  )
  return shape === 'ring' && count > 2 ? [...links, ['R-round', count - 1, 0]] : links
}

/** The boxes of such a chain, their conductors told by role. */
export function chainOf({
  count,
  shape = 'line',
  fed,
  lit,
  loop,
  neutrals,
  spares,
  between,
  seated = false,
  proven = false,
  region = 'north-america-120',
  choices,
}: Chain): BoxView[] {
  const { hots, neutral, ground, old } = COLOURS[region]
  const job = bareJob('chain', { region })
  const last = count - 1
  const [lineScrew, loadScrew] =
    count > 1 ? ['common', 'common'] : region === 'europe-230' ? ['line', 'load'] : ['upper', 'lower']
  /** Where a conductor of a role sits in one box, by which other boxes it comes from or goes to. */
  const sits = (box: number, role: Role, towards: 'outside' | 'before' | 'after', index = 0): string => {
    if (!seated) return 'loose'
    if (role === 'ground') return 'joint:grounds'
    if (role === 'neutral') return 'joint:neutrals'
    if (role === 'spare') return 'cap'
    if (role === 'line' || role === 'loop-feed') return box === 0 ? lineScrew! : 'joint:lines'
    if (role === 'switched-load' || role === 'loop-return') return box === last ? loadScrew! : 'joint:loads'
    const side = index === 0 ? 'a' : 'b'
    if (box === 0 || box === last) return `traveller-${side}`
    return `${towards === 'before' ? 'first' : 'second'}-${side}`
  }
  for (let at = 0; at < count; at++) {
    const control: Control = {
      group: 'light',
      name: 'Light',
      old: count === 1 ? old[2] : at === 0 || at === last ? old[0] : old[1],
      ...(choices[at] === null ? {} : { choice: choices[at]! }),
      ...(at === 0
        ? { lamps: [{ kind: 'led', wattsEach: 20, count: 4, dimmable: 'yes', powerFactor: 0.9 }] }
        : {}),
    }
    const cables: CableAsFound[] = []
    const loose = (insulation: Insulation, role: Role) => strand(insulation, sits(at, role, 'outside'), role)
    if (loop && at === lit)
      cables.push({
        name: `L${at}`,
        entry: 'top',
        far: 'luminaire',
        strands: [
          loose(loop === 'two-wire' ? neutral : hots[1]!, 'loop-feed'),
          loose(hots[0]!, 'loop-return'),
          ...(loop === 'three-wire' ? [loose(neutral, 'neutral')] : []),
          loose(ground, 'ground'),
        ],
      })
    if (!loop && at === fed)
      cables.push({
        name: `P${at}`,
        entry: 'bottom',
        far: 'panel',
        strands: [loose(hots[0]!, 'line'), loose(neutral, 'neutral'), loose(ground, 'ground')],
      })
    if (!loop && at === lit)
      cables.push({
        name: `L${at}`,
        entry: 'top',
        far: 'luminaire',
        strands: [loose(hots[0]!, 'switched-load'), loose(neutral, 'neutral'), loose(ground, 'ground')],
      })
    job.box({
      id: `box${at}`,
      room: 'room',
      name: `Box ${at}`,
      breakers: ['7'],
      box: { depthMillimetres: 90, volumeCubicInches: 60 },
      controls: [control],
      cables,
    })
  }
  for (const [name, at, to] of linksOf({ count, shape })) {
    const isRound = to === 0
    const feeds = shape === 'star' ? fed === to : fed > at
    const lights = shape === 'star' ? lit !== to : lit <= at
    const roles: Role[] = ['traveller', 'traveller']
    if (feeds && !isRound) roles.push('line')
    if (lights && !isRound) roles.push('switched-load')
    for (let more = 0; more < spares; more++) roles.push('spare')
    if (between !== undefined) {
      while (roles.length < between) roles.push('spare')
      roles.length = between
    }
    const passes =
      loop === 'two-wire' ? false : neutrals || (fed <= at && lit > at) || (lit <= at && fed > at)
    const both = (role: Role, index = 0): [string, string] =>
      isRound ? ['loose', 'loose'] : [sits(at, role, 'after', index), sits(to, role, 'before', index)]
    const strands: RunStrand[] = roles.map((role, index) => ({
      insulation: hots[index]!,
      on: both(role, index),
      role,
    }))
    job.run({
      name,
      from: `box${at}`,
      to: `box${to}`,
      strands: [
        ...strands,
        ...(passes ? [{ insulation: neutral, on: both('neutral'), role: 'neutral' } as const] : []),
        { insulation: ground, on: both('ground'), role: 'ground' },
      ],
    })
  }
  if (proven) {
    const { record } = job.view('box0')
    for (const { id, boxId, role } of Object.values(record.ends))
      job.put('findings', {
        id: `found-${id}`,
        endId: id,
        role: role!,
        proof: 'proven',
        basis: basisOf(record, boxId),
      })
  }
  return tiedBoxes(job.view('box0').record, 'box0')
}
