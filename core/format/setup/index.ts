export { parseEnergyFile } from './energy-file'
export { parsePresenceFile } from './presence-file'
export { parseProgramFile } from './program-file'
export { parseRoomFile } from './room-file'
