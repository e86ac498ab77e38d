import { deviceNamed } from '../model/trade'
import { willStand } from '../job/box-view'
import { whichControl } from '../job/place-name'
import { sayIn } from '../words/say'
import { line, type Cure, type Line } from './line'
import type { Question } from './place'

/**
 * Several controls in one opening share a strap or a plate, and each is a part made for it; what takes an opening for
 * itself shares none.
 */
export function sharedGangLines({ view, place, device, trade }: Question): Line[] {
  const say = sayIn(view.region)
  const { record, box } = view
  const { gang, id } = place.place
  const beside = view.places.filter(
    each => each.place.gang === gang && each.place.id !== id && !each.place.retired,
  )
  const own = device.part
  if (beside.length === 0)
    return own ? [line('shared-gang', 'fits', say`It has its strap or plate for itself.`, 'shared-gang')] : []
  const wider: Cure = {
    id: 'wider-box',
    says: say`Take a box of ${box.gangs + beside.length} gangs.`,
    price: trade.prices['wider-box'],
    minutes: trade.minutes['wider-box'],
    here: false,
  }
  const over = (says: string) => line('shared-gang', 'does-not-fit', says, 'shared-gang', { cures: [wider] })
  if (!own)
    return [
      over(
        say.count(
          beside.length,
          'It takes an opening for itself, and another control shares this one.',
          'It takes an opening for itself, and # others share this one.',
        ),
      ),
    ]
  if (beside.length + 1 > own.most)
    return [over(say`Its strap or plate takes ${own.most}, and ${beside.length + 1} controls are here.`)]
  for (const each of beside) {
    const model = deviceNamed(trade, willStand(each) ?? '')
    if (model?.part?.of === own.of) continue
    const which = whichControl(record, each.place)
    if (each.choice && model)
      return [over(say`${model.name}, chosen for ${which}, is made for another strap or plate.`)]
    return [
      line(
        'shared-gang',
        'not-known',
        say`It shares its strap or plate with ${which}, for which none of the same kind is chosen yet.`,
        'shared-gang',
        { settledBy: say`Choose one of the same kind for ${which} too.` },
      ),
    ]
  }
  return [
    line(
      'shared-gang',
      'fits',
      say`${beside.length + 1} of ${own.most} share its strap or plate.`,
      'shared-gang',
    ),
  ]
}
