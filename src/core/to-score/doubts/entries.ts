/*
 * Entries are a witness of barlines that nothing else was asked for: after a rest of a bar or more, players come in where a
 * bar begins far more often than elsewhere (common practice, no source).
 *
 *     file       |x . . .|. . . .|x . . .|     two entries on its barlines
 *     proposed   . . .|x . . .|. . . .|x        none on those
 */
import { PERCUSSION_CHANNEL, type Performance } from '../../performance';
import { barLength, QUARTER, type Meter, type WrittenUnits } from '../../time';

const REST: WrittenUnits = 4 * QUARTER;
/** An entry may be this much off its place. */
const NEAR: WrittenUnits = QUARTER / 8;
const FEWEST = 3;

/** Bars from a place on: meters in turn, until the next section. */
type Sections = readonly { from: WrittenUnits; meters: readonly Meter[] }[];

/** Whether the file's bars of a length stand better with its entries than others that are proposed. */
export function entriesSpeakForTheFile(performance: Performance, length: WrittenUnits, proposed: Sections): boolean {
  const entries = entriesOf(performance);
  if (entries.length < FEWEST) return false;
  const theirs = barStarts(proposed, Math.max(...entries) + length);
  const onTheirs = entries.filter((at) => theirs.some((start) => Math.abs(start - at) <= NEAR)).length;
  const onOwn = entries.filter((at) => Math.abs(at - Math.round(at / length) * length) <= NEAR).length;
  return 2 * onOwn >= entries.length && onOwn > onTheirs;
}

/** Whether a drum kit and a part with pitches begin together where the file begins: then its first bar is a bar. */
export function bandBegins({ tracks, ticksPerQuarter }: Performance): boolean {
  const begins = (drums: boolean) =>
    tracks.some(({ notes }) =>
      notes.some(
        ({ start, channel }) =>
          (channel === PERCUSSION_CHANNEL) === drums && (start * QUARTER) / ticksPerQuarter <= NEAR,
      ),
    );
  return begins(true) && begins(false);
}

/** Places where a track comes in after a rest of a bar; its first entry counts where others play already. */
function entriesOf({ tracks, ticksPerQuarter }: Performance): WrittenUnits[] {
  const units = (tick: number) => (tick * QUARTER) / ticksPerQuarter;
  const first = Math.min(...tracks.flatMap(({ notes }) => (notes[0] ? [units(notes[0].start)] : [])));
  return tracks.flatMap(({ notes }) => {
    let end = first + 2 * NEAR - REST;
    return notes.flatMap((note) => {
      const at = units(note.start);
      const enters = at - end >= REST;
      end = Math.max(end, units(note.end));
      return enters ? [at] : [];
    });
  });
}

function barStarts(sections: Sections, until: WrittenUnits): WrittenUnits[] {
  const starts: WrittenUnits[] = [];
  sections.forEach(({ from, meters }, s) => {
    const end = sections[s + 1]?.from ?? until;
    for (let at = from, bar = 0; at < end; at += barLength(meters[bar % meters.length]!), bar++) starts.push(at);
  });
  return starts;
}
