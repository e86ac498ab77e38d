export { after, compile, describeState, stateAt, stateCount, type Compiled, type State } from './compile'
export { solve, type Short, type Solution } from './solve'
export { Nets } from './nets'
