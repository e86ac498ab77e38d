import { describe, expect, it } from 'vitest'
import { quillbackRoad } from '@/demo/quillback'
import { faultsOfRecord } from '../job/integrity'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
import {
  freeLightName,
  gangInserted,
  gangRemoved,
  gangsChanged,
  kindChanged,
  lightRenamed,
  lightsMerged,
  lightsWithoutPlaces,
  luminaireRecorded,
  mayWork,
  movedInList,
  placeParted,
  placeWorks,
} from '.'
import { tiedBoxes } from '../job/tied'
import { plainPen, written } from '@/testing/recording/plain-pen'

const house = quillbackRoad()
const SEVERAL = rowsOf(house, 'groups').filter(
  ({ id }) => rowsWith(house, 'places', 'groupId', id).length > 1,
)
const PLACES = rowsOf(house, 'places')

/** Everything that names a light. */
const pointingAt = (record: JobRecord, groupId: string) => [
  ...rowsWith(record, 'places', 'groupId', groupId),
  ...rowsWith(record, 'loads', 'groupId', groupId),
  ...rowsWith(record, 'ends', 'roleGroupId', groupId),
  ...rowsWith(record, 'readings', 'toGroupId', groupId),
  ...rowsWith(record, 'needs', 'groupId', groupId),
]

describe('lights', () => {
  it.each(SEVERAL)(
    '$name: each place parted works a light of its own, and joined again the old one',
    ({ id }) => {
      for (const place of rowsWith(house, 'places', 'groupId', id)) {
        const { edits, groupId } = placeParted(plainPen(), house, place.id, 'Apart')
        const apart = written(house, edits)
        expect(faultsOfRecord(apart)).toEqual([])
        expect(apart.places[place.id]!.groupId).toBe(groupId)
        expect(rowsWith(apart, 'loads', 'groupId', groupId)).toEqual([])
        expect(rowsWith(apart, 'loads', 'groupId', id)).toEqual(rowsWith(house, 'loads', 'groupId', id))
        expect(rowsWith(apart, 'places', 'groupId', id)).toHaveLength(
          rowsWith(house, 'places', 'groupId', id).length - 1,
        )
        const joined = written(apart, placeWorks(plainPen('j'), apart, place.id, id, 'the-same'))
        expect(faultsOfRecord(joined)).toEqual([])
        expect(joined.groups[groupId]).toBeUndefined()
        expect(joined.places).toEqual(house.places)
        expect(joined.ends).toEqual(house.ends)
        expect(joined.loads).toEqual(house.loads)
      }
    },
  )

  it.each(['the-same', 'as-well'] as const)(
    'two lights merged, their lamps %s: nothing points at the one that went',
    lamps => {
      const [one, other] = SEVERAL as [(typeof SEVERAL)[0], (typeof SEVERAL)[0]]
      const own = rowsWith(house, 'loads', 'groupId', one.id)
      const theirs = rowsWith(house, 'loads', 'groupId', other.id)
      expect(own.length * theirs.length).toBeGreaterThan(0)
      const after = written(house, lightsMerged(plainPen(), house, one.id, other.id, lamps))
      expect(faultsOfRecord(after)).toEqual([])
      expect(after.groups[one.id]).toBeUndefined()
      expect(pointingAt(after, one.id)).toEqual([])
      expect(rowsWith(after, 'loads', 'groupId', other.id)).toHaveLength(
        lamps === 'the-same' ? theirs.length : own.length + theirs.length,
      )
      for (const row of rowsWith(house, 'ends', 'roleGroupId', one.id))
        expect(after.ends[row.id]!.roleGroupId).toBe(other.id)
    },
  )

  it('the lamps of a light without any are those of the one it is joined to, whatever is said', () => {
    const [light] = SEVERAL
    const [place] = rowsWith(house, 'places', 'groupId', light!.id)
    const { edits, groupId } = placeParted(plainPen(), house, place!.id, 'Apart')
    const apart = written(house, edits)
    // The other way round: the light with lamps is said to be the one without.
    const after = written(apart, lightsMerged(plainPen('m'), apart, light!.id, groupId, 'the-same'))
    expect(rowsWith(after, 'loads', 'groupId', groupId).map(({ id }) => id)).toEqual(
      rowsWith(house, 'loads', 'groupId', light!.id).map(({ id }) => id),
    )
  })

  it('what was named after a light goes by its new name, what had its own name keeps it', () => {
    const [load] = rowsOf(house, 'loads')
    const group = house.groups[load!.groupId]!
    const named = { ...house, loads: { ...house.loads, own: { ...load!, id: 'own', name: 'Over the desk' } } }
    const after = written(named, lightRenamed(plainPen(), named, group.id, 'Ceiling'))
    expect(after.loads[load!.id]!.name).toBe(load!.name === group.name ? 'Ceiling' : load!.name)
    expect(after.loads.own!.name).toBe('Over the desk')
    expect(freeLightName(after, 'ceiling')).toBe('ceiling 2')
  })

  it('the likeliest light comes first, and its own is not offered', () => {
    for (const { id, groupId } of PLACES) {
      const offered = mayWork(house, id).map(each => each.id)
      expect(offered).not.toContain(groupId)
      expect(offered).toHaveLength(rowsOf(house, 'groups').length - 1)
    }
  })
})

describe('gangs', () => {
  const two = rowsOf(house, 'boxes').filter(({ gangs }) => gangs > 1)
  it.each(two)(
    '$id: a gang put in before each one, and taken out again, leaves all as it was',
    ({ id, gangs }) => {
      for (let before = 1; before <= gangs + 1; before++) {
        const more = written(house, gangInserted(plainPen(), house, id, before))
        expect(faultsOfRecord(more)).toEqual([])
        expect(more.boxes[id]!.gangs).toBe(gangs + 1)
        const moved = rowsWith(house, 'places', 'boxId', id).map(({ id: placeId, gang }) => [
          placeId,
          gang >= before ? gang + 1 : gang,
        ])
        for (const [placeId, gang] of moved) expect(more.places[placeId as string]!.gang).toBe(gang)
        const less = written(more, gangRemoved(plainPen('x'), more, id, before))
        expect(less.places).toEqual(house.places)
        expect(less.groups).toEqual(house.groups)
        expect(less.boxes).toEqual(house.boxes)
      }
    },
  )

  it.each(two)('$id: any gang can go, and what was on its device is loose', ({ id, gangs }) => {
    for (let gang = 1; gang <= gangs; gang++) {
      const after = written(house, gangRemoved(plainPen(), house, id, gang))
      expect(faultsOfRecord(after)).toEqual([])
      expect(rowsWith(after, 'places', 'boxId', id).map(each => each.gang)).toEqual(
        Array.from({ length: gangs - 1 }, (_, at) => at + 1),
      )
      const gone = rowsWith(house, 'places', 'boxId', id).find(each => each.gang === gang)!
      // A light with lamps is not forgotten with its switch: it is listed as one that no place works.
      const isSaid = rowsWith(house, 'loads', 'groupId', gone.groupId).length > 0
      if (isSaid && rowsWith(house, 'places', 'groupId', gone.groupId).length === 1)
        expect(lightsWithoutPlaces(after).map(each => each.id)).toContain(gone.groupId)
    }
  })

  it('one to six gangs, each with its place', () => {
    for (let gangs = 1; gangs <= 6; gangs++) {
      const after = written(house, gangsChanged(plainPen(), house, two[0]!.id, gangs))
      expect(faultsOfRecord(after)).toEqual([])
      expect(rowsWith(after, 'places', 'boxId', two[0]!.id).map(({ gang }) => gang)).toEqual(
        Array.from({ length: gangs }, (_, at) => at + 1),
      )
      const names = rowsOf(after, 'groups').map(({ name }) => name)
      expect(new Set(names).size).toBe(names.length)
    }
  })

  it('a box of another kind has no places; back among the controls it has one', () => {
    const [box] = rowsOf(house, 'boxes')
    const other = written(house, kindChanged(plainPen(), house, box!.id, 'junction'))
    expect(faultsOfRecord(other)).toEqual([])
    expect(rowsWith(other, 'places', 'boxId', box!.id)).toEqual([])
    const back = written(other, kindChanged(plainPen('b'), other, box!.id, 'control'))
    expect(faultsOfRecord(back)).toEqual([])
    expect(rowsWith(back, 'places', 'boxId', box!.id)).toHaveLength(1)
  })
})

describe('a luminaire as a box', () => {
  const lamps = rowsOf(house, 'cables').filter(({ far }) => far === 'luminaire')
  it.each(lamps)('$id runs to it, its own wires hang there, and it is wired with its switches', cable => {
    const [place] = rowsWith(house, 'places', 'boxId', cable.boxId)
    const said = { name: 'Over the table', groupId: place!.groupId, loadId: null }
    const { edits, boxId } = luminaireRecorded(plainPen(), house, cable, cable.boxId, said)
    const after = written(house, edits)
    expect(faultsOfRecord(after)).toEqual([])
    expect(after.cables[cable.id]).toMatchObject({ far: 'box', farBoxId: boxId })
    expect(tiedBoxes(after, boxId).map(({ box }) => box.id)).toContain(cable.boxId)
    expect(tiedBoxes(after, cable.boxId).map(({ box }) => box.id)).toContain(boxId)
    const ends = rowsWith(after, 'ends', 'boxId', boxId)
    expect(ends).toHaveLength(rowsWith(house, 'conductors', 'cableId', cable.id).length + 3)
    const gone = written(after, [plainPen('g').remove('boxes', boxId)])
    expect(gone.cables[cable.id]).toMatchObject({ far: 'not-known', farBoxId: null })
    expect(rowsWith(gone, 'ends', 'boxId', cable.boxId)).toEqual(
      rowsWith(house, 'ends', 'boxId', cable.boxId),
    )
  })
})

describe('lists', () => {
  it('a row and its neighbour exchange places; rows that shared one are numbered anew', () => {
    const rooms = rowsOf(house, 'rooms')
    const after = written(house, movedInList(plainPen(), 'rooms', rooms, rooms[2]!.id, -1))
    expect(rowsOf(after, 'rooms').map(({ id }) => id)).toEqual(
      [0, 2, 1, ...rooms.map((_, at) => at).slice(3)].map(at => rooms[at]!.id),
    )
    const alike = {
      ...house,
      rooms: Object.fromEntries(rooms.map(room => [room.id, { ...room, position: 1 }])),
    }
    const list = rowsOf(alike, 'rooms')
    const anew = written(alike, movedInList(plainPen(), 'rooms', list, list[1]!.id, 1))
    expect(rowsOf(anew, 'rooms')[2]!.id).toBe(list[1]!.id)
    expect(movedInList(plainPen(), 'rooms', rooms, rooms[0]!.id, -1)).toEqual([])
  })
})
