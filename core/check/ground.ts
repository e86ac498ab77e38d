import type { Breaker } from '../model/entities'
import type { Protection } from '../model/vocabulary'
import { circuitsOf } from '../job/circuits'
import { tiedBoxes } from '../job/tied'
import { newCable } from './cable'
import { line, type Line } from './line'
import { groundIn, type Availability, type Question } from './place'

/** The protective ground of the device itself. */
export function groundLines(question: Question): Line[] {
  const { view, device } = question
  if (!device.terminals.some(terminal => terminal.wants === 'ground')) return []
  const { ground } = view.region.words
  const available: Availability = groundIn(view)
  switch (available.kind) {
    case 'proven':
      return [
        line(
          'ground',
          'fits',
          `The ${ground} is present and continuous: ${available.name}.`,
          'ground-present',
        ),
      ]
    case 'unproven':
    case 'not-recorded':
    case 'not-read':
      return [
        line('ground', 'not-known', `The ${ground} is not shown to be continuous.`, 'ground-present', {
          settledBy: available.settledBy,
        }),
      ]
    case 'none':
      return [groundless(question)]
  }
}

const STANDS_IN: readonly Protection[] = ['ground-fault', 'dual', 'residual-current']

/** The circuit of a light where that is known, else all that feed the box. */
function breakersOf({ view, place }: Question): readonly Breaker[] {
  const whose = circuitsOf(tiedBoxes(view.record, view.box.id)).ofLight(place.group.id)
  const own = whose.kind === 'known' ? view.record.circuits[whose.circuitId] : undefined
  return own ? [own] : view.feeds.map(({ circuit }) => circuit)
}

/**
 * What may still be fitted where no ground is: what replaces something that stood there, behind protection that trips on
 * a leak, or with nothing of metal to touch. What is new there, and what asks for a ground by its sheet, gets one.
 */
function groundless(question: Question): Line {
  const { view, place, device, trade } = question
  const { ground, box, breaker } = view.region.words
  const cable = newCable(question, `a ${ground}`)
  if (device.groundRequired)
    return line(
      'ground',
      'does-not-fit',
      `No ${ground} in this ${box}, and its sheet asks for one.`,
      'ground-present',
      {
        cures: [cable],
      },
    )
  if (place.found === null && view.box.recorded)
    return line(
      'ground',
      'does-not-fit',
      `No ${ground} in this ${box}, and nothing stood here before: only what replaces something may go without.`,
      'no-ground',
      { cures: [cable] },
    )
  const breakers = breakersOf(question)
  if (breakers.length > 0 && breakers.every(({ protection }) => STANDS_IN.includes(protection)))
    return line(
      'ground',
      'fits',
      `No ${ground} in this ${box}; the protection of ${breaker} ${breakers.map(each => each.breaker).join(' and ')} stands in for it, as local code permits.`,
      'no-ground',
    )
  return line('ground', 'fits-if', `No ${ground} in this ${box}.`, 'no-ground', {
    cures: [
      {
        id: 'insulating-plate',
        says: 'Insulating plate and screws, as local code permits.',
        price: trade.prices.plate,
        minutes: trade.minutes.plate,
        here: true,
      },
      {
        id: 'ground-fault',
        says: `A ${breaker} with protection that trips on a leak, as local code permits.`,
        price: trade.prices['protected-breaker'],
        minutes: trade.minutes['protected-breaker'],
        here: false,
      },
      cable,
    ],
  })
}
