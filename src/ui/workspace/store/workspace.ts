import type { JobSlice } from './job-slice';
import type { ConversionSlice } from './conversion-slice';
import type { KeepingSlice } from './keeping-slice';
import type { QuerySlice } from './query-slice';
import type { ViewSlice } from './view-slice';
import type { StateCreator } from 'zustand';

/** Everything the screens of a job share: the job and its ledger, what is made of it, and what is looked at. */
export type Workspace = JobSlice & KeepingSlice & ConversionSlice & ViewSlice & QuerySlice;

/** A part of the store that sees all of it. */
export type Slice<T> = StateCreator<Workspace, [], [], T>;
