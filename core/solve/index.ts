export {
  compile,
  describeState,
  holds,
  settingOf,
  stateAt,
  stateCount,
  stateFromWords,
  type Compiled,
  type State,
  type StateInWords,
} from './compile'
export { Nets } from './nets'
export { magnitude, potentials, type Element, type Injection, type Phasor, type Potentials } from './nodal'
export { Situations, type Situation } from './situations'
export {
  AS_DRAWN,
  FULL_TO,
  fixedPotentials,
  solve,
  type Conditions,
  type Light,
  type Short,
  type Solution,
} from './solve'
