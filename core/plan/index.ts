export { holdPoints } from './guard'
export { powerHolds } from './power-guard'
export { heldOff, ifOn, ifOnAfter, ifOnNow, moves, type IfOn } from './if-on'
export {
  isForWiring,
  isSettled,
  progressOf,
  progressOfJob,
  type BoxProgress,
  type StageProgress,
  type StageState,
} from './progress'
export { testList, type TestItem } from './prove-list'
export { type Step, type StepKind } from './step'
export { needWords, planBox, type BoxPlan } from './steps'
export { DAY_MINUTES, dayOf, TURN_WORDS, type Day, type DayStretch, type Turn } from './day'
export { learnedPace } from './pace'
export { PIECE_KINDS } from './walks'
export { ruleChanges, type RuleChange } from './rule-change'
export { usualValue } from './usual-setting'
