export {
  failedBehind,
  holdsBeforeTest,
  mostLoopOhms,
  testsOfCircuit,
  type TestOfCircuit,
} from './certificate'
