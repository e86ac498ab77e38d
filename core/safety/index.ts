export { approachTo, type ApproachStep } from './approach'
export { isolationOf, type Isolation, type SafetyNeed } from './isolation'
export { approachToLift, holdsBeforeLifting, isLifted, LIFTED, liftedBehind, PUT_BACK } from './lifted'
export { clampedSinceOff, APART, holdsBeforeMoving, isApart, mayReturnIn, toClamp, TOGETHER } from './apart'
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
export { boxesReadDead } from './read-dead'
