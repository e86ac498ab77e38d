import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { quillbackRoad } from '@/demo/quillback'
import { saltpanQuay } from '@/demo/saltpan'
import { parseJobFile, writeJobFile } from '../format/job-file'
import { applyChanges, inverseOf } from '../job/change'
import { faultsOfRecord } from '../job/integrity'
import type { Edit } from '../job/command'
import { tiedBoxes } from '../job/tied'
import { transition } from '../job/transition'
import { ENTITY_NAMES, fieldsOf, type EntityName } from '../model/entities'
import type { Field } from '../model/fields'
import { isMiddle, isTwoPlace } from '../model/make-up'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
import { regionOf } from '../model/regions'
import { lot } from '@/testing/model/lot'
import { devicesFor } from '../model/trade'
import { BOX_KINDS, FAR_ENDS, INSULATIONS, ROLES } from '../model/vocabulary'
import { prove } from '../prove'
import { foundCircuit, routeBox } from '../route'
import { raisedDefects } from '../check'
import { isolationOf } from '../safety'
import { surveyOf } from '../identify'
import { ifOnAfter, planBox, progressOfJob } from '../plan'
import {
  arrangementsOf,
  cableEdits,
  conductorAdded,
  controlBoxAdded,
  entryChanged,
  freeName,
  gangInserted,
  gangRemoved,
  gangsChanged,
  gaugeChanged,
  HANGING,
  hung,
  isRun,
  kindChanged,
  oldDeviceChanged,
  partAdded,
  partRemoved,
  lightRemoved,
  lightRenamed,
  lightsMerged,
  lightsWithoutPlaces,
  linked,
  LOOSE,
  luminaireRecorded,
  matchedByColour,
  mayBeTheSame,
  movedInList,
  circuitsTied,
  placeParted,
  placeWorks,
  roleSaid,
  severalPlaces,
  templateEdits,
  templatesFor,
  unlinked,
  type Pair,
} from '.'
import { boxView } from '../job/box-view'
import { drawnProgram } from '@/testing/setup/drawn-program'
import { soundShapes } from '../job/sound-shapes'
import { drawnRoom } from '@/testing/setup/rooms'
import { plainPen } from '@/testing/recording/plain-pen'

type Draw = (below: number) => number

/** Columns that say where a row belongs; the interface changes them only by the words of the core. */
const BY_WORDS: Partial<Record<EntityName, readonly string[]>> = {
  cables: ['far', 'farBoxId', 'farEntry', 'boxId'],
  boxes: ['gangs', 'kind'],
  places: ['gang', 'part', 'boxId', 'groupId'],
  ends: ['conductorId', 'boxId', 'seat', 'deviceId', 'terminal', 'jointId'],
  conductors: ['cableId'],
  joints: ['boxId'],
  pigtails: ['jointId', 'deviceId', 'terminal'],
  devices: ['placeId', 'modelId'],
  choices: ['placeId', 'modelId'],
  circuits: ['breaker', 'sharedNeutralWithId', 'handleWithId'],
  rooms: ['name'],
}

/** Kinds of edits, the last three any field of any row. */
const KINDS = 31

function anyValue(field: Field, record: JobRecord, draw: Draw): unknown {
  if ('nullable' in field && field.nullable && draw(3) === 0) return null
  switch (field.kind) {
    case 'choice':
      return field.of[draw(field.of.length)]
    case 'number': {
      const value = field.min + draw(Math.max(1, Math.floor(Math.min(field.max - field.min, 50)) + 1))
      return field.whole ? Math.round(value) : value
    }
    case 'flag':
      return draw(2) === 0
    case 'text':
      return ['by the door', 'é “x”', 'a'.repeat(Math.min(field.max, 12))][draw(3)]
    case 'ref': {
      const ids = Object.keys(record[field.to as EntityName])
      return ids[draw(ids.length)] ?? null
    }
    case 'shape':
      if (field.of === 'program') return drawnProgram(draw)
      if (field.of === 'trim') return { levels: [1, 5, 9], seen: [{ saw: 'all-steady' }] }
      if (field.of === 'keyed') return { program: drawnProgram(draw), site: null }
      if (field.of === 'site')
        return { town: '', latitude: draw(181) - 90, longitude: draw(361) - 180, zone: 'Etc/UTC' }
      // As it comes through the door: written down there is no less than nothing.
      return JSON.parse(JSON.stringify({ ...drawnRoom(draw(500)).room, hangings: [] }))
    default:
      return undefined
  }
}

/** One thing a person may do, as the interface writes it; nothing where it cannot be done there. */
function anyEdits(record: JobRecord, draw: Draw, step: number): Edit[] {
  const pen = plainPen(`s${step}`)
  const pick = <Item>(items: readonly Item[]): Item | undefined => items[draw(Math.max(1, items.length))]
  const box = pick(rowsOf(record, 'boxes'))
  const cable = pick(rowsOf(record, 'cables'))
  const place = pick(rowsOf(record, 'places'))
  const region = regionOf(record.job.regionId)
  switch (draw(KINDS)) {
    case 0:
      return cable && !isRun(cable) && cable.sheath !== 'own-leads' && box && box.id !== cable.boxId
        ? linkedTo(record, pen, draw, cable.id, box.id)
        : []
    case 1:
      return cable
        ? unlinked(pen, record, cable.id, pick([cable.boxId, cable.farBoxId ?? cable.boxId])!, 'elsewhere')
        : []
    case 2:
      return cable
        ? conductorAdded(pen, record, cable, { insulation: pick(INSULATIONS)!, gauge: region.usualGauge })
        : []
    case 3:
      return cable ? entryChanged(pen, cable, cable.farBoxId ?? cable.boxId, draw(2) ? 'top' : 'bottom') : []
    case 4:
      return cable ? gaugeChanged(pen, record, cable, pick(region.gauges)!) : []
    case 5: {
      const group = pick(rowsOf(record, 'groups'))
      return place && group
        ? placeWorks(pen, record, place.id, group.id, draw(2) ? 'the-same' : 'as-well')
        : []
    }
    case 6:
      return place ? placeParted(pen, record, place.id, 'Apart').edits : []
    case 7: {
      const [one, other] = [pick(rowsOf(record, 'groups')), pick(rowsOf(record, 'groups'))]
      return one && other && one.id !== other.id
        ? lightsMerged(pen, record, one.id, other.id, draw(2) ? 'the-same' : 'as-well')
        : []
    }
    case 8:
      return box?.kind === 'control' ? gangInserted(pen, record, box.id, 1 + draw(box.gangs + 1)) : []
    case 9:
      return box?.kind === 'control' ? gangRemoved(pen, record, box.id, 1 + draw(box.gangs)) : []
    case 10:
      return box?.kind === 'control' ? gangsChanged(pen, record, box.id, 1 + draw(6)) : []
    case 11:
      return box ? kindChanged(pen, record, box.id, pick(BOX_KINDS)!) : []
    case 12: {
      const rooms = rowsOf(record, 'rooms')
      return rooms.length > 1 ? movedInList(pen, 'rooms', rooms, pick(rooms)!.id, draw(2) ? 1 : -1) : []
    }
    case 13: {
      const end = pick(rowsOf(record, 'ends'))
      return end ? roleSaid(pen, record, end.id, draw(5) ? pick(ROLES)! : null) : []
    }
    case 14: {
      const group = pick(rowsOf(record, 'groups'))
      return group ? lightRenamed(pen, record, group.id, 'Named anew') : []
    }
    case 15: {
      const light = pick(lightsWithoutPlaces(record))
      return light ? lightRemoved(pen, light.id) : []
    }
    case 16:
      return circuitsTied(
        pen,
        record,
        draw(2) === 0 ? 'sharedNeutralWithId' : 'handleWithId',
        rowsOf(record, 'circuits')
          .slice(draw(3), 2 + draw(4))
          .map(({ id }) => id),
      )
    case 17:
      return cable && cable.sheath !== 'own-leads' && !isRun(cable)
        ? luminaireRecorded(pen, record, cable, cable.boxId, {
            name: 'Luminaire',
            groupId: place?.groupId ?? null,
            loadId: null,
          }).edits
        : []
    case 18:
      return box && box.kind !== 'control'
        ? hung(pen, record, {
            boxId: box.id,
            kind: pick(HANGING)!,
            groupId: place?.groupId ?? null,
            loadId: null,
          })
        : []
    case 19: {
      const room = pick(rowsOf(record, 'rooms'))
      return room
        ? controlBoxAdded(
            pen,
            record,
            { id: pen.newId(), roomId: room.id, name: 'New', gangs: 1 + draw(3) },
            room.name,
          )
        : []
    }
    case 20: {
      const view = box ? boxView(record, box.id) : null
      const template = view && view.cables.length === 0 ? pick(templatesFor(view, trade)) : undefined
      return view && template ? templateEdits(pen, view, trade, template, region.usualGauge) : []
    }
    case 21: {
      const template = pick(region.cables)!
      const names = box ? boxView(record, box.id)!.cables.map(({ name }) => name) : []
      return box
        ? cableEdits(
            pen,
            record,
            { boxId: box.id, name: freeName(names), position: names.length, pulled: draw(2) === 0 },
            template.insulations.map(insulation => ({
              insulation,
              gauge: region.usualGauge,
              at: [{ boxId: box.id, said: LOOSE }],
            })),
          )
        : []
    }
    case 22: {
      const olds = devicesFor(trade, region.id, 'found')
      const arrangement = pick(arrangementsOf(2 + draw(3)))!
      return severalPlaces(pen, record, {
        arrangement,
        lightName: `Light ${step}`,
        places: Array.from({ length: arrangement.places }, (_, at) => ({
          kind: 'new' as const,
          roomName: pick(['Stair', 'Loft', 'Hall'])!,
          floor: '',
          name: `Place ${at}`,
        })),
        lamps: draw(2) ? { kind: 'led', wattsEach: 8, count: 2 } : null,
        gauge: region.usualGauge,
        circuitId: pick(rowsOf(record, 'circuits'))?.id ?? null,
        switches: { end: olds.find(isTwoPlace)!, middle: olds.find(isMiddle)! },
      }).edits
    }
    case 23: {
      // A row goes, with all that hangs on it.
      const entity = pick(ENTITY_NAMES)!
      const row = pick(Object.values(record[entity]))
      return row ? [pen.remove(entity, row.id)] : []
    }
    case 24:
      return place ? partAdded(pen, record, place) : []
    case 25:
      return place ? partRemoved(pen, record, place) : []
    case 26: {
      const device = pick(rowsOf(record, 'devices'))
      const view = device ? boxView(record, record.places[device.placeId]!.boxId) : null
      const kind = pick(devicesFor(trade, region.id, 'found'))!
      return device && view ? oldDeviceChanged(pen, view, device.id, kind) : []
    }
    case 27: {
      // As a file may say it: what sits on it sits where it has nothing.
      const device = pick(rowsOf(record, 'devices'))
      const kind = pick(devicesFor(trade, region.id, 'found'))!
      return device ? [pen.change('devices', device.id, { modelId: kind.id })] : []
    }
    default: {
      const entity = pick(ENTITY_NAMES)!
      const row = pick(Object.values(record[entity]) as { id: string }[])
      const free = Object.entries(fieldsOf(entity)).filter(
        ([name, field]) =>
          field.kind !== 'id' &&
          field.kind !== 'instant' &&
          name !== 'seq' &&
          field.kind !== 'ref' &&
          !BY_WORDS[entity]?.includes(name),
      )
      const chosen = pick(free)
      return row && chosen
        ? [pen.change(entity, row.id, { [chosen[0]]: anyValue(chosen[1], record, draw) } as never)]
        : []
    }
  }
}

function linkedTo(
  record: JobRecord,
  pen: ReturnType<typeof plainPen>,
  draw: Draw,
  cableId: string,
  toBoxId: string,
): Edit[] {
  const cable = record.cables[cableId]!
  const there = mayBeTheSame(record, cable, toBoxId)[draw(2)]
  const near = rowsWith(record, 'conductors', 'cableId', cableId)
  const far = there ? rowsWith(record, 'conductors', 'cableId', there.id) : []
  const { pairs, unclear } = matchedByColour(near, far)
  const byHand: Pair[] = [
    ...unclear.near.map((one, at): Pair => ({ near: one, far: unclear.far[at] ?? null })),
    ...unclear.far.slice(unclear.near.length).map((one): Pair => ({ near: null, far: one })),
  ]
  return linked(pen, record, {
    cableId,
    fromBoxId: cable.boxId,
    toBoxId,
    toCableId: there?.id ?? null,
    pairs: there ? [...pairs, ...byHand] : [],
    settled: {},
  })
}

/** What every page asks of a record; none of it may throw, whatever was recorded. */
function answers(record: JobRecord, boxId: string): string {
  const view = boxView(record, boxId)!
  const views = tiedBoxes(record, boxId)
  raisedDefects(view, trade)
  isolationOf(view)
  surveyOf(views, trade)
  if (views.length <= 6) {
    routeBox(view, trade)
    ifOnAfter(view, planBox(view, trade).steps, trade)
  }
  const found = foundCircuit(views, trade)
  if (!found.ok) return 'refused'
  return views.length <= 6 ? prove(found.value).kind : 'large'
}

describe('whatever a person says by hand, the house stays whole', () => {
  it.each([
    ['Quillback Road', quillbackRoad],
    ['Saltpan Quay', saltpanQuay],
  ] as const)(
    '%s, 16 runs of 12 edits: integrity, round trip, every page answers, and back again',
    (_, house) => {
      const done = new Map<number, number>()
      const kinds = new Map<string, number>()
      for (let seed = 1; seed <= 16; seed++) {
        const draw = lot(seed)
        let record = house()
        const made = []
        for (let step = 0; step < 12; step++) {
          const kindDraw = lot(seed * 131 + step)
          const kind = kindDraw(KINDS)
          const edits = anyEdits(record, lot(seed * 131 + step), step)
          if (edits.length === 0) continue
          const changes = transition(record, edits, {
            now: '2026-11-02T09:00:00.000Z',
            guards: [soundShapes],
          })
          // A refusal leaves everything as it was; it is never an exception.
          if (!changes.ok) continue
          done.set(kind, (done.get(kind) ?? 0) + 1)
          record = applyChanges(record, changes.value)
          made.push(changes.value)
          expect(faultsOfRecord(record), `seed ${seed}, step ${step}, kind ${kind}`).toEqual([])
          // No conductor is without an end, no light is pointed at that is not there.
          for (const { id } of rowsOf(record, 'conductors'))
            expect(rowsWith(record, 'ends', 'conductorId', id).length).toBeGreaterThan(0)
        }
        const text = writeJobFile({ record, extra: {} })
        const parsed = parseJobFile(text)
        if (!parsed.ok) throw new Error(`seed ${seed}: ${JSON.stringify(parsed.faults.slice(0, 3))}`)
        expect(writeJobFile(parsed.value)).toBe(text)
        expect(parsed.value.record).toEqual(record)
        const boxes = rowsOf(record, 'boxes')
        const box = boxes[draw(Math.max(1, boxes.length))]
        if (box) {
          const kind = answers(record, box.id)
          kinds.set(kind, (kinds.get(kind) ?? 0) + 1)
        }
        if (seed % 8 === 0) progressOfJob(record, trade)
        for (const changes of made.reverse()) record = applyChanges(record, inverseOf(changes))
        const before = house()
        for (const entity of ENTITY_NAMES) expect(record[entity], `seed ${seed}`).toEqual(before[entity])
      }
      // Each kind of edit was made, and the prover was asked of circuits it could answer.
      expect(done.size).toBeGreaterThan(18)
      expect([...kinds.keys()].some(kind => kind === 'proven' || kind === 'refuted')).toBe(true)
    },
  )

  it('every way of leading somewhere is one that hands say', () => {
    expect([...FAR_ENDS].sort()).toEqual(['box', 'elsewhere', 'luminaire', 'not-known', 'panel'])
  })
})
