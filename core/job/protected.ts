import type { Outlet } from '../model/device'
import { comesIn } from '../model/roles'
import { deviceNamed, type Trade } from '../model/trade'
import type { BoxView, EndView, PlaceView } from './box-view'
import { metalOf } from './metal'

/** A receptacle that stays and protects what hangs on its further terminals. */
export interface Protecting {
  readonly view: BoxView
  readonly place: PlaceView
  readonly protects: NonNullable<Outlet['protects']>
}

/** Receptacles found in some boxes that protect what hangs on them. */
export const protectingIn = (views: readonly BoxView[], trade: Trade): Protecting[] =>
  views.flatMap(view =>
    view.places.flatMap(place => {
      const protects = place.found && deviceNamed(trade, place.found.modelId)?.outlet?.protects
      return protects ? [{ view, place, protects }] : []
    }),
  )

/** What hangs on its further terminals, each as one metal. */
export const hangingOn = ({ view, place, protects }: Protecting): string[] =>
  Object.values(protects).flatMap(terminal => metalsOn(view, place, terminal))

const stays = ({ place: { place, choice } }: Protecting): boolean => !choice && !place.retired

/**
 * Which conductors are, as found, behind a receptacle that protects what hangs on it, and stays: one metal with its
 * further terminals, in its box or over runs in others. What comes from the supply is behind nothing.
 */
export class Behind {
  /** Its places, by metal: `boxId` and what it is one metal with there. */
  readonly #metals = new Map<string, string>()

  constructor(views: readonly BoxView[], trade: Trade) {
    const seen = views.flatMap(view =>
      view.ends.map(each => ({ view, each, metal: keyIn(view, metalOf(view, each)) })),
    )
    for (const one of protectingIn(views, trade).filter(stays)) {
      const open = hangingOn(one)
      for (const metal of open) {
        const members = seen.filter(each => each.metal === metal)
        if (members.some(({ view, each }) => isFromSupply(view, each))) continue
        this.#metals.set(metal, one.place.place.id)
        for (const { each } of members)
          for (const far of seen)
            if (far.each.conductor.id === each.conductor.id && !open.includes(far.metal)) open.push(far.metal)
      }
    }
  }

  /** The place of what protects a conductor; null where nothing does. */
  of(view: BoxView, each: EndView): string | null {
    return this.#metals.get(keyIn(view, metalOf(view, each))) ?? null
  }

  /** The place of what protects the feed of what was found at a place; null where nothing does. */
  ofDevice(view: BoxView, place: PlaceView, trade: Trade): string | null {
    const model = place.found && deviceNamed(trade, place.found.modelId)
    const own = Object.values(model?.outlet?.protects ?? {})
    const metals = (model?.terminals ?? [])
      .filter(({ id }) => !own.includes(id))
      .flatMap(({ id }) => metalsOn(view, place, id))
    return only(metals.flatMap(metal => this.#metals.get(metal) ?? []))
  }
}

/** The one that all are; null where they are of several, or none. */
export const only = (ids: readonly string[]): string | null => (new Set(ids).size === 1 ? ids[0]! : null)

const keyIn = ({ box }: BoxView, metal: string) => `${box.id} ${metal}`

/** What a terminal of what was found at a place is one metal with. */
function metalsOn(view: BoxView, { found }: PlaceView, terminal: string): string[] {
  if (!found) return []
  const isThere = (each: { deviceId: string | null; terminal: string | null }) =>
    each.deviceId === found.id && each.terminal === terminal
  return [
    ...view.ends.filter(({ end }) => isThere(end)).map(each => keyIn(view, metalOf(view, each))),
    ...view.pigtails.filter(isThere).map(({ jointId }) => keyIn(view, jointId)),
  ]
}

/** A hot that comes in, or the neutral beside one. */
function isFromSupply(view: BoxView, { end, cable }: EndView): boolean {
  if (comesIn(end.role)) return true
  return (
    end.role === 'neutral' &&
    cable.farBoxId === null &&
    view.ends.some(other => other.cable.id === cable.id && comesIn(other.end.role))
  )
}
