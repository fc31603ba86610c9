import { say } from '@/core/words';
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
  received: {
    get label() {
      return say('audition.original');
    },
    get title() {
      return say('audition.theOriginalWithItsFadersAndIts');
    },
  },
  written: {
    get label() {
      return say('audition.score');
    },
    get title() {
      return say('audition.theScorePlayedExactlyAsNotated');
    },
  },
  delivered: {
    get label() {
      return say('audition.export');
    },
    get title() {
      return say('audition.theExportAsAnotherProgramReceives');
    },
  },
  reference: {
    get label() {
      return say('audition.recording');
    },
    get title() {
      return say('audition.theRecordingOfThisJob');
    },
  },
};
