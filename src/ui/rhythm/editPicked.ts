import type { NoteId, PartId } from '@/core/base';
import { QUARTER } from '@/core/time';
import { useWorkspace, type WrittenPlaces } from '../job/workspace';
import type { Decision } from '@/core/decisions';

export type PickedEdit = 'earlier' | 'later' | 'join' | 'cut';

/** Changes the notes picked in the interlinear view. A step is the part's smallest value, at most a sixteenth. */
export function editPicked(edit: PickedEdit): void {
  const { picked, summary, written, decide } = useWorkspace.getState();
  const part = summary?.parts.find((candidate) => candidate.id === picked?.part);
  if (!picked || !part) return;
  const step = Math.min(part.report.smallest, QUARTER / 4);
  const decision = decisionFor(edit, picked.part, picked.notes, step, written);
  if (decision) decide(decision);
}

function decisionFor(
  edit: PickedEdit,
  part: PartId,
  notes: readonly NoteId[],
  step: number,
  written: WrittenPlaces,
): Decision | null {
  switch (edit) {
    case 'earlier':
    case 'later':
      return { kind: 'moveNotes', part, moves: notes.map((note) => ({ note, by: edit === 'later' ? step : -step })) };
    case 'join':
      return notes.length < 2 ? null : { kind: 'joinNotes', part, notes: [...notes].sort((a, b) => a - b) };
    case 'cut': {
      const place = written.get(notes[0]!);
      return place ? { kind: 'cutNote', part, note: notes[0]!, at: (place.start + place.end) / 2 } : null;
    }
  }
}
