/* Names that the format has for what the model names otherwise. */
import { CLEFS, type NoteType, type Pitch, type ScoreNote } from '../score';
import type { Clef } from '../instruments';
import type { Bar, Meter, WrittenUnits } from '../time';
import { QUARTER } from '../time';
import { mei, type MeiNode } from './tree';

export const DURATIONS: Readonly<Record<NoteType, string>> = {
  breve: 'breve',
  whole: '1',
  half: '2',
  quarter: '4',
  eighth: '8',
  '16th': '16',
  '32nd': '32',
  '64th': '64',
  '128th': '128',
};

/** Printed accidentals by the names of MusicXML, which the model shares. */
export const ACCIDENTALS: Readonly<Record<string, string>> = {
  'flat-flat': 'ff',
  'three-quarters-flat': '3qf',
  flat: 'f',
  'quarter-flat': '1qf',
  natural: 'n',
  'quarter-sharp': '1qs',
  sharp: 's',
  'three-quarters-sharp': '3qs',
  'double-sharp': 'x',
};

const SOUNDING: Readonly<Record<number, string>> = { [-2]: 'ff', [-1]: 'f', 1: 's', 2: 'ss' };

/** How a note sounds that has no accidental beside it. */
export const soundingAlter = ({ pitch }: Pick<ScoreNote, 'pitch'>): string | undefined => SOUNDING[pitch.alter];

/** Heads by their MusicXML names; others are drawn as usual. */
export const HEADS: Readonly<Record<string, string>> = {
  x: 'x',
  'circle-x': 'x',
  cross: '+',
  diamond: 'diamond',
  triangle: 'rtriangle',
  square: 'square',
  slash: 'slash',
  slashed: 'slash',
};

/** "2s", "3f", "0" */
export function signatureOf(fifths: number): string {
  if (fifths === 0) return '0';
  return fifths > 0 ? `${fifths}s` : `${-fifths}f`;
}

export const keyNode = (fifths: number): MeiNode => mei('keySig', { sig: signatureOf(fifths) });

export const meterNode = ({ beats, beatType, groups, symbol }: Meter, free?: true): MeiNode =>
  mei('meterSig', {
    count: groups?.join('+') ?? beats,
    unit: beatType,
    sym: free ? undefined : symbol,
    form: free ? 'invis' : undefined,
  });

export function clefNode(clef: Clef): MeiNode {
  const { sign, line, octave } = CLEFS[clef];
  if (sign === 'percussion') return mei('clef', { shape: 'perc' });
  return mei('clef', {
    shape: sign,
    line,
    dis: octave ? 8 : undefined,
    'dis.place': octave && (octave > 0 ? 'above' : 'below'),
  });
}

/** Letter and octave. @param octaves that an octave line says it is printed nearer */
export function pitchAttributes({ step, octave }: Pitch, octaves = 0): Record<string, string | number | undefined> {
  return { pname: step.toLowerCase(), oct: octave - octaves, 'oct.ges': octaves === 0 ? undefined : octave };
}

/** Beats from the start of the bar, from 1, in values of the meter's lower figure. @param at from the start of the bar */
export function tstamp(bar: Bar, at: WrittenUnits): number {
  return rounded(1 + (at * bar.meter.beatType) / (4 * QUARTER));
}

/** Measures on, and the beat there: "0m+3". */
export const tstamp2 = (measures: number, beat: number): string => `${measures}m+${beat}`;

const rounded = (value: number) => Math.round(value * 1e5) / 1e5;
