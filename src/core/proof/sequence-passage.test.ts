import { partId } from '../base';
import { describe, expect, it } from 'vitest';
import { demoMechanical } from '../../../demo/make';
import { performanceFromSmf } from '../performance';
import { soundsOf } from '../score';
import { readSmf } from '../smf';
import { QUARTER } from '../time';
import { toScore } from '../to-score';
import { toSequencer } from '../to-sequencer';
import { sequencePassage } from './index';
import { NO_SETTINGS, USUAL_SEQUENCING } from '../settings';

const score = toScore(performanceFromSmf(readSmf(demoMechanical())), NO_SETTINGS).printed;
const [sequenced] = toSequencer(score, USUAL_SEQUENCING);

describe('a passage on its way to a sequencer', () => {
  const passage = sequencePassage(score, sequenced!, [partId('t8'), partId('t1')], 8, 12);
  it('holds the written bars and every note that goes out from them', () => {
    expect(passage.bars.map((bar) => bar.number)).toEqual([9, 10, 11, 12]);
    expect(passage.beats).toHaveLength(12);
    for (const part of passage.parts) {
      const written = soundsOf(
        score.parts.find((one) => one.id === part.id)!,
        score.bars,
      ).filter((sound) => sound.start >= 32 * QUARTER && sound.start < 44 * QUARTER);
      expect(part.played.map(({ start, key }) => [start, key])).toEqual(written.map(({ start, key }) => [start, key]));
    }
  });
  it('leads from engraved notes to what is played, and back', () => {
    const ids = [...passage.mei.matchAll(/<note xml:id="(n\d+)"/g)].map((match) => match[1]!);
    expect(ids.length).toBeGreaterThanOrEqual(16);
    const linked = new Set(ids.flatMap((id) => passage.links[id]!.played));
    expect(linked.size).toBe(passage.parts.reduce((sum, part) => sum + part.played.length, 0));
  });
  it('shows a repeated bar once, where it is written', () => {
    const repeated = { ...score, signs: { 1: { repeatEnd: { times: 2 } } } };
    const [twice] = toSequencer(repeated, USUAL_SEQUENCING);
    expect(twice!.report.bars).toBe(score.bars.length + 2);
    const first = sequencePassage(repeated, twice!, [partId('t1')], 0, 2).parts[0]!.played;
    expect(first.map(({ start, key }) => [start, key])).toEqual(
      sequencePassage(score, sequenced!, [partId('t1')], 0, 2).parts[0]!.played.map(({ start, key }) => [start, key]),
    );
    const later = sequencePassage(repeated, twice!, [partId('t1')], 4, 6).parts[0]!.played;
    expect(later.map(({ start }) => start)).toEqual(
      sequencePassage(score, sequenced!, [partId('t1')], 4, 6).parts[0]!.played.map(({ start }) => start),
    );
  });
});
