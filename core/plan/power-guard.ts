import { boxView } from '../job/box-view'
import type { Guard } from '../job/transition'
import type { Row } from '../model/entities'
import { rowsOf } from '../model/record'
import { fault, type Fault } from '../model/result'
import type { Trade } from '../model/trade'
import { heldOff } from './if-on'
import { sayFor } from '../model/say-for'

/** The power stays off while work that it feeds is half done so that it would short, or leave a live end. */
export const powerHolds =
  (trade: Trade): Guard =>
  (_, after, changes) => {
    const say = sayFor(after)
    return changes.flatMap((change): Fault[] => {
      if (change.entity !== 'switchings' || change.before !== null || change.after === null) return []
      const { circuitId, to, foundSo } = change.after as Row<'switchings'>
      // What is so is recorded, however wrong: from then on nothing bare is touched.
      if (to === 'off' || foundSo) return []
      const views = rowsOf(after, 'boxes').flatMap(({ id }) => boxView(after, id) ?? [])
      return heldOff(after, views, circuitId, trade).map(({ view: { room, box }, why }) =>
        fault(
          `/switchings/${change.id}/to`,
          'held',
          say`Not on yet, the work in ${room.name}, ${box.name} is half done: ${why.says}.`,
        ),
      )
    })
  }
