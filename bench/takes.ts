/*
 * The corpus played in many manners and measured: one function for the table in docs/accuracy.md and for the floors in
 * tests.
 */
import { instrumentById, speaksAtOnce } from '../src/core/instruments';
import { performanceFromSmf, type Performance } from '../src/core/performance';
import { readSmf } from '../src/core/smf';
import { QUARTER } from '../src/core/time';
import { toScore } from '../src/core/to-score';
import { corpus, type CorpusScore, type Kind } from './corpus';
import { add, measure, NOTHING, type Measure } from './measure';
import { MECHANICAL, perform, type Manner } from './performer';
import { seeded } from './random';
import type { TrueScore } from './true-score';
import { NO_SETTINGS } from '../src/core/settings';

export interface Take {
  name: string;
  manner: Partial<Manner>;
  /** Every track played ahead by a lead of its own, 60–250 ms, but for those that sound at once: struck and plucked. */
  leads?: true;
}

const HAND = { release: 0.92, spread: 6 };

export const TAKES: readonly Take[] = [
  { name: 'by a machine', manner: {} },
  { name: 'jitter 8 ms', manner: { ...HAND, jitter: 8 } },
  { name: 'jitter 15 ms', manner: { ...HAND, jitter: 15 } },
  { name: 'jitter 15 ms, legato 60 ms', manner: { ...HAND, jitter: 15, release: 1, overlap: 60 } },
  { name: 'jitter 15 ms, released at 70 %', manner: { ...HAND, jitter: 15, release: 0.7 } },
  { name: 'jitter 30 ms', manner: { ...HAND, jitter: 30 } },
  { name: 'jitter 12 ms, 60–250 ms early', manner: { ...HAND, jitter: 12 }, leads: true },
  {
    name: 'jitter 15 ms, legato 60 ms, 60–250 ms early',
    manner: { ...HAND, jitter: 15, release: 1, overlap: 60 },
    leads: true,
  },
];

/** As files that were never played arrive. */
export const EXACT_TAKES: readonly Take[] = [
  { name: 'drawn, full lengths', manner: {} },
  { name: 'drawn, gate 95 %', manner: { release: 0.95 } },
  { name: 'drawn, gate 90 %', manner: { release: 0.9 } },
  { name: 'drawn, gate 75 %', manner: { release: 0.75 } },
  { name: 'drawn, one tick short', manner: { gateTicks: 1 } },
  { name: 'drawn, all 7 ticks late', manner: { release: 0.95, offsetTicks: 7 } },
];

/** As people play, and as files look that were half mended. */
export const HUMAN_TAKES: readonly Take[] = [
  { name: 'like people: drift, chord spread, accents', manner: { ...HAND, jitter: 8, drift: 9, accents: 16 } },
  {
    name: 'like people, legato by interval',
    manner: { jitter: 8, drift: 9, release: 0.95, spread: 6, overlap: 40, overlapBySteps: true, accents: 16 },
  },
  { name: 'half quantized (60 %)', manner: { ...HAND, jitter: 15, strength: 0.6 } },
  { name: 'starts quantized, ends as played', manner: { ...HAND, jitter: 15, startsOnly: true } },
];

export function playTake(
  score: Pick<CorpusScore, keyof TrueScore | 'swing'>,
  { manner, leads }: Take,
  seed: number,
): Uint8Array {
  const random = seeded(seed);
  const players = score.parts.map((part, i) => {
    const instrument = instrumentById(part.instrument);
    const { unpitched, programs } = instrument;
    const lead = leads ? random.between(60, 250) : 0;
    const own: Manner = {
      ...MECHANICAL,
      ...manner,
      swing: score.swing,
      lead: speaksAtOnce(instrument) ? 0 : lead,
      ...(unpitched && { overlap: 0, release: 0.5 }),
    };
    return { trackName: part.name, channel: unpitched ? 10 : i + 1, program: programs[0] ?? null, manner: own };
  });
  return perform(score, players, { ticksPerQuarter: 480, format: 1, key: null, random });
}

export interface Outcome {
  measure: Measure;
  /** Onsets right after rounding every one to the nearest sixteenth. */
  plain: number;
}

/** @param corpusSeed which scores @returns by kind */
export function measureTake(take: Take, corpusSeed: number): Map<Kind, Outcome> {
  return measureScores(corpus(corpusSeed), take, corpusSeed);
}

/** @returns by kind of score */
export function measureScores<K extends string>(
  scores: readonly (Pick<CorpusScore, keyof TrueScore | 'swing'> & { kind: K })[],
  take: Take,
  corpusSeed: number,
): Map<K, Outcome> {
  const outcomes = new Map<K, Outcome>();
  scores.forEach((score, i) => {
    const performance = performanceFromSmf(readSmf(playTake(score, take, corpusSeed * 100 + i)));
    const { total } = measure(toScore(performance, NO_SETTINGS).score, score);
    const before = outcomes.get(score.kind) ?? { measure: NOTHING, plain: 0 };
    outcomes.set(score.kind, {
      measure: add(before.measure, total),
      plain: before.plain + nearestSixteenth(performance, score),
    });
  });
  return outcomes;
}

export function totalOf(outcomes: ReadonlyMap<string, Outcome>): Outcome {
  return [...outcomes.values()].reduce(
    (sum, one) => ({ measure: add(sum.measure, one.measure), plain: sum.plain + one.plain }),
    { measure: NOTHING, plain: 0 },
  );
}

/**
 * True notes whose onset is right after rounding every played onset to the nearest sixteenth; tracks stand behind a
 * conductor track.
 */
export function nearestSixteenth(performance: Performance, truth: TrueScore): number {
  const grid = QUARTER / 4;
  let right = 0;
  truth.parts.forEach((part, p) => {
    const rounded = new Map<string, number>();
    for (const note of performance.tracks[p + 1]!.notes) {
      const slot = `${Math.round((note.start * QUARTER) / performance.ticksPerQuarter / grid) * grid}/${note.key}`;
      rounded.set(slot, (rounded.get(slot) ?? 0) + 1);
    }
    for (const note of part.notes) {
      const slot = `${note.start}/${note.key}`;
      if ((rounded.get(slot) ?? 0) > 0) {
        rounded.set(slot, rounded.get(slot)! - 1);
        right++;
      }
    }
  });
  return right;
}
