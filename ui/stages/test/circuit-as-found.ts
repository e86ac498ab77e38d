/** Fetched only once a simulated tester is held to it: a person at a wall never needs it here. */
export { foundCircuit } from '@/core/route'
