import type { Trade } from '@/core/model/trade'
import { devices } from './devices'
import { facts } from './facts'
import {
  boxes,
  conductors,
  houseRules,
  lamps,
  levers,
  minutes,
  motors,
  rings,
  routeCosts,
  twistOn,
} from './tables'

/** The catalogue and the trade's figures, as the core asks for them. */
export const trade: Trade = {
  devices,
  facts,
  conductors,
  lamps,
  motors,
  boxes,
  rings,
  levers,
  twistOn,
  minutes,
  houseRules,
  routeCosts,
}
