/*
 * What a decision would change: two conversions of one job against each other, note by note.
 */
import type { NoteId } from '../base';
import { soundsOf, type Part, type PartId } from '../score';
import type { Conversion } from '../to-score';

export interface Changes {
  /** Written notes that are new, gone, or stand elsewhere, for another length or at another pitch. */
  notes: number;
  /** Names of the parts they are in; of parts that come, go or become another instrument, too. */
  parts: string[];
  /** Open queries that are answered, and new ones. */
  answered: number;
  asked: number;
}

export function changesBetween(before: Conversion, after: Conversion): Changes {
  const was = partsById(before);
  const is = partsById(after);
  const counts = [...new Set([...was.keys(), ...is.keys()])].map((id) => {
    const [a, b] = [was.get(id), is.get(id)];
    const same = a && b && a.name === b.name && a.part.instrument === b.part.instrument;
    return { name: (b ?? a)!.name, same, notes: a?.part === b?.part ? 0 : differing(a, b) };
  });
  const changed = counts.filter(({ notes, same }) => notes > 0 || !same);
  const ids = new Set(after.queries.map(({ id }) => id));
  const known = new Set(before.queries.map(({ id }) => id));
  return {
    notes: changed.reduce((sum, { notes }) => sum + notes, 0),
    parts: changed.map(({ name }) => name),
    answered: before.queries.filter(({ id }) => !ids.has(id)).length,
    asked: after.queries.filter(({ id }) => !known.has(id)).length,
  };
}

interface PartInBars {
  name: string;
  part: Part;
  bars: Conversion['score']['bars'];
}
type PartsById = ReadonlyMap<PartId, PartInBars>;

function partsById({ score }: Conversion): PartsById {
  return new Map(score.parts.map((part) => [part.id, { name: part.name, part, bars: score.bars }]));
}

/** Notes by what was played: where one of the two has another place, length, pitch or name. */
function differing(before: PartInBars | undefined, after: PartInBars | undefined): number {
  const was = placesOf(before);
  const is = placesOf(after);
  let count = 0;
  for (const [id, place] of was) if (is.get(id) !== place) count++;
  for (const id of is.keys()) if (!was.has(id)) count++;
  return count;
}

type Places = ReadonlyMap<NoteId, string>;

function placesOf(one: PartInBars | undefined): Places {
  if (!one) return new Map();
  return new Map(
    soundsOf(one.part, one.bars).flatMap(({ played, start, end, key, pitch, staff, voice }) =>
      played.map((id): [NoteId, string] => [id, [start, end, key, pitch.step, staff, voice].join()]),
    ),
  );
}
