import type { BoxView, EndView } from '../../job/box-view'
import { rowsWith, type JobRecord } from '../../model/record'
import { isHotRole } from '../../model/roles'
import { deviceNamed } from '../../model/trade'
import type { DefectRule } from './raised'
import { sayIn } from '../../words/say'

/** The old system: hot and neutral both go to a two-place switch, so the lamp’s shell is live at times. */
export const twoSupplyPair: DefectRule = (view, trade) => {
  const say = sayIn(view.region)
  return view.places.flatMap(({ found, group }) => {
    const model = deviceNamed(trade, found?.modelId ?? '')
    const travellers = model?.terminals.filter(terminal => terminal.wants === 'traveller') ?? []
    const roles = travellers.flatMap(({ id }) =>
      endsOnTerminal(view, found!.id, id).map(({ end }) => end.role),
    )
    if (model?.isolates || !roles.some(isHotRole) || !roles.includes('neutral')) return []
    return [
      {
        kind: 'two-supply' as const,
        of: found!.id,
        severity: 'danger' as const,
        what: say`${group.name}: the old system with hot and neutral on one switch; the lamp’s shell is live while it is dark`,
        cure: say`Rewire it: one conductor switched, the return straight to neutral.`,
        parts: [say`Cable of three conductors between the places, where there is none`],
        factId: 'switched-neutral',
      },
    ]
  })
}

/** What sits on a terminal, directly or by a pigtail from a joint. */
export function endsOnTerminal(view: BoxView, deviceId: string, terminalId: string): EndView[] {
  const joints = view.pigtails
    .filter(each => each.deviceId === deviceId && each.terminal === terminalId)
    .map(each => each.jointId)
  return view.ends.filter(
    ({ end }) =>
      (end.deviceId === deviceId && end.terminal === terminalId) ||
      (end.jointId !== null && joints.includes(end.jointId)),
  )
}

/**
 * A return on a contact that opens, itself or by a pigtail of its joint: what is said to be a neutral, or is one metal
 * with one in whatever box. What is one metal with a hot as well is no return, and is told elsewhere.
 */
export const switchedNeutral: DefectRule = (view, trade) => {
  const say = sayIn(view.region)
  return view.places.flatMap(({ found }) => {
    const model = deviceNamed(trade, found?.modelId ?? '')
    // An isolator opens it together with every hot.
    const { from, to } = model?.isolates?.neutral ?? {}
    const opening = (model?.contacts ?? [])
      .flatMap(({ between }) => between)
      .filter(terminal => terminal !== from && terminal !== to)
    return [...new Set(opening)].flatMap(terminal =>
      endsOnTerminal(view, found!.id, terminal)
        .filter(each => isReturn(view.record, each))
        .slice(0, 1)
        .map(({ end, name }) => ({
          kind: 'switched-neutral' as const,
          of: end.id,
          severity: 'danger' as const,
          what:
            end.role === 'neutral'
              ? say`${name}, a neutral, is switched: the lamp is live while it is off`
              : say`${name} is one metal with a neutral, and is switched: the lamp is live while it is off`,
          cure: say`The hot to the switch, the neutral through to the lamp.`,
          parts: [say`Connector`, say`Pigtail`],
          factId: 'switched-neutral',
        })),
    )
  })
}

function isReturn(record: JobRecord, { end }: EndView): boolean {
  if (end.role === 'neutral') return true
  const roles = rolesOfMetal(record, end.conductorId)
  return roles.has('neutral') && ![...roles].some(isHotRole)
}

/** Roles of all that is one metal with a conductor, over its joints in every box. */
function rolesOfMetal(record: JobRecord, conductorId: string): ReadonlySet<EndView['end']['role']> {
  const metal = new Set([conductorId])
  const roles = new Set<EndView['end']['role']>()
  for (const each of metal)
    for (const end of rowsWith(record, 'ends', 'conductorId', each)) {
      roles.add(end.role)
      if (end.jointId !== null)
        for (const mate of rowsWith(record, 'ends', 'jointId', end.jointId)) metal.add(mate.conductorId)
    }
  return roles
}
