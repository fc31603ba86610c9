/* Music with changes that are known, so that what is found can be counted. For tests and the accuracy table. */
import type { Random } from '../../bench/random';
import type { SoundingMusic } from '../core/proof';

export interface Changes {
  missing: number;
  extra: number;
  moved: number;
  octave: number;
  pitch: number;
  length: number;
}

/** Notes of one part that begin nearer than this are not changed: one could be taken for the other. */
const APART = 0.7;

/**
 * @returns the changed music, and how many changes of each kind were really made: each note at most one, none where a
 * neighbour of the same key could answer for it
 */
export function changed(
  music: SoundingMusic,
  wanted: Changes,
  random: Random,
): { music: SoundingMusic; made: Changes } {
  const parts = music.parts.map((part) => ({ ...part, notes: [...part.notes] }));
  const made: Changes = { missing: 0, extra: 0, moved: 0, octave: 0, pitch: 0, length: 0 };
  const places = parts.flatMap((part) => part.notes.map((note) => ({ part, note })));
  const before = new Map(parts.map((part, i) => [part, music.parts[i]!.notes]));
  const touched = new Set<(typeof places)[number]['note']>();
  const free = ({ part, note }: (typeof places)[number], keys: readonly number[]) =>
    !touched.has(note) &&
    // What was there before counts too: a note that is put in could be taken for one that was taken out.
    [...part.notes, ...(before.get(part) ?? [])].every(
      (other) =>
        other === note ||
        Math.abs(other.onset - note.onset) > APART ||
        (!keys.includes(other.key) && !touched.has(other)),
    );
  for (const kind of Object.keys(wanted) as (keyof Changes)[])
    for (let tries = 0; made[kind] < wanted[kind] && tries < 4000; tries++) {
      const place = random.pick(places);
      const { part, note } = place;
      const by = { missing: 0, extra: 5, moved: 0, octave: note.key > 60 ? -12 : 12, pitch: 3, length: 0 }[kind];
      if (!free(place, [note.key, note.key + by])) continue;
      made[kind]++;
      const late = (0.03 + 0.1 * random.next()) * (random.next() < 0.5 ? -1 : 1);
      const length = note.release - note.onset;
      const instead = {
        missing: [],
        extra: [note, { ...note, key: note.key + by, onset: note.onset + 0.2, release: note.release + 0.2 }],
        moved: [{ ...note, onset: note.onset + late, release: note.release + late }],
        octave: [{ ...note, key: note.key + by }],
        pitch: [{ ...note, key: note.key + by }],
        length: [{ ...note, release: note.onset + length * 1.6 + 0.1 }],
      }[kind];
      touched.add(note);
      for (const one of instead) touched.add(one);
      part.notes.splice(part.notes.indexOf(note), 1, ...instead);
    }
  return { music: { ...music, parts }, made };
}
