import { describe, expect, it } from 'vitest';
import type { SynthChannel } from '@/core/hearing';
import { midiSink } from './sinks';

/** A MIDI output that writes down what it is sent. */
function output() {
  const sent: { bytes: number[]; at: number | undefined }[] = [];
  let cleared = 0;
  const port = {
    send: (bytes: Iterable<number>, at?: number) => void sent.push({ bytes: [...bytes], at }),
    clear: () => void cleared++,
  };
  return { sent, cleared: () => cleared, sink: midiSink(port as unknown as MIDIOutput) };
}
const pitched: SynthChannel = { drums: false, click: false };
const drums: SynthChannel = { drums: true, click: false };

describe('a MIDI output', () => {
  it('gets drums on the tenth channel, and everybody else on another', () => {
    const { sent, sink } = output();
    sink.prepare([...Array<SynthChannel>(10).fill(pitched), drums, ...Array<SynthChannel>(8).fill(pitched)]);
    for (let channel = 0; channel < 19; channel++) sink.send({ at: 1, channel, bytes: [0x90, 60, 80] });
    const channels = sent.map(({ bytes }) => (bytes[0]! & 15) + 1);
    expect(channels).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 11, 10, 12, 13, 14, 15, 16, 1, 2, 3]);
  });
  it('gets messages of the length MIDI gives them, at their time in milliseconds', () => {
    const { sent, sink } = output();
    sink.prepare([pitched]);
    sink.send({ at: 2.5, channel: 0, bytes: [0xc0, 40, 0] });
    sink.send({ at: 3, channel: 0, bytes: [0xb0, 7, 90] });
    expect(sent).toEqual([
      { bytes: [0xc0, 40], at: 2500 },
      { bytes: [0xb0, 7, 90], at: 3000 },
    ]);
  });
  it('is silenced on all its channels, and what waits is taken back', () => {
    const { sent, sink, cleared } = output();
    sink.silence();
    expect(cleared()).toBe(1);
    expect(sent.map(({ bytes }) => bytes)).toEqual(Array.from({ length: 16 }, (_, i) => [0xb0 | i, 120, 0]));
  });
});
