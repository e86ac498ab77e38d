import type {
  Box,
  Breaker,
  Cable,
  Conductor,
  ConductorEnd,
  Device,
  FoundPigtail,
  Joint,
  Load,
  Place,
  Reading,
  Room,
  Row,
} from '../model/entities'
import { rowsWith, type JobRecord } from '../model/record'
import { looksLikeGround, regionOf, type Region } from '../model/regions'
import { RUNS_THROUGH } from '../model/vocabulary'
import { INSULATION_WORDS } from '../words/of-vocabulary'
import { sayFor } from '../model/say-for'

/** One conductor end in a box, with the conductor and cable it belongs to. */
export interface EndView {
  readonly end: ConductorEnd
  readonly conductor: Conductor
  readonly cable: Cable
  /** Short name people can point at, for example `A black`. */
  readonly name: string
}

export interface PlaceView {
  readonly place: Place
  readonly group: Row<'groups'>
  /** What is worked from here; of an isolator, what it parts. */
  readonly loads: readonly Load[]
  /** It works nothing: it parts its loads from all poles. */
  readonly isolates: boolean
  readonly found: Device | null
  /** None where the place is retired. */
  readonly choice: Row<'choices'> | null
  /** Places that control the same loads, this one included; an isolator is alone. */
  readonly placesInGroup: number
  /** Those of them that will work them still: none of the retired. */
  readonly workingInGroup: number
}

/** Everything a stage needs of one box, gathered once from the record's tables. */
export interface BoxView {
  readonly record: JobRecord
  readonly region: Region
  readonly box: Box
  readonly room: Room
  readonly places: readonly PlaceView[]
  readonly cables: readonly Cable[]
  readonly ends: readonly EndView[]
  readonly joints: readonly Joint[]
  readonly pigtails: readonly FoundPigtail[]
  readonly feeds: readonly { readonly feed: Row<'feeds'>; readonly circuit: Breaker }[]
  /** Those that count. */
  readonly readings: readonly Reading[]
  /** Those that somebody struck out, with why: shown, and held against nothing but a box being dead. */
  readonly struckReadings: readonly Reading[]
}

const views = new WeakMap<JobRecord, Map<string, BoxView | null>>()

/** Null where there is no such box. The same record gives the same view, so it can be compared by identity. */
export function boxView(record: JobRecord, boxId: string): BoxView | null {
  let known = views.get(record)
  if (!known) views.set(record, (known = new Map()))
  let view = known.get(boxId)
  if (view === undefined) known.set(boxId, (view = gathered(record, boxId)))
  return view
}

/** The cables that come into a box, runs from others too. */
export const cablesInto = (record: JobRecord, boxId: string): Row<'cables'>[] => [
  ...rowsWith(record, 'cables', 'boxId', boxId),
  ...rowsWith(record, 'cables', 'farBoxId', boxId),
]

function gathered(record: JobRecord, boxId: string): BoxView | null {
  const box = record.boxes[boxId]
  const room = box && record.rooms[box.roomId]
  if (!box || !room) return null
  const cables = cablesInto(record, boxId)
  const joints = rowsWith(record, 'joints', 'boxId', boxId)
  const readings = rowsWith(record, 'readings', 'boxId', boxId)
  return {
    record,
    region: regionOf(record.job.regionId),
    box,
    room,
    places: rowsWith(record, 'places', 'boxId', boxId).map(place => placeView(record, place)),
    cables,
    ends: endViews(record, boxId, cables),
    joints,
    pigtails: joints.flatMap(joint => rowsWith(record, 'pigtails', 'jointId', joint.id)),
    feeds: rowsWith(record, 'feeds', 'boxId', boxId).map(feed => ({
      feed,
      circuit: record.circuits[feed.circuitId]!,
    })),
    readings: readings.filter(({ struck }) => struck === null),
    struckReadings: readings.filter(({ struck }) => struck !== null),
  }
}

/** The model that will stand at a place: the chosen one, else what was found; null where nothing will. */
export const willStand = ({ place, choice, found }: PlaceView): string | null =>
  place.retired ? null : (choice?.modelId ?? found?.modelId ?? null)

function placeView(record: JobRecord, place: Place): PlaceView {
  const loads = rowsWith(record, 'loads', 'groupId', place.groupId)
  const isolated = loads.filter(({ isolatedAtId }) => isolatedAtId === place.id)
  const isolates = isolated.length > 0
  const together = workedFrom(record, place.groupId)
  return {
    place,
    group: record.groups[place.groupId]!,
    loads: isolates ? isolated : loads,
    isolates,
    found: rowsWith(record, 'devices', 'placeId', place.id)[0] ?? null,
    choice: place.retired ? null : (rowsWith(record, 'choices', 'placeId', place.id)[0] ?? null),
    placesInGroup: isolates ? 1 : together.length,
    workingInGroup: isolates ? 1 : together.filter(({ retired }) => !retired).length,
  }
}

/** The places that a light is worked from, the retired too: all but those that isolate something of it. */
export function workedFrom(record: JobRecord, groupId: string): Place[] {
  const isolators = new Set(rowsWith(record, 'loads', 'groupId', groupId).map(load => load.isolatedAtId))
  return rowsWith(record, 'places', 'groupId', groupId).filter(({ id }) => !isolators.has(id))
}

function endViews(record: JobRecord, boxId: string, cables: readonly Cable[]): EndView[] {
  const say = sayFor(record)
  const ends = new Map(rowsWith(record, 'ends', 'boxId', boxId).map(end => [end.conductorId, end]))
  return cables.flatMap(cable => {
    const conductors = rowsWith(record, 'conductors', 'cableId', cable.id)
    return conductors.flatMap(conductor => {
      const end = ends.get(conductor.id)
      if (!end) return []
      const twins = conductors.filter(other => other.insulation === conductor.insulation)
      const number = twins.length > 1 ? ` ${twins.indexOf(conductor) + 1}` : ''
      return [
        {
          end,
          conductor,
          cable,
          name: `${cable.name} ${say(INSULATION_WORDS[conductor.insulation])}${number}`,
        },
      ]
    })
  })
}

/** A wire that a luminaire or half a receptacle brings itself: no conductor of the house. */
export const isOwnLead = ({ cable }: EndView): boolean => cable.sheath === 'own-leads'

/** A conductor of a sheath that carries no mains. */
export const isLowVoltage = ({ cable }: Pick<EndView, 'cable'>): boolean => cable.sheath === 'low-voltage'

/** Ends of conductors that run through unbroken: insulated all along, so that nothing can be read on them there; no ground. */
export const runsThrough = ({ joints, ends, region }: BoxView): ReadonlySet<string> => {
  const unbroken = new Set(
    joints.filter(({ connector }) => RUNS_THROUGH.includes(connector)).map(({ id }) => id),
  )
  return new Set(
    ends.flatMap(({ end, conductor }) =>
      unbroken.has(end.jointId ?? '') && !looksLikeGround(region, conductor) ? [end.id] : [],
    ),
  )
}
