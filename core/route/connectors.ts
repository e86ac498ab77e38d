import type { Trade } from '../model/trade'

export interface ConnectorPiece {
  readonly words: string
  readonly wires: number
}

/**
 * Connectors that hold `wires` (2 to 40) without going over any of them. More wires than one takes means
 * several with a link between neighbours, and a link takes a place in each.
 */
export function connectorsFor(wires: number, kind: 'lever' | 'twist-on', trade: Trade): ConnectorPiece[] {
  const sizes =
    kind === 'lever'
      ? trade.leverSlots.map(slots => ({ most: slots, words: `lever, ${slots} slots` }))
      : trade.twistOn.map(({ name, most }) => ({ most, words: `twist-on, ${name}` }))
  const largest = sizes.at(-1)!.most
  const pieces: ConnectorPiece[] = []
  let rest = wires
  let linkIn = 0
  while (rest > 0) {
    const last = rest + linkIn <= largest
    const taken = last ? rest : largest - linkIn - 1
    const held = taken + linkIn + (last ? 0 : 1)
    pieces.push({ words: sizes.find(size => size.most >= held)!.words, wires: held })
    rest -= taken
    linkIn = 1
  }
  return pieces
}
