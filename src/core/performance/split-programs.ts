import { trackId } from '../base';
import { programName } from '../instruments';
import { PERCUSSION_CHANNEL, type Performance, type PlayedNote, type PlayedTrack, type TrackId } from './performance';

/**
 * Notes by the program they are played with, in the order the programs come. Notes before the first program, and those of
 * the percussion channel, are in none.
 */
export function notesByProgram(
  { programs }: Pick<PlayedTrack, 'programs'>,
  notes: readonly PlayedNote[],
): ReadonlyMap<number, PlayedNote[]> {
  const byProgram = new Map<number, PlayedNote[]>();
  const inForce = new Map<number, number>();
  const coming = [...programs].sort((a, b) => a.tick - b.tick);
  let next = 0;
  for (const note of [...notes].sort((a, b) => a.start - b.start)) {
    for (; next < coming.length && coming[next]!.tick <= note.start; next++)
      inForce.set(coming[next]!.channel, coming[next]!.program);
    const program = inForce.get(note.channel);
    if (program === undefined || note.channel === PERCUSSION_CHANNEL) continue;
    const played = byProgram.get(program);
    if (played) played.push(note);
    else byProgram.set(program, [note]);
  }
  return byProgram;
}

/**
 * The same performance with some tracks split by program: "t3" becomes "t3g74" (under the track's own name), "t3g41" …,
 * named after their programs, in the order these come. Notes keep their ids; those before the first program go with it.
 */
export function splitPrograms(performance: Performance, tracks: Readonly<Record<TrackId, true>>): Performance {
  if (!performance.tracks.some((track) => tracks[track.id])) return performance;
  return { ...performance, tracks: performance.tracks.flatMap((track) => (tracks[track.id] ? split(track) : [track])) };
}

function split(track: PlayedTrack): PlayedTrack[] {
  const byProgram = notesByProgram(track, track.notes);
  if (byProgram.size < 2) return [track];
  const programOf = new Map(
    [...byProgram].flatMap(([program, notes]) => notes.map(({ id }) => [id, program] as const)),
  );
  const [first] = byProgram.keys();
  return [...byProgram.keys()].map((program) => ({
    ...track,
    id: trackId(`${track.id}g${program}`),
    name: program === first && track.name ? track.name : programName(program),
    programs: track.programs.filter((event) => event.program === program).slice(0, 1),
    notes: track.notes.filter(({ id }) => (programOf.get(id) ?? first) === program),
  }));
}
