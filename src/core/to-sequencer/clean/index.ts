export { DATA_KINDS, inventoryOf, type DataKind, type TrackInventory } from './inventory';
export { switchKeysOf } from './switch-keys';
export {
  ACTIONS,
  cleanSmf,
  CONVERSIONS,
  PRESET_PLANS,
  type Action,
  type CleaningPlan,
  type CleaningReport,
  type CleaningSettings,
} from './clean';
