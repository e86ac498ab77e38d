export { costOf, pickList, PICK_KINDS, type PickItem, type PickKind, type Van } from './pick-list'
