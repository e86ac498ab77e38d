import type { Trade } from '../model/trade'
import type { Gauge } from '../model/vocabulary'
import { later } from '../words/say'

export interface ConnectorPiece {
  readonly kind: ConnectorKind
  readonly words: string
  /** Wires it holds, links to its neighbours included. */
  readonly wires: number
  /** Bare length of each wire in it, in mm. */
  readonly stripMillimetres: number
  /** Of a lever connector: the wires its size has room for. */
  readonly slots?: number
  /** Chosen from the printed table, or by total copper area where the table has no row for the mix. */
  readonly by: 'table' | 'area'
}

export type ConnectorKind = 'lever' | 'twist-on'

/** One size of connector: what it holds at most. */
interface Size {
  readonly slots?: number
  readonly words: string
  readonly stripMillimetres: number
  /** Whether it holds these wires, and by what it is known. */
  readonly holds: (wires: readonly Gauge[]) => ConnectorPiece['by'] | null
}

/**
 * Connectors that hold wires of these gauges (at least 2) without going over any of them, each the smallest that does.
 * More wires than one takes means several with a link of the thickest gauge between neighbours; a link takes a place
 * in each. Null where a wire is too thick for all that there are.
 */
export function connectorsFor(
  gauges: readonly Gauge[],
  kind: ConnectorKind,
  trade: Trade,
): readonly ConnectorPiece[] | null {
  const area = (gauge: Gauge) => trade.conductors[gauge].squareMillimetres
  const sizes = kind === 'lever' ? leversOf(trade) : twistOnOf(trade)
  const rest = [...gauges].sort((a, b) => area(b) - area(a))
  const link = rest[0]!
  const pieces: ConnectorPiece[] = []
  const largest = sizes.at(-1)!
  for (let before = 0; rest.length > 0; before = 1) {
    const links = Array.from({ length: before }, () => link)
    const held = [...links]
    if (largest.holds([...held, ...rest])) held.push(...rest.splice(0))
    else while (rest.length > 0 && largest.holds([...held, rest[0]!, link])) held.push(rest.shift()!)
    if (held.length === links.length) return null
    if (rest.length > 0) held.push(link)
    const size = sizes.find(each => each.holds(held))!
    pieces.push({
      kind,
      words: size.words,
      wires: held.length,
      stripMillimetres: size.stripMillimetres,
      by: size.holds(held)!,
      ...(size.slots !== undefined && { slots: size.slots }),
    })
  }
  return pieces
}

/** One wire a slot. */
const leversOf = ({ levers, conductors }: Trade): Size[] =>
  levers.map(({ slots, largest, stripMillimetres }) => ({
    words:
      largest === levers[0]!.largest
        ? later`lever, ${slots} slots`
        : later`lever, ${slots} slots, up to ${largest}`,
    stripMillimetres,
    slots,
    holds: wires =>
      wires.length <= slots &&
      wires.every(
        gauge => conductors[gauge].squareMillimetres <= conductors[largest].squareMillimetres + 1e-9,
      )
        ? 'table'
        : null,
  }))

/** By the table for its own gauge; any other mix by the copper it holds there. */
const twistOnOf = ({ twistOn, conductors }: Trade): Size[] =>
  twistOn.map(({ name, most, gauge, stripMillimetres }) => ({
    words: later`twist-on, ${name}`,
    stripMillimetres,
    holds: wires => {
      const area = (each: Gauge) => conductors[each].squareMillimetres
      if (wires.every(each => each === gauge)) return wires.length <= most ? 'table' : null
      const copper = wires.reduce((sum, each) => sum + area(each), 0)
      // A thin wire slips out of a shell that is full of others: no more of them than its table has.
      return copper <= most * area(gauge) + 1e-9 && wires.length <= most ? 'area' : null
    },
  }))
