import type { EndView } from '../job/box-view'
import { circuitsOf } from '../job/circuits'
import { looksLikeGround } from '../model/regions'
import { isHotRole, isLoadRole } from '../model/roles'
import { isTied, routeAll, withChoices } from '../route'
import { newCable } from './cable'
import { line, type Line } from './line'
import { notAllRecorded, nothingRecorded, settling, type Question } from './place'
import { sayIn } from '../words/say'

/** Whether a hot and the conductor to its light reach the box of a light that is worked from there alone. */
export function reachLines(question: Question): Line[] {
  const say = sayIn(question.view.region)

  const { view, place, device } = question
  if (place.placesInGroup > 1) return []
  const wants = new Set(device.terminals.map(each => each.wants))
  const either = wants.has('common') || wants.has('pass')
  const circuits = circuitsOf([view])
  const loads = view.ends.filter(({ end }) => isLoadRole(end.role))
  const needed = [
    ...(either || (wants.has('line') && !device.isolates)
      ? [{ what: say`hot`, ends: view.ends.filter(({ end }) => isHotRole(end.role)) }]
      : []),
    ...(either || wants.has('load')
      ? [
          {
            what: say`conductor to ${place.group.name}`,
            ends: loads.filter(each => circuits.lightOf({ view, each }) === place.group.id),
          },
        ]
      : []),
  ]
  const pair = (
    [
      ['control-plus', say`control +`],
      ['control-minus', say`control −`],
    ] as const
  ).flatMap(([role, what]) =>
    wants.has(role) ? [{ what, ends: view.ends.filter(({ end }) => end.role === role) }] : [],
  )
  needed.push(...pair)
  const missing = needed.filter(({ ends }) => ends.length === 0)
  if (needed.length === 0) return []
  if (missing.length === 0)
    return [
      line(
        'reach',
        'fits',
        say`Here: ${needed.map(({ what, ends }) => `${what}, ${ends[0]!.name}`).join('; ')}.`,
        'wiring',
      ),
    ]
  const names = missing.map(({ what }) => what).join(say` and no `)
  if (!view.box.recorded && view.ends.length === 0)
    return [unknown(say`Nobody has recorded what is in the box.`, settling(nothingRecorded(say)))]
  const open = view.ends.filter(isOpen(question))
  if (open.length > 0)
    return [
      unknown(
        say`No ${names} is known here so far; ${say.count(open.length, 'one conductor has', '# conductors have')} no role yet.`,
        { settledBy: say`Identify the conductors of this box on Test.`, settledOn: 'test' },
      ),
    ]
  const anybodys = loads.filter(each => circuits.lightOf({ view, each }) === null)
  if (anybodys.length > 0)
    return [
      unknown(
        say`No ${names} is known here: whose ${anybodys.map(({ name }) => name).join(', ')} is, is not said.`,
        { settledBy: say`Say on Test for which light it is.`, settledOn: 'test' },
      ),
    ]
  if (!view.box.recorded)
    return [
      unknown(
        say`No ${names} seen so far, and not all of the box is recorded.`,
        settling(notAllRecorded(view)),
      ),
    ]
  return [brought(question, names, missing.map(({ what }) => say`a ${what}`).join(say` and `))]
}

const unknown = (says: string, settled: Partial<Pick<Line, 'settledBy' | 'settledOn' | 'asked'>>): Line =>
  line('reach', 'not-known', says, 'wiring', settled)

const isOpen =
  ({ view }: Question) =>
  ({ end, conductor }: EndView): boolean =>
    end.role === null && !looksLikeGround(view.region, conductor)

/** What is not here may be brought from the next box, by a conductor that is there. */
function brought(question: Question, names: string, wanted: string): Line {
  const say = sayIn(question.view.region)

  const { view, place, device, trade } = question
  const says = say`No ${names} in this box`
  if (isTied(view)) {
    const routed = routeAll(withChoices(view.record, { [place.place.id]: device.id }), view.box.id, trade)
    if (routed.ok) return line('reach', 'fits', say`${says}; it comes from the next one.`, 'wiring')
  }
  return line('reach', 'does-not-fit', `${says}.`, 'wiring', {
    cures: [newCable(question, wanted)],
  })
}
