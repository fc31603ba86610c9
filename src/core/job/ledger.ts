import { instrumentById } from '../instruments';
import { keyName } from '../score';
import { NO_SETTINGS, type ConversionSettings, type SmallestValue } from '../to-score';
import type { Decision } from './decisions';

/**
 * The ordered list of all decisions of a job. Undo and redo move `position` along it; a new decision made after an undo takes
 * the place of what was undone. Values are never changed, a new ledger is returned.
 */
export interface Ledger {
  readonly decisions: readonly Decision[];
  /** Decisions in force, counted from the first. */
  readonly position: number;
}

export const EMPTY_LEDGER: Ledger = { decisions: [], position: 0 };

export function enter(ledger: Ledger, decision: Decision): Ledger {
  const decisions = [...ledger.decisions.slice(0, ledger.position), decision];
  return { decisions, position: decisions.length };
}

export function undo(ledger: Ledger): Ledger {
  return { ...ledger, position: Math.max(0, ledger.position - 1) };
}

export function redo(ledger: Ledger): Ledger {
  return { ...ledger, position: Math.min(ledger.decisions.length, ledger.position + 1) };
}

/** @param position decisions to keep in force; 0 goes back to the original */
export function moveTo(ledger: Ledger, position: number): Ledger {
  return { ...ledger, position: Math.max(0, Math.min(ledger.decisions.length, position)) };
}

export function inForce(ledger: Ledger): readonly Decision[] {
  return ledger.decisions.slice(0, ledger.position);
}

/** Replays the decisions in force into settings for the engine. */
export function settingsOf(ledger: Ledger): ConversionSettings {
  return inForce(ledger).reduce(apply, NO_SETTINGS);
}

/** Ids of the queries that were dismissed. */
export function dismissedQueries(ledger: Ledger): Set<string> {
  return new Set(inForce(ledger).flatMap((decision) => (decision.kind === 'dismissQuery' ? [decision.query] : [])));
}

function apply(settings: ConversionSettings, decision: Decision): ConversionSettings {
  switch (decision.kind) {
    case 'leaveOut':
      return { ...settings, leftOut: { ...settings.leftOut, ...each(decision.tracks, true) } };
    case 'takeIn':
      return { ...settings, leftOut: { ...settings.leftOut, ...each(decision.tracks, false) } };
    case 'assignInstrument':
      return { ...settings, instruments: { ...settings.instruments, ...each(decision.tracks, decision.instrument) } };
    case 'renamePart':
      return { ...settings, partNames: { ...settings.partNames, [decision.part]: decision.name } };
    case 'setGrid':
      return { ...settings, grids: { ...settings.grids, [decision.part]: { smallest: decision.smallest, triplets: decision.triplets } } };
    case 'freeGrid': {
      const grids = { ...settings.grids };
      delete grids[decision.part];
      return { ...settings, grids };
    }
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

const VALUE_NAMES: Record<SmallestValue, string> = { quarter: 'quarter notes', eighth: 'eighth notes', '16th': 'sixteenth notes', '32nd': 'thirty-second notes' };

export function valueName(value: SmallestValue): string {
  return VALUE_NAMES[value];
}

/** A ledger line in plain words. @param nameOf how people know a track or part */
export function describe(decision: Decision, nameOf: (track: string) => string): string {
  const names = (tracks: readonly string[]) => tracks.map(nameOf).join(', ');
  switch (decision.kind) {
    case 'leaveOut':
      return `${names(decision.tracks)}: left out`;
    case 'takeIn':
      return `${names(decision.tracks)}: taken in`;
    case 'assignInstrument':
      return `${names(decision.tracks)}: written for ${instrumentById(decision.instrument).names.en}`;
    case 'renamePart':
      return `${nameOf(decision.part)}: named “${decision.name}”`;
    case 'setGrid':
      return `${nameOf(decision.part)}: grid pinned to ${valueName(decision.smallest)}, ${decision.triplets ? 'with' : 'without'} triplets`;
    case 'freeGrid':
      return `${nameOf(decision.part)}: grid found by the engine again`;
    case 'setLead':
      return decision.milliseconds === 0 ? `${nameOf(decision.track)}: no lead taken out` : `${nameOf(decision.track)}: lead of ${decision.milliseconds} ms taken out`;
    case 'setKey':
      return `Key signature: ${keyName(decision)}`;
    case 'setTitle':
      return `Title: “${decision.title}”`;
    case 'splitTrack':
      return `${nameOf(decision.track)}: split by channel`;
    case 'placeOriginal':
      return decision.bars === 0 ? `Original ${decision.original} begins at bar 1` : `Original ${decision.original} begins ${decision.bars} bars later`;
    case 'dismissQuery':
      return decision.reason ? `Query set aside: ${decision.reason}` : 'Query set aside';
  }
}
