import { groundless } from '../job/groundless'
import { newCable } from './cable'
import { line, type Cure, type Line } from './line'
import { groundIn, settling, type Availability, type Question } from './place'
import { sayIn } from '../words/say'

/** The protective ground of the device itself. */
export function groundLines(question: Question): Line[] {
  const say = sayIn(question.view.region)

  const { view, device } = question
  if (!device.terminals.some(terminal => terminal.wants === 'ground')) return []
  const available: Availability = groundIn(view)
  switch (available.kind) {
    case 'proven':
      return [
        line(
          'ground',
          'fits',
          say`The ground is present and continuous: ${available.name}.`,
          'ground-present',
        ),
      ]
    case 'unproven':
    case 'not-recorded':
    case 'not-read':
      return [
        line('ground', 'not-known', say`The ground is not shown to be continuous.`, 'ground-present', {
          ...settling(available),
        }),
      ]
    case 'none':
      return [groundlessLine(question, newCable(question, say`a ground`))]
  }
}

/** What may still be fitted where no ground is, and what it takes. */
function groundlessLine({ view, place, device, trade }: Question, cable: Cure): Line {
  const say = sayIn(view.region)

  const may = groundless(view, place, device)
  switch (may.kind) {
    case 'sheet-asks':
      return line(
        'ground',
        'does-not-fit',
        say`No ground in this box, and its sheet asks for one.`,
        'ground-present',
        { cures: [cable] },
      )
    case 'nothing-stood-here':
      return line(
        'ground',
        'does-not-fit',
        say`No ground in this box, and nothing stood here before: only what replaces something may go without.`,
        'no-ground',
        { cures: [cable] },
      )
    case 'protected':
      return line(
        'ground',
        'fits',
        say`No ground in this box; the protection of breaker ${may.by.map(each => each.breaker).join(say` and `)} stands in for it, as local code permits.`,
        'no-ground',
      )
    case 'insulating-plate':
      return line('ground', 'fits-if', say`No ground in this box.`, 'no-ground', {
        cures: [
          {
            id: 'insulating-plate',
            says: say`Insulating plate and screws, as local code permits.`,
            price: trade.prices.plate,
            minutes: trade.minutes.plate,
            here: true,
          },
          {
            id: 'ground-fault',
            says: say`A breaker with protection that trips on a leak, as local code permits.`,
            price: trade.prices['protected-breaker'],
            minutes: trade.minutes['protected-breaker'],
            here: false,
          },
          cable,
        ],
      })
  }
}
