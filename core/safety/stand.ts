import { boxView, type BoxView } from '../job/box-view'
import { offsOf } from '../job/power-said'
import { tiedBoxes } from '../job/tied'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
import { moves } from '../model/step-name'
import { sharersOf } from '../model/ties'
import { APART, isApart, toReadParted } from './apart'
import { isolationOf } from './isolation'
import { knewAll } from '../model/placed'
import { sayIn } from '../words/say'
import { sayFor } from '../model/say-for'

/**
 * Ticks of a box that is apart while the power comes on: each conductor in a cap of its own, with an opening for a probe,
 * and the box covered; or somebody who reads stands at it until it is off again.
 */
export const MADE_SAFE = 'test:made-safe'
export const ATTENDED = 'test:attended'

/** How a box stands for who switches on what may feed it. */
export type Stand = 'closed' | 'bare' | 'safe' | 'attended'

export function standOf(view: BoxView): Stand {
  if (!isApart(view)) return 'closed'
  const ticks = rowsWith(view.record, 'steps', 'boxId', view.box.id)
  const of = (is: (stepKey: string) => boolean) => ticks.filter(({ stepKey }) => is(stepKey))
  const apart = of(key => key === APART)
  // Who works in it takes the caps off.
  const moved = [...apart, ...of(moves)]
  if (of(key => key === MADE_SAFE).some(tick => knewAll(tick, moved))) return 'safe'
  // Who stood there until the power went off may have left.
  const left = [...apart, ...offsOf(view).filter(({ struck }) => struck === null)]
  return of(key => key === ATTENDED).some(tick => knewAll(tick, left)) ? 'attended' : 'bare'
}

/** Whether a breaker, or the main switch (null), may bring a hot into a box: by its feeds or those of what it hangs with. */
export function mayFeed(view: BoxView, circuitId: string | null): boolean {
  const feeding = tiedBoxes(view.record, view.box.id).flatMap(({ feeds, record }) =>
    feeds.flatMap(({ circuit }) => [circuit, ...sharersOf(record, circuit)]),
  )
  return circuitId === null || feeding.length === 0 || feeding.some(({ id }) => id === circuitId)
}

/** Boxes that are apart behind a breaker, or the main switch (null). */
export function apartBehind(record: JobRecord, circuitId: string | null): BoxView[] {
  return rowsOf(record, 'boxes').flatMap(({ id }) => {
    if (!isApart({ record, box: record.boxes[id]! })) return []
    const view = boxView(record, id)
    return view && mayFeed(view, circuitId) ? [view] : []
  })
}

/**
 * People who may stand at a box while somebody else switches: those of the crew who may read live, but one where nobody
 * else is there to go to the panel. Where nobody is named: one, and another at the panel.
 */
export function mayAttend(record: JobRecord): number {
  const crew = rowsOf(record, 'crew')
  if (crew.length === 0) return 1
  const readers = crew.filter(({ atPanel, readsLive }) => readsLive && !atPanel).length
  return Math.min(readers, crew.length - 1)
}

/** Boxes that somebody stands at. */
const attendedIn = (record: JobRecord): BoxView[] =>
  apartBehind(record, null).filter(view => standOf(view) === 'attended')

/** What still stands between a box that is apart and making it safe to stand, or somebody standing at it. */
export function holdsBeforeStanding(view: BoxView, key: typeof MADE_SAFE | typeof ATTENDED): string[] {
  const say = sayIn(view.region)

  if (!isApart(view)) return [say`its conductors are not apart`]
  if (key === MADE_SAFE)
    return [
      ...(isolationOf(view).dead ? [] : [say`conductors are capped dead, and the box was not read dead`]),
      ...toReadParted(view).map(({ name }) => say`${name} was not read to ground since it was parted`),
    ]
  const stood = attendedIn(view.record).filter(({ box }) => box.id !== view.box.id).length
  return stood < mayAttend(view.record) ? [] : [say`nobody is left to stand here while another switches`]
}

/** Why a breaker, or the main switch (null), may not go on: bare boxes nobody stands at, or more than can be stood at. */
export function bareBehind(record: JobRecord, circuitId: string | null): { view: BoxView; why: string }[] {
  const say = sayFor(record)

  const bare = apartBehind(record, circuitId)
    .filter(view => standOf(view) === 'bare')
    .map(view => ({
      view,
      why: say`is apart: cap each conductor by itself and cover it, or somebody stands at it`,
    }))
  const tooMany = attendedIn(record)
    .slice(mayAttend(record))
    .map(view => ({
      view,
      why: say`has nobody left to stand at it: cap each conductor by itself and cover it`,
    }))
  return [...bare, ...tooMany]
}
