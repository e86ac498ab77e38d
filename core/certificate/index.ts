export {
  failedBehind,
  holdsBeforeTest,
  mostLoopOhms,
  mostRunOhms,
  ohmsOfMetre,
  testsOfCircuit,
  type TestOfCircuit,
} from './certificate'
