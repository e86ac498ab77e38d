import { theControl } from '../job/place-name'
import { houseRule } from '../model/house-rules'
import { type BoxView } from '../job/box-view'
import { smallPart } from '../model/small-part'
import type { Trade } from '../model/trade'
import { RUNS_THROUGH } from '../model/vocabulary'
import { isOneConductor, kindOfNet, type Pigtail, type RoutedBox } from '../route'
import { tailsOf } from './aluminium'
import { step, type Draft } from './step'
import { sayIn, later } from '../words/say'
import { INSULATION_WORDS } from '../words/of-vocabulary'
import { lengthWords, measuresOf } from '../model/measures'

/** One joint of the plan as a step. */
export function jointDraft(
  view: BoxView,
  routed: RoutedBox,
  jointId: string,
  nameOf: (endId: string) => string,
  trade: Trade,
): Draft {
  const say = sayIn(view.region)

  const joint = routed.joints.find(each => each.id === jointId)!
  const pigtails = routed.pigtails.filter(each => joint.pigtailIds.includes(each.id))
  // What bonds the box already stays on its screw.
  const bonded = view.box.bonded === 'yes' || view.pigtails.some(({ deviceId }) => deviceId === null)
  const cut = pigtails.filter(({ to }) => to !== 'box' || !bonded)
  const leads = joint.leads.map(lead => leadWord(view, routed, lead))
  const tails = tailsOf(view.ends, joint.endIds, leads.length > 0, trade, say)
  const members = [
    ...joint.endIds.map(tails.nameOf),
    ...leads,
    ...pigtails.map(
      each => say`a ${say(INSULATION_WORDS[each.insulation])} pigtail ${pigtailGoal(view, routed, each.to)}`,
    ),
  ]
  if (isOneConductor(joint) && kindOfNet(joint.netId) === 'own') {
    const [one, other] = pigtails
    return step(
      { kind: 'joint', netId: joint.netId },
      'touch',
      say`One ${say(INSULATION_WORDS[one!.insulation])} conductor of ${one!.gauge} from ${goalWord(view, routed, one!.to)} ${pigtailGoal(view, routed, other!.to)}`,
      say`It tells the one what the other does, and goes nowhere else; no connector.`,
      trade.minutes.termination * 2,
      [smallPart('pigtail', later`pigtail, ${one!.insulation} ${one!.gauge}`, one!.millimetres)],
    )
  }
  if (isOneConductor(joint)) {
    const [only] = pigtails.filter(({ to }) => to !== 'box')
    return step(
      { kind: 'joint', netId: joint.netId },
      'touch',
      say`One ${say(INSULATION_WORDS[only!.insulation])} conductor of ${only!.gauge} from the box’s bonding screw ${pigtailGoal(view, routed, only!.to)}`,
      say`The metal of the box brings it; no connector.`,
      trade.minutes.termination * 2,
      [
        smallPart('pigtail', later`pigtail, ${only!.insulation} ${only!.gauge}`, only!.millimetres),
        ...(bonded ? [] : [smallPart('screw', later`bonding screw, ${view.region.screws.bonding}`)]),
      ],
    )
  }
  const pieces = tails.holder === null ? joint.connectors : []
  // Thicker than any in the table: the electrician takes one that is listed for it.
  const connectors =
    pieces.length > 0
      ? pieces.map(({ words }) => words)
      : [tails.holder ?? say`a connector listed for these gauges`]
  const lever = pieces[0]?.kind === 'lever'
  const strip = pieces[0]?.stripMillimetres
  const byArea = pieces.some(({ by }) => by === 'area')
  const habit = tails.holder === null ? jointHabit(view, lever, leads.length > 0) : say`Tug each.`
  return step(
    { kind: 'joint', netId: joint.netId },
    'touch',
    say`Join ${routed.nets[joint.netId]}: ${members.join(', ')} in ${connectors.join(say` linked to `)}${strip ? say`, each stripped ${lengthWords(measuresOf(view.record), strip)}` : ''}${tails.says}`,
    `${cutFirst(view, joint.endIds)}${tails.why}${habit}${byArea ? say` Chosen by copper area: see the connector’s own table.` : ''}`,
    (tails.holder === null ? trade.minutes[lever ? 'lever-joint' : 'twist-joint'] * connectors.length : 0) +
      cut.length * trade.minutes['cut-pigtail'] +
      tails.minutes,
    [
      ...tails.parts,
      ...(tails.holder === null ? connectors.map(words => smallPart('connector', words)) : []),
      ...cut.map(each =>
        smallPart('pigtail', later`pigtail, ${each.insulation} ${each.gauge}`, each.millimetres),
      ),
      ...cut
        .filter(({ to }) => to === 'box')
        .map(() => smallPart('screw', later`bonding screw, ${view.region.screws.bonding}`)),
    ],
  )
}

/** How wires lie in a joint, by its kind and the house rule. */
function jointHabit(view: BoxView, lever: boolean, hasLeads: boolean): string {
  const say = sayIn(view.region)

  if (lever)
    return hasLeads ? say`One wire a slot, stranded leads too; tug each.` : say`One wire a slot; tug each.`
  const twist = houseRule(view.record, 'pre-twist')
  const first = twist === 'yes' || (twist === 'stranded' && hasLeads) ? say`Twist them together first. ` : ''
  return say`${first}Solid ones side by side${hasLeads ? say`, the stranded lead slightly ahead` : ''}; no copper shows; tug each.`
}

/** Said where a conductor that runs through unbroken is to end here. */
export function cutFirst(view: BoxView, endIds: readonly string[]): string {
  const say = sayIn(view.region)

  const { freeMillimetres: free } = view.region
  const through = view.joints.filter(({ connector }) => RUNS_THROUGH.includes(connector))
  const own = through.filter(({ id }) =>
    view.ends.some(({ end }) => end.jointId === id && endIds.includes(end.id)),
  )
  if (own.length === 0) return ''
  const where = own.every(({ connector }) => connector === 'looped')
    ? say`in the middle of its loop`
    : say`only if ${free === null ? say`enough stays` : say`${lengthWords(measuresOf(view.record), free)} stay`} free on each side of the cut; else leave it, and ask for another plan`
  return say`It runs through unbroken: cut it first, ${where}. `
}

function leadWord(
  { region, record }: BoxView,
  routed: RoutedBox,
  lead: { placeId: string; terminalId: string },
): string {
  const device = routed.devices.find(each => each.placeId === lead.placeId)
  const word = device?.model.terminals.find(each => each.id === lead.terminalId)?.word ?? lead.terminalId
  return routed.devices.length > 1
    ? sayIn(region)`“${word}” of ${theControl(record, record.places[lead.placeId]!)}`
    : `“${word}”`
}

const goalWord = (view: BoxView, routed: RoutedBox, to: Pigtail['to']): string =>
  to === 'box' ? sayIn(view.region)`the box’s bonding screw` : leadWord(view, routed, to)

function pigtailGoal(
  view: BoxView,
  routed: RoutedBox,
  to: { placeId: string; terminalId: string } | 'box',
): string {
  const say = sayIn(view.region)

  return to === 'box' ? say`to the box’s bonding screw` : say`to ${leadWord(view, routed, to)}`
}
