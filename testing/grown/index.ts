export { cutOf, type Cut } from './cut'
export { MISTAKES } from './parts'
export { play, type Playing } from './player'
