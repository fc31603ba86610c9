export const DATA_KINDS = [
  'program',
  'volume',
  'pan',
  'reverb',
  'chorus',
  'modulation',
  'expression',
  'sustain',
  'reset',
  'otherControllers',
  'pitchBend',
  'aftertouch',
  'sysex',
  'text',
  'keyswitches',
] as const;

export type DataKind = (typeof DATA_KINDS)[number];

export const ACTIONS = ['carry', 'drop', 'convert'] as const;

/**
 * convert: volume, pan, reverb and chorus to one harmless value at the start; modulation and expression into each
 * other; the pedal into longer notes; programs to one at the start.
 */
export type Action = (typeof ACTIONS)[number];

export type CleaningPlan = Record<DataKind, Action>;
