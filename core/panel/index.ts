export { directoryOf, roomsOf, type DirectoryEntry } from './directory'
export { darkenedBy, huntFor, type Hunt, type HuntCandidate, type HuntReason } from './hunt'
export { byPosition, oneHandle, sharersOf, thrownWith } from './ties'
