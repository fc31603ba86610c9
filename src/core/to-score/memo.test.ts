import { partId, trackId } from '../base';
import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { performanceFromSmf } from '../performance';
import { readSmf } from '../smf';
import { convert, Memo, toScore, type Conversion } from './index';
import { NO_SETTINGS, type ConversionSettings } from '../settings';

const performance = performanceFromSmf(readSmf(demoOriginal()));

function withMemo(memo: Memo, settings: ConversionSettings): Conversion {
  const steps = convert(performance, settings, memo);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

describe('a conversion that remembers', () => {
  const changes: [string, Partial<ConversionSettings>][] = [
    ['nothing', {}],
    ['a grid', { grids: { [partId('t2')]: [{ smallest: 'eighth', triplets: false, also: [] }] } }],
    ['a lead', { leads: { [trackId('t8')]: 0 } }],
    ['gaps', { closeGaps: { [partId('t11')]: 'quarter' } }],
    ['a note', { edits: { [partId('t9')]: [{ kind: 'move', note: 900, by: 2520 }] } }],
    ['an instrument', { instruments: { [trackId('t1')]: 'oboe' } }],
    ['a part left out', { leftOut: { [trackId('t7')]: true } }],
    ['the key', { key: { fifths: 2, mode: 'major' } }],
    ['hands', { handSplits: { [partId('t7')]: 64 } }],
    ['nothing again', {}],
  ];
  it('gives what one without memory gives, whatever came before', () => {
    const memo = new Memo();
    for (const [what, change] of changes) {
      const settings = { ...NO_SETTINGS, ...change };
      const [remembered, fresh] = [withMemo(memo, settings), toScore(performance, settings)];
      expect(remembered.score, what).toEqual(fresh.score);
      expect(
        remembered.queries.map((query) => query.id),
        what,
      ).toEqual(fresh.queries.map((query) => query.id));
    }
  });
  it('computes only the part that changed, when no other doubles it', () => {
    const memo = new Memo();
    const before = withMemo(memo, NO_SETTINGS);
    const after = withMemo(memo, { ...NO_SETTINGS, closeGaps: { [partId('t12')]: 'quarter' } });
    const same = after.score.parts.filter((part, p) => part === before.score.parts[p]);
    expect(same.map((part) => part.id)).toEqual(before.score.parts.map((part) => part.id).filter((id) => id !== 't12'));
  });
});
