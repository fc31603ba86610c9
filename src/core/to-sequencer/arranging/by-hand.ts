/*
 * Notes that were changed by hand go out changed: what is mended on the page would otherwise be wrong in the sequencer still.
 */
import { leadingTrack, partId, type NoteId, type PartId } from '../../base';
import type { ByHand, NoteEdit } from '../../settings';
import type { WorkingNote, WorkingTrack } from './working-tracks';

type Edits = Readonly<Record<PartId, readonly NoteEdit[]>>;

/** What on a page may be nothing but a matter of writing. */
const OF_TIME: ReadonlySet<NoteEdit['kind']> = new Set(['move', 'join', 'cut', 'end']);

/** What changes no sound. */
const OF_WRITING: ReadonlySet<NoteEdit['kind']> = new Set(['voice', 'staff', 'grace']);

/** The edits that go along, in the order they were made, with the part of each. */
function editsOf(edits: Edits, byHand: ByHand): { part: PartId; edit: NoteEdit }[] {
  if (byHand === 'none') return [];
  return Object.entries(edits).flatMap(([part, own]) =>
    own
      .filter(({ kind }) => !OF_WRITING.has(kind) && (byHand === 'all' || !OF_TIME.has(kind)))
      .map((edit) => ({ part: partId(part), edit })),
  );
}

/** @returns the tracks as they were changed; those of which no note was are the same objects */
export function changedByHand(tracks: readonly WorkingTrack[], edits: Edits, byHand: ByHand): WorkingTrack[] {
  const made = editsOf(edits, byHand);
  if (made.length === 0) return [...tracks];
  const home = new Map(tracks.flatMap(({ notes }, t) => notes.map(({ id }) => [id, t] as const)));
  const changed = new Map<number, ChangedNotes>();
  for (const { part, edit } of made) {
    const t = edit.kind === 'add' ? trackOf(tracks, part) : home.get(edit.note);
    if (t === undefined) continue;
    if (edit.kind === 'add') home.set(edit.note, t);
    const notes = changed.get(t) ?? new ChangedNotes(tracks[t]!);
    changed.set(t, notes);
    notes.apply(edit);
  }
  return tracks.map((track, t) => {
    const notes = changed.get(t)?.inOrder();
    return notes ? { ...track, notes, touched: true } : track;
  });
}

/** The track of a part; several players dealt out on paper may be one here, and techniques gathered there apart. */
function trackOf(tracks: readonly WorkingTrack[], part: PartId): number | undefined {
  const own = tracks.findIndex((track) => track.part === part);
  const lead = tracks.findIndex((track) => leadingTrack(track.part) === leadingTrack(part));
  return [own, lead].find((t) => t >= 0);
}

/** Notes of a track by id while they are changed: one that was struck again in the middle is two. */
class ChangedNotes {
  private readonly byId = new Map<NoteId, WorkingNote[]>();

  constructor(private readonly track: WorkingTrack) {
    for (const note of track.notes) this.byId.set(note.id, [note]);
  }

  inOrder(): WorkingNote[] {
    return [...this.byId.values()].flat().sort((a, b) => a.start - b.start || a.key - b.key);
  }

  apply(edit: NoteEdit): void {
    if (edit.kind === 'add') {
      const { note: id, start, end, key, velocity } = edit;
      this.byId.set(id, [{ id, start, end, key, velocity, channel: this.track.channel, technique: null }]);
      return;
    }
    const [note, ...rest] = this.byId.get(edit.note) ?? [];
    if (!note) return;
    this.byId.set(edit.note, [...this.changed(note, edit), ...rest]);
  }

  private changed(note: WorkingNote, edit: Exclude<NoteEdit, { kind: 'add' }>): WorkingNote[] {
    switch (edit.kind) {
      case 'remove':
        return [];
      case 'shift':
        return [{ ...note, key: Math.max(0, Math.min(127, note.key + edit.by)) }];
      case 'move': {
        const by = Math.max(edit.by, -note.start);
        return [{ ...note, start: note.start + by, end: note.end + by }];
      }
      case 'end':
        return [edit.at > note.start ? { ...note, end: edit.at } : note];
      case 'join': {
        const joined = edit.with === edit.note ? [] : (this.byId.get(edit.with) ?? []);
        this.byId.delete(edit.with === edit.note ? -1 : edit.with);
        return [joined.reduce((one, { end }) => ({ ...one, end: Math.max(one.end, end) }), note)];
      }
      case 'cut': {
        const inside = edit.at > note.start && edit.at < note.end;
        return inside
          ? [
              { ...note, end: edit.at },
              { ...note, start: edit.at },
            ]
          : [note];
      }
      case 'voice':
      case 'staff':
      case 'grace':
        return [note];
    }
  }
}

/** How many notes that were changed by hand go along so. */
export function countByHand(edits: Edits, byHand: ByHand): number {
  return new Set<NoteId>(editsOf(edits, byHand).map(({ edit }) => edit.note)).size;
}
