/*
 * Which tracks make one part: those somebody gathered, the two hands of a keyboard, the techniques of one player, and a
 * track that goes on in a later original.
 */
import type { NoteId, PlayedNote, PlayedTrack, TrackId } from '../performance';
import type { TechniqueId } from '../instruments';
import type { CastTrack } from './casting';
import type { ProgramChanges } from './program-changes';
import type { CastingSettings } from '../settings';

/** A track that is written, with its notes as far as they are music. */
export interface WrittenTrack {
  track: PlayedTrack;
  cast: CastTrack;
  notes: PlayedNote[];
  techniqueOf: ReadonlyMap<NoteId, TechniqueId>;
  changes: ProgramChanges;
  staff: number | null;
}

/**
 * Two techniques of one player hardly ever sound together; more than this share of the shorter track and they are two
 * players.
 */
const LARGEST_OVERLAP = 0.05;

export function groupTracks(
  written: readonly WrittenTrack[],
  settings: Pick<CastingSettings, 'gathered'>,
): WrittenTrack[][] {
  const { groups, rest } = gatheredByHand(written, settings);
  const free = (one: WrittenTrack) => settings.gathered[one.track.id] !== null;
  const single = rest.filter((one) => !free(one)).map((one) => [one]);
  const found = joinSequels(joinTechniques(joinHands(rest.filter(free))));
  const position = new Map(written.map((one, i) => [one, i]));
  return [...groups, ...single, ...found].sort((a, b) => position.get(a[0]!)! - position.get(b[0]!)!);
}

function gatheredByHand(written: readonly WrittenTrack[], { gathered }: Pick<CastingSettings, 'gathered'>) {
  const byId = new Map(written.map((one) => [one.track.id, one]));
  const leaderOf = (id: TrackId): TrackId => {
    const seen = new Set<TrackId>();
    let at = id;
    // Follows gatherings of gathered parts to the first track that is still there.
    for (let to = gathered[at]; to && byId.has(to) && !seen.has(to); to = gathered[at]) {
      seen.add(at);
      at = to;
    }
    return at;
  };
  const groups = new Map<TrackId, WrittenTrack[]>();
  for (const one of written) {
    const leader = leaderOf(one.track.id);
    if (leader === one.track.id) continue;
    if (!groups.has(leader)) groups.set(leader, [byId.get(leader)!]);
    groups.get(leader)!.push(one);
  }
  const inGroup = new Set([...groups.values()].flat());
  return { groups: [...groups.values()], rest: written.filter((one) => !inGroup.has(one)) };
}

/** Right hand and left hand of one instrument, recorded on two tracks, belong together. */
function joinHands(written: readonly WrittenTrack[]): WrittenTrack[][] {
  const groups: WrittenTrack[][] = [];
  const waiting = new Map<string, WrittenTrack[]>();
  for (const one of written) {
    const { details } = one.cast.recognition;
    const { instrument } = one.cast;
    if (!details.hand || instrument.clefs.length < 2) {
      groups.push([one]);
      continue;
    }
    const staffed = { ...one, staff: details.hand === 'left' ? 2 : 1 };
    const slot = `${instrument.id}/${details.number ?? ''}`;
    const other = waiting.get(slot);
    if (other && other.length === 1 && other[0]!.staff !== staffed.staff) {
      if (staffed.staff === 1) other.unshift(staffed);
      else other.push(staffed);
    } else {
      const group = [staffed];
      waiting.set(slot, group);
      groups.push(group);
    }
  }
  // One hand alone may use both staves.
  return groups.map((group) => (group.length === 1 ? [{ ...group[0]!, staff: null }] : group));
}

/**
 * Same instrument, number and desk, different techniques, hardly ever at the same time: one player recorded on several
 * tracks.
 */
function joinTechniques(groups: readonly WrittenTrack[][]): WrittenTrack[][] {
  const joined: WrittenTrack[][] = [];
  for (const group of groups) {
    const [one] = group;
    const home =
      group.length === 1 &&
      joined.find((candidate) => candidate.every((other) => sameChair(other, one!)) && sparesOf(candidate, one!));
    if (home) home.push(one!);
    else joined.push([...group]);
  }
  return joined;
}

/** Whether two tracks are named for the same chair with different techniques. */
export function sameChair(a: WrittenTrack, b: WrittenTrack): boolean {
  const [x, y] = [a.cast.recognition.details, b.cast.recognition.details];
  const named = a.cast.technique !== null || b.cast.technique !== null;
  return (
    named &&
    a.cast.technique !== b.cast.technique &&
    a.cast.instrument === b.cast.instrument &&
    a.cast.instrument.id !== 'unknown' &&
    !a.cast.instrument.unpitched &&
    x.number === y.number &&
    x.desk === y.desk &&
    x.solo === y.solo &&
    x.players === y.players &&
    originalOf(a) === originalOf(b)
  );
}

function sparesOf(group: readonly WrittenTrack[], one: WrittenTrack): boolean {
  return group.every((other) => overlapOf(other.notes, one.notes) <= LARGEST_OVERLAP);
}

/** Share of the shorter track's sounding time during which both sound. */
export function overlapOf(a: readonly PlayedNote[], b: readonly PlayedNote[]): number {
  const [x, y] = [spans(a), spans(b)];
  const length = (list: readonly [number, number][]) => list.reduce((sum, [from, to]) => sum + to - from, 0);
  let both = 0;
  for (let i = 0, j = 0; i < x.length && j < y.length;) {
    both += Math.max(0, Math.min(x[i]![1], y[j]![1]) - Math.max(x[i]![0], y[j]![0]));
    if (x[i]![1] < y[j]![1]) i++;
    else j++;
  }
  return both / Math.max(1, Math.min(length(x), length(y)));
}

function spans(notes: readonly PlayedNote[]): [number, number][] {
  const merged: [number, number][] = [];
  for (const { start, end } of [...notes].sort((a, b) => a.start - b.start)) {
    const last = merged.at(-1);
    if (last && start <= last[1]) last[1] = Math.max(last[1], end);
    else merged.push([start, end]);
  }
  return merged;
}

/**
 * A cue in several files: a track that goes on in a later original, under the same name and for the same instrument, is
 * the same part. Tracks that sound at the same time are not.
 */
function joinSequels(groups: readonly WrittenTrack[][]): WrittenTrack[][] {
  const joined: WrittenTrack[][] = [];
  for (const group of groups) {
    const one = group[0]!;
    const before = joined.find((candidate) => {
      const last = candidate.at(-1)!;
      return (
        group.length === 1 &&
        originalOf(last) !== originalOf(one) &&
        last.track.name === one.track.name &&
        one.track.name !== '' &&
        last.cast.instrument === one.cast.instrument &&
        endOf(last.notes) <= startOf(one.notes)
      );
    });
    if (before) before.push(one);
    else joined.push([...group]);
  }
  return joined;
}

const originalOf = ({ track }: WrittenTrack) => /^o(\d+)/.exec(track.id)?.[1] ?? '1';
const startOf = (notes: readonly PlayedNote[]) => notes.reduce((first, note) => Math.min(first, note.start), Infinity);
const endOf = (notes: readonly PlayedNote[]) => notes.reduce((last, note) => Math.max(last, note.end), 0);
