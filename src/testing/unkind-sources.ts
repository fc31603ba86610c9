/*
 * Two files as practitioners get them, made of the demo: a score as a sequencer exports it, and MIDI as a notation program
 * does. Everything they are known for is in them.
 */
import { demoOriginal } from '../../demo/make';
import { partId, trackId } from '../core/base';
import { ScoreDesk } from '../core/engine';
import { writeMusicXml } from '../core/musicxml';
import { mapSymbols, NO_LINES, type Part, type Pitch, type Score } from '../core/score';
import { NO_SETTINGS, type ConversionSettings } from '../core/settings';

const DRUMS = trackId('t6');

function demoScore(settings: ConversionSettings): Score {
  const desk = ScoreDesk.open([demoOriginal()], settings);
  return desk.convert(settings).printed;
}

const SHARPS: readonly Pick<Pitch, 'step' | 'alter'>[] = (
  [
    ['C', 0],
    ['C', 1],
    ['D', 0],
    ['D', 1],
    ['E', 0],
    ['F', 0],
    ['F', 1],
    ['G', 0],
    ['G', 1],
    ['A', 0],
    ['A', 1],
    ['B', 0],
  ] as const
).map(([step, alter]) => ({ step, alter }));

const asPlayed = (key: number): Pitch => ({ ...SHARPS[key % 12]!, octave: Math.floor(key / 12) - 1 });

/**
 * Generic names, drums as chords of pitches in one voice, everything at concert pitch in C with sharps, a new system
 * every other bar.
 */
export function sequencersScore(): Uint8Array {
  const score = demoScore({
    ...NO_SETTINGS,
    instruments: { [DRUMS]: 'marimba' },
    voices: { [partId(DRUMS)]: 1 },
  });
  const parts = score.parts.map((part, p): Part => ({
    ...part,
    name: `Track ${p + 1}`,
    abbreviation: '',
    instrument: 'unknown',
    transposition: 0,
    transpositionSteps: 0,
    clefs: part.clefs.map((clef) => (clef === 'bass' ? 'bass' : 'treble')),
    clefChanges: [],
    channel: part.id === partId(DRUMS) ? 10 : part.channel,
    program: part.id === partId(DRUMS) ? null : part.program,
    writtenKeys: [0],
    lines: NO_LINES,
    tablature: null,
    bars: mapSymbols(part.bars, (symbol) => {
      const { marks: _marks, ...plain } = symbol;
      const notes = symbol.notes.map((note) => ({ ...note, pitch: asPlayed(note.key) }));
      return symbol.notes.length === 0 && !symbol.marks ? symbol : { ...plain, notes };
    }),
  }));
  const text = writeMusicXml({ ...score, keys: [{ bar: 0, fifths: 0, mode: 'major' }], parts });
  let measure = 0;
  return new TextEncoder().encode(
    text.replace(/<measure [^>]*>/g, (start) => (measure++ % 2 === 0 ? start : `${start}<print new-system="yes"/>`)),
  );
}
