export { claimStatus, DEAD_VOLTS, isHotRole, isLoadRole, type ClaimStatus } from './claims'
