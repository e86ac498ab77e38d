import { ENTITIES } from '../model/entities'
import Joi from 'joi'
import { OUTSIDE_EVENTS, PEER_EVENTS, type DeviceModel } from '../model/device'
import { faultsOfDevice } from '../model/device-form'
import { refused, type Result } from '../model/result'
import {
  GAUGES,
  INSULATIONS,
  OPENINGS,
  PHASES,
  RADIOS,
  RATING_KINDS,
  REGION_IDS,
  STRANDINGS,
  WANTS,
} from '../model/vocabulary'
import { BEARS_ON, MADE_BY, MADE_WHEN, SETTING_KINDS } from '../model/setting'
import { ofToday } from './older-device'
import { validated } from './schemas'

const name = Joi.string().min(1).max(80)
const token = Joi.string().pattern(/^[a-z0-9][a-z0-9-]{0,59}$/, 'token')
const state = Joi.object().pattern(token, Joi.string().min(1).max(40))
const positive = Joi.number().positive()

const valueWords = Joi.string().min(1).max(60)
const figures = Joi.alternatives(Joi.number(), Joi.array().items(Joi.number()).min(1).max(24))
const reach = Joi.number().min(0).max(50)
const atAngles = Joi.array().items(reach).length(3)

const isolatedPole = Joi.object({ from: token.required(), to: token.required() })

const terminal = Joi.object({
  id: token.required(),
  word: name.required(),
  wants: Joi.valid(
    'line',
    'load',
    'neutral',
    'ground',
    'signal',
    'common',
    'traveller',
    'pass',
    'beyond',
    'own',
    'control-plus',
    'control-minus',
  ).required(),
  alike: token.allow(null).required(),
  joins: Joi.valid('screw', 'clamp', 'push-in', 'lead').required(),
  lead: Joi.when('joins', {
    is: 'lead',
    then: Joi.valid(...INSULATIONS).optional(),
    otherwise: Joi.forbidden(),
  }),
  gauges: Joi.array()
    .items(Joi.valid(...GAUGES))
    .min(1)
    .required(),
  strandings: Joi.array()
    .items(Joi.valid(...STRANDINGS))
    .min(1)
    .required(),
  atMost: Joi.number().integer().min(1).max(4).required(),
  side: Joi.valid('left', 'right').required(),
})

const supply = Joi.alternatives(
  Joi.object({
    kind: Joi.valid('line-neutral').required(),
    line: token.required(),
    neutral: token.required(),
    milliamps: positive.required(),
  }),
  Joi.object({
    kind: Joi.valid('line-ground').required(),
    line: token.required(),
    ground: token.required(),
    leakMilliamps: positive.required(),
    retrofitOnly: Joi.boolean().required(),
  }),
  Joi.object({
    kind: Joi.valid('through-load').required(),
    line: token.required(),
    load: token.required(),
    minimumWatts: positive.required(),
    offMilliamps: positive.required(),
  }),
)

const deviceSchema = Joi.object({
  form: Joi.valid(2).required(),
  id: token.required(),
  name: name.required(),
  stock: Joi.valid('new', 'found', 'retired').required(),
  family: token.allow(null).required(),
  does: Joi.array()
    .items(Joi.valid(...WANTS))
    .required(),
  regions: Joi.array()
    .items(Joi.valid(...REGION_IDS))
    .min(1)
    .required(),
  places: Joi.object({
    least: Joi.number().integer().min(1).max(64).required(),
    most: Joi.number().integer().min(1).max(64).required(),
  }).required(),
  terminals: Joi.array().items(terminal).required(),
  variables: Joi.array()
    .items(
      Joi.object({
        id: token.required(),
        values: Joi.array().items(Joi.string().min(1).max(40)).min(2).unique().required(),
        initial: Joi.string().required(),
        moves: Joi.valid('hand', 'electronics').required(),
      }),
    )
    .unique('id')
    .required(),
  contacts: Joi.array()
    .items(
      Joi.object({
        between: Joi.array().ordered(token.required(), token.required()).required(),
        when: state.required(),
        kind: Joi.valid('metal', 'electronic').required(),
        share: Joi.object({
          variable: token.required(),
          of: Joi.object().pattern(Joi.string(), Joi.number().greater(0).max(1)).required(),
        }),
      }),
    )
    .required(),
  supply: Joi.array().items(supply).required(),
  signals: Joi.array()
    .items(
      Joi.object({
        terminal: token.required(),
        family: token.required(),
        hears: Joi.array().items(token).required(),
        passes: token.allow(null).required(),
      }),
    )
    .required(),
  control: Joi.array()
    .items(
      Joi.object({
        event: Joi.valid(...OUTSIDE_EVENTS, ...PEER_EVENTS).required(),
        from: state.required(),
        to: state.required(),
        set: Joi.object().pattern(token, Joi.string()),
        tells: Joi.valid('told-on', 'told-off'),
      }),
    )
    .required(),
  commanded: Joi.object({ when: state.required() }).allow(null).required(),
  outlet: Joi.object({
    ...{ hot: token.required(), neutral: token.required(), ground: token.required() },
    protects: Joi.object({ hot: token.required(), neutral: token.required() }),
  }).allow(null),
  isolates: Joi.object({
    line: isolatedPole,
    load: isolatedPole.required(),
    neutral: isolatedPole.required(),
  }),
  outOfService: Joi.object({ when: state.required() }).allow(null),
  indicator: Joi.object({ when: state.required() }).allow(null),
  keepsSwitch: Joi.object({ set: Joi.object().pattern(token, Joi.string()).required() })
    .allow(null)
    .required(),
  radio: Joi.valid(...RADIOS)
    .allow(null)
    .required(),
  ratings: Joi.array()
    .items(
      Joi.object({
        kind: Joi.valid(...RATING_KINDS).required(),
        unit: Joi.valid('W', 'VA', 'A', 'hp').required(),
        limit: positive.required(),
        oneSide: positive.allow(null).required(),
        bothSides: positive.allow(null).required(),
      }),
    )
    .required(),
  dims: Joi.object({ phase: Joi.valid(...PHASES).required() })
    .allow(null)
    .required(),
  pairAsMains: Joi.boolean(),
  motorAllowed: Joi.boolean().required(),
  receptacleAllowed: Joi.boolean().required(),
  groundRequired: Joi.boolean().required(),
  mostDrivers: Joi.number().integer().min(1).max(1000),
  mostInrushAmperes: positive.max(10_000),
  enclosure: Joi.valid('damp', 'wet'),
  byCord: Joi.boolean(),
  glows: Joi.boolean().required(),
  behind: Joi.object({ cubicInches: positive.max(10).required() }),
  size: Joi.object({
    gangs: Joi.number().integer().min(1).max(4).required(),
    depthMillimetres: positive.max(100).required(),
  }).required(),
  opening: Joi.valid(...OPENINGS).required(),
  part: Joi.object({
    of: token.required(),
    most: Joi.number().integer().min(2).max(ENTITIES.places.part.max).required(),
    inOnePiece: Joi.boolean().required(),
    tab: token.allow(null).required(),
  }),
  finishes: Joi.array().items(name).unique().required(),
  settings: Joi.array()
    .items(
      Joi.object({
        id: token.required(),
        name: name.required(),
        kind: Joi.valid(...SETTING_KINDS).required(),
        allowed: Joi.alternatives(
          Joi.array()
            .items(valueWords, Joi.object({ says: valueWords.required(), is: figures.required() }))
            .min(2)
            .max(100),
          Joi.object({
            from: Joi.number().required(),
            to: Joi.number().required(),
            step: positive.required(),
          }),
        ).required(),
        initial: valueWords.required(),
        bearsOn: Joi.valid(...BEARS_ON)
          .allow(null)
          .required(),
        made: Joi.valid(...MADE_BY)
          .allow(null)
          .required(),
        when: Joi.valid(...MADE_WHEN)
          .allow(null)
          .required(),
        how: Joi.array().items(Joi.string().min(1).max(300)).max(20).required(),
        why: Joi.string().max(300).required(),
      }),
    )
    .unique('id')
    .required(),
  sees: Joi.alternatives(
    Joi.object({
      hangs: Joi.valid('wall').required(),
      reach: Joi.object({ walking: atAngles.required(), small: atAngles.required() }).required(),
    }),
    Joi.object({
      hangs: Joi.valid('ceiling').required(),
      reach: Joi.object({ walking: reach.required(), small: reach.required() }).required(),
      upTo: positive.max(15).required(),
    }),
  ),
  clock: Joi.object({
    daylightSaving: Joi.valid('follows', 'stands', 'set').required(),
    override: Joi.alternatives(Joi.valid('next-event'), Joi.number().integer().min(1).max(1440)).required(),
    batteryHours: Joi.number().min(0).max(100_000).required(),
    events: Joi.number().integer().min(1).max(200).required(),
    can: Joi.array()
      .items(Joi.valid('sun', 'weekdays', 'dates', 'pairs', 'vary'))
      .unique()
      .required(),
    asks: Joi.array()
      .items(Joi.valid('place', 'date', 'clock', 'daylight-saving', 'events'))
      .unique()
      .required(),
  }),
  joining: Joi.object({
    how: Joi.array().items(Joi.string().min(1).max(300)).min(1).max(20).required(),
    seconds: positive.max(3600).required(),
  }),
  tests: Joi.array()
    .items(
      Joi.object({
        id: token.required(),
        says: Joi.string().max(300).required(),
        expect: Joi.string().max(300).required(),
      }),
    )
    .unique('id')
    .required(),
  instructions: Joi.object({
    stripMillimetres: positive.max(40).required(),
    screwNewtonMetres: positive.max(10).allow(null).required(),
    notes: Joi.array().items(Joi.string().max(300)).required(),
    indicator: Joi.array()
      .items(Joi.object({ shows: Joi.string().max(120).required(), means: Joi.string().max(300).required() }))
      .required(),
    warmUpSeconds: positive.max(3600).allow(null).required(),
  }).required(),
  price: Joi.number().min(0).required(),
  minutes: Joi.number().min(0).required(),
})

/** A device model from a file: its shape, then whether it makes sense. Refused with every path. */
export function parseDevice(given: unknown): Result<DeviceModel> {
  const shape = validated<DeviceModel>(deviceSchema, ofToday(given))
  if (!shape.ok) return shape
  const faults = faultsOfDevice(shape.value)
  return faults.length > 0 ? refused(...faults) : shape
}
