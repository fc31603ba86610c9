import type { ConversionSettings } from '../to-score';
import type { Decision } from './decisions';

/** The settings after one more decision. */
export function apply(settings: ConversionSettings, decision: Decision): ConversionSettings {
  switch (decision.kind) {
    case 'leaveOut':
      return { ...settings, leftOut: { ...settings.leftOut, ...each(decision.tracks, true) } };
    case 'takeIn':
      return { ...settings, leftOut: { ...settings.leftOut, ...each(decision.tracks, false) } };
    case 'assignInstrument':
      return { ...settings, instruments: { ...settings.instruments, ...each(decision.tracks, decision.instrument) } };
    case 'setTechnique':
      return { ...settings, techniques: { ...settings.techniques, ...each(decision.tracks, decision.technique) } };
    case 'gather': {
      const [first, ...others] = decision.tracks;
      return { ...settings, gathered: { ...without(settings.gathered, first!), ...each(others, first!) } };
    }
    case 'standAlone':
      return { ...settings, gathered: { ...settings.gathered, ...each(decision.tracks, null) } };
    case 'dealOut':
      return { ...settings, deals: { ...settings.deals, [decision.track]: decision.deal } };
    case 'setKeyswitches':
      return { ...settings, keyswitches: { ...settings.keyswitches, [decision.track]: Object.fromEntries(decision.meanings.map(({ key, technique }) => [key, technique])) } };
    case 'renamePart':
      return { ...settings, partNames: { ...settings.partNames, [decision.part]: decision.name } };
    case 'abbreviatePart':
      return { ...settings, abbreviations: { ...settings.abbreviations, [decision.part]: decision.abbreviation } };
    case 'setSolo':
      return { ...settings, solos: { ...settings.solos, [decision.part]: decision.solo } };
    case 'movePart':
      return { ...settings, moves: [...settings.moves, { part: decision.part, before: decision.before }] };
    case 'setLanguage':
      return { ...settings, language: decision.language };
    case 'useHouseList':
      return { ...settings, house: { ...settings.house, ...Object.fromEntries(decision.answers.map(({ track, ...answer }) => [track, answer])) } };
    case 'setGrid':
      return { ...settings, grids: { ...settings.grids, [decision.part]: { smallest: decision.smallest, triplets: decision.triplets } } };
    case 'freeGrid':
      return { ...settings, grids: without(settings.grids, decision.part) };
    case 'setLead':
      return { ...settings, leads: { ...settings.leads, [decision.track]: decision.milliseconds } };
    case 'setKey':
      return { ...settings, key: { fifths: decision.fifths, mode: decision.mode } };
    case 'setTitle':
      return { ...settings, title: decision.title };
    case 'splitTrack':
      return { ...settings, splits: { ...settings.splits, [decision.track]: true } };
    case 'placeOriginal':
      return { ...settings, offsets: { ...settings.offsets, [decision.original]: decision.bars } };
    case 'dismissQuery':
      return settings;
  }
}

function each<T>(keys: readonly string[], value: T): Record<string, T> {
  return Object.fromEntries(keys.map((key) => [key, value]));
}

function without<T>(record: Readonly<Record<string, T>>, key: string): Record<string, T> {
  const copy = { ...record };
  delete copy[key];
  return copy;
}
