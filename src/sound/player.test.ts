import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Stretch, SynthNote } from '@/core/hearing';
import type { TimedMessage } from './messages';
import { Player, secondsAt } from './player';
import type { Sink } from './sinks';

/* A sink that writes down what it is sent, on the clock of the test. */

let clock = 100;
let sent: TimedMessage[] = [];
const sink: Sink = {
  now: () => clock,
  prepare: () => undefined,
  send: (message) => sent.push(message),
  silence: () => undefined,
  wake: () => Promise.resolve(),
};
const note = (at: number, seconds = 0.5, key = 60): SynthNote => ({
  at,
  seconds,
  channel: 0,
  key,
  velocity: 80,
  part: null,
});
/** Two bars of two seconds each. */
const stretch = (notes: SynthNote[], more: Partial<Stretch> = {}): Stretch => ({
  channels: [{ drums: false, click: false }],
  notes,
  messages: [],
  bars: [
    { bar: 0, pass: 0, at: 0 },
    { bar: 1, pass: 0, at: 2 },
  ],
  end: 4,
  next: null,
  ...more,
});
const struck = () => sent.filter(({ bytes }) => bytes[0] === 0x90);
const released = () => sent.filter(({ bytes }) => bytes[0] === 0x80);
/** Lets time pass for timers and for the sink alike. */
const pass = async (seconds: number) => {
  for (let left = seconds; left > 0; left -= 0.05) {
    clock += 0.05;
    await vi.advanceTimersByTimeAsync(50);
  }
};

beforeEach(() => {
  clock = 100;
  sent = [];
  vi.useFakeTimers();
});
afterEach(() => vi.useRealTimers());

describe('the player', () => {
  it('sends each message a moment before its time, and at its time', async () => {
    new Player(sink).start(stretch([note(0), note(1), note(3)]), { at: 100 });
    expect(struck().map(({ at }) => at)).toEqual([100]);
    await pass(0.8);
    expect(struck().map(({ at }) => at)).toEqual([100, 101]);
    await pass(2.5);
    expect(struck().map(({ at }) => at)).toEqual([100, 101, 103]);
    expect(released().map(({ at }) => at)).toEqual([100.5, 101.5, 103.5]);
  });
  it('begins with channels as MIDI begins with them, and what stands then', () => {
    const messages = [{ at: 0, channel: 0, status: 0xb0, data1: 7, data2: 64 }];
    new Player(sink).start(stretch([note(0)], { messages }), { at: 100 });
    const volumes = sent.filter(({ bytes }) => bytes[0] === 0xb0 && bytes[1] === 7).map(({ bytes }) => bytes[2]);
    expect(volumes).toEqual([100, 64]);
    expect(sent.at(-1)!.bytes[0]).toBe(0x90);
  });
  it('plays slower from the middle of a bar, and knows where it is', async () => {
    const player = new Player(sink, { rate: 0.5 });
    player.start(stretch([note(0), note(2), note(3)]), { at: 100, from: 2 });
    expect(struck().map(({ at }) => at)).toEqual([100]);
    expect(player.place()).toEqual({ bar: 1, pass: 0, share: 0 });
    await pass(2);
    expect(struck().map(({ at }) => at)).toEqual([100, 102]);
    expect(player.place()!.share).toBeCloseTo(0.5, 3);
  });
  it('goes on with what follows, without a gap, and ends after the last note', async () => {
    const onEnd = vi.fn();
    const later = stretch([note(0)], { bars: [{ bar: 2, pass: 0, at: 0 }], end: 2 });
    const player = new Player(sink, {
      onEnd,
      following: ({ bars }) => Promise.resolve(bars[0]!.bar === 0 ? { stretch: later, again: false } : null),
    });
    player.start(stretch([note(3.5, 1)]), { at: 100 });
    await pass(4.4);
    expect(struck().map(({ at }) => at)).toEqual([103.5, 104]);
    // A note lasts over the join.
    expect(released()[0]?.at ?? 0).toBeGreaterThanOrEqual(104.5);
    expect(player.place()).toMatchObject({ bar: 2 });
    await pass(2);
    expect(onEnd).not.toHaveBeenCalled();
    await pass(2);
    expect(onEnd).toHaveBeenCalledOnce();
  });
  it('begins again: what sounds is released where it jumps', async () => {
    const loop = stretch([note(0), note(3.8, 2, 72)]);
    const player = new Player(sink, { following: () => Promise.resolve({ stretch: loop, again: true }) });
    player.start(loop, { at: 100 });
    await pass(9);
    expect(struck().map(({ at }) => Math.round(at * 10) / 10)).toEqual([100, 103.8, 104, 107.8, 108]);
    expect(
      released()
        .filter(({ bytes }) => bytes[1] === 72)
        .map(({ at }) => at),
    ).toEqual([104, 108]);
    expect(player.place()).toMatchObject({ bar: 0 });
    player.leave();
  });
  it('makes a gap when what follows comes late', async () => {
    let answer: (next: { stretch: Stretch; again: boolean }) => void = () => undefined;
    const player = new Player(sink, { following: () => new Promise((resolve) => (answer = resolve)) });
    player.start(stretch([note(0)]), { at: 100 });
    await pass(5);
    answer({ stretch: stretch([note(0), note(0.1)]), again: false });
    await pass(0.5);
    const [, first, second] = struck().map(({ at }) => at);
    expect(first).toBeGreaterThan(105);
    expect(second! - first!).toBeCloseTo(0.1, 9);
    player.leave();
  });
  it('leaves at a time: nothing is struck after it, and nothing goes on sounding', async () => {
    const player = new Player(sink);
    player.start(stretch([note(0, 3), note(1)]), { at: 100 });
    player.leave(100.4);
    await pass(3);
    expect(struck().map(({ at }) => at)).toEqual([100]);
    expect(released()).toMatchObject([{ at: 100.4 }, { at: 100.4 }]);
  });
});

describe('secondsAt', () => {
  it('finds a place in a stretch', () => {
    expect(secondsAt(stretch([]), { bar: 1, pass: 0, share: 0.25 })).toBe(2.5);
    expect(secondsAt(stretch([]), { bar: 0, pass: 0, share: 0 })).toBe(0);
  });
});
