import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { everySetting, settingChanges } from '../../testing/every-setting';
import { line as notesOf, meter, smfBytes, tempo } from '../../testing/music';
import { partId, toEnd, trackId } from '../base';
import {
  agreementOf,
  asDecided,
  decisionsBehind,
  musicOfSequence,
  originalOf,
  playingDecisions,
  type Agreement,
} from '../proof';
import { performanceFromSmf } from '../performance';
import {
  NO_SETTINGS,
  USUAL_SEQUENCING,
  USUAL_TREATMENTS,
  withSequencing,
  type DirectionB,
  type SequencerSettings,
} from '../settings';
import { readSmf } from '../smf';
import { convert, Memo } from '../to-score';
import { toSequencer } from '../to-sequencer';
import { openSequence } from './index';
import { ScoreSequencing } from './score-sequencing';
import { soundingScore } from './sounding-file';

/* "By decision" needs the decision: each difference that is called so is held against what was decided, and how much it may do. */

const unexplained = ({ differences }: Agreement) => differences.filter(({ by }) => by === undefined);
const inLines = (agreement: Agreement) =>
  unexplained(agreement)
    .slice(0, 12)
    .map(
      ({ part, bar, key, kind, milliseconds }) =>
        `${agreement.parts[part]!.id} bar ${bar}: ${key} ${kind} ${milliseconds}`,
    );
const scoreDesk = (settings: Partial<DirectionB>) => {
  const desk = new ScoreSequencing({ score: everySetting, warnings: [] });
  desk.make(withSequencing(settings));
  return desk;
};

describe('what goes out of a score against what came in', () => {
  const loosening = { ...USUAL_SEQUENCING.loosening, onset: 12, legato: 30, spread: 20 };
  const further: [string, Partial<SequencerSettings>][] = [
    ['humanized', { loosening }],
    ['swung', { loosening: { ...USUAL_SEQUENCING.loosening, swing: 2 } }],
    ['steps of a glide', { glides: 'steps' }],
    ['a part left out', { parts: { [partId('D')]: { leftOut: true } } }],
    ['a drum key moved', { parts: { [partId('D')]: { drumKeys: { 36: 35 } } } }],
    ...(['quantize', 'closeGaps', 'trimOverlaps', 'loosen'] as const).map(
      (kind): [string, Partial<SequencerSettings>] => [
        kind,
        { treatments: [{ part: null, bars: null, does: USUAL_TREATMENTS[kind] }] },
      ],
    ),
  ];
  it.each([...Object.entries(settingChanges), ...further])('%s: every difference is somebody’s', (_, settings) => {
    const agreement = scoreDesk(settings).agreement();
    expect(inLines(agreement)).toEqual([]);
    expect(agreement.words).not.toContain('unexplained');
  });
  it('a padded pickup is taken out first: every note is there, at its time and pitch', () => {
    const { words } = scoreDesk({ padPickup: true }).agreement();
    expect(words).toMatch(/^Every one of (\d+) notes is there; \1 begin within 12 ms of where they were\.$/);
  });
  it.each([
    ['padded', { padPickup: true }],
    ['humanized', { loosening }],
    ['without repeats', { playRepeats: false }],
  ] as const)('%s: a note that is moved, retuned or lost beyond that is unexplained', (_, settings) => {
    const usual = toSequencer(everySetting, USUAL_SEQUENCING)[0]!;
    const made = toSequencer(everySetting, { ...USUAL_SEQUENCING, ...settings })[0]!;
    const desk = scoreDesk(settings);
    const context = desk['decidedPlaying']();
    const against = (fault: (notes: ReturnType<typeof musicOfSequence>['parts'][number]['notes']) => typeof notes) => {
      const music = musicOfSequence(everySetting, made);
      const parts = music.parts.map((part) => (part.id === 'C' ? { ...part, notes: fault(part.notes) } : part));
      const original = asDecided(musicOfSequence(everySetting, usual), context);
      return agreementOf(original, { ...music, parts }, { oneJob: true, explain: playingDecisions(context) });
    };
    const first = (change: (note: { onset: number; release: number; key: number }) => object) =>
      against((notes) => notes.map((note, i) => (i === 0 ? { ...note, ...change(note) } : note)));
    expect(unexplained(against((notes) => notes))).toEqual([]);
    expect(unexplained(first(({ onset, release }) => ({ onset: onset + 0.2, release: release + 0.2 })))).toMatchObject([
      { kind: 'moved' },
    ]);
    expect(unexplained(first(({ key }) => ({ key: key + 1 })))).toMatchObject([{ kind: 'pitch' }]);
    expect(unexplained(against((notes) => notes.slice(1)))).toMatchObject([{ kind: 'missing' }]);
    expect(unexplained(against((notes) => [...notes, { ...notes[0]!, key: 99 }]))).toMatchObject([{ kind: 'extra' }]);
  });
});

describe('what goes out of a MIDI file against what came in', () => {
  const pickup = smfBytes(
    [{ name: 'Flute', notes: notesOf([60, 1], [62, 1], [64, 1], [65, 2], [67, 4]) }],
    [meter(0, 1, 4), meter(1, 4, 4), tempo(0, 100)],
  );
  it('a padded pickup and empty bars are taken out first', () => {
    const desk = openSequence([pickup]);
    const { arranging } = withSequencing({}).sequencing;
    desk.make(withSequencing({ padPickup: true, arranging: { ...arranging, emptyBars: 2 } }));
    expect(desk.agreement().words).toBe('Every one of 5 notes is there; 5 begin within 12 ms of where they were.');
  });
  it.each([
    ['some bars', { onlyBars: { from: 4, to: 12 } }],
    ['a track left out', { leftOutTracks: [3] }],
    ['a part quantized', { treatments: [{ part: null, bars: null, does: USUAL_TREATMENTS.quantize }] }],
    ['gaps closed', { treatments: [{ part: null, bars: null, does: USUAL_TREATMENTS.closeGaps }] }],
  ] as [string, Partial<DirectionB>][])('%s: every difference is somebody’s', (_, settings) => {
    const desk = openSequence([demoOriginal()]);
    desk.make(withSequencing(settings));
    expect(inLines(desk.agreement())).toEqual([]);
  });
  it('nothing is somebody’s where nobody decided', () => {
    const desk = openSequence([demoOriginal()]);
    desk.make(withSequencing({}));
    const { parts } = desk.agreement();
    expect(parts.every(({ notes, same }) => notes[0] === same)).toBe(true);
  });
  it('combined tracks are held against what they were, together', () => {
    const desk = openSequence([demoOriginal()]);
    const settings = { ...withSequencing({}), gathered: { [trackId('t2')]: trackId('t1') } };
    desk.make(settings);
    expect(inLines(desk.agreement())).toEqual([]);
  });
});

describe('the score against the playing', () => {
  const performance = performanceFromSmf(readSmf(demoOriginal()));
  const conversion = toEnd(convert(performance, NO_SETTINGS, new Memo()));
  const explain = decisionsBehind(conversion, performance, { byHand: new Set(), grids: {} });
  const against = (shiftOf: (part: string, i: number) => number) => {
    const music = soundingScore(conversion.printed);
    const parts = music.parts.map((part) => ({
      ...part,
      notes: part.notes.map((note, i) => {
        const by = shiftOf(part.id, i);
        return { ...note, onset: note.onset + by, release: note.release + by };
      }),
    }));
    return agreementOf(originalOf(conversion, performance), { ...music, parts }, { oneJob: true, explain });
  };
  it('is explained note by note by the conversion, which is not called a decision', () => {
    const agreement = against(() => 0);
    expect(inLines(agreement)).toEqual([]);
    expect(agreement.differences.every(({ by }) => by === 'conversion')).toBe(true);
    expect(agreement.words).not.toContain('by decision');
  });
  it('a note written a sixteenth late is unexplained, whatever the score says of it', () => {
    const { id } = conversion.score.parts[0]!;
    const agreement = against((part, i) => (part === id && i === 5 ? 0.16 : 0));
    expect(unexplained(agreement)).toMatchObject([{ kind: 'moved', part: 0 }]);
    expect(agreement.words).toContain('1 unexplained');
  });
});
