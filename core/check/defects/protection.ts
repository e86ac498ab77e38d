import { circuitsOf } from '../../job/circuits'
import { Behind, protectingIn } from '../../job/protected'
import { tiedBoxes } from '../../job/tied'
import { isHotRole } from '../../model/roles'
import { deviceNamed } from '../../model/trade'
import { sayIn } from '../../words/say'
import type { DefectRule } from './raised'
import { endsOnTerminal } from './switched'

/** A light that goes out from behind a protection and comes back before it, or the other way round. */
export const pastProtection: DefectRule = (view, trade) => {
  const views = tiedBoxes(view.record, view.box.id)
  if (protectingIn(views, trade).length === 0) return []
  const say = sayIn(view.region)
  const circuits = circuitsOf(views)
  const behind = new Behind(views, trade)
  return view.places.flatMap(place => {
    const { found, group } = place
    const isFed = (deviceNamed(trade, found?.modelId ?? '')?.terminals ?? []).some(({ id }) =>
      endsOnTerminal(view, found!.id, id).some(({ end }) => isHotRole(end.role)),
    )
    const out = behind.ofDevice(view, place, trade)
    // Which hot feeds it is not known: nothing is said.
    if (!found || (out === null && !isFed)) return []
    return circuits.besideLoads(group.id).flatMap(({ view: there, each }) => {
      if (each.end.role !== 'neutral') return []
      const home = behind.of(there, each)
      const past = home ?? out
      if (home === out || past === null) return []
      const protection = view.record.groups[view.record.places[past]!.groupId]!.name
      return [
        {
          kind: 'past-protection' as const,
          of: each.end.id,
          severity: 'defect' as const,
          what:
            home === null
              ? say`${group.name} goes out behind the protection of ${protection}, and ${each.name} comes back before it: it trips when it is switched on`
              : say`${group.name} goes out before the protection of ${protection}, and ${each.name} comes back behind it: it trips when it is switched on`,
          cure: say`Hot and neutral of a light on the same side of its protection.`,
          parts: [say`Connector`, say`Pigtail`],
          factId: 'past-protection',
        },
      ]
    })
  })
}
