/*
 * The notes of two parts in pairs: those of one key by alignOnsets, then what is left by time alone (another octave,
 * another pitch).
 */
import { groupBy } from '../../base';
import type { Seconds } from '../../time';
import { alignOnsets } from './align-onsets';
import type { TimeFit } from './fit-time';
import type { SoundingNote } from './sounding-music';

/** A note of the one side, of the other, or of both. */
export interface NotePair {
  a: SoundingNote | null;
  b: SoundingNote | null;
}

/** Notes of one key are the same up to so far apart; wrong keys must be nearer to be taken for each other. */
const WINDOW: Seconds = 0.5;
const OTHER_KEY_WINDOW: Seconds = 0.08;

export function pairNotes(a: readonly SoundingNote[], b: readonly SoundingNote[], fit: TimeFit): NotePair[] {
  const at = (note: SoundingNote): Seconds => fit.ratio * note.onset + fit.offset;
  const pairs: NotePair[] = [];
  const [leftA, leftB]: [SoundingNote[], SoundingNote[]] = [[], []];
  const ofA = groupBy(a, (note) => note.key);
  const ofB = groupBy(b, (note) => note.key);
  for (const key of new Set([...ofA.keys(), ...ofB.keys()])) {
    const [here, there] = [ofA.get(key) ?? [], ofB.get(key) ?? []];
    const partner = alignOnsets(
      here.map(at),
      there.map((note) => note.onset),
      WINDOW,
    );
    const found = new Set<number>();
    here.forEach((note, i) => {
      if (partner[i]! < 0) leftA.push(note);
      else {
        pairs.push({ a: note, b: there[partner[i]!]! });
        found.add(partner[i]!);
      }
    });
    for (const [j, note] of there.entries()) if (!found.has(j)) leftB.push(note);
  }
  return [...pairs, ...otherKeys(leftA, leftB, at)];
}

/** What found no partner of its key: one at nearly the same time, an octave away before any other. */
function otherKeys(
  a: readonly SoundingNote[],
  b: readonly SoundingNote[],
  at: (note: SoundingNote) => Seconds,
): NotePair[] {
  const free = [...b].sort((x, y) => x.onset - y.onset);
  const taken = new Set<SoundingNote>();
  const pairs: NotePair[] = [];
  let from = 0;
  for (const note of [...a].sort((x, y) => x.onset - y.onset)) {
    while (from < free.length && free[from]!.onset < at(note) - OTHER_KEY_WINDOW) from++;
    let best: SoundingNote | null = null;
    let least = Infinity;
    for (let j = from; j < free.length && free[j]!.onset <= at(note) + OTHER_KEY_WINDOW; j++) {
      const other = free[j]!;
      if (taken.has(other)) continue;
      const far = Math.abs(other.key - note.key);
      const cost = far % 12 === 0 ? far / 100 : 1 + far;
      if (cost < least) [best, least] = [other, cost];
    }
    if (best) taken.add(best);
    pairs.push({ a: note, b: best });
  }
  return [...pairs, ...free.filter((note) => !taken.has(note)).map((note) => ({ a: null, b: note }))];
}
