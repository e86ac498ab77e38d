import type { Tab } from '../job/tabs'
import { terminalPoint, type CircuitJoint } from '../model/circuit'

/** What a device joins of itself, as a joint of two screws. */
export const joinedByTab = ({ a, b }: Tab): CircuitJoint => ({
  id: `tab:${terminalPoint(a.deviceId, a.terminalId)}`,
  members: [terminalPoint(a.deviceId, a.terminalId), terminalPoint(b.deviceId, b.terminalId)],
})
