import { describe, expect, it } from 'vitest';
import { line, meter, smfBytes, tempo } from '../../testing/music';
import { deliver, DispatchDesk, type Delivered } from '../../core/dispatch';
import { EMPTY_LEDGER, enter, HOUSE_RECIPES, USUAL_MAP, USUAL_SOUND, type Recipe } from '../../core/documents';
import { fitRecording, onsetStrength } from '../../core/hearing';
import { sequencerClock } from '../../core/receivers/sequencer-clock';
import { nodeMakers } from './makers';

/* Mix, stems, click and map as files that are laid beside each other: onsets measured in the samples. */

const RATE = 48_000;

/** A pickup of one quarter at 100, on wood blocks and claves: sounds that are there at once. */
const original = smfBytes(
  [
    {
      name: 'Wood blocks',
      notes: line([76, 1], [76, 1], [76, 1], [76, 1], [76, 1]).map((note) => ({ ...note, channel: 10 })),
    },
    { name: 'Claves', notes: line([75, 1], [75, 2], [75, 2]).map((note) => ({ ...note, channel: 10 })) },
  ],
  [meter(0, 1, 4), meter(1, 4, 4), tempo(0, 100)],
);

async function made(countIn: number, padded = false): Promise<Map<string, Delivered>> {
  const recipe: Recipe = {
    ...HOUSE_RECIPES[0]!,
    pattern: '{part}',
    score: null,
    map: { ...USUAL_MAP, countIn, click: true },
    sound: { ...USUAL_SOUND, stems: true, click: true },
  };
  const ledger = padded ? enter(EMPTY_LEDGER, { kind: 'setSequencing', padPickup: true }) : EMPTY_LEDGER;
  const desk = new DispatchDesk({
    name: 'Blocks',
    direction: padded ? 'to-sequencer' : 'to-score',
    originals: [{ fileName: 'blocks.mid', bytes: original }],
    ledger,
  });
  const files = new Map<string, Delivered>();
  for await (const step of deliver(desk, recipe, { version: 1, date: '2026-03-31' }, nodeMakers()))
    for (const file of step.files) files.set(file.path, file);
  return files;
}

/** The left side of a 16-bit WAV in stereo; 44 bytes of header. */
function samplesOf({ bytes }: Delivered): Float32Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset + 44);
  return Float32Array.from({ length: Math.floor(view.byteLength / 4) }, (_, i) => view.getInt16(4 * i, true) / 32768);
}

/** First sample that is heard. */
const firstHeard = (samples: Float32Array) => samples.findIndex((x) => Math.abs(x) > 2 / 32768);

describe('sound files beside the map', () => {
  it.each([
    [0, false, 0],
    [2, false, 8 * 0.6],
    [1, true, 4 * 0.6 + 3 * 0.6],
  ])('begin with it: %i bars counted in, padded %s', async (countIn, padded, music) => {
    const files = await made(countIn, padded);
    const find = (start: string) => [...files].find(([path]) => path.startsWith(start))![1];
    const map = sequencerClock(find('Studio/').bytes);
    const sounds = [...files].filter(([path]) => path.startsWith('Sound/'));
    const [click, mix] = [find('Sound/Click'), find('Sound/Mix')].map(samplesOf);
    const stems = sounds.filter(([path]) => !/Click|Mix/.test(path)).map(([, file]) => samplesOf(file));
    expect(stems.length).toBeGreaterThan(0);
    const first = map.notes[0]!.seconds;
    expect(Math.abs(firstHeard(click!) / RATE - first)).toBeLessThan(0.001);
    for (const heard of [mix!, ...stems]) {
      expect(Math.abs(firstHeard(heard) / RATE - music)).toBeLessThan(0.001);
      expect(firstHeard(heard)).toBe(firstHeard(mix!));
    }
    // Our own fit of a recording finds the music where the map has it, within its frame of a hundredth of a second.
    const onsets = [0, 1, 2, 3, 4].map((quarter) => quarter * 0.6);
    expect(Math.abs(fitRecording(onsetStrength(mix!, RATE), onsets)! - music)).toBeLessThanOrEqual(0.01);
    const one = map.bars[countIn + 1]!.seconds;
    for (const [, { words }] of sounds) expect(words).toContain(`Bar 1 is ${one.toFixed(3)} s after it begins`);
  });
});
