import { trade } from '@/catalogue'
import { dayOf, planBox } from '@/core/plan'
import { nextBest, routeCures, routeTogether, setsFor } from '@/core/route'
import { chainOf } from '@/testing/route/chain'
import { rowOf } from '@/testing/route/row'
import type { JobRecord } from '@/core/model/record'

type Measure = (name: string, rounds: number, work: () => unknown) => void

/** Route: five boxes with every set of the catalogue, what cannot be wired, and what would cure it. */
export function benchRoute(measure: Measure): void {
  const none = Array.from({ length: 5 }, () => null)
  const chain = (neutrals: boolean, choices: readonly (string | null)[]) =>
    chainOf({ count: 5, fed: 0, lit: 0, neutrals, spares: 1, seated: true, proven: true, choices })
  const sets = setsFor(trade, 'north-america-120', none).map(({ members }) =>
    members.map(model => model?.id ?? null),
  )
  const good = sets.map(choices => chain(true, choices))
  const bare = sets.map(choices => chain(false, choices))
  const refused = bare.filter(views => !routeTogether(views, trade).ok)
  let at = 0
  measure(`Route: 5 boxes, ${good.length} sets in turn`, 200, () =>
    routeTogether(good[at++ % good.length]!, trade),
  )
  measure(`Route: 5 boxes, ${refused.length} that cannot be wired`, 200, () =>
    routeTogether(refused[at++ % refused.length]!, trade),
  )
  for (const count of [4, 8, 12, 16]) {
    const row = chainOf(rowOf(count))
    // The views anew, since the same ones are routed once.
    measure(`Route: ${count} plain places in a row`, 40, () =>
      routeTogether(
        row.map(view => ({ ...view })),
        trade,
      ),
    )
  }
  measure('Route: the runner-up of 5 boxes', 100, () => nextBest(good[at++ % good.length]!, trade))
  measure('Route: cures of 5 boxes that cannot be wired', 40, () => {
    const [view] = refused[at++ % refused.length]!
    return routeCures(view!.record, view!.box.id, trade)
  })
}

/** Plan: the steps of a box, and the day of so many boxes. */
export function benchPlan(measure: Measure, record: JobRecord): void {
  const views = chainOf({
    count: 3,
    fed: 0,
    lit: 2,
    neutrals: true,
    spares: 0,
    seated: true,
    proven: true,
    choices: ['dimmer-led-150-two-wire', 'companion-oak', 'companion-oak'],
  })
  measure('Plan: steps of one box of three', 100, () => planBox({ ...views[1]! }, trade))
  const day = dayOf(record, trade)
  const boxes = new Set(day.stretches.flatMap(({ turns }) => turns.map(({ boxId }) => boxId))).size
  const name = `Plan: the day of ${boxes} boxes, ${Object.keys(record.circuits).length} breakers`
  measure(`${name}: ${day.walks} walks, at least ${day.walksAtLeast}`, 5, () => dayOf({ ...record }, trade))
}
