export { read, readIn } from './read'
export { AS_IT_COMES, standing, type Stand, type Standing } from './stand'
export { TEST_INSTRUMENTS, type Shown, type Test, type WiringSense } from './instruments'
