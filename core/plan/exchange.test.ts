import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { switchLoop, usualBox } from '@/demo/usual'
import { plainPen, written } from '@/testing/recording/plain-pen'
import { raisedDefects } from '../check'
import { boxView, type BoxView } from '../job/box-view'
import { toExchange } from '../job/exchange'
import { exchanged } from '../recording'
import { routeBox } from '../route'
import { planBox } from '.'

/** A switch loop whose white brings the current back and whose black feeds: the wrong way round. */
const wrongWay = (isolated = false): BoxView =>
  usualBox({
    choice: 'switch-plain-15',
    isolated,
    cables: switchLoop(true).map(cable => ({
      ...cable,
      strands: cable.strands.map(strand => ({
        ...strand,
        role:
          strand.role === 'loop-feed'
            ? ('loop-return' as const)
            : strand.role === 'loop-return'
              ? ('loop-feed' as const)
              : strand.role,
      })),
    })),
  })
const keys = (view: BoxView) => planBox(view, trade).steps.map(({ key }) => key)
const whiteOf = (view: BoxView) => view.ends.find(({ conductor }) => conductor.insulation === 'white')!.end.id

describe('a white that returns from a switch', () => {
  it('is exchanged with the one that feeds, not marked; every other hand waits for it', () => {
    const view = wrongWay(true)
    const white = whiteOf(view)
    const { steps } = planBox(view, trade)
    const exchange = steps.find(({ key }) => key === `exchange:${white}`)!
    expect(exchange.says).toBe(
      'At the other end of cable A: A white and A black change places, so that A white feeds',
    )
    expect(keys(view)).not.toContain(`remark:${white}`)
    const later = steps.slice(steps.indexOf(exchange) + 1).filter(({ kind }) => kind === 'touch')
    expect(later.length).toBeGreaterThan(3)
    for (const { holds } of later) expect(holds.length).toBeGreaterThan(0)
    expect(later.some(({ holds }) => holds.includes(exchange.says))).toBe(true)
    const raised = raisedDefects(view, trade).find(({ ruleId }) => ruleId.startsWith('unmarked'))
    expect(raised?.cure).toMatch(/^Exchange it with the one that feeds/)
  })

  it('once exchanged, the white feeds and is marked, and both are read anew', () => {
    const view = wrongWay()
    const [pair] = toExchange(view)
    const both = [pair!.back.end.id, pair!.feed.end.id] as const
    const after = boxView(written(view.record, exchanged(plainPen(), view.record, both)), 'box')!
    expect(toExchange(after)).toEqual([])
    expect(after.record.ends[both[0]]!.role).toBe('loop-feed')
    expect(after.record.ends[both[1]]!.role).toBe('loop-return')
    const routed = routeBox(after, trade)
    expect(routed.ok && routed.value.remarks.map(({ endId }) => endId)).toEqual([both[0]])
    expect(keys(after)).toEqual(expect.arrayContaining(both.map(id => `identify:${id}`)))
    expect(after.readings.some(({ fromEndId }) => both.some(id => id === fromEndId))).toBe(false)
  })

  it('the right way round, and where the region lets it return, nothing changes places', () => {
    expect(toExchange(usualBox({ cables: switchLoop(true) }))).toEqual([])
    const view = wrongWay()
    const british = { ...view, region: { ...view.region, loadOnNeutralColour: true } }
    expect(toExchange(british)).toEqual([])
    // Which of two that feed it changes places with is not guessed.
    const [pair] = toExchange(view)
    const second = { ...pair!.feed, end: { ...pair!.feed.end, id: 'second' } }
    expect(toExchange({ ...view, ends: [...view.ends, second] })).toEqual([])
  })
})
