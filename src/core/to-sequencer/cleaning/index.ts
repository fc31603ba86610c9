export { inventoryOf, type TrackInventory } from './inventory';
export { switchKeysOf } from './switch-keys';
export { cleanSmf, CONVERSIONS, PRESET_PLANS, type Cleaned, type CleaningReport, type CleaningSettings } from './clean';
