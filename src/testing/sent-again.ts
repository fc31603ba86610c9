import { readSmf, writeSmf, type SmfEvent } from '../core/smf';

/** Before bar 5; notes that are played a little ahead of its downbeat belong to it. */
const CUT = 16 * 480;
const AHEAD = 150;
const TWO_BARS = 8 * 480;

/** @param demo the demo file @returns it as its composer sends it again: two bars put in before bar 5, no glockenspiel */
export function sentAgain(demo: Uint8Array): Uint8Array {
  const { file } = readSmf(demo);
  const tracks = file.tracks
    .filter((_, i) => i !== 5)
    .map(({ events, endTick }) => ({
      endTick: endTick + TWO_BARS,
      events: later(events).sort((a, b) => a.tick - b.tick),
    }));
  return writeSmf({ ...file, tracks });
}

/** A release goes with its note. */
function later(events: readonly SmfEvent[]): SmfEvent[] {
  const moved = new Map<number, boolean>();
  return events.map((event) => {
    let moves = event.tick >= CUT;
    if (event.kind === 'channel' && (event.status & 0xe0) === 0x80) {
      const begins = (event.status & 0xf0) === 0x90 && event.data2 > 0;
      if (begins) moved.set(event.data1, event.tick >= CUT - AHEAD);
      moves = moved.get(event.data1) ?? moves;
    }
    return moves ? { ...event, tick: event.tick + TWO_BARS } : event;
  });
}
