import type { EndView } from '../job/box-view'
import { circuitsOf } from '../job/circuits'
import { looksLikeGround } from '../model/regions'
import { isHotRole, isLoadRole } from '../model/roles'
import { isTied, routeAll, withChoices } from '../route'
import { newCable } from './cable'
import { line, type Line } from './line'
import { NOT_ALL_RECORDED, NOTHING_RECORDED, type Question } from './place'

/** Whether a hot and the conductor to its light reach the box of a light that is worked from there alone. */
export function reachLines(question: Question): Line[] {
  const { view, place, device } = question
  if (place.placesInGroup > 1) return []
  const wants = new Set(device.terminals.map(each => each.wants))
  const either = wants.has('common') || wants.has('pass')
  const { hot } = view.region.words
  const circuits = circuitsOf([view])
  const loads = view.ends.filter(({ end }) => isLoadRole(end.role))
  const needed = [
    ...(either || wants.has('line')
      ? [{ what: hot, ends: view.ends.filter(({ end }) => isHotRole(end.role)) }]
      : []),
    ...(either || wants.has('load')
      ? [
          {
            what: `conductor to ${place.group.name}`,
            ends: loads.filter(each => circuits.lightOf({ view, each }) === place.group.id),
          },
        ]
      : []),
  ]
  const missing = needed.filter(({ ends }) => ends.length === 0)
  if (needed.length === 0) return []
  if (missing.length === 0)
    return [
      line(
        'reach',
        'fits',
        `Here: ${needed.map(({ what, ends }) => `${what}, ${ends[0]!.name}`).join('; ')}.`,
        'wiring',
      ),
    ]
  const names = missing.map(({ what }) => what).join(' and no ')
  if (!view.box.recorded && view.ends.length === 0)
    return [unknown('Nobody has recorded what is in the box.', NOTHING_RECORDED.settledBy)]
  const open = view.ends.filter(isOpen(question))
  if (open.length > 0)
    return [
      unknown(
        `No ${names} is known here so far; ${open.length === 1 ? 'one conductor has' : `${open.length} conductors have`} no role yet.`,
        'Identify the conductors of this box on Test.',
      ),
    ]
  const anybodys = loads.filter(each => circuits.lightOf({ view, each }) === null)
  if (anybodys.length > 0)
    return [
      unknown(
        `No ${names} is known here: whose ${anybodys.map(({ name }) => name).join(', ')} is, is not said.`,
        'Say on Test for which light it is.',
      ),
    ]
  if (!view.box.recorded)
    return [
      unknown(`No ${names} seen so far, and not all of the box is recorded.`, NOT_ALL_RECORDED.settledBy),
    ]
  return [brought(question, names)]
}

const unknown = (says: string, settledBy: string): Line =>
  line('reach', 'not-known', says, 'wiring', { settledBy })

const isOpen =
  ({ view }: Question) =>
  ({ end, conductor }: EndView): boolean =>
    end.role === null && !looksLikeGround(view.region, conductor)

/** What is not here may be brought from the next box, by a conductor that is there. */
function brought(question: Question, names: string): Line {
  const { view, place, device, trade } = question
  const says = `No ${names} in this ${view.region.words.box}`
  if (isTied(view)) {
    const routed = routeAll(withChoices(view.record, { [place.place.id]: device.id }), view.box.id, trade)
    if (routed.ok) return line('reach', 'fits', `${says}; it comes from the next one.`, 'wiring')
  }
  return line('reach', 'does-not-fit', `${says}.`, 'wiring', {
    cures: [newCable(question, `a ${names.replace(' and no ', ' and a ')}`)],
  })
}
