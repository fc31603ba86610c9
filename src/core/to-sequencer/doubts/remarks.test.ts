import { describe, expect, it } from 'vitest';
import { barOf, plainPart, plainScore } from '../../../testing/scores';
import { partId } from '../../base';
import { NO_LINES, type Score } from '../../score';
import { QUARTER } from '../../time';
import { USUAL_SEQUENCING, type SequencerSettings } from '../../settings';
import { toSequencer } from '../index';

const part = plainPart([barOf([60, 4]), barOf([62, 4])], { name: 'Viola' });
const score = plainScore([part]);
const remarks = (given: Score, settings: Partial<SequencerSettings>) =>
  toSequencer(given, { ...USUAL_SEQUENCING, ...settings }).flatMap((file) => file.report.remarks);
const split = (to: 'technique' | 'solo' | 'voice' | 'lines') => ({ parts: { [part.id]: { split: to } } });

describe('a choice that changes nothing', () => {
  it.each([
    ['sections without markers', { files: 'sections' as const }, 'There are no markers'],
    ['no part', { onlyParts: [] }, 'No part is chosen'],
    ['a part that is not there', { onlyParts: [partId('t9')] }, 'No part is chosen'],
    ['a pickup that is none', { padPickup: true }, 'There is no pickup'],
    ['a split by technique', split('technique'), 'Viola stays one track: no technique is written'],
    ['a split by solos', split('solo'), 'Viola stays one track: no solo is written'],
    ['a split by voices', split('voice'), 'Viola stays one track: it has one voice'],
    ['a split of chords', split('lines'), 'Viola stays one track: it has no chords'],
  ])('is said: %s', (_, settings, words) => {
    expect(remarks(score, settings)).toEqual([expect.stringContaining(words)]);
  });
  it('is said of a drum map that moves no key that is struck', () => {
    const kit = plainPart([barOf([36, 2], [38, 2])], { name: 'Kit', unpitched: true, instrument: 'drum-kit' });
    const map = (drumKeys: Record<number, number>) => remarks(plainScore([kit]), { parts: { [kit.id]: { drumKeys } } });
    expect(map({ 41: 43, 36: 36 })).toEqual(['The drum map of Kit moves no key: none of the keys it moves is struck.']);
    expect(map({ 36: 35 })).toEqual([]);
  });
  it('is not said where it changes something', () => {
    const plucked = plainScore([
      plainPart([barOf([60, 2, { words: ['pizz.'] }], [62, 2, { words: ['arco'] }])], { name: 'Viola' }),
    ]);
    expect(remarks(plucked, split('technique'))).toEqual([]);
    expect(remarks({ ...score, markers: [{ at: 0, text: 'A', rehearsal: true }] }, { files: 'sections' })).toEqual([]);
    expect(remarks(score, {})).toEqual([]);
  });
});

describe('what a sequencer does not show', () => {
  it('a D.C. that is played out is said with its bar', () => {
    const jump = { ...score, signs: { 1: { jump: 'daCapo' as const } } };
    expect(remarks(jump, {})).toEqual(['D.C. at bar 2 played out: the bars come again behind, and no marker says so.']);
  });
});

describe('what cannot be heard', () => {
  const hairpin = (end: number) =>
    plainScore([
      plainPart([barOf([60, 4]), barOf([62, 1], [64, 1], [65, 2])], {
        name: 'Viola',
        lines: { ...NO_LINES, hairpins: [{ start: 0, end: end * QUARTER, staff: 1, kind: 'crescendo' }] },
      }),
    ]);
  it('a hairpin under a held note is said where velocity alone carries it', () => {
    expect(remarks(hairpin(4), {})).toEqual([expect.stringContaining('One hairpin is over held notes')]);
    expect(remarks(hairpin(4), { dynamicsTo: ['expression'] })).toEqual([]);
    expect(remarks(hairpin(7), {})).toEqual([]);
  });
  it('a muted horn stays a horn: General MIDI has a muted trumpet only', () => {
    const muted = (instrument: 'horn-f' | 'trumpet-bflat', program: number) =>
      toSequencer(
        plainScore([plainPart([barOf([60, 2, { words: ['con sord.'] }], [62, 2])], { instrument, program })]),
        { ...USUAL_SEQUENCING, preset: 'expression', parts: { [part.id]: { split: 'technique' } } },
      )[0]!.tracks.map((track) => track.program);
    expect(muted('horn-f', 61)).toEqual([61]);
    expect(muted('trumpet-bflat', 57)).toEqual([60]);
  });
});
