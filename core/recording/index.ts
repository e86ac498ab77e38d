export type { Pen } from './pen'
export { arrangementsOf, arranged, type Arrangement, type Arranged, type Net } from './arrangements'
export {
  boxAdded,
  controlBoxAdded,
  gangInserted,
  gangRemoved,
  gangsChanged,
  kindChanged,
  MOST_GANGS,
  MOST_PARTS,
  partAdded,
  partRemoved,
  movedInList,
  roomNamed,
} from './boxes'
export { kindOf, templateEdits, templatesFor } from './box-template'
export type { BoxTemplate, SwitchKind, TemplateCable, TemplateSeat } from './templates'
export {
  cableEdits,
  cableNamesIn,
  conductorAdded,
  entryAt,
  entryChanged,
  freeName,
  gaugeChanged,
  LOOSE,
  strandEdits,
  type NewStrand,
  type Seat,
} from './cables'
export { circuitAdded, circuitsTied } from './circuits'
export { HANGING, hung, luminaireRecorded, type Hanging, type Hung } from './fixtures'
export {
  freeLightName,
  lightAdded,
  lightRemoved,
  lightRenamed,
  lightsMerged,
  lightsWithoutPlaces,
  mayWork,
  placeParted,
  placeWorks,
  type LampsOfBoth,
} from './lights'
export {
  DIFFERING,
  differencesIn,
  isRun,
  linked,
  matchedByColour,
  mayBeTheSame,
  mayLeadTo,
  otherBoxOf,
  unlinked,
  type Differing,
  type Link,
  type Pair,
} from './runs'
export { severalPlaces, type PlaceToBe, type SeveralPlaces } from './several-places'
export { exchanged, pairSaid, roleSaid } from './roles'
export { oldDeviceChanged } from './old-device'
export { roomPut } from './floors'
export { cableGauges, gaugeForBreaker } from './gauges'
