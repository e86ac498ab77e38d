import { trade } from '@/catalogue'
import type { BoxView } from '@/core/job/box-view'
import type { Circuit } from '@/core/model/circuit'
import { circuitOfPlan, plannedCircuit, routeBox, routeTogether } from '@/core/route'

/** The circuit of boxes that hang together as it is planned, one alone or all at once; an error where none is. */
export function asPlanned(views: readonly BoxView[]): Circuit {
  const [only, more] = views
  if (only && !more) {
    const alone = routeBox(only, trade)
    if (alone.ok) return plannedCircuit(only, alone.value, trade)
    throw new Error(alone.faults.map(({ message }) => message).join('; '))
  }
  const together = routeTogether(views, trade)
  if (together.ok) return circuitOfPlan(together.value, trade)
  throw new Error(together.faults.map(({ message }) => message).join('; '))
}
