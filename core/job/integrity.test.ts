import { describe, expect, it } from 'vitest'
import { usualBox } from '@/demo/usual'
import type { Row } from '../model/entities'
import type { JobRecord } from '../model/record'
import { faultsOfRecord } from './integrity'

const record = usualBox({ choice: 'switch-plain-15' }).record
const END = 'box-a-black-1-end'

const withEnd = (fields: Partial<Row<'ends'>>): JobRecord => ({
  ...record,
  ends: { ...record.ends, [END]: { ...record.ends[END]!, ...fields } },
})

const found = (given: JobRecord) => faultsOfRecord(given).map(each => `${each.path} ${each.code}`)

describe('what hangs together', () => {
  it('a sound record has no fault', () => {
    expect(found(record)).toEqual([])
  })

  it('only what was touched is looked at when changes are given', () => {
    const broken = withEnd({ seat: 'joint' })
    expect(faultsOfRecord(broken, [])).toEqual([])
    const change = { entity: 'ends' as const, id: END, before: record.ends[END]!, after: broken.ends[END]! }
    expect(faultsOfRecord(broken, [change]).map(each => each.code)).toContain('seat-unclear')
  })

  it.each<[string, Partial<Row<'ends'>>, string]>([
    ['on a terminal without a device', { deviceId: null }, 'seat-unclear'],
    ['in a joint that is not named', { seat: 'joint', deviceId: null, terminal: null }, 'seat-unclear'],
    ['loose, but with a terminal', { seat: 'loose' }, 'seat-unclear'],
    [
      'in a joint that is not there',
      { seat: 'joint', deviceId: null, terminal: null, jointId: 'x' },
      'no-such-row',
    ],
    ['of a conductor that is not there', { conductorId: 'x' }, 'no-such-row'],
    ['of a circuit that is not there', { roleCircuitId: 'x' }, 'no-such-row'],
  ])('an end %s', (_, fields, code) => {
    expect(found(withEnd(fields)).join()).toContain(code)
  })

  it('a conductor has two ends in two boxes, no more', () => {
    const end = record.ends[END]!
    const twice = { ...record, ends: { ...record.ends, other: { ...end, id: 'other' } } }
    expect(found(twice).join()).toContain('same-box')
    const boxes = {
      ...record.boxes,
      b2: { ...record.boxes.box!, id: 'b2' },
      b3: { ...record.boxes.box!, id: 'b3' },
    }
    const loose = { ...end, seat: 'loose' as const, deviceId: null, terminal: null }
    const thrice = {
      ...record,
      boxes,
      ends: {
        ...record.ends,
        e2: { ...loose, id: 'e2', boxId: 'b2' },
        e3: { ...loose, id: 'e3', boxId: 'b3' },
      },
    }
    expect(found(thrice).join()).toContain('third-end')
    const two = { ...thrice, ends: { ...record.ends, e2: { ...loose, id: 'e2', boxId: 'b2' } } }
    expect(found(two)).toEqual(['/cables/box-a/farBoxId end-elsewhere', '/ends/e2/boxId end-elsewhere'])
    const run = { ...record.cables['box-a']!, far: 'box' as const, farBoxId: 'b2', farEntry: 'top' as const }
    expect(found({ ...two, cables: { ...record.cables, 'box-a': run } })).toEqual([])
  })

  it.each<[string, Partial<Row<'cables'>>, string]>([
    ['to a box that is not named', { far: 'box' }, 'run-unclear'],
    ['to the panel, and to a box', { far: 'panel', farBoxId: 'b2', farEntry: 'top' }, 'run-unclear'],
    ['to a box, entering it nowhere', { far: 'box', farBoxId: 'b2' }, 'run-unclear'],
    ['to the box it comes from', { far: 'box', farBoxId: 'box', farEntry: 'top' }, 'same-box'],
  ])('no cable leads %s', (_, fields, code) => {
    const boxes = { ...record.boxes, b2: { ...record.boxes.box!, id: 'b2' } }
    const cables = { ...record.cables, 'box-a': { ...record.cables['box-a']!, ...fields } }
    expect(found({ ...record, boxes, cables }).join()).toContain(code)
  })

  it('a box for controls has gangs, and no other has', () => {
    const box = record.boxes.box!
    expect(found({ ...record, boxes: { box: { ...box, kind: 'luminaire' } } }).join()).toContain(
      'gangs-by-kind',
    )
    const none = { ...record, places: {}, devices: {}, choices: {} }
    expect(found({ ...none, boxes: { box: { ...box, gangs: 0 } } }).join()).toContain('gangs-by-kind')
  })

  it('a joint or a device of another box is no seat', () => {
    const elsewhere = {
      ...record,
      boxes: { ...record.boxes, b2: { ...record.boxes.box!, id: 'b2' } },
      ends: { ...record.ends, [END]: { ...record.ends[END]!, boxId: 'b2' } },
    }
    expect(found(elsewhere)).toContain(`/ends/${END}/deviceId other-box`)
    const joint = record.ends['box-a-white-2-end']!
    const away = { ...elsewhere, ends: { ...record.ends, [joint.id]: { ...joint, boxId: 'b2' } } }
    expect(found(away)).toContain(`/ends/${joint.id}/jointId other-box`)
  })

  it('one old device and one choice a place', () => {
    const device = {
      id: 'd2',
      placeId: 'box-1',
      modelId: 'old-dimmer',
      testerShows: null,
      setAs: '',
      note: '',
    }
    expect(found({ ...record, devices: { ...record.devices, d2: device } }).join()).toContain('one-each')
    const choice = { id: 'c2', placeId: 'box-1', modelId: 'switch-plain-20' }
    expect(found({ ...record, choices: { ...record.choices, c2: choice } }).join()).toContain('one-each')
  })

  it('gangs cannot be taken away under a device', () => {
    const place = { id: 'p2', boxId: 'box', gang: 2, part: 1, groupId: 'light', retired: false }
    const two = {
      ...record,
      boxes: { box: { ...record.boxes.box!, gangs: 2 } },
      places: { ...record.places, p2: place },
    }
    expect(found(two)).toEqual([])
    expect(found({ ...two, boxes: record.boxes }).join()).toContain('gang-in-use')
  })
})
