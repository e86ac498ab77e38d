export { breakersIn, directoryOf, roomsOf, type DirectoryEntry } from './directory'
export { linesIn, linesToTell, type Line } from './lines'
export { darkenedBy, huntFor, type Watched, type Hunt, type HuntCandidate, type HuntReason } from './hunt'
