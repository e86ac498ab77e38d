export { holdPoints } from './guard'
export {
  isSettled,
  progressOf,
  progressOfJob,
  type BoxProgress,
  type StageProgress,
  type StageState,
} from './progress'
export { testList, type TestItem } from './prove-list'
export { needWords, planBox, type BoxPlan, type Step } from './steps'
