export { isolationOf, type Isolation, type SafetyNeed } from './isolation'
