import { create } from 'zustand';
import type { NoteInView } from '../workspace/workspace';

/** Notes that were copied, with their signs; they stay while the page does, for any job. */
export const useClipboard = create<{ notes: readonly NoteInView[] }>(() => ({ notes: [] }));
