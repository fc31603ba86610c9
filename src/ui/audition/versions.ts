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
  received: { label: 'received', title: 'As received: the original, with its faders and its timing' },
  written: { label: 'written', title: 'As written: what stands on the page, played plainly' },
  delivered: { label: 'delivered', title: 'As delivered: what leaves the house, as another program gets it' },
  reference: { label: 'recording', title: 'The recording that lies beside the job' },
};
