'use client';

import { create } from 'zustand';

/** A file that is compared instead of what the job makes. */
export interface OtherFile {
  name: string;
  bytes: Uint8Array;
}

/** What is compared with: the original, what is made now, or a delivery, by the time it was sent. */
export type Base = 'original' | 'made' | number;

interface Compared {
  /** The job it was chosen for. */
  job: string | null;
  other: OtherFile | null;
  base: Base;
  choose: (job: string, to: Partial<Pick<Compared, 'other' | 'base'>>) => void;
}

const NOTHING = { other: null, base: 'original' as const };

/** What Proof compares stays as long as the page is open, also while other stations are looked at. */
export const useCompared = create<Compared>()((set) => ({
  job: null,
  ...NOTHING,
  choose: (job, to) => set((now) => ({ ...(now.job === job ? {} : NOTHING), job, ...to })),
}));
