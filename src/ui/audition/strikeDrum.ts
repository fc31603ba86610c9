'use client';

import { outputSink } from './output';
import { useHearing } from './useHearing';

const NOTE_ON = 0x90;
const NOTE_OFF = 0x80;

/** One stroke on a key of the drum kit. @throws Error when nothing can sound here */
export async function strikeDrum(key: number): Promise<void> {
  useHearing.getState().stop();
  const sink = await outputSink();
  await sink.wake();
  sink.prepare([{ drums: true, click: false }]);
  const at = sink.now() + 0.05;
  sink.send({ at, channel: 0, bytes: [NOTE_ON, key, 100] });
  sink.send({ at: at + 0.4, channel: 0, bytes: [NOTE_OFF, key, 64] });
}
