export { dutiesOf, type Duty, type DutyId } from './duties'
