/** What a conductor of a light of several places carries, before it has an end anywhere. */
export type Net = 'line' | 'load' | 'neutral' | 'ground' | `traveller-${number}-${'a' | 'b'}`

/**
 * How a light of several places hangs together: its switches in a row from first to last, where the feed comes in,
 * and where the lamp is. A lamp between two switches is a box of its own in that row.
 */
export interface Arrangement {
  readonly places: number
  /** Place that the feed comes into, from 0; or the luminaire itself. */
  readonly feedAt: number | 'luminaire'
  /** Place that the lamp’s cable leaves from, or the place that the lamp hangs behind, before the next one. */
  readonly lampAt: { readonly kind: 'off' | 'between'; readonly place: number }
}

/** A box of the row: a place with its switch, or the luminaire between two of them. */
export type RowNode = { readonly kind: 'place'; readonly place: number } | { readonly kind: 'luminaire' }

/** One cable of an arrangement and what its conductors carry. */
export interface ArrangedCable {
  /** Positions in the row; `panel` and `lamp` are beyond it. */
  readonly from: number
  readonly to: number | 'panel' | 'lamp'
  readonly nets: readonly Net[]
}

export interface Arranged {
  readonly nodes: readonly RowNode[]
  readonly cables: readonly ArrangedCable[]
  /** The place whose odd screw takes the line, and the one whose odd screw the lamp hangs on. */
  readonly lineAt: number
  readonly loadAt: number
}

/** Every usual arrangement of so many places: the plainest first. A row of one place is no light of several. */
export function arrangementsOf(places: number): Arrangement[] {
  const rows = Array.from({ length: places }, (_, at) => at)
  const all: Arrangement[] = [
    ...rows.flatMap(feedAt =>
      rows.map((place): Arrangement => ({ places, feedAt, lampAt: { kind: 'off', place } })),
    ),
    ...rows.map((place): Arrangement => ({ places, feedAt: 'luminaire', lampAt: { kind: 'off', place } })),
    ...rows.slice(1).flatMap((_, place) =>
      [...rows, 'luminaire' as const].map((feedAt): Arrangement => ({
        places,
        feedAt,
        lampAt: { kind: 'between', place },
      })),
    ),
  ]
  const last = places - 1
  const isEnd = (place: number) => place === 0 || place === last
  const unusual = ({ feedAt, lampAt: { kind, place } }: Arrangement): number => {
    if (kind === 'between') return feedAt === 'luminaire' || isEnd(feedAt) ? 3 : 5
    if (feedAt === 'luminaire') return isEnd(place) ? 2 : 4
    if (!isEnd(feedAt) || !isEnd(place)) return 4
    return feedAt === place ? 1 : 0
  }
  return all.filter(each => most(arranged(each)) <= MOST_IN_CABLE).sort((a, b) => unusual(a) - unusual(b))
}

/** Conductors besides ground in the largest cable that is usual. */
const MOST_IN_CABLE = 3

const most = ({ cables }: Arranged) =>
  Math.max(...cables.map(({ nets }) => nets.filter(net => net !== 'ground').length))

/** The cables of an arrangement and what they carry: of the two ends, the line goes to the one that asks for least. */
export function arranged(arrangement: Arrangement): Arranged {
  const last = arrangement.places - 1
  const [one, other] = [carried(arrangement, 0, last), carried(arrangement, last, 0)]
  const sum = ({ cables }: Arranged) => cables.reduce((all, { nets }) => all + nets.length, 0)
  return most(other) < most(one) || (most(other) === most(one) && sum(other) < sum(one)) ? other : one
}

function carried({ places, feedAt, lampAt }: Arrangement, lineAt: number, loadAt: number): Arranged {
  const nodes: RowNode[] = []
  for (let place = 0; place < places; place++) {
    nodes.push({ kind: 'place', place })
    if (lampAt.kind === 'between' && lampAt.place === place) nodes.push({ kind: 'luminaire' })
  }
  const nodeOf = (place: number) => nodes.findIndex(node => node.kind === 'place' && node.place === place)
  const lampNode = nodes.findIndex(({ kind }) => kind === 'luminaire')
  const lamp = lampNode >= 0 ? lampNode : nodeOf(lampAt.place)
  const feed = feedAt === 'luminaire' ? lamp : nodeOf(feedAt)
  const crosses = (segment: number, from: number, to: number) =>
    segment >= Math.min(from, to) && segment < Math.max(from, to)
  const row = nodes.slice(1).map((_, segment): ArrangedCable => {
    const before = nodes.slice(0, segment + 1).filter(({ kind }) => kind === 'place').length - 1
    return {
      from: segment,
      to: segment + 1,
      nets: [
        `traveller-${before}-a`,
        `traveller-${before}-b`,
        ...(crosses(segment, feed, nodeOf(lineAt)) ? ['line' as const] : []),
        ...(crosses(segment, nodeOf(loadAt), lamp) ? ['load' as const] : []),
        // Fed at the luminaire, the neutral stays there.
        ...(crosses(segment, feed, lamp) ? ['neutral' as const] : []),
        'ground',
      ],
    }
  })
  const fedAtLamp = feedAt === 'luminaire'
  const feedCable: ArrangedCable = { from: feed, to: 'panel', nets: ['line', 'neutral', 'ground'] }
  const lampCable: ArrangedCable = {
    from: lamp,
    to: 'lamp',
    nets: fedAtLamp ? ['line', 'load', 'ground'] : ['load', 'neutral', 'ground'],
  }
  return {
    nodes,
    lineAt,
    loadAt,
    cables: [
      ...(fedAtLamp && lampNode < 0 ? [] : [feedCable]),
      ...row,
      ...(lampNode >= 0 ? [] : [lampCable]),
    ],
  }
}
