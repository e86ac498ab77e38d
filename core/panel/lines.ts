import type { BoxView, EndView } from '../job/box-view'
import { metalOf } from '../job/metal'
import type { Breaker } from '../model/entities'
import { comesIn, isHotRole } from '../model/roles'

/** A hot that comes into a box, with all that is one metal with it here and the neutrals that belong to it. */
export interface Line {
  /** The conductor that a meter is left at. */
  readonly end: EndView
  readonly hots: readonly EndView[]
  readonly neutrals: readonly EndView[]
  /** What it was found to be fed by; null where no reading says so yet. */
  readonly circuit: Breaker | null
}

/** The lines of a box, one of each metal: where there are two, each is fed by a breaker of its own. */
export function linesIn(view: BoxView): Line[] {
  const metals = new Map<string, EndView[]>()
  for (const each of view.ends)
    if (isHotRole(each.end.role)) {
      const metal = metalOf(view, each)
      metals.set(metal, [...(metals.get(metal) ?? []), each])
    }
  const groups = [...metals.values()].filter(hots => hots.some(({ end }) => comesIn(end.role)))
  return groups.map((hots): Line => {
    const end = hots.find(each => comesIn(each.end.role))!
    const circuitId = hots.map(each => each.end.roleCircuitId).find(id => id !== null)
    return {
      end,
      hots,
      neutrals: neutralsOf(view, hots, groups),
      circuit: (circuitId && view.record.circuits[circuitId]) || null,
    }
  })
}

/** Lines of a box of several that no reading gave a breaker yet. */
export function linesToTell(view: BoxView): Line[] {
  const lines = linesIn(view)
  return lines.length > 1 ? lines.filter(({ circuit }) => circuit === null) : []
}

/** Neutrals of its cables, and what is joined with them; not where a joint holds those of another line too. */
function neutralsOf(view: BoxView, own: readonly EndView[], all: readonly EndView[][]): EndView[] {
  const neutrals = view.ends.filter(({ end }) => end.role === 'neutral')
  const inCablesOf = (hots: readonly EndView[]) => {
    const cables = new Set(hots.map(({ cable }) => cable.id))
    return neutrals.filter(({ cable }) => cables.has(cable.id))
  }
  const jointsOf = (ends: readonly EndView[]) => new Set(ends.map(each => metalOf(view, each)))
  const others = jointsOf(all.filter(hots => hots !== own).flatMap(inCablesOf))
  const joints = jointsOf(inCablesOf(own))
  return neutrals.filter(each => {
    const metal = metalOf(view, each)
    return joints.has(metal) && !others.has(metal)
  })
}
