/*
 * Fingerings as guitar and bass methods teach them (from memory): each note as string:fret, string 1 the highest; notes
 * of a chord joined by +. Keys follow from the tuning, so that nothing is said twice.
 */
import { tuningsOf } from '../src/core/instruments';
import { QUARTER } from '../src/core/time';
import { fret, type FrettedNote } from '../src/core/to-score/notation/fretting';
import { percent } from './measure';

interface Passage {
  name: string;
  instrument: 'guitar' | 'bass-guitar';
  played: string;
}

export const PASSAGES: readonly Passage[] = [
  { name: 'C major scale, first position', instrument: 'guitar', played: '5:3 4:0 4:2 4:3 3:0 3:2 2:0 2:1' },
  { name: 'G major scale, open position', instrument: 'guitar', played: '6:3 5:0 5:2 5:3 4:0 4:2 4:4 3:0' },
  {
    name: 'E minor, open position up to the first string',
    instrument: 'guitar',
    played: '6:0 6:2 6:3 5:0 5:2 5:3 4:0 4:2 4:4 3:0 3:2 2:0 2:1 2:3 1:0 1:2 1:3',
  },
  {
    name: 'open chords',
    instrument: 'guitar',
    played: '5:3+4:2+3:0+2:1+1:0 6:3+5:2+4:0+3:0+2:0+1:3 4:0+3:2+2:3+1:2 5:0+4:2+3:2+2:2+1:0 6:0+5:2+4:2+3:1+2:0+1:0',
  },
  {
    name: 'open minor chords',
    instrument: 'guitar',
    played: '5:0+4:2+3:2+2:1+1:0 6:0+5:2+4:2+3:0+2:0+1:0 4:0+3:2+2:3+1:1',
  },
  {
    name: 'barre chords on the sixth string',
    instrument: 'guitar',
    played: '6:1+5:3+4:3+3:2+2:1+1:1 6:3+5:5+4:5+3:4+2:3+1:3 6:5+5:7+4:7+3:6+2:5+1:5',
  },
  { name: 'barre chords on the fifth string', instrument: 'guitar', played: '5:1+4:3+3:3+2:3+1:1 5:3+4:5+3:5+2:5+1:3' },
  {
    name: 'fingerpicking in C and A minor',
    instrument: 'guitar',
    played: '5:3 4:2 3:0 2:1 3:0 4:2 5:0 4:2 3:2 2:1 3:2 4:2',
  },
  {
    name: 'melody in fifth position over the strings',
    instrument: 'guitar',
    played: '6:5 6:7 6:8 5:5 5:7 5:8 4:5 4:7 3:5 3:7 2:5 2:6 2:8 1:5 1:7 1:8',
  },
  { name: 'power chords', instrument: 'guitar', played: '6:3+5:5+4:5 6:5+5:7+4:7 6:8+5:10+4:10 6:5+5:7+4:7' },
  { name: 'walking bass in F', instrument: 'bass-guitar', played: '4:1 3:0 3:3 2:0 2:3 2:0 3:3 3:0' },
  { name: 'E minor riff', instrument: 'bass-guitar', played: '4:0 4:3 3:0 3:2 3:0 4:3 4:0 4:0' },
  { name: 'roots and fifths', instrument: 'bass-guitar', played: '3:3 2:5 3:3 2:5 4:3 3:5 4:3 3:5 3:0 2:2 3:0 2:2' },
  { name: 'octaves', instrument: 'bass-guitar', played: '4:3 2:5 4:3 2:5 4:5 2:7 4:5 2:7' },
];

/** Share of notes on the very string and fret the method gives. */
export function fingeringsRight(): {
  notes: number;
  right: number;
  rows: { name: string; notes: number; right: number }[];
} {
  const rows = PASSAGES.map(({ name, instrument, played }) => {
    const tuning = [...tuningsOf(instrument)[0]!.strings];
    const truth = played.split(' ').flatMap((chord, i) =>
      chord.split('+').map((one) => {
        const [string, at] = one.split(':').map(Number) as [number, number];
        return { string, fret: at, start: i * QUARTER };
      }),
    );
    const notes = truth.map(({ string, fret: at, start }, id): FrettedNote => ({
      id,
      key: tuning[tuning.length - string]! + at,
      start,
      end: start + QUARTER,
    }));
    const { fingerings } = fret(notes, { tuning, capo: 0 });
    const right = truth.filter(
      (one, id) => fingerings.get(id)?.string === one.string && fingerings.get(id)?.fret === one.fret,
    ).length;
    return { name, notes: notes.length, right };
  });
  return {
    notes: rows.reduce((sum, row) => sum + row.notes, 0),
    right: rows.reduce((sum, row) => sum + row.right, 0),
    rows,
  };
}

if (process.argv[1]?.endsWith('fingerings.ts'))
  for (const row of fingeringsRight().rows) console.log(row.name, percent(row.right, row.notes));
