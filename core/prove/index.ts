export { prove, type Counterexample, type Proof } from './prove'
export { PROPERTIES, PROPERTY_IDS, type PropertyId } from './vocabulary'
