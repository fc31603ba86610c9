import { goose } from '../demo/goose';
import { players } from '../demo/make';
import { Message, writeSmf, type SmfEvent } from '../src/core/smf';
import { perform } from './performer';
import { seeded } from './random';

/* Large files for the benchmarks, from seeds. */

/** A type 1 file with this many channel events (notes and controllers) on 16 tracks. */
export function eventsFile(events: number): Uint8Array {
  const random = seeded(5);
  const perTrack = Math.ceil(events / 16);
  const tracks = Array.from({ length: 16 }, (_, channel) => {
    const list: SmfEvent[] = [];
    let tick = 0;
    while (list.length < perTrack) {
      const key = 36 + Math.floor(random.between(0, 48));
      tick += Math.floor(random.between(1, 120));
      list.push({
        kind: 'channel',
        tick,
        status: Message.noteOn | channel,
        data1: key,
        data2: 1 + Math.floor(random.between(0, 126)),
      });
      for (let k = 0; k < 2; k++)
        list.push({
          kind: 'channel',
          tick: tick + 10 * (k + 1),
          status: Message.controlChange | channel,
          data1: 11,
          data2: Math.floor(random.between(0, 127)),
        });
      tick += 60;
      list.push({ kind: 'channel', tick, status: Message.noteOff | channel, data1: key, data2: 64 });
    }
    return { events: list, endTick: tick };
  });
  return writeSmf(
    {
      format: 1,
      division: { kind: 'metrical', ticksPerQuarter: 480 },
      headerExtra: new Uint8Array(),
      tracks,
      unknownChunks: [],
    },
    { runningStatus: true },
  );
}

/** The demo cue, repeated and doubled to this many tracks and about this many bars, played by hand. */
export function orchestraFile(tracks: number, bars: number): Uint8Array {
  const repeats = Math.ceil(bars / 28);
  const again = <T extends { at: number }>(list: readonly T[]) =>
    Array.from({ length: repeats }, (_, r) => list.map((one) => ({ ...one, at: one.at + r * goose.length }))).flat();
  const parts = Array.from({ length: tracks }, (_, i) => {
    const part = goose.parts[i % goose.parts.length]!;
    return {
      ...part,
      notes: Array.from({ length: repeats }, (_, r) =>
        part.notes.map((note) => ({ ...note, start: note.start + r * goose.length, end: note.end + r * goose.length })),
      ).flat(),
    };
  });
  const score = {
    ...goose,
    parts,
    length: goose.length * repeats,
    meters: again(goose.meters),
    tempos: again(goose.tempos),
    markers: again(goose.markers),
  };
  const all = parts.map((_, i) => ({
    ...players[i % players.length]!,
    trackName: `${players[i % players.length]!.trackName} ${i + 1}`,
  }));
  return perform(score, all, { ticksPerQuarter: 480, format: 1, key: null, random: seeded(3) });
}
