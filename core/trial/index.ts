export { Trial, type Action, type Seen } from './trial'
