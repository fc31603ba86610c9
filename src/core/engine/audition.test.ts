import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { line, smfBytes } from '../../testing/music';
import { partId } from '../base';
import { NO_SETTINGS } from '../settings';
import { Message, type SmfEvent } from '../smf';
import { ScoreDesk } from './index';

const laid = (bytes: Uint8Array) => {
  const desk = ScoreDesk.open([bytes], NO_SETTINGS);
  desk.convert(NO_SETTINGS);
  return desk;
};
const demo = laid(demoOriginal());

describe('an audition', () => {
  it('has every note of the piece in both versions, on the same bars', () => {
    const [received, written] = [demo.audition('received', 0, []), demo.audition('written', 0, [])];
    expect([received.notes.length, written.notes.length]).toEqual([1223, 1223]);
    expect(received.bars).toEqual(written.bars);
    expect(received.bars).toHaveLength(29);
    for (const { notes } of [received, written])
      expect(notes.map((note) => note.start)).toEqual(notes.map((note) => note.start).sort((a, b) => a - b));
  });
  it('begins with the bar that is asked for, and with what was played early before it', () => {
    const { notes, bars, from } = demo.audition('written', 4, [partId('t8')]);
    expect([from, bars.length]).toEqual([4, 25]);
    expect(bars[0]).toBeCloseTo(0.2, 6);
    // On the page the part begins with the bar; in the playing before it.
    expect(notes[0]!.start).toBeCloseTo(0.2, 3);
    const early = demo.audition('received', 4, [partId('t8')]).notes[0]!.start;
    expect(early).toBeLessThan(0.2);
    expect(early).toBeGreaterThanOrEqual(0);
  });
  it('hears faders and programs as they were received, and not as they are written', () => {
    const controller = (tick: number, number: number, value: number): SmfEvent => ({
      kind: 'channel',
      tick,
      status: Message.controlChange,
      data1: number,
      data2: value,
    });
    const desk = laid(
      smfBytes([
        {
          name: 'Flute',
          notes: line([60, 1], [62, 1], [64, 1], [65, 1]),
          extra: [controller(0, 7, 100), controller(480, 7, 50), controller(960, 11, 64)],
        },
      ]),
    );
    const velocities = desk.audition('received', 0, []).notes.map((note) => note.velocity);
    expect(velocities[1]! / velocities[0]!).toBeCloseTo(0.5, 1);
    expect(velocities[2]! / velocities[0]!).toBeCloseTo(0.25, 1);
    expect(new Set(desk.audition('written', 0, []).notes.map((note) => note.velocity)).size).toBe(1);
  });
});
