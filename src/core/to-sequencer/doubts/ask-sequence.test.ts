import { describe, expect, it } from 'vitest';
import { barOf, plainPart, plainScore } from '../../../testing/scores';
import { partId } from '../../base';
import { apply } from '../../decisions';
import { remediesFor } from '../../queries';
import type { Score } from '../../score';
import { NO_JOB_SETTINGS } from '../../settings';
import { layBars, QUARTER } from '../../time';
import { toSequencer } from '../index';
import { askSequence } from './ask-sequence';

const asked = (score: Score, settings = NO_JOB_SETTINGS) => {
  const [whole] = toSequencer(score, settings.sequencing);
  return askSequence({ score, tracks: whole!.tracks, line: whole!.line, settings: settings.sequencing });
};

const full = barOf([60, 1], [62, 1], [64, 1], [65, 1]);
const crowd = plainScore(
  Array.from({ length: 17 }, (_, i) => plainPart([full], { id: partId(`t${i + 1}`), name: `Flute ${i + 1}` })),
);
const plucked = plainScore([
  plainPart([barOf([60, 1, { words: ['pizz.'] }], [62, 1], [64, 1, { words: ['arco'] }], [65, 1])], { name: 'Viola' }),
]);
const [first, second] = layBars([{ at: 0, beats: 4, beatType: 4 }], 8 * QUARTER);
const withPickup = plainScore(
  [plainPart([barOf([60, 1]), full])],
  [
    { ...first!, length: QUARTER, implicit: true, number: 0 },
    { ...second!, start: QUARTER, number: 1 },
  ],
);

describe('a score on its way to a sequencer', () => {
  it.each([
    ['several-ports', crowd, '17 tracks need 2 ports of sixteen channels'],
    ['silent-techniques', plucked, 'Viola: pizz. is written, and nothing in the file will say so.'],
    ['pickup', withPickup, 'The music begins with a pickup'],
  ] as const)('is asked about once (%s), and each remedy settles it', (kind, score, message) => {
    const [query, ...others] = asked(score);
    expect(others).toEqual([]);
    expect(query).toMatchObject({ kind, message: expect.stringContaining(message) as string });
    const remedies = remediesFor(query!);
    expect(remedies.length).toBeGreaterThan(0);
    for (const { decision } of remedies) expect(asked(score, apply(NO_JOB_SETTINGS, decision))).toEqual([]);
  });
  it('is not asked about where nothing is doubtful', () => {
    expect(asked(plainScore([plainPart([full])]))).toEqual([]);
  });
});
