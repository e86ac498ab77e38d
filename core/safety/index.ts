export { approachTo, type ApproachStep } from './approach'
export { isKeptOff, isSwitchedOff, isolationOf, onAgain, type Isolation, type SafetyNeed } from './isolation'
export { approachToLift, holdsBeforeLifting, isLifted, LIFTED, liftedBehind, PUT_BACK } from './lifted'
export {
  clampedSinceOff,
  APART,
  holdsBeforeMoving,
  isApart,
  isPartedIn,
  mayReturnIn,
  toClamp,
  TOGETHER,
  toReadParted,
} from './apart'
export {
  apartBehind,
  ATTENDED,
  bareBehind,
  holdsBeforeStanding,
  MADE_SAFE,
  mayAttend,
  mayFeed,
  standOf,
  type Stand,
} from './stand'
export { cautionsOf } from './cautions'
export { holdersOf, lockedBehind, locksOn } from './locks'
export { byHand, ticksThatCount, voidedIn, type Voided } from './void'
export { isDrawnOut, isOpened } from './opened'
export { boxesReadDead } from './read-dead'
