import { describe, expect, it } from 'vitest';
import { demoMechanical, demoOriginal } from '../../demo/make';
import { USUAL_DIRECTION_B } from '../core/job';
import { writeMusicXml } from '../core/musicxml';
import { performanceFromSmf } from '../core/performance';
import { Message, readSmf, type SmfEvent } from '../core/smf';
import { NO_SETTINGS, toScore } from '../core/to-score';
import { line, smfBytes } from '../testing/music';
import { SequenceDesk, type MidiSequence, type ScoreSequence } from './sequence-desk';

const scoreBytes = new TextEncoder().encode(
  writeMusicXml(toScore(performanceFromSmf(readSmf(demoMechanical())), NO_SETTINGS).printed),
);
const control = (quarter: number, controller: number, value: number): SmfEvent => ({
  kind: 'channel',
  tick: quarter * 480,
  status: Message.controlChange,
  data1: controller,
  data2: value,
});

describe('a score on the desk', () => {
  const desk = SequenceDesk.open(scoreBytes);
  const made = desk.sequence(USUAL_DIRECTION_B) as ScoreSequence;
  it('is summed up part by part', () => {
    expect(made).toMatchObject({ kind: 'score', title: 'The Clockmaker’s Goose, cue 3', keys: ['A♭ major'], signs: 0 });
    expect(made.parts).toHaveLength(12);
    expect(made.parts.reduce((sum, part) => sum + part.notes, 0)).toBe(made.files[0]!.report.notes);
    expect(made.order).toEqual(made.bars.map((bar) => bar.index));
    expect(made.seconds).toBeGreaterThan(50);
  });
  it('is heard in seconds from the first bar asked for', () => {
    const flute = desk.heard(8, 10, ['P1']);
    expect(flute[0]!.start).toBe(0);
    // Two bars of three at 138 a minute.
    expect(Math.max(...flute.map((note) => note.start + note.duration))).toBeCloseTo((6 * 60) / 138, 2);
    expect(flute.every((note) => note.program === 74 && !note.drum)).toBe(true);
    expect(desk.heard(0, 4, []).some((note) => note.drum)).toBe(true);
  });
  it('goes out as the files that were chosen', () => {
    expect(desk.files({ ...USUAL_DIRECTION_B, files: 'sections' }).map(({ label }) => label)).toEqual([
      'The clock runs',
      'Goose waltz',
      'The clock again',
    ]);
    expect(readSmf(desk.files(USUAL_DIRECTION_B)[0]!.bytes).file.tracks).toHaveLength(13);
  });
});

describe('a MIDI file on the desk', () => {
  it('is counted before and after', () => {
    const made = SequenceDesk.open(demoOriginal()).sequence(USUAL_DIRECTION_B) as MidiSequence;
    expect(made).toMatchObject({ kind: 'midi', format: 1, ticksPerQuarter: 480, bars: 28 });
    expect(made.report.before.volume).toBeGreaterThan(50);
    expect(made.report.after.volume).toBe(0);
  });
  it('sounds as received with its faders, and as delivered without', () => {
    const desk = SequenceDesk.open(
      smfBytes([
        { name: 'Oboe', program: 69, notes: line([70, 1], [72, 1]), extra: [control(0, 7, 50), control(1, 11, 64)] },
      ]),
    );
    desk.sequence(USUAL_DIRECTION_B);
    expect(desk.heardMidi(0, 1, false).map((note) => note.velocity)).toEqual([40, 20]);
    expect(desk.heardMidi(0, 1, true).map((note) => note.velocity)).toEqual([80, 80]);
    expect(desk.controllersOf(1)).toEqual([
      { controller: 7, before: [{ at: 0, value: 50 }], after: [] },
      { controller: 11, before: [{ at: 1, value: 64 }], after: [] },
    ]);
    expect(() => desk.performance()).toThrow(/no score/);
  });
});
