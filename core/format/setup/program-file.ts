import Joi from 'joi'
import { fault, good, refused, type Result } from '../../model/result'
import {
  dayOf,
  faultsOfDays,
  faultsOfPlace,
  minuteOf,
  parseProgram,
  type Days,
  type Happening,
  type Moment,
  type Place,
  type Program,
  type ProgramEvent,
  type Turns,
  type When,
} from '../../setup'
import { figure, headOf, readFile, under } from './head'

const WEEKDAYS = ['mo', 'tu', 'we', 'th', 'fr', 'sa', 'su'] as const

const MOMENT = /^(?:([01]\d|2[0-3]):([0-5]\d)|(dusk|dawn)([+-]\d{1,3})?)$/
const moment = Joi.string().pattern(MOMENT, 'moment')
const pair = Joi.array().items(moment).length(2)
const monthDay = Joi.string().pattern(/^\d\d-\d\d$/, 'month and day')
const clockTime = Joi.string().pattern(/^([01]\d|2[0-3]):[0-5]\d$/, 'clock time')
const instant = Joi.string().isoDate()

const place = Joi.object({
  latitude: Joi.number().required(),
  longitude: Joi.number().required(),
  zone: Joi.string().allow('').max(60).required(),
})
const date = Joi.string().pattern(/^\d{4}-\d\d-\d\d$/, 'date')
const days = Joi.object({ from: date.required(), to: date.required() })

const programSchema = Joi.object({
  ...headOf('program'),
  place: place.required(),
  days: days.required(),
  /** Left out where only the sun is asked about. */
  program: Joi.object({
    daylightSaving: Joi.valid('follows', 'stands').default('follows'),
    events: Joi.array()
      .items(
        Joi.object({
          turns: Joi.valid('on', 'off').required(),
          at: Joi.alternatives(
            moment,
            Joi.object({ earlier: pair.required() }),
            Joi.object({ later: pair.required() }),
          ).required(),
          days: Joi.array()
            .items(Joi.valid(...WEEKDAYS))
            .unique()
            .default([...WEEKDAYS]),
          between: Joi.array().items(monthDay).length(2).allow(null).default(null),
          ofThatNight: Joi.boolean().default(false),
          instead: clockTime.allow(null).default(null),
          vary: Joi.number().integer().min(0).default(0),
        }),
      )
      .required(),
  }),
  /** Whose clock is to keep it: an id of the catalogue. */
  device: Joi.string().max(60).allow(null).default(null),
  seed: Joi.number().integer().min(0).default(0),
  happening: Joi.object({
    overrides: Joi.array()
      .items(
        Joi.object({
          at: instant.required(),
          turns: Joi.valid('on', 'off').required(),
          minutes: Joi.number().integer().min(1).allow(null).default(null),
        }),
      )
      .default([]),
    outages: Joi.array()
      .items(
        Joi.object({
          from: instant.required(),
          to: instant.required(),
          setAt: instant.allow(null).default(null),
        }),
      )
      .default([]),
    batteryHours: figure.default(0),
  }).default({ overrides: [], outages: [], batteryHours: 0 }),
  watts: figure.default(0),
  pricePerKilowattHour: figure.default(0),
})

export interface ProgramAsked {
  readonly place: Place
  readonly days: Days
  /** Null where only the sun is asked about. */
  readonly program: Program | null
  /** The device that is to keep it; null where that is not asked. */
  readonly deviceId: string | null
  readonly seed: number
  readonly happening: Happening
  readonly watts: number
  readonly pricePerKilowattHour: number
}

type WhenInFile =
  string | { readonly earlier: readonly [string, string] } | { readonly later: readonly [string, string] }

interface EventInFile {
  readonly turns: Turns
  readonly at: WhenInFile
  readonly days: readonly (typeof WEEKDAYS)[number][]
  readonly between: readonly [string, string] | null
  readonly ofThatNight: boolean
  readonly instead: string | null
  readonly vary: number
}

interface ProgramInFile extends Pick<ProgramAsked, 'place' | 'seed' | 'watts' | 'pricePerKilowattHour'> {
  readonly device: string | null
  readonly days: { readonly from: string; readonly to: string }
  readonly program?: {
    readonly daylightSaving: Program['daylightSaving']
    readonly events: readonly EventInFile[]
  }
  readonly happening: {
    readonly overrides: readonly {
      readonly at: string
      readonly turns: Turns
      readonly minutes: number | null
    }[]
    readonly outages: readonly { readonly from: string; readonly to: string; readonly setAt: string | null }[]
    readonly batteryHours: number
  }
}

export function parseProgramFile(source: string): Result<ProgramAsked> {
  const file = readFile<ProgramInFile>(source, programSchema)
  if (!file.ok) return file
  const { place, days: written, device: deviceId, seed, watts, pricePerKilowattHour } = file.value
  const [from, to] = [dayOf(written.from), dayOf(written.to)]
  const happening = happeningOf(file.value.happening)
  const faults = [
    ...under('/place', faultsOfPlace(place)),
    ...(from === null ? [fault('/days/from', 'no-such-date', 'the calendar has no such day')] : []),
    ...(to === null ? [fault('/days/to', 'no-such-date', 'the calendar has no such day')] : []),
    ...(from === null || to === null ? [] : under('/days', faultsOfDays({ from, to }))),
    ...happening.outages.flatMap((each, at) =>
      each.to <= each.from || (each.setAt !== null && each.setAt < each.to)
        ? [fault(`/happening/outages/${at}`, 'out-of-order', 'from, then to, then setAt')]
        : [],
    ),
    ...happening.outages.flatMap((each, at) =>
      happening.outages.slice(0, at).some(other => other.from < each.to && each.from < other.to)
        ? [fault(`/happening/outages/${at}/from`, 'overlaps', 'the power is away already')]
        : [],
    ),
  ]
  if (faults.length > 0 || from === null || to === null) return refused(...faults)
  const asked = { place, days: { from, to }, deviceId, seed, happening, watts, pricePerKilowattHour }
  if (!file.value.program) return good({ ...asked, program: null })
  const { daylightSaving, events } = file.value.program
  const program = parseProgram({ daylightSaving, events: events.map(eventOf) }, place, asked.days)
  return program.ok
    ? good({ ...asked, program: program.value })
    : refused(...under('/program', program.faults))
}

const happeningOf = ({ overrides, outages, batteryHours }: ProgramInFile['happening']): Happening => ({
  batteryHours,
  overrides: overrides.map(each => ({ ...each, at: Date.parse(each.at) })),
  outages: outages.map(({ from, to, setAt }) => ({
    from: Date.parse(from),
    to: Date.parse(to),
    setAt: setAt === null ? null : Date.parse(setAt),
  })),
})

const eventOf = ({
  turns,
  at,
  days: on,
  between,
  ofThatNight,
  instead,
  vary,
}: EventInFile): ProgramEvent => ({
  turns,
  when: whenOf(at),
  days: on.map(each => WEEKDAYS.indexOf(each) + 1),
  between: between && { from: between[0], to: between[1] },
  ofThatNight,
  instead: instead === null ? null : minuteOf(instead),
  vary,
})

function whenOf(given: WhenInFile): When {
  if (typeof given === 'string') return momentOf(given)
  const [kind, [one, other]] =
    'earlier' in given ? (['earlier', given.earlier] as const) : (['later', given.later] as const)
  return { kind, of: [momentOf(one), momentOf(other)] }
}

function momentOf(written: string): Moment {
  const minute = minuteOf(written)
  if (minute !== null) return { kind: 'clock', minute }
  return { kind: written.startsWith('dusk') ? 'dusk' : 'dawn', plus: Number(written.slice(4)) }
}
