import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { strand, usualBox, type UsualBox } from '@/demo/usual'
import { boxView } from '../job/box-view'
import type { Protection } from '../model/vocabulary'
import { checkPlace } from '.'

/** A box without any ground; of which breaker its conductors are is said or not. */
const cables = (circuit: string | undefined): UsualBox['cables'] => [
  {
    name: 'A',
    far: 'panel',
    entry: 'bottom',
    strands: [
      strand('black', 'upper', 'line', { circuit }),
      strand('white', 'joint:whites', 'neutral', { circuit }),
    ],
  },
  {
    name: 'L',
    far: 'luminaire',
    entry: 'top',
    strands: [strand('black', 'lower', 'switched-load'), strand('white', 'joint:whites', 'neutral')],
  },
]

function ground(
  model: string,
  given: {
    readonly protection?: Protection
    readonly other?: Protection
    readonly old?: boolean
    readonly recorded?: boolean
    readonly circuit?: string
  } = {},
) {
  const { protection = 'none', other, old = true, recorded = true, circuit = '7' } = given
  const { record, box } = usualBox({ cables: cables(circuit === '?' ? undefined : circuit) })
  const [first] = Object.values(record.circuits)
  const second = { ...first!, id: 'circuit-9', breaker: '9', protection: other ?? 'none' }
  const view = boxView(
    {
      ...record,
      boxes: { ...record.boxes, [box.id]: { ...record.boxes[box.id]!, recorded } },
      devices: old ? record.devices : {},
      ends: old
        ? record.ends
        : Object.fromEntries(
            Object.entries(record.ends).map(([id, end]) => [
              id,
              end.deviceId === null
                ? end
                : { ...end, seat: 'loose' as const, deviceId: null, terminal: null },
            ]),
          ),
      circuits: { [first!.id]: { ...first!, protection }, ...(other ? { 'circuit-9': second } : {}) },
      feeds: {
        ...record.feeds,
        ...(other
          ? { more: { id: 'more', boxId: box.id, circuitId: 'circuit-9', basis: 'label' as const } }
          : {}),
      },
    },
    box.id,
  )!
  const judged = checkPlace(view, view.places[0]!.place.id, trade).find(({ device }) => device.id === model)!
  const [line] = judged.lines.filter(({ rule }) => rule === 'ground')
  return line ? [line.verdict, ...line.cures.map(({ id }) => id)] : null
}

describe('a box without a ground: what may still be fitted', () => {
  it.each<[string, Parameters<typeof ground>[1], readonly string[]]>([
    ['what replaces a switch', {}, ['fits-if', 'insulating-plate', 'ground-fault', 'new-cable']],
    [
      'protection that only finds arcs',
      { protection: 'arc-fault' },
      ['fits-if', 'insulating-plate', 'ground-fault', 'new-cable'],
    ],
    [
      'protection nobody has read',
      { protection: 'not-known' },
      ['fits-if', 'insulating-plate', 'ground-fault', 'new-cable'],
    ],
    ['behind ground-fault protection', { protection: 'ground-fault' }, ['fits']],
    ['behind both in one', { protection: 'dual' }, ['fits']],
    ['behind residual current', { protection: 'residual-current' }, ['fits']],
    ['where nothing stood before', { old: false }, ['does-not-fit', 'new-cable']],
    [
      'where nothing stood, though protected',
      { old: false, protection: 'ground-fault' },
      ['does-not-fit', 'new-cable'],
    ],
    ['where nobody has looked yet what stands there', { old: false, recorded: false }, ['not-known']],
  ])('%s', (_, given, expected) => {
    expect(ground('switch-plain-15', given)).toEqual(expected)
  })

  it('what asks for a ground by its sheet gets one, whatever protects it', () => {
    const asks = trade.devices.find(
      ({ groundRequired, regions, stock, terminals }) =>
        groundRequired &&
        stock === 'new' &&
        regions.includes('north-america-120') &&
        terminals.some(({ wants }) => wants === 'ground'),
    )!
    expect(ground(asks.id, { protection: 'ground-fault' })).toEqual(['does-not-fit', 'new-cable'])
  })

  it('by the breaker of its own light, not by another that feeds the box too', () => {
    expect(ground('switch-plain-15', { protection: 'ground-fault', other: 'none' })?.[0]).toBe('fits')
    expect(ground('switch-plain-15', { protection: 'none', other: 'ground-fault' })?.[0]).toBe('fits-if')
  })

  it('by all that feed the box, where nobody has said which feeds its light', () => {
    const both = (other: Protection) =>
      ground('switch-plain-15', { circuit: '?', protection: 'ground-fault', other })?.[0]
    expect(both('ground-fault')).toBe('fits')
    expect(both('none')).toBe('fits-if')
  })
})
