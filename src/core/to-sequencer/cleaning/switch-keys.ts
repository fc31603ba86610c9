import { instrumentById, recognise } from '../../instruments';
import { findKeyswitches, performanceFromSmf } from '../../performance';
import type { SmfFile } from '../../smf';
import type { MidiKey } from '../../time';

/**
 * Keys of each track chunk that look like keyswitches: they choose techniques of the library the file was made with.
 */
export function switchKeysOf(file: SmfFile): ReadonlyMap<number, ReadonlySet<MidiKey>> {
  const found = new Map<number, ReadonlySet<MidiKey>>();
  // Patterns without a common time line have no tracks in this sense.
  if (file.format === 2) return found;
  const performance = performanceFromSmf({ file, warnings: [] });
  for (const track of performance.tracks) {
    if (track.notes.length === 0) continue;
    const keys = track.notes.map((note) => note.key);
    const [best] = recognise({
      name: track.name,
      program: track.programs[0]?.program ?? null,
      percussionChannel: track.channels.includes(10),
      keys,
      mostAtOnce: 1,
    }).candidates;
    const switches = best
      ? findKeyswitches(track.notes, instrumentById(best.instrument), performance.ticksPerQuarter)
      : [];
    if (switches.length > 0) found.set(track.chunk, new Set(switches));
  }
  return found;
}
