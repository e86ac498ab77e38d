export { claimStatus, type ClaimStatus } from './claims'
export { candidatesOf, type Allowed } from './candidates'
export { basisOf } from './basis'
export { Identifier, type Identification } from './identifier'
export type { Reach } from './rivals'
export { accountedIn, allowedBy, readingFor, surveyOf, takenIn, valueOf } from './of-record'
export { caseOf, type Case } from './case'
export { conflictOf, type Conflict } from './conflict'
export { identified, type Accounted, type Identified } from './identified'
export type { Hypothesis } from './hypothesis'
export { Ledger, type Taken } from './ledger'
export { minutesIn } from './minutes'
export { nextQuestion, type CostOf, type Next } from './next'
export { Candidates } from './predictions'
export {
  answerOfVolts,
  answerOfWatched,
  answersTo,
  keyOf,
  type Answer,
  type Question,
  type Spot,
} from './question'
export type {
  Survey,
  SurveyBox,
  SurveyCable,
  SurveyDevice,
  SurveyEnd,
  SurveyLight,
  SurveySeat,
} from './survey'
