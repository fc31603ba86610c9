/* An old and a new version of one music: which track, which bar, which note is which, and what is another. */
import { firstNotBefore, groupBy, type NoteId, type TrackId } from '../base';
import { barsOfPerformance, type Performance, type PlayedNote } from '../performance';
import { barIndexAt, meterInWords, playedUnits, QUARTER, type Bar, type PlayedUnits, type WrittenUnits } from '../time';
import { alignBars, mainShift, placeNow, shiftedBars, type Mark, type Stretch } from './stretches';
import { pairTracks } from './pair-tracks';

/** What is where now. */
export interface Correspondence {
  /** Tracks of the old version; null where none is like it. */
  tracks: ReadonlyMap<TrackId, TrackId | null>;
  notes: ReadonlyMap<NoteId, NoteId>;
  stretches: readonly Stretch[];
  changes: VersionChanges;
}

/** What of a track is another in a bar of the new version. */
export interface ChangedBar {
  /** Index in the new version. */
  bar: number;
  track: TrackId;
  added: number;
  gone: number;
  /** Of another pitch, place, length or strength. */
  changed: number;
}

export interface VersionChanges {
  bars: ChangedBar[];
  /** Bars of the new version that were put in, and bars of the old one that are gone, by index. */
  barsAdded: number[];
  barsGone: number[];
  tracksAdded: TrackId[];
  tracksGone: TrackId[];
  /** Tempo or meters are others. */
  tempo: boolean;
  meters: boolean;
}

/** Notes no further apart are the same, when their keys are. */
const SAME_PLACE: PlayedUnits = QUARTER / 48;
const NEAR: PlayedUnits = QUARTER;
/** A note of another pitch is the same note where nothing else is about. */
const IN_ITS_PLACE: PlayedUnits = QUARTER / 8;
const SAME_STRENGTH = 4;

/** A note so little ahead of a barline, most of it behind, is played early: it belongs to the bar it leads to. */
const EARLY: PlayedUnits = QUARTER / 3;

interface Placed {
  note: PlayedNote;
  at: PlayedUnits;
  until: PlayedUnits;
  /** In the bar it belongs to: where it begins, or the barline just behind. */
  home: PlayedUnits;
}

/** @param before as it was decided about, @param after as it came */
export function compareVersions(before: Performance, after: Performance): Correspondence {
  const tracks = pairTracks(before, after);
  const [oldBars, newBars] = [barsOfPerformance(before), barsOfPerformance(after)];
  const numbers = new Map([...tracks.keys()].map((id, i) => [id, i] as const));
  const numbersNow = new Map([...tracks].flatMap(([id, now]) => (now ? [[now, numbers.get(id)!] as const] : [])));
  const [oldMarks, newMarks] = [marksOf(before, numbers), marksOf(after, numbersNow)];
  const grid = shiftedBars(oldBars, newBars, mainShift(oldMarks, newMarks));
  const stretches = alignBars({ bars: oldBars, marks: oldMarks }, { bars: grid, marks: newMarks });
  const notes = new Map<NoteId, NoteId>();
  const bars = new BarCounts(newBars);
  for (const track of before.tracks) {
    const other = after.tracks.find(({ id }) => id === tracks.get(track.id));
    if (!other) continue;
    const pairs = pairNotes(placed(track.notes, before, oldBars), placed(other.notes, after, newBars), stretches);
    for (const [one, now, shift] of pairs.both) {
      notes.set(one.note.id, now.note.id);
      if (differs(one, now, shift)) bars.count(other.id, now.home, 'changed');
    }
    for (const { home } of pairs.added) bars.count(other.id, home, 'added');
    for (const { home } of pairs.gone) {
      const place = placeNow(stretches, Math.max(0, Math.round(home)));
      if (place !== null) bars.count(other.id, place, 'gone');
    }
  }
  const whole = wholes(before, after, tracks, stretches);
  // All of a bar that was put in is new: it is said once.
  const inKept = bars.all().filter(({ bar }) => !whole.barsAdded.includes(bar));
  return { tracks, notes, stretches, changes: { ...whole, bars: inKept } };
}

function marksOf({ tracks, ticksPerQuarter }: Performance, numbers: ReadonlyMap<TrackId, number>): Mark[] {
  return tracks.flatMap(({ id, notes }) => {
    const track = numbers.get(id);
    if (track === undefined) return [];
    return notes.map(({ start, key }) => ({ at: Math.round(playedUnits(start, ticksPerQuarter)), track, key }));
  });
}

function placed(notes: readonly PlayedNote[], { ticksPerQuarter }: Performance, bars: readonly Bar[]): Placed[] {
  const starts = bars.map(({ start }) => start);
  return notes.map((note) => {
    const [at, until] = [playedUnits(note.start, ticksPerQuarter), playedUnits(note.end, ticksPerQuarter)];
    const next = starts[barIndexAt(starts, Math.max(0, Math.round(at))) + 1];
    const early = next !== undefined && next - at <= EARLY && until - next > next - at;
    return { note, at, until, home: early ? next : at };
  });
}

interface Pairs {
  /** With how much later the new one's bar begins. */
  both: [Placed, Placed, WrittenUnits][];
  added: Placed[];
  gone: Placed[];
}

/** Nearest first: the same key in the same place, the same key near it, another key in its place. */
function pairNotes(before: readonly Placed[], after: readonly Placed[], stretches: readonly Stretch[]): Pairs {
  const free = new Set(after);
  const both: Pairs['both'] = [];
  const shiftOf = (at: PlayedUnits) => {
    const place = Math.max(0, Math.round(at));
    const now = placeNow(stretches, place);
    return now === null ? null : now - place;
  };
  let left = before.map((one) => ({ one, shift: shiftOf(one.home) ?? shiftOf(one.at) }));
  const byKey = groupBy(after, ({ note }) => note.key);
  for (const { within, sameKey } of [
    { within: SAME_PLACE, sameKey: true },
    { within: NEAR, sameKey: true },
    { within: IN_ITS_PLACE, sameKey: false },
  ]) {
    const rest: typeof left = [];
    const open = sameKey ? [] : [...free].sort((a, b) => a.at - b.at);
    for (const { one, shift } of left) {
      const candidates = sameKey ? (byKey.get(one.note.key) ?? []) : open;
      const found = shift === null ? null : nearest(candidates, one.at + shift, within, free);
      if (!found) rest.push({ one, shift });
      else {
        free.delete(found);
        both.push([one, found, shift!]);
      }
    }
    left = rest;
  }
  return { both, added: [...free], gone: left.map(({ one }) => one) };
}

function nearest(
  sorted: readonly Placed[],
  at: PlayedUnits,
  within: PlayedUnits,
  free: ReadonlySet<Placed>,
): Placed | null {
  let best: Placed | null = null;
  for (let i = firstNotBefore(sorted, at - within, (one) => one.at); sorted[i] && sorted[i]!.at <= at + within; i++) {
    const one = sorted[i]!;
    if (free.has(one) && (!best || Math.abs(one.at - at) < Math.abs(best.at - at))) best = one;
  }
  return best;
}

function differs(one: Placed, now: Placed, shift: WrittenUnits): boolean {
  return (
    one.note.key !== now.note.key ||
    Math.abs(now.at - one.at - shift) > SAME_PLACE ||
    Math.abs(now.until - one.until - shift) > SAME_PLACE ||
    Math.abs(now.note.velocity - one.note.velocity) > SAME_STRENGTH
  );
}

/** What is counted by bar and track. */
class BarCounts {
  private readonly counts = new Map<string, ChangedBar>();
  private readonly starts: WrittenUnits[];

  constructor(bars: readonly Bar[]) {
    this.starts = bars.map(({ start }) => start);
  }

  count(track: TrackId, at: PlayedUnits, what: 'added' | 'gone' | 'changed'): void {
    const bar = barIndexAt(this.starts, Math.max(0, Math.round(at)));
    const slot = `${bar}/${track}`;
    const known = this.counts.get(slot) ?? { bar, track, added: 0, gone: 0, changed: 0 };
    this.counts.set(slot, { ...known, [what]: known[what] + 1 });
  }

  all(): ChangedBar[] {
    return [...this.counts.values()].sort((a, b) => a.bar - b.bar);
  }
}

function wholes(
  before: Performance,
  after: Performance,
  tracks: Correspondence['tracks'],
  stretches: readonly Stretch[],
): Omit<VersionChanges, 'bars'> {
  const kept = new Set(stretches.map(({ from }) => from));
  const paired = new Set([...tracks.values()]);
  return {
    barsAdded: barsOfPerformance(after).flatMap(({ start, length, index }) =>
      stretches.some(({ from, to, now }) => now < start + length && now + to - from > start) ? [] : [index],
    ),
    barsGone: barsOfPerformance(before).flatMap(({ start, index }) => (kept.has(start) ? [] : [index])),
    tracksAdded: after.tracks.filter(({ id, notes }) => notes.length > 0 && !paired.has(id)).map(({ id }) => id),
    tracksGone: before.tracks.filter(({ id, notes }) => notes.length > 0 && !tracks.get(id)).map(({ id }) => id),
    tempo: !sameSigns(tempi(before), tempi(after), stretches),
    meters: !sameSigns(metersIn(before), metersIn(after), stretches),
  };
}

/** Something that stands on the time line, and what it says. */
interface Sign {
  at: PlayedUnits;
  says: string;
}

const tempi = ({ tempo, ticksPerQuarter }: Performance): Sign[] =>
  tempo.events.map(({ tick, microsecondsPerQuarter }) => ({
    at: playedUnits(tick, ticksPerQuarter),
    says: String(microsecondsPerQuarter),
  }));
const metersIn = ({ meters }: Performance): Sign[] =>
  meters.map(({ at, ...meter }) => ({ at, says: meterInWords(meter) }));

/** Signs are the same where each of one version is in its bar in the other. */
function sameSigns(before: readonly Sign[], after: readonly Sign[], stretches: readonly Stretch[]): boolean {
  const words = ({ at, says }: Sign) => `${Math.round(at)} ${says}`;
  const moved = before.flatMap((sign) => {
    const at = placeNow(stretches, Math.round(sign.at));
    return at === null ? [] : [{ ...sign, at }];
  });
  const there = new Set(after.map(words));
  return moved.length === after.length && moved.every((sign) => there.has(words(sign)));
}
