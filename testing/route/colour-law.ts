import type { BoxView } from '@/core/job/box-view'
import type { RoutedBox } from '@/core/route/planned'

const GROUND = ['bare', 'green', 'green-yellow']
const NEUTRAL: Readonly<Record<string, readonly string[]>> = {
  'north-america-120': ['white', 'grey'],
  'europe-230': ['blue', 'black'],
}

/**
 * What of some planned boxes breaks the colour laws, in words: a neutral on a conductor that is not
 * neutral-coloured, a ground elsewhere than on bare or green, either without being marked again; a pigtail likewise.
 */
export function boxesOfLaw(views: readonly BoxView[], boxes: readonly RoutedBox[]): string[] {
  return boxes.flatMap(routed => {
    const view = views.find(({ box }) => box.id === routed.boxId)!
    const neutrals = NEUTRAL[view.region.id]!
    const ofEnds = view.ends.flatMap(({ end, conductor, name }) => {
      const net = routed.netOfEnd[end.id] ?? null
      const marked = routed.remarks.find(({ endId }) => endId === end.id)?.as ?? conductor.markedAs
      const { insulation } = conductor
      if (GROUND.includes(insulation) !== (net === 'ground') && net !== null)
        return [`${name} (${insulation}) is on ${net}`]
      if (net?.startsWith('neutral:') && !neutrals.includes(marked ?? insulation))
        return [`${name} (${insulation}) is a neutral and is not marked`]
      if (
        net &&
        !net.startsWith('neutral:') &&
        neutrals.includes(insulation) &&
        neutrals.includes(marked ?? insulation)
      )
        return [`${name} (${insulation}) carries ${net} and is not marked`]
      return []
    })
    const ofPigtails = routed.pigtails.flatMap(({ netId, insulation }) =>
      GROUND.includes(insulation) !== (netId === 'ground') ||
      neutrals.includes(insulation) !== netId.startsWith('neutral:')
        ? [`a ${insulation} pigtail is on ${netId}`]
        : [],
    )
    return [...ofEnds, ...ofPigtails]
  })
}
