import type { PlanOfRoom } from '../model/floor-plan'
import type { Thing } from '../setup'
import type { Say } from '../words/say'

/** What a thing of a plan is called: its kind, and its place among its like. A box goes by its own name. */
export function thingName(
  say: Say,
  plan: PlanOfRoom,
  { kind, at }: Thing,
  boxName: (boxId: string) => string | undefined = () => undefined,
): string {
  const n = at + 1
  switch (kind) {
    case 'opening': {
      const of = plan.openings[at]?.kind
      return of === 'window' ? say`Window ${n}` : of === 'bare' ? say`Opening ${n}` : say`Door ${n}`
    }
    case 'furniture':
      return say`Piece ${n}`
    case 'seat':
      return plan.seats[at]?.asleep ? say`Bed ${n}` : say`Seat ${n}`
    case 'heat':
      return say`Heat ${n}`
    case 'corner':
      return say`Corner ${n}`
    case 'hanging':
      return boxName(plan.hangings[at]?.boxId ?? '') ?? say`Box ${n}`
  }
}
