export { circuitOfPlan, foundCircuit, plannedCircuit } from './circuit'
export { connectorsFor, type ConnectorPiece } from './connectors'
export {
  type Pigtail,
  type PlannedDevice,
  type PlannedJoint,
  type PlannedSeat,
  type RoutedBox,
} from './planned'
export { protectedBy, waysIn } from './feed'
export { netPath, type NetInBox } from './net-path'
export { routeBox } from './route'
export { kindOf as kindOfNet, type NetKind } from './net'
export { isOneConductor } from './planned'
export { changedTerminals, foundJointOf } from './as-found'
export { circuitBetween, type BoxHalfDone, type DoneSoFar, type HalfDone } from './half-done'
export { cableCure, cablesThatCure, routeAll, withCable, type NewCable, type RouteCure } from './cables'
export { routeCures } from './cures'
export { withChoices, withRule } from './tried'
export { wishesFor } from './wish'
export { setsFor, type DeviceSet } from './sets'
export {
  isTied,
  nextBest,
  routedTogether,
  routeTogether,
  unsaidAbout,
  type RoutedTogether,
  settingOfPlan,
} from './tied-boxes'
export { companionSignal, isMiddle, isTwoPlace, mainSignal } from '../model/make-up'
export { SET_KINDS, type Scheme, type SetKind } from './schemes'
export type { Unsaid } from './unsaid'
