import Joi from 'joi'
import { good, refused, type Result } from '../../model/result'
import {
  cornersOfWalls,
  parseRoom,
  parseSensor,
  rectangle,
  type Aim,
  type CeilingSensor,
  type Room,
  type Sensor,
  type TypedWall,
  type WallSensor,
} from '../../setup'
import { headOf, readFile, under } from './head'

const metre = Joi.number().min(-1000).max(1000)
const point = Joi.array().items(metre).length(2)
const positive = Joi.number().positive().max(100)
const degrees = Joi.number().min(0).max(90)
const three = Joi.array().items(Joi.number().min(0).max(100)).length(3)
const steps = Joi.array().items(Joi.number()).min(1).max(40)

const ceilingKind = {
  height: positive.required(),
  reach: Joi.object({
    walking: positive.required(),
    small: Joi.number().min(0).max(100).required(),
  }).required(),
  upTo: positive.required(),
  sensitivities: steps.required(),
}

const sensor = Joi.alternatives().conditional(Joi.object({ on: Joi.valid('ceiling').required() }).unknown(), {
  then: Joi.object({ on: Joi.string(), at: point.required(), ...ceilingKind }),
  otherwise: Joi.object({
    on: Joi.valid('wall').required(),
    wall: Joi.number().integer().min(0).required(),
    along: metre.required(),
    height: positive.required(),
    reach: Joi.object({ walking: three.required(), small: three.required() }).required(),
    shutters: steps.required(),
    sensitivities: steps.required(),
  }),
})

const roomSchema = Joi.object({
  ...headOf('room'),
  room: Joi.object({
    rectangle: Joi.array().items(positive).length(2),
    corners: Joi.array().items(point),
    walls: Joi.array()
      .items(Joi.object({ along: metre.required(), turn: Joi.number().default(90) }))
      .max(60),
    height: Joi.number().required(),
    openings: Joi.array()
      .items(
        Joi.object({
          kind: Joi.valid('door', 'bare', 'window').required(),
          wall: Joi.number().integer().min(0).required(),
          from: metre.required(),
          width: metre.required(),
          hinge: Joi.valid('start', 'end').default('start'),
          swings: Joi.valid('in', 'out').default('in'),
          usually: Joi.valid('open', 'shut').default('shut'),
          passage: Joi.object({ from: point.required(), to: point.required(), width: metre.required() })
            .allow(null)
            .default(null),
        }),
      )
      .default([]),
    furniture: Joi.array()
      .items(
        Joi.object({
          centre: point.required(),
          width: metre.required(),
          depth: metre.required(),
          height: metre.required(),
          turned: Joi.number().default(0),
        }),
      )
      .default([]),
    seats: Joi.array()
      .items(Joi.object({ at: point.required(), asleep: Joi.boolean().default(false) }))
      .default([]),
    heat: Joi.array().items(point).default([]),
  })
    .xor('rectangle', 'corners', 'walls')
    .required(),
  sensor: sensor.required(),
  aim: Joi.object({
    left: degrees.default(90),
    right: degrees.default(90),
    sensitivity: Joi.number().positive().max(1).required(),
  }).allow(null),
  others: Joi.array().items(sensor).max(100).default([]),
  ceilingKind: Joi.object(ceilingKind).allow(null).default(null),
})

export interface RoomAsked {
  readonly room: Room
  readonly sensor: Sensor
  /** How it is set now; null where that is not asked. */
  readonly aim: Aim | null
  /** Other places and kinds that may cure what this one cannot. */
  readonly others: readonly Sensor[]
  readonly ceilingKind: Omit<CeilingSensor, 'at'> | null
}

type XY = readonly [number, number]
type CeilingInFile = Omit<CeilingSensor, 'kind' | 'at'>
type SensorInFile =
  | ({ readonly on: 'ceiling'; readonly at: XY } & CeilingInFile)
  | ({ readonly on: 'wall' } & Omit<WallSensor, 'kind'>)

interface RoomInFile {
  readonly room: Omit<Room, 'corners' | 'openings' | 'furniture' | 'seats' | 'heat'> & {
    readonly rectangle?: XY
    readonly corners?: readonly XY[]
    readonly walls?: readonly TypedWall[]
    readonly openings: readonly (Omit<Room['openings'][number], 'passage'> & {
      readonly passage: { readonly from: XY; readonly to: XY; readonly width: number } | null
    })[]
    readonly furniture: readonly (Omit<Room['furniture'][number], 'centre'> & { readonly centre: XY })[]
    readonly seats: readonly { readonly at: XY; readonly asleep: boolean }[]
    readonly heat: readonly XY[]
  }
  readonly sensor: SensorInFile
  readonly aim?: Aim | null
  readonly others: readonly SensorInFile[]
  readonly ceilingKind: CeilingInFile | null
}

const xy = ([x, y]: XY) => ({ x, y })

function sensorOf(given: SensorInFile): Sensor {
  if (given.on === 'ceiling') {
    const { on, at, ...rest } = given
    return { kind: on, at: xy(at), ...rest }
  }
  const { on, ...rest } = given
  return { kind: on, ...rest }
}

export function parseRoomFile(source: string): Result<RoomAsked> {
  const file = readFile<RoomInFile>(source, roomSchema)
  if (!file.ok) return file
  const { value } = file
  const { rectangle: sides, corners = [], walls, ...plan } = value.room
  const typed = walls ? cornersOfWalls(walls) : good(sides ? rectangle(...sides) : corners.map(xy))
  if (!typed.ok) return refused(...under('/room', typed.faults))
  const room: Room = {
    ...plan,
    corners: typed.value,
    openings: plan.openings.map(each => ({
      ...each,
      passage: each.passage && { ...each.passage, from: xy(each.passage.from), to: xy(each.passage.to) },
    })),
    furniture: plan.furniture.map(each => ({ ...each, centre: xy(each.centre) })),
    seats: plan.seats.map(each => ({ ...each, at: xy(each.at) })),
    heat: plan.heat.map(xy),
  }
  const parsed = parseRoom(room)
  if (!parsed.ok) return refused(...under('/room', parsed.faults))
  const asked = sensorOf(value.sensor)
  const others = value.others.map(sensorOf)
  const kind = value.ceilingKind && { kind: 'ceiling' as const, ...value.ceilingKind }
  const faults = [asked, ...others].flatMap((each, at) => {
    const hung = parseSensor(each, room)
    return hung.ok ? [] : under(at === 0 ? '/sensor' : `/others/${at - 1}`, hung.faults)
  })
  return faults.length > 0
    ? refused(...faults)
    : good({ room, sensor: asked, aim: value.aim ?? null, others, ceilingKind: kind })
}
