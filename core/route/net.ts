/** What is one piece of metal when everything is as planned, and of whom. */
export type Net =
  /** `by`: the cable it comes in by, where its circuit comes in by several; the place of what it is protected by. */
  | { readonly kind: 'line' | 'neutral'; readonly circuitId: string; readonly by: string | null }
  /** The last two: of the pair of low voltage that tells the drivers of a light how bright to be. */
  | {
      readonly kind: 'load' | 'signal' | 'control-plus' | 'control-minus'
      readonly groupId: string
    }
  /** `beyond`: the place whose isolator parts it from the net of its kind before that. */
  | { readonly kind: 'line' | 'load' | 'neutral'; readonly beyond: string }
  /** `hop`: between which two switches of a row, from 1. */
  | { readonly kind: 'traveller'; readonly groupId: string; readonly hop: number; readonly side: 'a' | 'b' }
  /** Between two terminals at one place. */
  | { readonly kind: 'own'; readonly placeId: string }
  | { readonly kind: 'ground' }

export type NetKind = Net['kind']

/** The key a net stands under in a plan: the only place that makes one. Ids hold no colon. */
export function keyOf(net: Net): string {
  if ('beyond' in net) return `${net.kind}${BEYOND}:${net.beyond}`
  switch (net.kind) {
    case 'line':
    case 'neutral':
      return net.by === null ? `${net.kind}:${net.circuitId}` : `${net.kind}:${net.circuitId}:${net.by}`
    case 'load':
    case 'signal':
    case 'control-plus':
    case 'control-minus':
      return `${net.kind}:${net.groupId}`
    case 'traveller':
      return `traveller:${net.groupId}:${net.hop}${net.side}`
    case 'own':
      return `${net.kind}:${net.placeId}`
    case 'ground':
      return 'ground'
  }
}

const BEYOND = '-beyond'

/** The net of a key: the only place that reads one. A key that is none is an error of ours. */
export function netOf(key: string): Net {
  const [kind, of, last] = key.split(':')
  switch (kind) {
    case `line${BEYOND}`:
    case `load${BEYOND}`:
    case `neutral${BEYOND}`:
      if (of) return { kind: kind.slice(0, -BEYOND.length) as 'line' | 'load' | 'neutral', beyond: of }
      break
    case 'ground':
      return { kind }
    case 'line':
    case 'neutral':
      if (of) return { kind, circuitId: of, by: last ?? null }
      break
    case 'load':
    case 'signal':
    case 'control-plus':
    case 'control-minus':
      if (of) return { kind, groupId: of }
      break
    case 'own':
      if (of) return { kind, placeId: of }
      break
    case 'traveller': {
      const side = last?.at(-1)
      if (of && (side === 'a' || side === 'b'))
        return { kind, groupId: of, hop: Number(last!.slice(0, -1)), side }
    }
  }
  throw new Error(`“${key}” is no net`)
}

const kinds = new Map<string, NetKind>()

/** What a net is of: asked often, so that each is read once. */
export function kindOf(key: string): NetKind {
  let kind = kinds.get(key)
  if (!kind) kinds.set(key, (kind = netOf(key).kind))
  return kind
}

/** Whether a net carries no mains. */
export const isControlNet = (key: string): boolean => kindOf(key).startsWith('control-')

/** A net as one of a pair of travellers, which nothing tells apart: the same for both. */
export function pairOf(key: string): string {
  const net = netOf(key)
  return net.kind === 'traveller' ? keyOf({ ...net, side: 'a' }) : key
}

/** All that is one metal at the panel, by whichever cable it comes in, and before and behind what protects it. */
export function atPanel(key: string): string {
  const net = netOf(key)
  return 'circuitId' in net ? keyOf({ ...net, by: null }) : key
}
