export { approachTo, type ApproachStep } from './approach'
export { isolationOf, type Isolation, type SafetyNeed } from './isolation'
export { approachToLift, holdsBeforeLifting, isLifted, LIFTED, liftedBehind, PUT_BACK } from './lifted'
export { clampedSinceOff, APART, holdsBeforeMoving, isApart, toClamp, TOGETHER } from './apart'
