import type { EndView } from '../job/box-view'
import { smallPart, type SmallPart } from '../model/small-part'
import type { Trade } from '../model/trade'
import { type Say, later } from '../words/say'

const LISTED = 'connector whose own sheet lists copper with aluminum'

/** How conductors of aluminium come into a joint or onto a screw. */
export interface Tails {
  /** Said of each member. */
  readonly nameOf: (endId: string) => string
  /** Said after what holds the joint. */
  readonly says: string
  /** What holds it instead, where one meets nothing but copper pigtails: no tail is wanted there. */
  readonly holder: string | null
  readonly why: string
  readonly minutes: number
  readonly parts: readonly SmallPart[]
}

/**
 * Aluminium meets copper in a connector that is listed for both and nowhere else: no lever, no twist-on, no screw, no
 * stranded lead. What joins or lands is a solid copper tail, which each has of its own.
 * @param hasOthers whether device leads or conductors of copper come there too; pigtails apart
 */
export function tailsOf(
  ends: readonly EndView[],
  endIds: readonly string[],
  hasOthers: boolean,
  { minutes }: Trade,
  say: Say,
): Tails {
  const own = ends.filter(({ end, conductor }) => endIds.includes(end.id) && conductor.metal === 'aluminium')
  const isAlone = own.length === 1 && endIds.length === 1 && !hasOthers
  const nameOf = (endId: string) => {
    const name = ends.find(({ end }) => end.id === endId)?.name ?? endId
    if (!own.some(({ end }) => end.id === endId)) return name
    return isAlone ? say`${name} (aluminum)` : say`the copper tail of ${name} (aluminum)`
  }
  return {
    nameOf,
    says:
      own.length === 0 || isAlone
        ? ''
        : say`; ${own.length > 1 ? say`each` : say`the`} tail to its aluminum in a ${say(LISTED)}`,
    holder: isAlone ? say`a ${say(LISTED)}` : null,
    why:
      own.length === 0
        ? ''
        : say`Aluminum first: prepared, filled and turned as that connector’s sheet gives it; its oxide and its nicks are what burn. `,
    minutes: own.length * minutes['listed-connector'],
    parts: own.flatMap(({ conductor }) => [
      smallPart('connector', later`${LISTED}, for ${conductor.gauge}`),
      ...(isAlone ? [] : [smallPart('pigtail', later`pigtail, solid copper, ${conductor.gauge}`)]),
    ]),
  }
}
