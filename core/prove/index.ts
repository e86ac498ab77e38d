export type { LostNeutral } from './lost-neutral'
export { prove, type Counterexample, type MoveMade, type Proof } from './prove'
export { PROPERTIES } from './sentences'
export { PROPERTY_IDS, type PropertyId } from './vocabulary'
