import { canStayBefore } from '../job/kept-switch'
import { isTwoPlace } from '../model/make-up'
import { deviceNamed, devicesFor } from '../model/trade'
import { sayIn } from '../words/say'
import { line, type Line } from './line'
import type { Question } from './place'

/** What stands behind a switch needs that switch: it stays, by itself, in the opening. */
export function keptSwitchLines({ view, place, device, trade }: Question): Line[] {
  const say = sayIn(view.region)
  if (!device.behind) return []
  const old = deviceNamed(trade, place.found?.modelId ?? '')
  if (!old)
    return [
      line('kept-switch', 'not-known', say`What stands there now is not recorded.`, 'kept-switch', {
        settledBy: say`Record on Look what stands there now.`,
      }),
    ]
  if (canStayBefore(old) && !isTwoPlace(old))
    return [line('kept-switch', 'fits', say`${old.name} stays before it.`, 'kept-switch')]
  if (canStayBefore(old) && place.workingInGroup === 1)
    return [
      line(
        'kept-switch',
        'fits',
        say`${old.name} stays before it, by its common and one traveler.`,
        'kept-switch',
      ),
    ]
  const [plain] = devicesFor(trade, view.region.id, 'new')
    .filter(each => canStayBefore(each) && !isTwoPlace(each))
    .sort((a, b) => a.price - b.price || (a.id < b.id ? -1 : 1))
  return [
    line('kept-switch', 'does-not-fit', say`${old.name} cannot stay before it.`, 'kept-switch', {
      cures: plain
        ? [
            {
              id: 'plain-switch-before',
              says: say`Take ${plain.name} beside it, and put that in first.`,
              price: plain.price,
              minutes: plain.minutes,
              here: false,
            },
          ]
        : [],
    }),
  ]
}
