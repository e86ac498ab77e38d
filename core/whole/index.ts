export { sharesOf, stepBetween, type ProposalStep, type Share } from './shares'
export { whatUnlocks, type Unlocks } from './unlocks'
export { choicesOf, type LightChoices, type LightOption } from './options'
export { PROPOSALS, problemOf, WEIGHTS, type ProposalKind, type Weights, type WholeQuestion } from './problem'
export {
  propose,
  scoreOf,
  totalsOf,
  type Proposal,
  type Proposed,
  type Reason,
  type Solved,
  type Solver,
  type Totals,
} from './proposal'
