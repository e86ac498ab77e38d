import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { TIMES } from '@/testing/times'
import { chainOf } from '@/testing/route/chain'
import { after, fresh, reading, readDead, switching, unlocked } from '@/testing/plan/hands'
import { chainFor } from '@/testing/plan/small-chain'
import { boxView, type BoxView } from '../job/box-view'
import type { Edit } from '../job/command'
import { BLANK } from '../model/blank-rows'
import { rowsWith, type JobRecord } from '../model/record'
import { routeAll } from '../route'
import { nextSteps, planBox, type Step } from '.'

const SHAPES = 40 * TIMES
const MOST_MOVES = 80
/** Joints, terminals, caps and the tug: what lies open in the box. */
const TO_BE_SEEN = /^(joint:|land:|cap:|cap-lead:|tug$)/

const tick = (view: BoxView, { key }: Step): Edit => ({
  kind: 'add',
  entity: 'steps',
  row: { id: fresh(), boxId: view.box.id, stepKey: key, ...BLANK.steps },
})

const proved = (view: BoxView): Edit =>
  reading(view.box.id, {
    purpose: 'tester',
    reference: 'a receptacle',
    value: view.region.nominalVolts,
    breaker: 'on',
  })

/** What somebody at the box does who does just what is asked for. */
function does(record: JobRecord, view: BoxView, steps: readonly Step[]): readonly Edit[] {
  const [{ name, kind }] = steps as readonly [Step]
  switch (name.kind) {
    case 'tester-again':
      return [proved(view)]
    case 'clamp':
      return [
        reading(view.box.id, {
          purpose: 'clamp',
          instrument: 'clamp',
          fromEndId: name.endId,
          value: 0,
          resolutionAmps: 0.1,
        }),
      ]
    case 'parted':
      return [reading(view.box.id, { fromEndId: name.endId, reference: 'extension lead', value: 0 })]
    case 'tester':
    case 'reference':
    case 'isolate':
    case 'dead':
      return readDead(record, view)
    default:
      return [
        ...steps.map(each => tick(view, each)),
        ...(kind === 'power' ? [...unlocked(record, 'circuit-7'), switching('circuit-7', 'on')] : []),
      ]
  }
}

describe('what is done next', () => {
  it(`leads through the work of a box, nothing of it held back, one proof for what was let apart together (${SHAPES} shapes)`, () => {
    const met = { atOnce: 0, apart: 0, proofs: 0, whole: 0 }
    const wrong: string[] = []
    for (let seed = 1; seed <= SHAPES; seed++) {
      const [first] = chainOf(chainFor(seed))
      let record = first!.record
      if (!routeAll(record, 'box0', trade).ok) continue
      for (let move = 0; ; move++) {
        const view = boxView(record, 'box0')!
        const { steps } = planBox(view, trade)
        const next = nextSteps(view, steps)
        if (next.length === 0) {
          met.whole++
          expect(steps.every(({ done }) => done)).toBe(true)
          break
        }
        // In the order of the plan, none left out between them.
        const from = steps.indexOf(next[0]!)
        expect(next).toEqual(steps.slice(from, from + next.length))
        if (next.length > 1) {
          met.atOnce++
          if (!next.every(({ key }) => TO_BE_SEEN.test(key)))
            wrong.push(`seed ${seed}: ${next.map(({ key }) => key).join(', ')} at once`)
        }
        const asks = next[0]!.name.kind
        if (asks === 'parted') met.apart++
        if (asks === 'tester-again' && steps.some(({ key, done }) => key.startsWith('part:') && done)) {
          met.proofs++
          const unread = steps.filter(({ key, done }, at) => {
            const letApart = steps.slice(0, at).findLast(each => each.key.startsWith('part:'))
            return key.startsWith('parted:') && !done && letApart?.done
          })
          if (unread.length > 0) wrong.push(`seed ${seed}: proved again before ${unread[0]!.key}`)
        }
        const done = after(record, does(record, view, next))
        if (!done || move > MOST_MOVES) {
          wrong.push(`seed ${seed}: ${next.map(({ key, holds }) => `${key} ${holds.join()}`).join(', ')}`)
          break
        }
        expect(rowsWith(done, 'steps', 'boxId', 'box0').length).toBeGreaterThanOrEqual(
          rowsWith(record, 'steps', 'boxId', 'box0').length,
        )
        record = done
      }
    }
    expect(wrong.slice(0, 5)).toEqual([])
    expect(met.whole).toBeGreaterThan(10 * TIMES)
    expect(met.atOnce).toBeGreaterThan(10 * TIMES)
    expect(met.apart).toBeGreaterThan(met.proofs)
  })
})
