'use client';

import { create } from 'zustand';
import { conversionSlice } from './store/conversion-slice';
import { jobSlice } from './store/job-slice';
import { keepingSlice } from './store/keeping-slice';
import { querySlice } from './store/query-slice';
import { viewSlice } from './store/view-slice';
import type { Workspace } from './store/workspace';

export {
  barsOnDesk,
  handParts,
  keysOnDesk,
  kindOnDesk,
  madeOnDesk,
  partsOnDesk,
  timedOnDesk,
  type HandPart,
} from './store/on-desk';
export { nameOf } from './store/name-of';
export { openQueries } from './store/open-queries';
export { alikeOf, isFolded, markedRemedy, queryHere } from './store/query-slice';
export { inParts, type NoteInView, type NotesInView, type Picked } from './store/view-slice';

/** The store behind the screens of a job. */
export const useWorkspace = create<Workspace>()((...args) => ({
  ...jobSlice(...args),
  ...keepingSlice(...args),
  ...conversionSlice(...args),
  ...viewSlice(...args),
  ...querySlice(...args),
}));
