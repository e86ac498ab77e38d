import type { Tab } from '../job/tabs'
import { terminalPoint, type CircuitJoint } from '../model/circuit'

/** What the tab of a strap joins, as a joint of two screws. */
export const joinedByTab = ({ a, b }: Tab): CircuitJoint => ({
  id: `tab:${a.deviceId}`,
  members: [terminalPoint(a.deviceId, a.terminalId), terminalPoint(b.deviceId, b.terminalId)],
})
