export { aimSensor, ceilingPoints, nearestCure, type Aimed, type AimResult, type Cure } from './aim'
export { clockOf, writtenBy } from './clock'
export { dayOf, minuteOf, writtenDay } from './day'
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
export { savingOf, type Saving, type Use } from './energy'
export { faultsOfDays, faultsOfPlace, parseProgram, type Days } from './parse-program'
export {
  type Moment,
  type Occurrence,
  type Place,
  type Program,
  type ProgramEvent,
  type Turns,
  type When,
} from './program'
export { runOf, type Happening, type Run } from './run'
export { parseRoom, type Room } from './room'
export { eyesOf, seenBy, type Seen } from './seen'
export { parseSensor, type Aim, type CeilingSensor, type Sensor, type WallSensor } from './sensor'
export { nightsOf, type Night } from './sun'
export { litByDay } from './lit-by-day'
export { cornersOfWalls, type TypedWall } from './typed-walls'
export { trimTrial, type Trimmed, type TrimSeen, type TrimTrial } from './trim'
