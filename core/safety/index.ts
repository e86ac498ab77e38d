export { approachTo, type ApproachStep } from './approach'
export { isolationOf, type Isolation, type SafetyNeed } from './isolation'
export { APART, holdsBeforeMoving, isApart, toClamp, TOGETHER } from './apart'
