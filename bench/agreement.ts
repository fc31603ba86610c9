/*
 * Agreement with known changes: files of the corpus and of the bands against themselves, with notes taken out, put in,
 * moved, shifted and stretched, at another clock. Every change must be found, and nothing else.
 */
import { performanceFromSmf } from '../src/core/performance';
import { agreementOf, musicOfPerformance, type SoundingMusic } from '../src/core/proof';
import { readSmf } from '../src/core/smf';
import { changed, type Changes } from '../src/testing/known-changes';
import { BANDS, bandFile } from './bands';
import { corpus } from './corpus';
import { seeded, type Random } from './random';
import { playTake, TAKES } from './takes';

const WANTED: Changes = { missing: 6, extra: 6, moved: 8, octave: 3, pitch: 3, length: 8 };
const KINDS = ['moved', 'length', 'pitch', 'missing', 'extra'] as const;
interface Clock {
  ratio: number;
  offset: number;
  jitter: number;
}

type Counts = Record<(typeof KINDS)[number], number>;

/** @param jitter standard deviation of its onsets, in seconds */
function clocked(music: SoundingMusic, { ratio, offset, jitter }: Clock, random: Random): SoundingMusic {
  const parts = music.parts.map((part) => ({
    ...part,
    notes: part.notes.map((note) => {
      const late = offset + random.normal(jitter);
      return { ...note, onset: ratio * note.onset + late, release: ratio * note.release + late };
    }),
  }));
  return { ...music, parts };
}

function foundIn(a: SoundingMusic, b: SoundingMusic): Counts {
  const { parts } = agreementOf(a, b);
  const counts = KINDS.map((kind) => [kind, parts.reduce((sum, part) => sum + part.differing[kind], 0)] as const);
  return Object.fromEntries(counts) as Counts;
}

/** Rows of the table in docs/accuracy.md. */
export function agreementTable(seed: number): string {
  const files = [
    ...corpus(seed).map((score, i) => playTake(score, TAKES[i % TAKES.length]!, seed + i)),
    ...BANDS.map((band) => bandFile(band, seed)),
  ];
  const rows = [
    { name: 'the same clock', ratio: 1, offset: 0, jitter: 0 },
    { name: 'begins 4.2 s later', ratio: 1, offset: 4.2, jitter: 0 },
    { name: '8 % slower, 1 s later', ratio: 1.08, offset: 1, jitter: 0 },
    { name: '8 % slower, 1 s later, 3 ms of jitter', ratio: 1.08, offset: 1, jitter: 0.003 },
    { name: '8 % slower, 1 s later, 6 ms of jitter', ratio: 1.08, offset: 1, jitter: 0.006 },
  ].map(({ name, ...clock }) => {
    const sums = KINDS.map(() => ({ made: 0, found: 0 }));
    let exact = 0;
    files.forEach((bytes, f) => {
      const music = musicOfPerformance(performanceFromSmf(readSmf(bytes)));
      const { music: other, made } = changed(music, WANTED, seeded(seed * 1000 + f));
      const truth: Counts = { ...made, pitch: made.octave + made.pitch };
      const found = foundIn(music, clocked(other, clock, seeded(f)));
      KINDS.forEach((kind, k) => {
        sums[k] = { made: sums[k]!.made + truth[kind], found: sums[k]!.found + found[kind] };
      });
      if (KINDS.every((kind) => truth[kind] === found[kind])) exact++;
    });
    const cells = sums.map(({ made, found }) => `${found} of ${made}`);
    return `| ${name} | ${cells.join(' | ')} | ${exact} of ${files.length} |`;
  });
  return [
    '| clock of the changed file | moved | length | pitch | missing | extra | files found exactly |',
    '|---|---|---|---|---|---|---|',
    ...rows,
  ].join('\n');
}
