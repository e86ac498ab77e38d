import { isLowVoltage } from '../job/box-view'
import { isOfPair } from '../job/low-voltage'
import { isForPair } from '../model/make-up'
import { sayIn } from '../words/say'
import { line, type Line } from './line'
import type { Question } from './place'

/** Low voltage is kept from mains: by a partition in the box, or made as mains where the device's sheet allows it. */
export function separationLines({ view, device, trade }: Question): Line[] {
  const say = sayIn(view.region)
  const pair = view.ends.filter(isOfPair)
  if (pair.length === 0 && !device.terminals.some(isForPair)) return []
  const low = pair.filter(isLowVoltage)
  const partition = {
    id: 'partition',
    says: say`Fit a partition in the box, the pair on its own side.`,
    price: trade.prices.partition,
    minutes: trade.minutes.partition,
    here: true,
  }
  const { divided } = view.box
  if (low.length > 0) {
    const names = [...new Set(low.map(({ cable }) => cable.name))].join(', ')
    switch (divided) {
      case 'yes':
        return [
          line('separation', 'fits', say`A partition parts cable ${names} from mains.`, 'class-separation'),
        ]
      case 'no':
        return [
          line(
            'separation',
            'fits-if',
            say`Cable ${names} carries low voltage, and nothing in the box parts it from mains.`,
            'class-separation',
            { cures: [partition] },
          ),
        ]
      case 'not-known':
        return [
          line(
            'separation',
            'not-known',
            say`Whether a partition parts cable ${names} from mains in this box is not said.`,
            'class-separation',
            {
              settledBy: say`Look for a partition, and say so on Look.`,
              asked: [{ fact: 'divided', boxId: view.box.id }],
            },
          ),
        ]
    }
  }
  if (pair.length > 0 && device.terminals.some(isForPair))
    return [
      device.pairAsMains
        ? line(
            'separation',
            'fits',
            say`The pair comes in conductors insulated for mains, as its sheet allows.`,
            'class-separation',
          )
        : line(
            'separation',
            'does-not-fit',
            say`The pair comes in a cable of the mains, and its sheet does not allow that.`,
            'class-separation',
          ),
    ]
  return []
}
