import { houseRule } from '../model/house-rules'
import type { BoxView } from '../job/box-view'
import { circuitsOf } from '../job/circuits'
import { cablesBeyond, leavingEnds } from '../job/isolated'
import { tiedBoxes } from '../job/tied'
import type { TerminalWants } from '../model/device'
import { SIDE_OF } from '../model/roles'
import type { Role } from '../model/vocabulary'
import type { Trade } from '../model/trade'
import { figure } from '../model/units'
import {
  gaugeWords,
  guardedIn,
  isSurelyOver,
  largestOf,
  mostAmpsOf,
  thinTails,
  type Guarded,
} from './breaker-of'
import { against, line, type Line } from './line'
import type { Question } from './place'
import { remembered } from './remembered'
import { sayIn } from '../words/say'

/** Volts, places and region the device was made for. */
export function regionLines({ device, view, place }: Question): Line[] {
  const say = sayIn(view.region)

  const lines: Line[] = []
  const { least, most } = device.places
  if (!device.regions.includes(view.region.id))
    lines.push(line('region', 'does-not-fit', say`It is not made for ${view.region.name}.`, 'region'))
  lines.push(...isolatorLines({ device, place, view }))
  if (place.workingInGroup < least || place.workingInGroup > most)
    lines.push(
      line(
        'places',
        'does-not-fit',
        say`${say.count(place.workingInGroup, '# place controls', '# places control')} this light; it works with ${least === most ? least : say`${least} to ${most}`}.`,
        'places',
      ),
    )
  else if (place.workingInGroup > 1)
    lines.push(
      line(
        'places',
        'not-known',
        say`${place.workingInGroup} places control this light; what stands here depends on what stands there.`,
        'places',
        { settledBy: say`Settle the whole light at once: its boxes and the conductors between them.` },
      ),
    )
  return lines
}

/** Only an isolator isolates, and it does nothing else; which cable leads on from it has to be known. */
function isolatorLines({ device, view, place }: Omit<Question, 'trade'>): Line[] {
  const say = sayIn(view.region)
  const names = place.loads.map(({ name }) => name).join(say` and `)
  if (!device.isolates)
    return place.isolates
      ? [
          line(
            'isolates',
            'does-not-fit',
            say`It does not part ${names} from every pole at once.`,
            'isolated',
          ),
        ]
      : []
  if (!place.isolates)
    return [
      line(
        'isolates',
        'does-not-fit',
        say`It works no light: it parts a fan from every pole, beside the switch that works it.`,
        'isolated',
      ),
    ]
  const views = tiedBoxes(view.record, view.box.id)
  const isKnown = cablesBeyond({ view, place }, circuitsOf(views), leavingEnds(views)).length > 0
  return [
    isKnown
      ? line('isolates', 'fits', say`It parts ${names} from every pole at once.`, 'isolated')
      : line(
          'isolates',
          'not-known',
          say`Which cable leads on from here to ${names} is not known.`,
          'isolated',
          { settledBy: say`See which cable leads to it, and say so in Look.` },
        ),
  ]
}

const WANTED_BY: Readonly<Record<TerminalWants, readonly Role[]>> = {
  line: ['line', 'loop-feed'],
  load: ['switched-load', 'loop-return'],
  neutral: ['neutral'],
  ground: ['ground'],
  common: ['line', 'switched-load', 'loop-feed', 'loop-return'],
  traveller: ['traveller'],
  pass: ['line', 'loop-feed', 'switched-load', 'loop-return', 'traveller'],
  signal: ['traveller', 'spare'],
  beyond: ['switched-load', 'loop-return', 'neutral', 'onward-feed'],
  own: [],
  'control-plus': ['control-plus'],
  'control-minus': ['control-minus'],
}

/** Whether each terminal takes the gauge and stranding of the conductor that would go on it. */
export function terminationLines(question: Question): Line[] {
  const say = sayIn(question.view.region)

  const { device, view, trade } = question
  const lines: Line[] = []
  for (const terminal of device.terminals) {
    if (terminal.joins === 'lead') continue
    const ends = view.ends.filter(
      each => each.end.role !== null && WANTED_BY[terminal.wants].includes(each.end.role),
    )
    const refusedEnd = ends.find(
      ({ conductor }) =>
        !terminal.gauges.includes(conductor.gauge) || !terminal.strandings.includes(conductor.stranding),
    )
    if (refusedEnd) {
      const { gauge, stranding } = refusedEnd.conductor
      const named = say`“${terminal.word}” does not take ${stranding} ${gauge}`
      lines.push(
        line('termination', 'fits-if', `${named} (${refusedEnd.name}).`, 'termination', {
          cures: [
            {
              id: 'pigtail',
              says: say`Join a pigtail of solid ${terminal.gauges[0]} in a connector.`,
              price: trade.prices.pigtail,
              minutes: trade.minutes.pigtail,
              here: true,
            },
          ],
        }),
      )
    }
  }
  if (device.terminals.some(terminal => terminal.joins === 'push-in') && pushInOff(question))
    lines.push(
      line(
        'termination',
        'fits-if',
        say`It has push-in terminals only, which the house rule does not allow.`,
        'termination',
        {
          cures: [
            {
              id: 'house-rule',
              says: say`Allow push-in terminals in the house rules.`,
              price: 0,
              minutes: trade.minutes['house-rule'],
              here: true,
            },
          ],
        },
      ),
    )
  const held = device.terminals.filter(({ joins, wants }) => joins !== 'lead' && wants !== 'ground')
  if (held.length > 0 && held.every(({ joins }) => joins === 'clamp') && clampOff(question))
    lines.push(
      line(
        'termination',
        'fits-if',
        say`It has back clamps only, which the house rule does not allow.`,
        'termination',
        {
          cures: [
            {
              id: 'house-rule-clamp',
              says: say`Allow back clamps in the house rules.`,
              price: 0,
              minutes: trade.minutes['house-rule'],
              here: true,
            },
          ],
        },
      ),
    )
  lines.push(...aluminiumLines(question))
  if (lines.length === 0)
    lines.push(line('termination', 'fits', say`Every terminal takes its conductor.`, 'termination'))
  return lines
}

const clampOff = (question: Question) =>
  question.view.region.fillBy === 'volume' && houseRule(question.view.record, 'back-clamp') === 'no'

const pushInOff = (question: Question) => houseRule(question.view.record, 'push-in') === 'no'

function aluminiumLines({ view, trade }: Question): Line[] {
  const say = sayIn(view.region)

  const found = view.ends.find(each => each.conductor.metal === 'aluminium')
  if (!found) return []
  return [
    line(
      'aluminium',
      'fits-if',
      say`${found.name} is aluminum; no terminal here is marked for it.`,
      'aluminium',
      {
        cures: [
          {
            id: 'listed-connector',
            says: say`Copper pigtails in connectors listed for aluminum.`,
            price: trade.prices['listed-connector'],
            minutes: trade.minutes['listed-connector'],
            here: true,
          },
        ],
      },
    ),
  ]
}

/** The smallest conductor that carries the circuit’s current against its breaker. */
export const conductorLines = remembered(
  ({ view }: Question) => view,
  ({ view, trade }): Line[] => [
    ...conductorLinesOf(view, trade),
    ...noFigureLines(view, trade),
    ...tailLines(view, trade),
  ],
)

/** Aluminium of a gauge that the table has no figure for: copper’s is none for it. */
function noFigureLines(view: BoxView, trade: Trade): Line[] {
  const say = sayIn(view.region)

  const each = view.ends.find(
    ({ conductor }) => conductor.metal === 'aluminium' && mostAmpsOf(conductor, trade) === null,
  )
  if (!each) return []
  return [
    line(
      'conductor-breaker',
      'not-known',
      say`${each.name} is ${gaugeWords(say, each.conductor)}; no figure here says what breaker it may be on.`,
      'conductor-breaker',
      { settledBy: say`The local table for aluminum, and what is printed on its sheath.` },
    ),
  ]
}

/** Pigtails that are too thin are renewed with the work. */
function tailLines(view: BoxView, trade: Trade): Line[] {
  const say = sayIn(view.region)

  return thinTails(view, trade).map(({ gauge, guarded }) => {
    const { mostAmps, each } = guarded
    const { ratedAmps } = largestOf(guarded)
    return line(
      'pigtail-gauge',
      'fits-if',
      say`A pigtail from the joint of ${each.name} is ${gauge} on a breaker of ${figure(ratedAmps)} A.`,
      'conductor-breaker',
      {
        ...against(ratedAmps, mostAmps, 'A'),
        spare: null,
        cures: [
          {
            id: 'pigtail-gauge',
            says: say`Renew the pigtail in ${each.conductor.gauge}.`,
            price: trade.prices.pigtail,
            minutes: trade.minutes.pigtail,
            here: true,
          },
        ],
      },
    )
  })
}

function conductorLinesOf(view: BoxView, trade: Trade): Line[] {
  const say = sayIn(view.region)

  const all = guardedIn(view, trade)
  const carrying = all.filter(
    ({ each: { end } }) =>
      end.role !== null && SIDE_OF[end.role] !== 'ground' && SIDE_OF[end.role] !== 'apart',
  )
  const over = (each: Guarded) => largestOf(each).ratedAmps / each.mostAmps
  const judged = carrying.length > 0 ? carrying : all
  const [first, ...others] = [...judged.filter(isSurelyOver), ...judged.filter(each => !isSurelyOver(each))]
  if (!first) return []
  const worst = isSurelyOver(first)
    ? first
    : others.reduce((so, each) => (over(each) > over(so) ? each : so), first)
  const { mostAmps, each } = worst
  const { ratedAmps: rated } = largestOf(worst)
  const figures = against(rated, mostAmps, 'A')
  if (rated > mostAmps && !isSurelyOver(worst))
    return [
      line(
        'conductor-breaker',
        'not-known',
        say`${each.name} is ${gaugeWords(say, each.conductor)} (at most ${figure(mostAmps)} A); which breaker of ${worst.breakers.map(({ breaker: name, ratedAmps }) => say`${name} with ${figure(ratedAmps)} A`).join(', ')} it is on is not said.`,
        'conductor-breaker',
        { settledBy: say`Say which breaker ${each.name} belongs to, or hunt for it.` },
      ),
    ]
  const isOver = rated > mostAmps
  return [
    line(
      'conductor-breaker',
      isOver ? 'does-not-fit' : 'fits',
      say`${figure(rated)} A breaker on ${gaugeWords(say, each.conductor)} (at most ${figure(mostAmps)} A).`,
      'conductor-breaker',
      {
        ...figures,
        cures: isOver
          ? [
              {
                id: 'smaller-breaker',
                says: say`A breaker of ${figure(mostAmps)} A.`,
                price: trade.prices['breaker-change'],
                minutes: trade.minutes['breaker-change'],
                here: false,
              },
            ]
          : [],
      },
    ),
  ]
}
