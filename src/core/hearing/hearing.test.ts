import { describe, expect, it } from 'vitest';
import { line, smfBytes } from '../../testing/music';
import { partId } from '../base';
import { performanceFromSmf, barsOfPerformance } from '../performance';
import { Message, readSmf, type SmfEvent } from '../smf';
import { hear, hearingMusic, LEAD_IN, type StretchRequest } from './index';

/* Two bars and a half of 4/4 at 120: a bar lasts two seconds. Ticks 480 a quarter. */

const message = (tick: number, status: number, data1: number, data2: number): SmfEvent => ({
  kind: 'channel',
  tick,
  status,
  data1,
  data2,
});
const music = (tracks: Parameters<typeof smfBytes>[0]) => {
  const performance = performanceFromSmf(readSmf(smfBytes(tracks)));
  return hearingMusic({
    performance,
    partOf: (_, track) => partId(track.id),
    usualProgram: () => 74,
    bars: barsOfPerformance(performance).map((bar) => ({ bar, start: bar.start })),
  });
};
const request = (more: Partial<StretchRequest> = {}): StretchRequest => ({
  from: { bar: 0, pass: 0 },
  bars: 1,
  parts: [],
  click: false,
  ...more,
});
const eight = line(...Array.from({ length: 10 }, (_, i): [number, number] => [60 + i, 1]));

describe('a stretch to be heard', () => {
  it('has the notes of its bars, on a clock that begins a moment before them', () => {
    const { notes, bars, end, next } = hear(
      music([{ name: 'A', notes: eight }]),
      request({ from: { bar: 1, pass: 0 } }),
    );
    expect(notes.map((note) => note.key)).toEqual([64, 65, 66, 67]);
    expect(notes.map((note) => note.at - LEAD_IN)).toEqual(
      [0, 0.5, 1, 1.5].map((at) => expect.closeTo(at, 9) as number),
    );
    expect(bars).toEqual([{ bar: 1, pass: 0, at: expect.closeTo(LEAD_IN, 9) as number }]);
    expect(end).toBeCloseTo(2, 9);
    expect(next).toEqual({ bar: 2, pass: 0 });
  });
  it('joins to the one that follows it: every note is in exactly one of them', () => {
    const whole = music([{ name: 'A', notes: eight }]);
    const keys = [];
    for (let from = { bar: 0, pass: 0 }, more = true; more;) {
      const { notes, next } = hear(whole, request({ from }));
      keys.push(...notes.map((note) => note.key));
      more = next !== null;
      if (next) from = next;
    }
    expect(keys).toEqual(eight.map((note) => note.key));
  });
  it('gives each track a channel of its own, though the file has both on one', () => {
    const { notes, channels } = hear(
      music([
        { name: 'A', notes: line([60, 1]) },
        { name: 'B', notes: line([72, 1]) },
      ]),
      request(),
    );
    expect(new Set(notes.map((note) => note.channel)).size).toBe(2);
    expect(channels.filter((channel) => !channel.click)).toHaveLength(2);
  });
  it('says what stands when it begins: the last of each controller, program and wheel, and parameters in turn', () => {
    const { messages } = hear(
      music([
        {
          name: 'A',
          notes: eight,
          extra: [
            message(0, Message.programChange, 40, 0),
            message(0, Message.controlChange, 101, 0),
            message(0, Message.controlChange, 100, 0),
            message(0, Message.controlChange, 6, 12),
            message(100, Message.controlChange, 7, 90),
            message(200, Message.controlChange, 7, 60),
            message(300, Message.pitchBend, 0, 96),
            message(2500, Message.controlChange, 7, 100),
          ],
        },
      ]),
      request({ from: { bar: 1, pass: 0 } }),
    );
    const said = messages.map(({ at, status, data1, data2 }) => [at, status, data1, data2]);
    expect(said.slice(0, -1)).toEqual([
      [0, 0xb0, 101, 0],
      [0, 0xb0, 100, 0],
      [0, 0xb0, 6, 12],
      [0, 0xc0, 40, 0],
      [0, 0xb0, 7, 60],
      [0, 0xe0, 0, 96],
    ]);
    expect(said.at(-1)).toEqual([expect.closeTo(LEAD_IN + (2500 - 1920) / 960, 6), 0xb0, 7, 100]);
  });
  it('sounds as it usually does where a track names no program', () => {
    const { messages } = hear(music([{ name: 'A', notes: eight }]), request());
    expect(messages).toMatchObject([{ at: 0, status: 0xc0, data1: 73 }]);
  });
  it('gives controllers of a track without notes to those who play on their channel', () => {
    const { messages, notes } = hear(
      music([
        { name: 'A', notes: eight },
        { name: 'Faders', notes: [], extra: [message(0, Message.controlChange, 7, 20)] },
      ]),
      request(),
    );
    expect(messages.filter(({ data1 }) => data1 === 7)).toMatchObject([{ channel: notes[0]!.channel, data2: 20 }]);
  });
  it('leaves other parts out, and clicks on every beat, louder on the first', () => {
    const whole = music([
      { name: 'A', notes: line([60, 1]) },
      { name: 'B', notes: line([72, 1]) },
    ]);
    const { notes, channels } = hear(whole, request({ parts: [partId('t1')], click: true }));
    const clicks = notes.filter((note) => channels[note.channel]!.click);
    expect(notes.length - clicks.length).toBe(1);
    expect(clicks.map(({ key }) => key)).toEqual([76, 77, 77, 77]);
    expect(clicks[0]!.velocity).toBeGreaterThan(clicks[1]!.velocity);
  });
  it('takes a bar that is not there for the last, and a pass too many for the last pass', () => {
    const whole = music([{ name: 'A', notes: eight }]);
    expect(hear(whole, request({ from: { bar: 99, pass: 0 } })).bars).toMatchObject([{ bar: 2 }]);
    expect(hear(whole, request({ from: { bar: 1, pass: 5 } })).bars).toMatchObject([{ bar: 1, pass: 0 }]);
  });
});
