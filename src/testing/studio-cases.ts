import { seeded } from '../../bench/random';
import type { StudioExport } from '../core/engine';
import { exportStudio, timeLineOfSequence } from '../core/engine/studio';
import type { BarSigns, Score, TempoMark } from '../core/score';
import { USUAL_SEQUENCING } from '../core/settings';
import { writeSmf } from '../core/smf';
import { USUAL_CLICK, USUAL_STUDIO_MAP, type StudioMapSettings } from '../core/studio';
import { barLength, QUARTER, type Bar } from '../core/time';
import { toSequencer } from '../core/to-sequencer';
import { barOf, plainPart, plainScore } from './scores';

/* Scores with everything that moves bars: pickups, meters in turn, repeats, D.C., ramps; and what a studio gets of them. */

export interface StudioCase {
  score: Score;
  settings: StudioMapSettings;
  padPickup: boolean;
  midi: Uint8Array;
  made: StudioExport;
}

const METERS = [
  [4, 4],
  [3, 4],
  [6, 8],
  [5, 4],
  [7, 8],
] as const;

export function studioCase(seed: number): StudioCase {
  const random = seeded(seed);
  const { pick } = random;
  const maybe = (share: number) => random.next() < share;
  const upTo = (n: number) => Math.floor(random.next() * n);
  const [beats, beatType] = pick(METERS);
  const meter = { beats, beatType };
  const pickup = maybe(0.6) ? ((1 + upTo(beats - 1)) * 4 * QUARTER) / beatType : 0;
  const turned = maybe(0.5) ? 3 + upTo(3) : Infinity;
  const [otherBeats, otherType] = pick(METERS);
  const other = { beats: otherBeats, beatType: otherType };
  const bars = barsOf(6 + upTo(8), pickup, (i) => (i >= turned ? other : meter));
  const signs: Record<number, BarSigns> = {};
  const last = bars.length - 1;
  if (maybe(0.6)) {
    signs[2] = { repeatStart: true };
    signs[4] = { ...signs[4], repeatEnd: { times: 2 } };
  }
  if (maybe(0.4)) {
    signs[5] = { ...signs[5], fine: true };
    signs[last] = { ...signs[last], jump: 'daCapo' };
  }
  const tempos: TempoMark[] = [{ at: 0, bpm: 60 + upTo(90), shown: true }];
  if (maybe(0.7)) {
    const from = bars[3]!.start;
    for (let i = 0; i < 6; i++) tempos.push({ at: from + (i * QUARTER) / 2, bpm: 120 - 7 * i, shown: i === 0 });
    tempos.push({ at: bars[5]!.start, bpm: 96.5, shown: true });
  }
  // Each bar strikes a key of its own on its first beat.
  const part = plainPart(bars.map((_, i) => barOf([40 + i, 0.5])));
  const score = plainScore([part], bars, {
    signs,
    tempos,
    markers: bars
      .filter((_, i) => i % 3 === 1)
      .map(({ start, number }) => ({ at: start, text: `M${number}`, rehearsal: true })),
  });
  const padPickup = maybe(0.5);
  const settings: StudioMapSettings = {
    ...USUAL_STUDIO_MAP,
    ticksPerQuarter: pick([480, 960]),
    countIn: pick([0, 0, 1, 2]),
    click: USUAL_CLICK,
    rate: pick(['24', '25', '29.97 drop', '30'] as const),
    start: maybe(0.5) ? 90_000 : 0,
  };
  const whole = toSequencer(score, { ...USUAL_SEQUENCING, files: 'one', padPickup })[0]!;
  return {
    score,
    settings,
    padPickup,
    midi: writeSmf(whole.file),
    made: exportStudio(timeLineOfSequence(score, whole), settings),
  };
}

function barsOf(count: number, pickup: number, meterAt: (i: number) => { beats: number; beatType: number }): Bar[] {
  const bars: Bar[] = [];
  let start = 0;
  for (let i = 0; i < count + (pickup > 0 ? 1 : 0); i++) {
    const first = pickup > 0 && i === 0;
    const meter = meterAt(i);
    const length = first ? pickup : barLength(meter);
    bars.push({ index: i, number: pickup > 0 ? i : i + 1, start, length, meter, implicit: first });
    start += length;
  }
  return bars;
}
