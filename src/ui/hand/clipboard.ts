import { create } from 'zustand';
import type { NoteInView } from '../job/workspace';
import { held } from './actions';

/** Notes that were copied, with their signs; they stay while the page does, for any job. */
export const useClipboard = create<{ notes: readonly NoteInView[] }>(() => ({ notes: [] }));

export function copyHeld(): void {
  const of = held();
  if (of && of.notes.length > 0) useClipboard.setState({ notes: of.notes });
}
