/* Words that several decisions, and the views, say alike. */
import type { Language } from '../instruments';
import type { MarkClass } from '../score';
import type { DataKind, DynamicCarrier, SmallestValue } from '../settings';
import type { TextEncoding } from '../smf';

export const LANGUAGE_NAMES: Record<Language, string> = {
  en: 'English',
  de: 'German',
  it: 'Italian',
  fr: 'French',
  es: 'Spanish',
};

const VALUE_NAMES: Record<SmallestValue, string> = {
  quarter: 'quarter notes',
  eighth: 'eighth notes',
  '16th': 'sixteenth notes',
  '32nd': 'thirty-second notes',
};

export function valueName(value: SmallestValue): string {
  return VALUE_NAMES[value];
}

const ENCODING_NAMES: Record<TextEncoding, string> = {
  'utf-8': 'Unicode (UTF-8)',
  'windows-1252': 'Western European',
  shift_jis: 'Japanese (Shift-JIS)',
  'windows-1250': 'Central European',
  'windows-1251': 'Cyrillic',
  'euc-kr': 'Korean',
  gb18030: 'Chinese (simplified)',
};

export function encodingName(encoding: TextEncoding): string {
  return ENCODING_NAMES[encoding];
}

export const MARK_NAMES: Record<MarkClass, string> = {
  dynamics: 'Dynamics',
  hairpins: 'Hairpins',
  slurs: 'Slurs',
  staccato: 'Staccato',
  accents: 'Accents',
  pedal: 'Pedal',
  breaths: 'Breaths',
};

export const DATA_NAMES: Record<DataKind, string> = {
  program: 'programs and banks',
  volume: 'channel volume (7)',
  pan: 'pan (10)',
  reverb: 'reverb (91)',
  chorus: 'chorus (93)',
  modulation: 'modulation (1)',
  expression: 'expression (11)',
  sustain: 'pedal (64)',
  reset: 'resets (120, 121, 123)',
  otherControllers: 'other controllers',
  pitchBend: 'pitch bend',
  aftertouch: 'aftertouch',
  sysex: 'exclusive data',
  text: 'texts other than lyrics',
  keyswitches: 'keyswitches',
};

export const CARRIER_NAMES: Record<DynamicCarrier, string> = {
  velocity: 'velocity',
  expression: 'controller 11',
  modulation: 'controller 1',
  volume: 'controller 7',
};

/** "a note", "3 notes" */
export const some = (n: number, one: string) => (n === 1 ? `a ${one}` : `${n} ${one}s`);
