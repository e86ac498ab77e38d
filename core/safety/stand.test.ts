import { describe, expect, it } from 'vitest'
import { BLANK } from '../model/blank-rows'
import { usualBox } from '@/demo/usual'
import type { Question } from '../identify'
import { boxView, type BoxView } from '../job/box-view'
import { approachTo, ATTENDED, APART, MADE_SAFE, mayAttend, standOf, TOGETHER } from '.'

const AT = '2026-03-02T09:00:00.000Z'

/** A dead box after some ticks, in their order. */
function ticked(
  keys: readonly string[],
  crew: readonly { readsLive: boolean; atPanel: boolean }[] = [],
): BoxView {
  const { record } = usualBox({ isolated: true })
  const rows = <Row>(list: readonly Row[]) => Object.fromEntries(list.map((row, at) => [`row-${at}`, row]))
  return boxView(
    {
      ...record,
      steps: rows(
        keys.map((stepKey, at) => ({
          id: `row-${at}`,
          boxId: 'box',
          stepKey,
          ...BLANK.steps,
          seq: 5000 + at,
          at: AT,
        })),
      ),
      crew: rows(crew.map((each, at) => ({ ...each, id: `row-${at}`, name: `Person ${at}` }))),
    },
    'box',
  )!
}

const live = (view: BoxView, apart: readonly string[]): Question =>
  ({
    kind: 'volts',
    power: 'on',
    from: view.ends[0]!.end.id,
    to: { kind: 'earth' },
    apart,
    closed: [],
    work: null,
  }) as unknown as Question
const before = (view: BoxView, apart: readonly string[]) =>
  approachTo(view, [view], live(view, apart)).map(({ kind }) => kind)

describe('a box that is apart while the power comes on', () => {
  it('is made safe after it is taken apart, and before the breaker is on', () => {
    const order = before(ticked([]), ['box'])
    expect(order.indexOf('make-safe')).toBeGreaterThan(order.indexOf('take-apart'))
    expect(order.at(-1)).toBe('switch-on')
    expect(order.at(-2)).toBe('make-safe')
    expect(before(ticked([APART]), ['box'])).toEqual(expect.arrayContaining(['make-safe', 'switch-on']))
    expect(before(ticked([APART, MADE_SAFE]), ['box'])).not.toContain('make-safe')
    expect(before(ticked([APART, ATTENDED]), ['box'])).not.toContain('make-safe')
    // What is put together first stands bare for nobody.
    expect(before(ticked([APART]), [])).not.toContain('make-safe')
  })

  it.each([
    [[], 'closed'],
    [[APART], 'bare'],
    [[APART, MADE_SAFE], 'safe'],
    [[APART, ATTENDED], 'attended'],
    [[APART, ATTENDED, MADE_SAFE], 'safe'],
    [[APART, MADE_SAFE, TOGETHER], 'closed'],
    [[APART, MADE_SAFE, TOGETHER, APART], 'bare'],
    [[MADE_SAFE, APART], 'bare'],
    [[MADE_SAFE], 'closed'],
    // Wired and folded in, it is closed; while it is worked in, its caps are off.
    [[APART, 'take-out:box-1', 'joint:ground', 'fold'], 'closed'],
    [[APART, MADE_SAFE, 'joint:ground'], 'bare'],
    [[APART, MADE_SAFE, 'joint:ground', 'fold'], 'closed'],
    [[APART, 'joint:ground', MADE_SAFE], 'safe'],
    [[APART, MADE_SAFE, 'photo'], 'safe'],
    [['fold', APART], 'bare'],
  ] as const)('after %j it is %s', (keys, stand) => {
    expect(standOf(ticked(keys))).toBe(stand)
  })

  it.each([
    [[], 1],
    [[{ readsLive: true, atPanel: false }], 0],
    [
      [
        { readsLive: true, atPanel: false },
        { readsLive: false, atPanel: false },
      ],
      1,
    ],
    [
      [
        { readsLive: true, atPanel: false },
        { readsLive: true, atPanel: false },
      ],
      1,
    ],
    [
      [
        { readsLive: true, atPanel: false },
        { readsLive: true, atPanel: true },
      ],
      1,
    ],
    [
      [
        { readsLive: false, atPanel: false },
        { readsLive: true, atPanel: true },
      ],
      0,
    ],
  ])('of %j so many may stand at boxes: %i', (crew, count) => {
    expect(mayAttend(ticked([], crew).record)).toBe(count)
  })
})
