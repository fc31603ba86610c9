export { type NameOf } from './decision-kind';
export {
  apply,
  asOne,
  DECISION_KINDS,
  describe,
  lessonsIn,
  rolesOf,
  singles,
  type Decision,
  type SingleDecision,
} from './registry';
export { type Role, type Roles } from './roles';
export { BarRange } from './shapes/bar-range';
export { DealDto } from './shapes/deal';
export { DrumSoundDto } from './shapes/drum-sound';
export { SwitchDto } from './shapes/technique-chart';
export { treatmentInWords } from './shapes/treatment';
export { type HouseAnswerDto, type UseHouseList } from './casting/use-house-list';
export { type SetSequencing } from './sequencing/set-sequencing';
export { type SetPartSequencing } from './sequencing/set-part-sequencing';
export { inOneGo } from './records';
export { AreShapes, IsInstrumentId, IsShape, PART } from './validators';
export { CARRIER_NAMES, DATA_NAMES, encodingName, LANGUAGE_NAMES, MARK_NAMES, valueName } from './words';
