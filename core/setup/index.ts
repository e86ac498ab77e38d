export { aimSensor, type Aimed, type AimResult } from './aim'
export { ceilingPoints, nearestCure, type Cure } from './cure'
export { faultsForClock } from './clock-keeps'
export { daysAhead, type DayAhead } from './days-ahead'
export { clockOf, shownBy, writtenBy, zoneIsKnown, type Clock } from './clock'
export { dateOf, dayOf, minuteOf, weekdayOf, writtenDay, type Day } from './day'
export { parseHabits, timelineOf, type Habits } from './habits'
export {
  parseTimeline,
  presenceOf,
  proposedDelay,
  type Policy,
  type PresenceEvent,
  type PresenceReport,
  type Timeline,
} from './presence'
export { livingWith, type LivedWith, type Living, type LivingAsked } from './living'
export { savingOf, type Saving, type Use } from './energy'
export { faultsOfDays, faultsOfProgram, parseProgram, type Days } from './parse-program'
export { faultsOfPlace, placeFor } from './place'
export { faultsOfHangings } from './hangings'
export type { Moment, Program, ProgramEvent, Turns, When } from '../model/light-program'
export { needsSun, type Differs, type Occurrence, type Place } from './program'
export { runOf, type Happening, type LeftOn, type Run } from './run'
export { cornersOf, gapOf, inwardOf, wallsOf, type Room } from './room'
export { wedgesOf } from './field'
export { eyesOf, seenBy, type Eyes, type Seen } from './seen'
export { parseRoom } from './parse-room'
export { parseSensor } from './parse-sensor'
export { axisOf, type Aim, type CeilingSensor, type Sensor, type WallSensor } from './sensor'
export {
  cornerAdded,
  cornerRemoved,
  EMPTY_PLAN,
  freeWall,
  lengthOf,
  middleOf,
  movedTo,
  nearestWall,
  passageAt,
  passageBeside,
  pointOfHanging,
  rectangle,
  resized,
  sidesOfRectangle,
  whereIs,
  without,
  withWallOf,
  type PassageBeside,
  type Thing,
  type ThingKind,
} from './draw-plan'
export { aimOf, sensorAt, settingsOfAim, type AimSetting } from './sensor-at'
export { PROGRAM_SEED, yearWith, type Differing, type YearAsked, type YearDay, type YearOf } from './year'
export { nightsOf, type Night } from './sun'
export { litByDay } from './lit-by-day'
export { cornersOfWalls, type TypedWall } from './typed-walls'
export { expectedLowEnd, seenDownTo, trimTrial, type TrimNext, type TrimTrial } from './trim'
