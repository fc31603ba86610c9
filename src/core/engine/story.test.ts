import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { trackId } from '../base';
import { NO_SETTINGS } from '../settings';
import { ScoreDesk, storyOf } from './index';

describe('the story of a job', () => {
  const desk = ScoreDesk.open([demoOriginal()], NO_SETTINGS);
  desk.convert(NO_SETTINGS);
  const story = storyOf({
    name: 'Goose *and* friends',
    direction: 'to-score',
    originals: [{ fileName: 'goose_1.mid', size: 16000, sha256: 'ab12' }],
    decisions: [
      { kind: 'leaveOut', tracks: [trackId('t2')] },
      { kind: 'useHouseList', answers: [{ track: trackId('t5'), instrument: 'xylophone' }] },
    ],
    nameOf: (id) => `the ${id}`,
    open: desk.summary().queries.map((query) => query.message),
    agreement: desk.agreement(),
  });
  it('says what arrived, who decided what, what came of it and what is open', () => {
    expect(story).toContain('goose\\_1.mid, 16000 bytes, SHA-256 ab12');
    expect(story).toContain('1. the t2: left out');
    expect(story).toMatch(/2\. .*\(the house list\)/);
    expect(story).toContain('Every one of 1,223 notes is there');
    expect(story).toMatch(/\| Bassoon \| 80 \| 0 \| 0 \| \d+ \| 0 \|/);
    expect(story).toMatch(/## What is open\n\n1\. /);
  });
  it('does not take names for markup', () => {
    expect(story.startsWith('# Goose \\*and\\* friends\n')).toBe(true);
  });
});
