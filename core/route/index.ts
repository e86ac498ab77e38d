export { foundCircuit, plannedCircuit } from './circuit'
export { connectorsFor, type ConnectorPiece } from './connectors'
export {
  routeBox,
  type Pigtail,
  type PlannedDevice,
  type PlannedJoint,
  type PlannedSeat,
  type RoutedBox,
} from './route-box'
