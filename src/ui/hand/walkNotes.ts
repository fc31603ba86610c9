import { partsOnDesk, useWorkspace, type NoteInView, type NotesInView } from '../workspace/workspace';

export type NoteWalk = 'before' | 'after' | 'above' | 'below';

/** Notes of one part in view, in order of start, then from the top. */
function line(written: NotesInView, part: string): NoteInView[] {
  return [...new Set(written.values())]
    .filter((note) => note.part === part)
    .sort((a, b) => a.start - b.start || b.key - a.key);
}

/**
 * From the picked note to the next one: in time within its part, up and down through what sounds with it and on to the
 * next part. At the edge of what is in view the view goes on by a bar.
 *
 * @returns false when nothing is picked
 */
export function walkNotes(way: NoteWalk): boolean {
  const { picked, written, passage, pick, show } = useWorkspace.getState();
  const from = picked && [...picked.notes].map((id) => written.get(id)).find((note) => note !== undefined);
  if (!from) return false;
  const own = line(written, from.part);
  const to = way === 'before' || way === 'after' ? inTime(own, from, way) : upOrDown(own, from, way);
  if (to) pick(to.part, to.played);
  else if (way === 'before') show({ from: passage.from - 1 });
  else if (way === 'after') show({ from: passage.from + 1 });
  return true;
}

function inTime(own: readonly NoteInView[], { start, key }: NoteInView, way: NoteWalk): NoteInView | undefined {
  const starts = own.map((note) => note.start).filter((at) => (way === 'after' ? at > start : at < start));
  if (starts.length === 0) return undefined;
  const at = way === 'after' ? Math.min(...starts) : Math.max(...starts);
  return own.filter((note) => note.start === at).sort((a, b) => Math.abs(a.key - key) - Math.abs(b.key - key))[0];
}

function upOrDown(own: readonly NoteInView[], from: NoteInView, way: NoteWalk): NoteInView | undefined {
  const chord = own.filter(({ start }) => start === from.start);
  const within = chord[chord.indexOf(from) + (way === 'below' ? 1 : -1)];
  return within ?? inNextPart(from, way);
}

function inNextPart(from: NoteInView, way: NoteWalk): NoteInView | undefined {
  const { written, passage } = useWorkspace.getState();
  const parts = partsOnDesk(useWorkspace.getState())
    .map(({ id }) => id)
    .filter((id) => passage.parts.includes(id));
  const rest =
    way === 'below' ? parts.slice(parts.indexOf(from.part) + 1) : parts.slice(0, parts.indexOf(from.part)).reverse();
  for (const part of rest) {
    const notes = line(written, part);
    const near = notes.sort((a, b) => Math.abs(a.start - from.start) - Math.abs(b.start - from.start))[0];
    if (near) return near;
  }
  return undefined;
}

/** The first note in view, when nothing is picked yet. */
export function pickFirst(): boolean {
  const { written, passage, pick } = useWorkspace.getState();
  const parts = partsOnDesk(useWorkspace.getState())
    .map(({ id }) => id)
    .filter((id) => passage.parts.includes(id));
  const first = parts.map((part) => line(written, part)[0]).find((note) => note !== undefined);
  if (first) pick(first.part, first.played);
  return first !== undefined;
}
