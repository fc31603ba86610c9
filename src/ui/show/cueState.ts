import { say } from '@/core/words';
import type { JobRecord } from '@/storage/schema';

export const CUE_STATES = ['unknown', 'failed', 'doubt', 'ready', 'sent'] as const;
export type CueState = (typeof CUE_STATES)[number];

export const STATE_WORDS: Record<CueState, string> = {
  get unknown() {
    return say('show.analysing');
  },
  get failed() {
    return say('show.cannotBeRead');
  },
  get doubt() {
    return say('show.inDoubt');
  },
  get ready() {
    return say('show.nothingInDoubt');
  },
  get sent() {
    return say('show.sentAsItIs');
  },
};

/** Where a cue stands: what was changed since it was sent has to go out again. */
export function stateOf({ facts, changedAt, sent = [] }: JobRecord): CueState {
  if (facts?.of !== changedAt) return 'unknown';
  if (facts.failure) return 'failed';
  if ((sent.at(-1)?.at ?? 0) >= changedAt) return 'sent';
  return facts.openQueries > 0 ? 'doubt' : 'ready';
}

/** Only of cues that were read, as they are now; null where there is nothing to compare yet. */
export function namesInWords(cues: readonly Pick<JobRecord, 'facts' | 'changedAt'>[], odd: number): string | null {
  const read = cues.filter(({ facts, changedAt }) => facts && !facts.failure && facts.of === changedAt).length;
  if (odd > 0 || cues.length < 2) return null;
  if (read === cues.length) return say('show.everyPlayerHasTheSameNameInEvery');
  return read < 2 ? null : say('show.everyPlayerHasTheSameNameInTheRead', { read, cues: cues.length });
}
