/*
 * What a decision would change in a MIDI file that goes out: two files against each other, track by track.
 */
import { say } from '../words';
import { groupBy } from '../base';
import type { QueryId } from '../base';
import { performanceFromSmf, type Performance, type PlayedTrack } from '../performance';
import type { SmfFile } from '../smf';
import { secondsAtTick } from '../time';
import type { Changes } from './changes';

/** A file and what is asked about it. */
export interface AskedFile {
  file: SmfFile;
  queries: readonly { id: QueryId }[];
}

/** Notes that sound at another time, for another length, higher or stronger; tracks that carry other data or a new name. */
export function changesBetweenFiles(before: AskedFile, after: AskedFile): Changes {
  const [was, is] = [before, after].map(({ file }) => performanceFromSmf({ file, warnings: [] }));
  const tracks = pairs(was!, is!).map(([a, b]) => ({
    name: (b ?? a)!.name || say('proof.aTrackWithoutAName'),
    notes: differing(a && notesOf(a, was!), b && notesOf(b, is!)),
    same: a !== undefined && b !== undefined && a.name === b.name && dataOf(a, was!) === dataOf(b, is!),
  }));
  const changed = tracks.filter(({ notes, same }) => notes > 0 || !same);
  const [known, asked] = [before, after].map(({ queries }) => new Set(queries.map(({ id }) => id)));
  return {
    notes: changed.reduce((sum, { notes }) => sum + notes, 0),
    parts: changed.map(({ name }) => name),
    answered: before.queries.filter(({ id }) => !asked!.has(id)).length,
    asked: after.queries.filter(({ id }) => !known!.has(id)).length,
  };
}

/** Tracks by name; those of one name, and those that are called otherwise now, in their order. */
function pairs(was: Performance, is: Performance): [PlayedTrack | undefined, PlayedTrack | undefined][] {
  const named = groupBy(is.tracks, ({ name }) => name);
  const found = was.tracks.map((track) => [track, named.get(track.name)?.shift()] as const);
  const left = [...named.values()].flat().sort((a, b) => a.chunk - b.chunk);
  const pairsFound = found.map(([a, b]): [PlayedTrack | undefined, PlayedTrack | undefined] => [a, b ?? left.shift()]);
  return [...pairsFound, ...left.map((b): [undefined, PlayedTrack] => [undefined, b])];
}

/** In microseconds, so that another resolution is no change. */
const moment = ({ tempo }: Performance, tick: number) => Math.round(secondsAtTick(tempo, tick) * 1e6);

function notesOf({ notes }: PlayedTrack, performance: Performance): string[] {
  return notes.map(({ start, end, key, velocity }) =>
    [moment(performance, start), moment(performance, end), key, velocity].join(),
  );
}

function dataOf({ programs, controllers, bends, channels }: PlayedTrack, performance: Performance): string {
  return JSON.stringify([
    channels,
    programs.map(({ tick, program }) => [moment(performance, tick), program]),
    controllers.map(({ tick, controller, value }) => [moment(performance, tick), controller, value]),
    bends.map(({ tick, value }) => [moment(performance, tick), value]),
  ]);
}

/** A note that is another one now counts once. */
function differing(was: readonly string[] = [], is: readonly string[] = []): number {
  const left = new Map<string, number>();
  for (const note of was) left.set(note, (left.get(note) ?? 0) + 1);
  let same = 0;
  for (const note of is) {
    const there = left.get(note) ?? 0;
    if (there === 0) continue;
    left.set(note, there - 1);
    same++;
  }
  return Math.max(was.length, is.length) - same;
}
