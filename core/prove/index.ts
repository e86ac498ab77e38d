export { prove, type Counterexample, type Proof } from './prove'
export { PROPERTIES } from './sentences'
export { PROPERTY_IDS, type PropertyId } from './vocabulary'
