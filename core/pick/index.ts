export {
  costOf,
  neededIn,
  picked,
  pickList,
  PICK_KINDS,
  type PickItem,
  type PickKind,
  type Van,
} from './pick-list'
export { savedDevices, type SavedDevice } from './saved'
