import { circuitTests } from './circuit-tests'
import { HABITS } from './habits'
import { ROOM_PLANS } from './room-plans'
import { USUAL_PROGRAMS } from './usual-programs'
import { houseRules } from './house-rules'
import type { Trade } from '@/core/model/trade'
import { devices } from './devices'
import { facts } from './facts'
import {
  boxes,
  bypassWatts,
  conductors,
  lamps,
  levers,
  mending,
  minutes,
  motors,
  prices,
  rings,
  routeCosts,
  twistOn,
} from './tables'

/** The catalogue and the trade's figures, as the core asks for them. */
export const trade: Trade = {
  devices,
  circuitTests,
  facts,
  conductors,
  lamps,
  motors,
  prices,
  bypassWatts,
  boxes,
  rings,
  levers,
  twistOn,
  mending,
  minutes,
  houseRules,
  routeCosts,
  habits: HABITS,
  roomPlans: ROOM_PLANS,
  usualPrograms: USUAL_PROGRAMS,
}
