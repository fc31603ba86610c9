import { describe, expect, it } from 'vitest';
import { EMPTY_LEDGER } from '@/core/documents';
import type { JobFacts, JobRecord } from '@/storage/schema';
import { namesInWords, stateOf } from './cueState';

const facts: JobFacts = { of: 5, bars: 1, seconds: 2, openQueries: 0, agreement: '', same: 1, parts: [] };
const cue = (of: Partial<JobRecord>): JobRecord => ({
  id: 'a',
  name: 'Cue',
  createdAt: 1,
  changedAt: 5,
  originals: [],
  ledger: EMPTY_LEDGER,
  openQueries: null,
  ...of,
});
const sent = (at: number) => [{ version: 1, recipe: 'Print', files: 1, at }];

describe('where a cue stands', () => {
  it.each([
    ['nobody has looked at it', cue({}), 'unknown'],
    ['it was changed since', cue({ facts: { ...facts, of: 4 } }), 'unknown'],
    ['it cannot be read', cue({ facts: { ...facts, failure: 'no' } }), 'failed'],
    ['queries are open', cue({ facts: { ...facts, openQueries: 2 } }), 'doubt'],
    ['nothing is open', cue({ facts }), 'ready'],
    ['it was sent as it is, in doubt or not', cue({ facts: { ...facts, openQueries: 2 }, sent: sent(6) }), 'sent'],
    ['it was changed since it was sent', cue({ facts, sent: sent(4) }), 'ready'],
  ])('%s', (_, job, state) => {
    expect(stateOf(job)).toBe(state);
  });
});

describe('names over the cues of a show', () => {
  const read = cue({ facts, changedAt: facts.of });
  const unread = cue({});
  const changed = cue({ facts, changedAt: facts.of + 1 });
  const failed = cue({ facts: { ...facts, failure: 'It could not be read.' }, changedAt: facts.of });
  it('are the same in every cue only when every cue was read as it is now', () => {
    expect(namesInWords([read, read], 0)).toBe('Every player has the same name in every cue.');
    for (const other of [unread, changed, failed]) {
      expect(namesInWords([read, other], 0)).toBeNull();
      expect(namesInWords([read, read, other], 0)).toBe(
        'Every player has the same name in the 2 of 3 cues analysed so far.',
      );
    }
    expect(namesInWords([read, read], 1)).toBeNull();
    expect(namesInWords([read], 0)).toBeNull();
  });
});
