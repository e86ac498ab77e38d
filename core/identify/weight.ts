import type { Role } from '../model/vocabulary'
import type { Frame } from './frame'
import type { Hypothesis } from './hypothesis'

/** How much less usual a circuit is for each colour that lies, and each cable that goes elsewhere than it was taken to. */
const LYING_COLOUR = 0.15
const OTHER_WAY = 0.1
/** A neutral on a switch is a fault: a white there is a hot until it is shown to be otherwise. */
const NEUTRAL_ON_A_SWITCH = 0.02

/** How usual a circuit is. Colours and where cables seem to go only weigh: never 0. */
export function weightOf(frame: Frame, hypothesis: Hypothesis, roles: readonly Role[]): number {
  const { hints } = frame.survey
  let weight = 1
  frame.ends.forEach((end, at) => {
    if (end.ground) return
    const hinted = hints[end.insulation]
    if (!end.faded && (hinted === 'neutral') !== (roles[at] === 'neutral') && roles[at] !== 'spare')
      weight *= LYING_COLOUR
    if (roles[at] === 'neutral' && end.seat.kind === 'terminal') weight *= NEUTRAL_ON_A_SWITCH
    if (end.other < 0 && hypothesis.beyond[end.index]! < frame.ends.length) {
      const other = hypothesis.beyond[end.index]!
      const twin = other >= 0 ? frame.ends[other]! : null
      if (twin && !twin.faded && !end.faded && twin.insulation !== end.insulation) weight *= LYING_COLOUR
    }
  })
  frame.survey.cables.forEach(({ far }, at) => {
    const goes = leadsTo(frame, hypothesis, at)
    if (far !== 'not-known' && far !== 'elsewhere' && far !== goes) weight *= OTHER_WAY
  })
  return weight
}

function leadsTo({ cables, ends, nodes }: Frame, { beyond, lamps }: Hypothesis, cable: number): string {
  const own = cables[cable]!.ends
  const to = own.map(end => beyond[end]!)
  const isLamp = (node: number) =>
    node !== nodes.neutral && lamps.some(({ over, back }) => over === node || back === node)
  if (own.some(isLamp) || to.some(isLamp)) return 'luminaire'
  if (to.some(node => node >= 0 && node < ends.length)) return 'box'
  if (cables[cable]!.ends.some(end => beyond.includes(end))) return 'box'
  return to.some(node => nodes.hot.includes(node)) ? 'panel' : 'elsewhere'
}
