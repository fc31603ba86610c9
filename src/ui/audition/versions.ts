import type { HearingVersion } from '@/core/engine';
import type { HeardVersion } from './useHearing';

/* Which versions of a job there are to hear, and what they are called. */

export type JobKind = 'to-score' | 'score' | 'midi';

export const VERSIONS: Record<JobKind, readonly HearingVersion[]> = {
  'to-score': ['received', 'written', 'delivered'],
  score: ['written', 'delivered'],
  midi: ['received', 'delivered'],
};

export const VERSION_WORDS: Record<HeardVersion, { label: string; title: string }> = {
  received: { label: 'Original', title: 'The original, with its faders and its timing' },
  written: { label: 'Score', title: 'The score, played exactly as notated' },
  delivered: { label: 'Export', title: 'The export, as another program receives it' },
  reference: { label: 'Recording', title: 'The recording of this job' },
};
