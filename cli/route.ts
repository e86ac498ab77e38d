import type { BoxView } from '@/core/job/box-view'
import type { JobRecord } from '@/core/model/record'
import type { Trade } from '@/core/model/trade'
import { dayOf, ifOnAfter, isSettled, planBox } from '@/core/plan'
import { prove, type Proof } from '@/core/prove'
import { plannedCircuit, routeBox, routeCures } from '@/core/route'
import type { Answer } from './outcome'

/**
 * Where every conductor and terminal of each box goes, or why it cannot and what was tried and would do. A no: a box
 * for which something is chosen and that cannot be wired, or whose plan does not prove.
 */
export function routeVerb(record: JobRecord, views: readonly BoxView[], trade: Trade): Answer {
  const boxes = views.flatMap((view): object[] => {
    if (!view.places.some(place => isSettled(view, place))) return []
    const routed = routeBox(view, trade)
    if (routed.ok) {
      const { devices, ...rest } = routed.value
      const proof = prove(plannedCircuit(view, routed.value, trade))
      return [
        {
          ...rest,
          proof,
          devices: devices.map(({ model, ...device }) => ({ ...device, modelId: model.id })),
        },
      ]
    }
    const cures = routeCures(record, view.box.id, trade)
    return [
      {
        boxId: view.box.id,
        faults: routed.faults,
        cures: cures.map(({ kind, says, price, minutes }) => ({ kind, says, price, minutes })),
      },
    ]
  })
  const isRouted = boxes.every(box => 'proof' in box && (box.proof as Proof).kind === 'proven')
  return { code: isRouted ? 0 : 1, output: { ok: isRouted, boxes } }
}

/** The steps of each box and what the power would do after them; the day of the whole job. A no: a need not kept. */
export function planVerb(record: JobRecord, views: readonly BoxView[], trade: Trade): Answer {
  const boxes = views.map(view => {
    const { steps, routed } = planBox(view, trade)
    const ifOn = ifOnAfter(view, steps, trade)
    return {
      boxId: view.box.id,
      faults: routed.ok ? [] : routed.faults,
      steps: steps.map(step => ({ ...step, ifOn: ifOn.get(step.key) ?? [] })),
    }
  })
  const day = dayOf(record, trade)
  return { code: day.broken.length > 0 ? 1 : 0, output: { ok: day.broken.length === 0, boxes, day } }
}
