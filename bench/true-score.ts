import { pitchKey, STEPS, type Dynamic, type Pitch, type Step } from '../src/core/score';
import { barLength, QUARTER, type Bpm, type MidiKey, type WrittenUnits } from '../src/core/time';

/**
 * Music as its composer meant it: what the engine's result is measured against. Pitches are sounding pitches, spelled.
 */
export interface TrueScore {
  title: string;
  meters: { at: WrittenUnits; beats: number; beatType: number }[];
  tempos: { at: WrittenUnits; bpm: Bpm }[];
  key: { fifths: number; mode: 'major' | 'minor' };
  markers: { at: WrittenUnits; text: string }[];
  parts: TruePart[];
  length: WrittenUnits;
}

export interface TruePart {
  /** Catalogue id. */
  instrument: string;
  name: string;
  notes: TrueNote[];
  /** What the composer wants to be heard; nothing said is played mf. */
  dynamics?: TrueDynamic[];
  /** Where the sustaining pedal is down. */
  pedals?: { start: WrittenUnits; end: WrittenUnits }[];
}

export interface TrueDynamic {
  at: WrittenUnits;
  level: Dynamic;
  /** It is reached by a hairpin that begins here. */
  from?: WrittenUnits;
}

export interface TrueNote {
  start: WrittenUnits;
  end: WrittenUnits;
  key: MidiKey;
  pitch: Pitch;
  staff: number;
  /** Of the staff, from 0; not said where every staff has one. */
  voice?: number;
}

const DRUMS: Record<string, MidiKey> = {
  kick: 36,
  snare: 38,
  hat: 42,
  open: 46,
  ride: 51,
  crash: 49,
  tick: 76,
  tock: 77,
};

/**
 * Reads the short notation that the true scores are composed in.
 *
 *     eb5/4. db5/8 | [ab3 c4]/2 r/2 | f5/8t g5/8t ab5/8t _/4
 *
 * Pitch and octave (4 begins at middle C) or a drum's name, a slash, the note value with `.` dotted or `t` triplet; `r`
 * is a rest, `_` prolongs the notes before; square brackets hold a chord; bars are parted by `|` and must be full.
 *
 * @param meterOf meter of each bar, by its number from 0
 * @throws Error naming part and bar when a bar is not full
 */
export function readNotation(
  text: string,
  meterOf: (bar: number) => { beats: number; beatType: number },
  label: string,
  staff = 1,
): TrueNote[] {
  const notes: TrueNote[] = [];
  let at: WrittenUnits = 0;
  text
    .trim()
    .split('|')
    .forEach((barText, bar) => {
      const end = at + barLength(meterOf(bar));
      for (const match of barText.matchAll(/(\[[^\]]+\]|[a-z_]+(?:bb|b|##|#)?\d?)\/(\d+)(\.|t)?/g)) {
        const [, what = '', value = '4', mark] = match;
        const plain = (4 * QUARTER) / Number(value);
        const undotted = mark === 't' ? (plain * 2) / 3 : plain;
        const length = mark === '.' ? plain * 1.5 : undotted;
        if (what === '_') {
          const last = notes.at(-1)!.end;
          for (const note of notes) if (note.end === last) note.end = at + length;
        } else if (what !== 'r') {
          for (const word of what.replace(/[[\]]/g, '').split(/\s+/)) {
            const pitch = readPitch(word);
            notes.push({ start: at, end: at + length, key: DRUMS[word] ?? pitchKey(pitch), pitch, staff });
          }
        }
        at += length;
      }
      if (at !== end) throw new Error(`${label}, bar ${bar + 1}: ${(at - end) / QUARTER} quarters too many`);
    });
  return notes;
}

function readPitch(word: string): Pitch {
  const match = /^([a-g])(bb|b|##|#)?(\d)$/.exec(word);
  if (!match) {
    if (word in DRUMS) return { step: 'C', alter: 0, octave: 5 };
    throw new Error(`“${word}” is neither a pitch nor a drum`);
  }
  const step = match[1]!.toUpperCase() as Step;
  if (!STEPS.includes(step)) throw new Error(word);
  const alter = { bb: -2, b: -1, '': 0, '#': 1, '##': 2 }[match[2] ?? '']!;
  return { step, alter, octave: Number(match[3]) };
}
