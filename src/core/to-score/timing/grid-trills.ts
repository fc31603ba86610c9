/*
 * Trills that somebody drew on the grid: two neighbouring keys in turn, exactly on thirty-seconds or sextuplets or
 * faster, for a quarter or longer. Nobody counts those, unless the part has thirty-seconds that are no such alternation: then they are its notes.
 *
 *     drawn     xyxyxyxyxyxyxyxy        thirty-seconds from end to end
 *     written   tr ~~~~~~~~~~~~~
 *
 * Limits are common practice of what hands do, no source.
 */
import { QUARTER, type Seconds, type WrittenUnits } from '../../time';
import type { TimedNote } from './timed-note';

const SLOWEST: WrittenUnits = QUARTER / 6;
/** Ten notes a second and more are a trill's. */
const SLOWEST_SECONDS: Seconds = 0.1;
const FEWEST = 7;
const INTERVAL = 2;
/** A trill may end with a turn of so many notes as fast. */
const TURN = 3;

/** @param notes of one part in order; @returns the runs that are trills, each in order */
export function gridTrills(notes: readonly TimedNote[]): TimedNote[][] {
  const exact = notes.filter((note) => note.meant !== undefined && note.ornament === undefined);
  const runs: TimedNote[][] = [];
  let [others, sinceRun] = [0, Infinity];
  for (let i = 0; i < exact.length;) {
    const run = alternationFrom(exact, i);
    if (run.length >= FEWEST) {
      runs.push(run);
      i += run.length;
      sinceRun = 0;
      continue;
    }
    if (exact[i + 1] && isFast(exact[i]!, exact[i + 1]!) && ++sinceRun > TURN) others++;
    i++;
  }
  return others >= FEWEST / 2 ? [] : runs;
}

const stepOf = (a: TimedNote, b: TimedNote): WrittenUnits => b.meant! - a.meant!;

const isFast = (a: TimedNote, b: TimedNote): boolean => stepOf(a, b) > 0 && stepOf(a, b) <= SLOWEST;

function alternationFrom(notes: readonly TimedNote[], from: number): TimedNote[] {
  const [first, second] = [notes[from]!, notes[from + 1]];
  const run = [first];
  if (!second || !isFast(first, second) || second.onsetSeconds - first.onsetSeconds > SLOWEST_SECONDS) return run;
  const interval = Math.abs(second.key - first.key);
  if (interval === 0 || interval > INTERVAL) return run;
  const step = stepOf(first, second);
  for (let i = from + 1; i < notes.length; i++) {
    const note = notes[i]!;
    const wanted = run.length % 2 === 0 ? first.key : second.key;
    if (note.key !== wanted || Math.abs(stepOf(run.at(-1)!, note) - step) > step / 8) break;
    run.push(note);
  }
  return run;
}
