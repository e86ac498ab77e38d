import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { fedAtTheSwitch, switchLoop, usualBox, type UsualBox } from '@/demo/usual'
import { boxView, type BoxView } from '../job/box-view'
import { PROTECTIONS, ROOM_KINDS, type Protection, type RoomKind, type Sheath } from '../model/vocabulary'
import { dutiesOf } from '.'

interface More extends UsualBox {
  readonly pulled?: boolean
  readonly protection?: Protection
  readonly sheath?: Sheath
  readonly kind?: 'control' | 'outlet'
}

/** The usual box with what is said of its cables and its breaker. */
function boxWith({
  pulled = false,
  protection = 'none',
  sheath = 'nonmetallic',
  kind,
  ...given
}: More): BoxView {
  const { record } = usualBox(given)
  const each = <Row>(rows: Readonly<Record<string, Row>>, fields: NoInfer<Partial<Row>>) =>
    Object.fromEntries(Object.entries(rows).map(([id, row]) => [id, { ...row, ...fields }]))
  return boxView(
    {
      ...record,
      cables: each(record.cables, { pulled, sheath }),
      circuits: each(record.circuits, { protection }),
      boxes: each(record.boxes, { recorded: true, ...(kind ? { kind } : {}) }),
    },
    'box',
  )!
}
const ids = (more: More) => dutiesOf(boxWith(more)).map(({ id }) => id)

describe('duties that come with the work', () => {
  it('of what is only replaced there are none, where it is dry, new and grounded', () => {
    for (const roomKind of ROOM_KINDS.filter(kind => kind !== 'wet' && kind !== 'outside'))
      expect(ids({ roomKind })).toEqual([])
  })

  /** Which of a leak and an arc a room asks protection against where wiring is new, told plainly. */
  const ASKED: Readonly<Record<RoomKind, readonly [leak: boolean, arc: boolean]>> = {
    'not-said': [true, true],
    passage: [false, true],
    wet: [true, false],
    store: [false, true],
    kitchen: [true, true],
    living: [false, true],
    sleeping: [false, true],
    work: [false, true],
    outside: [true, false],
  }
  it('of new wiring: the protection that its room asks for and its breaker has not, or nobody looked at', () => {
    for (const roomKind of ROOM_KINDS)
      for (const protection of PROTECTIONS) {
        const [leak, arc] = ASKED[roomKind]
        const lacks = [
          leak && !['ground-fault', 'dual'].includes(protection),
          arc && !['arc-fault', 'dual'].includes(protection),
        ].filter(Boolean).length
        const found = ids({ roomKind, protection, pulled: true }).filter(id => id.startsWith('protection'))
        expect(found, `${roomKind} ${protection}`).toHaveLength(lacks)
        expect(new Set(found)).toEqual(
          new Set(lacks === 0 ? [] : [protection === 'not-known' ? 'protection-not-known' : 'protection']),
        )
      }
  })

  it('at 230 V: 30 mA wherever wiring is new, by residual current and nothing else', () => {
    for (const protection of PROTECTIONS) {
      const found = dutiesOf(boxWith({ region: 'europe-230', protection, pulled: true })).filter(({ id }) =>
        id.startsWith('protection'),
      )
      expect(found.length).toBe(protection === 'residual-current' ? 0 : 1)
      for (const { says } of found) expect(says).toContain('30 mA')
    }
  })

  it('new wiring brings a neutral where the region wants one, and is told before it is begun', () => {
    expect(ids({ pulled: true, protection: 'dual', cables: switchLoop(true) })).toEqual([
      'neutral-at-switch',
      'told-before',
    ])
    expect(ids({ pulled: true, protection: 'dual', cables: fedAtTheSwitch(true) })).toEqual(['told-before'])
    // What a conductor is nobody said: it may be the neutral.
    expect(ids({ pulled: true, protection: 'dual', cables: switchLoop(false), proven: false })).toEqual([
      'told-before',
    ])
    expect(
      ids({ pulled: true, region: 'europe-230', protection: 'residual-current', cables: switchLoop(true) }),
    ).toEqual(['told-before'])
  })

  it('a receptacle without a ground is marked, and protected where it is not yet', () => {
    const cables = fedAtTheSwitch(true).map(cable => ({
      ...cable,
      strands: cable.strands.filter(({ insulation }) => insulation !== 'bare'),
    }))
    const said = (protection: Protection) =>
      dutiesOf(boxWith({ kind: 'outlet', cables, protection }))
        .filter(({ id }) => id === 'ungrounded-receptacle')
        .map(({ says }) => says)
    expect(said('none')).toEqual([
      'A receptacle here, and all that is fed from it, is marked “no ground”, and protected against leaks before it is replaced',
    ])
    expect(said('ground-fault')).toEqual([
      'A receptacle here, and all that is fed from it, is marked “no ground”',
    ])
    expect(ids({ kind: 'outlet' })).toEqual([])
  })

  it('damp rooms and old cable have theirs, replaced or new', () => {
    expect(ids({ roomKind: 'wet' })).toEqual(['damp'])
    expect(ids({ roomKind: 'outside' })).toEqual(['damp'])
    expect(ids({ sheath: 'cloth' })).toEqual(['cloth', 'old-boards'])
  })

  it('each has its fact, with its source', () => {
    const all = [
      boxWith({ pulled: true, roomKind: 'kitchen', sheath: 'cloth', cables: switchLoop(true) }),
      boxWith({ roomKind: 'wet', kind: 'outlet' }),
    ].flatMap(dutiesOf)
    expect(all.length).toBeGreaterThan(6)
    for (const { factId } of all) expect(trade.facts[factId]?.source).toContain('check local code')
  })
})
