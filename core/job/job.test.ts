import { isDeepStrictEqual } from 'node:util'
import fc from 'fast-check'
import { BLANK } from '../model/blank-rows'
import { describe, expect, it } from 'vitest'
import { usualBox } from '@/demo/usual'
import { quillbackRoad } from '@/demo/quillback'
import { ENTITY_NAMES } from '../model/entities'
import { applyChanges, changedFields, inDatabaseOrder, inverseOf } from './change'
import type { Edit } from './command'
import { undoState, type LogEntry } from './history'
import { faultsOfRecord } from './integrity'
import { transition } from './transition'

const NOW = '2026-03-02T09:00:00.000Z'
const moment = { now: NOW, guards: [] }
const record = usualBox().record

const codes = (...edits: Edit[]) => {
  const changes = transition(record, edits, moment)
  return changes.ok ? [] : changes.faults.map(each => each.code)
}

describe('transition', () => {
  it('changes one row and leaves the record given as it was', () => {
    const changes = transition(
      record,
      [{ kind: 'change', entity: 'boxes', id: 'box', based: 1, fields: { gangs: 2 } }],
      moment,
    )
    expect(changes.ok && changes.value.map(changedFields)).toEqual([['gangs']])
    expect(record.boxes.box!.gangs).toBe(1)
  })

  it('an edit that changes nothing makes no change', () => {
    expect(
      transition(
        record,
        [{ kind: 'change', entity: 'boxes', id: 'box', based: 1, fields: { gangs: 1 } }],
        moment,
      ),
    ).toEqual({
      ok: true,
      value: [],
    })
  })

  it('gives what happens at the wall its order and time', () => {
    const edit: Edit = {
      kind: 'add',
      entity: 'switchings',
      row: {
        id: 'x',
        circuitId: 'circuit-7',
        to: 'off',
        foundSo: false,
        struck: null,
        seq: 0,
        at: '1970-01-01T00:00:00.000Z',
      },
    }
    const changes = transition(record, [edit], moment)
    const last = Math.max(...Object.values(record.readings).map(each => each.seq))
    expect(changes.ok && changes.value[0]!.after).toMatchObject({ seq: last + 1, at: NOW })
  })

  it('removing a box takes everything in it along, and the inverse brings it all back', () => {
    const changes = transition(record, [{ kind: 'remove', entity: 'boxes', id: 'box', based: 1 }], moment)
    if (!changes.ok) throw new Error('refused')
    const after = applyChanges(record, changes.value)
    for (const entity of [
      'cables',
      'conductors',
      'ends',
      'joints',
      'places',
      'devices',
      'readings',
      'claims',
      'feeds',
    ] as const)
      expect(Object.keys(after[entity])).toEqual([])
    expect(faultsOfRecord(after)).toEqual([])
    const back = applyChanges(after, inverseOf(changes.value))
    for (const entity of ENTITY_NAMES) expect(back[entity]).toEqual(record[entity])
  })

  it('removing the old device leaves its conductors loose', () => {
    const changes = transition(
      record,
      [{ kind: 'remove', entity: 'devices', id: 'box-1-old', based: 1 }],
      moment,
    )
    if (!changes.ok) throw new Error('refused')
    expect(applyChanges(record, changes.value).ends['box-a-black-1-end']).toMatchObject({
      seat: 'loose',
      deviceId: null,
      terminal: null,
    })
  })

  it('a joint that nobody is in goes', () => {
    const cable = (id: string): Edit => ({ kind: 'remove', entity: 'cables', id, based: 1 })
    const changes = transition(record, [cable('box-a'), cable('box-b')], moment)
    expect(changes.ok && changes.value.some(each => each.entity === 'joints' && each.after === null)).toBe(
      true,
    )
  })

  it('writes parents before children and removes children before parents', () => {
    const changes = transition(record, [{ kind: 'remove', entity: 'boxes', id: 'box', based: 1 }], moment)
    const order = changes.ok ? inDatabaseOrder(changes.value).map(each => each.entity) : []
    expect(order.indexOf('claims')).toBeLessThan(order.indexOf('ends'))
    expect(order.at(-1)).toBe('boxes')
  })

  it.each<[string, Edit, string]>([
    [
      'an id that is taken',
      {
        kind: 'add',
        entity: 'rooms',
        row: { ...BLANK.rooms, id: 'room', name: 'B', floor: '', kind: 'not-said', position: 1 },
      },
      'id-taken',
    ],
    ['a row that is gone', { kind: 'remove', entity: 'rooms', id: 'attic', based: 1 }, 'gone'],
    [
      'a room’s name twice',
      {
        kind: 'add',
        entity: 'rooms',
        row: { ...BLANK.rooms, id: 'x', name: ' ROOM ', floor: '', kind: 'not-said', position: 1 },
      },
      'name-taken',
    ],
    [
      'a reference to nothing',
      { kind: 'change', entity: 'boxes', id: 'box', based: 1, fields: { roomId: 'attic' } },
      'no-such-row',
    ],
    [
      'a gang that is taken',
      {
        kind: 'add',
        entity: 'places',
        row: { id: 'p', boxId: 'box', gang: 1, part: 1, groupId: 'light', retired: false },
      },
      'gang-taken',
    ],
    [
      'a gang that the box has not',
      {
        kind: 'add',
        entity: 'places',
        row: { id: 'p', boxId: 'box', gang: 2, part: 1, groupId: 'light', retired: false },
      },
      'no-such-gang',
    ],
    [
      'a seat without its terminal',
      { kind: 'change', entity: 'ends', id: 'box-a-black-1-end', based: 1, fields: { terminal: null } },
      'seat-unclear',
    ],
  ])('refuses %s', (_, edit, code) => {
    expect(codes(edit)).toEqual([code])
  })

  it('any run of edits and its inverse lands where it began (40 runs, seed 11)', () => {
    const demo = quillbackRoad()
    const ids = ENTITY_NAMES.flatMap(entity => Object.keys(demo[entity]).map(id => ({ entity, id })))
    fc.assert(
      fc.property(fc.array(fc.nat(ids.length - 1), { minLength: 1, maxLength: 6 }), picks => {
        let now = demo
        const done = []
        for (const pick of picks) {
          const { entity, id } = ids[pick]!
          const changes = transition(now, [{ kind: 'remove', entity, id, based: 1 }], moment)
          if (!changes.ok) continue
          now = applyChanges(now, changes.value)
          expect(faultsOfRecord(now)).toEqual([])
          done.push(changes.value)
        }
        for (const changes of done.reverse()) now = applyChanges(now, inverseOf(changes))
        for (const entity of ENTITY_NAMES)
          expect([entity, isDeepStrictEqual(now[entity], demo[entity])]).toEqual([entity, true])
      }),
      { numRuns: 40, seed: 11 },
    )
  })
})

describe('undo and redo', () => {
  const entry = (id: string, name: string, undoes: string | null = null): LogEntry => ({ id, name, undoes })
  it('takes back the last, brings it again, and forgets it after something new', () => {
    const a = entry('a', 'add a room')
    const b = entry('b', 'edit a room')
    const undo = entry('u', 'undo', 'b')
    expect(undoState([a, b])).toEqual({ undo: { id: 'b', name: 'edit a room' }, redo: null })
    expect(undoState([a, b, undo])).toEqual({
      undo: { id: 'a', name: 'add a room' },
      redo: { id: 'u', name: 'edit a room' },
    })
    const redo = entry('r', 'redo', 'u')
    expect(undoState([a, b, undo, redo])).toEqual({ undo: { id: 'r', name: 'edit a room' }, redo: null })
    expect(undoState([a, b, undo, entry('c', 'edit a box')]).redo).toBeNull()
  })
  it('nothing done: nothing to take back', () => {
    expect(undoState([])).toEqual({ undo: null, redo: null })
  })
})
