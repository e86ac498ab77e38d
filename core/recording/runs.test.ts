import { describe, expect, it } from 'vitest'
import { quillbackRoad } from '@/demo/quillback'
import { applyChanges, inverseOf } from '../job/change'
import { faultsOfRecord } from '../job/integrity'
import { transition } from '../job/transition'
import { ENTITY_NAMES } from '../model/entities'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
import { boxView } from '../job/box-view'
import { conductorAdded, entryChanged, linked, matchedByColour, mayLeadTo, unlinked, type Pair } from '.'
import { plainPen, written } from '@/testing/recording/plain-pen'

const house = quillbackRoad()
const RUNS = rowsOf(house, 'cables').filter(({ farBoxId }) => farBoxId !== null)

/** What can be seen in one box of its cables, whatever lies beyond: colours, seats, roles, what hangs on them. */
const seenIn = (record: JobRecord, boxId: string) =>
  rowsWith(record, 'ends', 'boxId', boxId)
    .map(({ conductorId, ...end }) => {
      const { insulation, gauge, cableId } = record.conductors[conductorId]!
      const cable = record.cables[cableId]!
      const entry = cable.boxId === boxId ? cable.entry : cable.farEntry
      return { ...end, insulation, gauge, sheath: cable.sheath, entry }
    })
    .sort((a, b) => (a.id < b.id ? -1 : 1))

/** Ends that are one conductor, as pairs of their ids. */
const metalOf = (record: JobRecord) =>
  rowsOf(record, 'conductors')
    .map(({ id }) =>
      rowsWith(record, 'ends', 'conductorId', id)
        .map(end => end.id)
        .sort()
        .join(' '),
    )
    .sort()

describe('a run of the demo house', () => {
  it('there are runs to try', () => expect(RUNS.length).toBeGreaterThan(3))

  it.each(
    RUNS.flatMap(({ id, boxId, farBoxId }) => [
      { id, from: boxId, to: farBoxId! },
      { id, from: farBoxId!, to: boxId },
    ]),
  )('$id parted, seen from $from: each box keeps its end whole', ({ id, from, to }) => {
    const after = written(house, unlinked(plainPen(), house, id, from, 'panel'))
    expect(faultsOfRecord(after)).toEqual([])
    expect(seenIn(after, from)).toEqual(seenIn(house, from))
    expect(seenIn(after, to)).toEqual(seenIn(house, to))
    expect(after.cables[id]).toMatchObject({ boxId: from, far: 'panel', farBoxId: null, farEntry: null })
    const others = rowsOf(after, 'cables').filter(each => !house.cables[each.id])
    expect(others).toHaveLength(1)
    expect(others[0]).toMatchObject({ boxId: to, far: 'not-known', name: house.cables[id]!.name })
    // Nothing of the two boxes is one metal any more by this cable.
    for (const conductor of rowsWith(after, 'conductors', 'cableId', id))
      expect(rowsWith(after, 'ends', 'conductorId', conductor.id).map(({ boxId }) => boxId)).toEqual([from])
    // And linked again, the same ends are one metal as before.
    const near = rowsWith(after, 'conductors', 'cableId', id)
    const far = rowsWith(after, 'conductors', 'cableId', others[0]!.id)
    const match = matchedByColour(near, far)
    const twins = match.unclear.near.map((one, at): Pair => ({
      near: one,
      far: match.unclear.far[at] ?? null,
    }))
    const again = written(
      after,
      linked(plainPen('again'), after, {
        cableId: id,
        fromBoxId: from,
        toBoxId: to,
        toCableId: others[0]!.id,
        pairs: [...match.pairs, ...twins],
        settled: {},
      }),
    )
    expect(faultsOfRecord(again)).toEqual([])
    expect(metalOf(again)).toEqual(metalOf(house))
    expect(seenIn(again, to)).toEqual(seenIn(house, to))
    expect(again.cables[id]!.name).toBe(house.cables[id]!.name)
    expect(again.cables[others[0]!.id]).toBeUndefined()
  })

  it.each(RUNS)('$id led to a box that has none of it yet, by way of a third one, and taken back', run => {
    const pen = plainPen()
    const third = mayLeadTo(house, run.boxId).find(id => id !== run.farBoxId)!
    const link = {
      cableId: run.id,
      fromBoxId: run.boxId,
      toBoxId: third,
      toCableId: null,
      pairs: [],
      settled: {},
    }
    const changes = transition(house, linked(pen, house, link), {
      now: '2026-11-02T09:00:00.000Z',
      guards: [],
    })
    if (!changes.ok) throw new Error(JSON.stringify(changes.faults))
    const after = applyChanges(house, changes.value)
    expect(faultsOfRecord(after)).toEqual([])
    expect(seenIn(after, run.farBoxId!)).toEqual(seenIn(house, run.farBoxId!))
    expect(seenIn(after, run.boxId)).toEqual(seenIn(house, run.boxId))
    const added = rowsWith(after, 'ends', 'boxId', third).filter(({ id }) => !house.ends[id])
    expect(added).toHaveLength(rowsWith(house, 'conductors', 'cableId', run.id).length)
    for (const end of added) expect(end).toMatchObject({ seat: 'loose', role: null })
    const names = boxView(after, third)!.cables.map(({ name }) => name)
    expect(new Set(names).size).toBe(names.length)
    const back = applyChanges(after, inverseOf(changes.value))
    for (const entity of ENTITY_NAMES) expect(back[entity]).toEqual(house[entity])
  })

  it.each(RUNS)('$id has one more conductor in both boxes, and enters the far one elsewhere', run => {
    const more = written(
      house,
      conductorAdded(plainPen(), house, run, { insulation: 'blue', gauge: '14 AWG' }),
    )
    const [added] = rowsOf(more, 'conductors').filter(({ id }) => !house.conductors[id])
    expect(
      rowsWith(more, 'ends', 'conductorId', added!.id)
        .map(({ boxId }) => boxId)
        .sort(),
    ).toEqual([run.boxId, run.farBoxId].sort())
    const turned = run.farEntry === 'top' ? 'bottom' : 'top'
    const after = written(house, entryChanged(plainPen(), run, run.farBoxId!, turned))
    expect(after.cables[run.id]).toEqual({ ...run, farEntry: turned })
  })

  it.each(RUNS.flatMap(({ id, boxId, farBoxId }) => [boxId, farBoxId!].map(gone => ({ id, gone }))))(
    '$id stays in the other box when $gone is removed',
    ({ id, gone }) => {
      const { boxId, farBoxId } = house.cables[id]!
      const stays = gone === boxId ? farBoxId! : boxId
      const after = written(house, [plainPen().remove('boxes', gone)])
      expect(faultsOfRecord(after)).toEqual([])
      expect(after.cables[id]).toMatchObject({
        boxId: stays,
        far: 'not-known',
        farBoxId: null,
        farEntry: null,
      })
      expect(seenIn(after, stays).map(each => each.id)).toEqual(seenIn(house, stays).map(each => each.id))
      for (const { id: conductorId } of rowsOf(after, 'conductors'))
        expect(rowsWith(after, 'ends', 'conductorId', conductorId).length).toBeGreaterThan(0)
    },
  )
})

describe('which conductor is which', () => {
  const [cable] = RUNS
  const conductor = (
    id: string,
    insulation: 'black' | 'red' | 'white' | 'bare',
    markedAs: 'black' | null = null,
  ) => ({
    ...rowsWith(house, 'conductors', 'cableId', cable!.id)[0]!,
    id,
    insulation,
    markedAs,
  })
  const names = (pairs: readonly Pair[]) => pairs.map(({ near, far }) => `${near?.id}-${far?.id}`).sort()

  it('one of a colour on each side is one metal', () => {
    const match = matchedByColour(
      [conductor('a', 'black'), conductor('b', 'white')],
      [conductor('x', 'white'), conductor('y', 'black')],
    )
    expect(names(match.pairs)).toEqual(['a-y', 'b-x'])
    expect(match.unclear).toEqual({ near: [], far: [] })
  })

  it('two of a colour are told apart by tape, and otherwise by nobody', () => {
    const taped = matchedByColour(
      [conductor('a', 'white'), conductor('b', 'white', 'black')],
      [conductor('x', 'white', 'black'), conductor('y', 'white')],
    )
    expect(names(taped.pairs)).toEqual(['a-y', 'b-x'])
    const alike = matchedByColour(
      [conductor('a', 'black'), conductor('b', 'black')],
      [conductor('x', 'black'), conductor('y', 'black')],
    )
    expect(alike.pairs).toEqual([])
    expect(alike.unclear.near).toHaveLength(2)
  })

  it('a colour that the other side lacks is asked about', () => {
    const match = matchedByColour(
      [conductor('a', 'black'), conductor('b', 'red')],
      [conductor('x', 'black'), conductor('y', 'white')],
    )
    expect(names(match.pairs)).toEqual(['a-x'])
    expect(match.unclear.near.map(({ id }) => id)).toEqual(['b'])
    expect(match.unclear.far.map(({ id }) => id)).toEqual(['y'])
  })

  it('tape that is on one end only does not make two conductors of one', () => {
    const match = matchedByColour([conductor('a', 'white', 'black')], [conductor('x', 'white')])
    expect(names(match.pairs)).toEqual(['a-x'])
  })
})
