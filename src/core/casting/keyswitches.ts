/*
 * Keyswitches, once their meanings are known: they leave the music, and the notes behind each carry its technique.
 */
import type { TechniqueId } from '../instruments';
import type { NoteId, PlayedNote, PlayedTrack } from '../performance';
import type { SwitchMeanings } from '../settings';

/** A switch pressed with its note counts for it, even slightly late. */
const LATE_TICKS_OF_QUARTER = 1 / 12;

/** The music without its switches, and the technique of each note behind one. */
export function takeOutSwitches(
  track: PlayedTrack,
  meanings: SwitchMeanings,
  ticksPerQuarter: number,
): { notes: PlayedNote[]; techniqueOf: Map<NoteId, TechniqueId> } {
  const isSwitch = ({ key }: PlayedNote) => Object.hasOwn(meanings, key);
  const notes = track.notes.filter((note) => !isSwitch(note));
  const switches = track.notes.filter(isSwitch).sort((a, b) => a.start - b.start);
  const techniqueOf = new Map<NoteId, TechniqueId>();
  let next = 0;
  let now: TechniqueId | 'none' = 'none';
  for (const note of [...notes].sort((a, b) => a.start - b.start)) {
    while (next < switches.length && switches[next]!.start <= note.start + ticksPerQuarter * LATE_TICKS_OF_QUARTER)
      now = meanings[switches[next++]!.key]!;
    if (now !== 'none') techniqueOf.set(note.id, now);
  }
  return { notes, techniqueOf };
}
