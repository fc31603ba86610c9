import { keyInWords } from '../score';
import type { DataKind } from '../to-sequencer';
import type { SequencerDecision, SetPartSequencing, SetSequencing } from './sequencer-decisions';

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
export const CARRIER_NAMES = {
  velocity: 'velocity',
  expression: 'controller 11',
  modulation: 'controller 1',
  volume: 'controller 7',
} as const;
const PRESET_NAMES = {
  bare: 'bare notes, velocities and tempo',
  expression: 'expression kept',
  everything: 'everything carried',
} as const;
const SPLIT_NAMES = {
  none: 'one track',
  technique: 'a track for each technique',
  solo: 'solo passages on a track of their own',
  voice: 'a track for each voice',
  staff: 'a track for each hand',
  lines: 'chords as single lines',
} as const;
const ACTION_NAMES = { carry: 'carried', drop: 'dropped', convert: 'converted' } as const;

/** A decision about direction B in plain words. */
export function describeSequencer(decision: SequencerDecision, nameOf: (part: string) => string): string {
  switch (decision.kind) {
    case 'setSequencing':
      return whole(decision).join('; ') || 'Nothing changed';
    case 'setPartSequencing':
      return `${nameOf(decision.part)}: ${part(decision).join('; ') || 'as the whole'}`;
    case 'setCarry':
      return `${decision.track === null ? '' : `Track ${decision.track + 1}: `}${DATA_NAMES[decision.data]} ${ACTION_NAMES[decision.action]}`;
    case 'leaveTracks':
      return `${decision.tracks.length === 1 ? `Track ${decision.tracks[0]! + 1}` : `${decision.tracks.length} tracks`} ${decision.out ? 'left out' : 'taken in'}`;
  }
}

const carriers = (list: readonly (keyof typeof CARRIER_NAMES)[]) =>
  list.length === 0 ? 'Dynamics not played' : `Dynamics by ${list.map((one) => CARRIER_NAMES[one]).join(' and ')}`;

function whole(one: SetSequencing): string[] {
  const words: string[] = [];
  if (one.preset) words.push(`Preset: ${PRESET_NAMES[one.preset]}`);
  if (one.dynamicsTo) words.push(carriers(one.dynamicsTo));
  if (one.levels) words.push('Velocities of the dynamic signs changed');
  if (one.rampStep !== undefined) words.push(`Ramps in steps of ${one.rampStep / 10080} quarters`);
  if (one.articulations) words.push('Lengths and velocities of articulations changed');
  if (one.slurOverlap !== undefined) words.push(`Slurred notes overlap by ${one.slurOverlap} ms`);
  if (one.ornaments !== undefined) words.push(one.ornaments ? 'Ornaments played out' : 'Ornaments as plain notes');
  if (one.neutralVolume !== undefined)
    words.push(one.neutralVolume === null ? 'No channel volume' : `Channel volume ${one.neutralVolume} at the start`);
  if (one.channels) words.push(one.channels === 'one-channel' ? 'All on one channel' : 'A channel for each track');
  if (one.format !== undefined) words.push(`SMF type ${one.format}`);
  if (one.ticksPerQuarter !== undefined) words.push(`${one.ticksPerQuarter} ticks a quarter`);
  if (one.runningStatus !== undefined) words.push(one.runningStatus ? 'With running status' : 'Without running status');
  if (one.padPickup !== undefined) words.push(one.padPickup ? 'Pickup padded to a full bar' : 'Pickup as written');
  if (one.playRepeats !== undefined) words.push(one.playRepeats ? 'Repeats played' : 'Every bar once');
  if (one.loosening) words.push('Loosening changed');
  if (one.onlyParts !== undefined)
    words.push(one.onlyParts === null ? 'All parts' : `${one.onlyParts.length} parts only`);
  if (one.onlyBars !== undefined)
    words.push(one.onlyBars === null ? 'All bars' : `${one.onlyBars.to - one.onlyBars.from} bars only`);
  if (one.files)
    words.push({ one: 'One file', parts: 'A file for each part', sections: 'A file for each section' }[one.files]);
  return words;
}

function part(one: SetPartSequencing): string[] {
  const words: string[] = [];
  if (one.dynamicsTo) words.push(carriers(one.dynamicsTo).toLowerCase());
  if (one.split) words.push(SPLIT_NAMES[one.split]);
  if (one.program) words.push(`program ${one.program}`);
  if (one.channel) words.push(`channel ${one.channel}`);
  if (one.chart) words.push(`technique chart “${one.chart.name}”`);
  if (one.drumKeys)
    words.push(
      Object.entries(one.drumKeys)
        .map(([from, to]) => `${keyInWords(Number(from))} (${from}) becomes ${to}`)
        .join(', '),
    );
  if (one.leftOut !== undefined && one.leftOut !== null) words.push(one.leftOut ? 'left out' : 'taken in');
  if (one.trackName) words.push(`track named “${one.trackName}”`);
  return words;
}
