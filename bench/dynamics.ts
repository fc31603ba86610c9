/*
 * Measures dynamics: scores of the corpus get dynamics and hairpins from a seed, are performed by velocity or by
 * modulation, and what is found is compared with what was wanted.
 */
import { performanceFromSmf } from '../src/core/performance';
import { DYNAMICS, DYNAMIC_VELOCITY, soundsOf, type Dynamic, type Part } from '../src/core/score';
import { readSmf } from '../src/core/smf';
import { barLength } from '../src/core/time';
import { toScore } from '../src/core/to-score';
import { corpus } from './corpus';
import { percent } from './measure';
import { loudnessAt, MECHANICAL, perform } from './performer';
import { seeded, type Random } from './random';
import type { TrueDynamic, TruePart } from './true-score';
import { NO_SETTINGS } from '../src/core/settings';

export interface DynamicsMeasure {
  notes: number;
  /** Notes over which the right sign stands, or lying under a hairpin that was wanted and found. */
  right: number;
  /** At most one sign off. */
  near: number;
  wanted: number;
  /** Hairpins that were wanted and found in the same direction, for half of their length at least. */
  foundWanted: number;
  found: number;
}

const SPOKEN: readonly Dynamic[] = ['pp', 'p', 'mp', 'mf', 'f', 'ff'];

/**
 * A sign every three to six bars, at least two degrees from the last, every third reached by a hairpin of one or two
 * bars.
 */
function dynamicsFor(bar: number, length: number, random: Random): TrueDynamic[] {
  const list: TrueDynamic[] = [{ at: 0, level: random.pick(SPOKEN) }];
  for (
    let at = bar * Math.round(random.between(3, 6));
    at < length - bar;
    at += bar * Math.round(random.between(3, 6))
  ) {
    const now = SPOKEN.indexOf(list.at(-1)!.level);
    const level = random.pick(SPOKEN.filter((_, i) => Math.abs(i - now) >= 2));
    list.push({ at, level, ...(random.next() < 0.35 && { from: at - bar * (random.next() < 0.5 ? 1 : 2) }) });
  }
  return list;
}

export function measureDynamics(seed: number, loudnessBy: 'velocity' | 'modulation'): DynamicsMeasure {
  const total: DynamicsMeasure = { notes: 0, right: 0, near: 0, wanted: 0, foundWanted: 0, found: 0 };
  corpus(seed).forEach((score, i) => {
    if (score.kind !== 'simple meters' && score.kind !== 'slow strings' && score.kind !== 'compound meters') return;
    const random = seeded(seed * 131 + i);
    const bar = barLength(score.meters[0]!);
    const truth = {
      ...score,
      parts: score.parts.map((part): TruePart => ({ ...part, dynamics: dynamicsFor(bar, score.length, random) })),
    };
    const players = truth.parts.map((part, p) => ({
      trackName: part.name,
      channel: p + 1,
      program: null,
      manner: { ...MECHANICAL, jitter: 10, release: 0.93, loudnessBy },
    }));
    const bytes = perform(truth, players, { ticksPerQuarter: 480, format: 1, key: score.key, random });
    const result = toScore(performanceFromSmf(readSmf(bytes)), NO_SETTINGS).score;
    truth.parts.forEach((part, p) => {
      const written = result.parts.find((candidate) => candidate.id === `t${p + 1}`);
      if (written) compare(part, written, result.bars, total);
    });
  });
  return total;
}

function compare(truth: TruePart, part: Part, bars: Parameters<typeof soundsOf>[1], total: DynamicsMeasure): void {
  const wanted = truth
    .dynamics!.filter((one) => one.from !== undefined)
    .map((one) => {
      const before = truth.dynamics!.findLast((other) => other.at < one.at)!;
      return {
        start: one.from!,
        end: one.at,
        kind: DYNAMIC_VELOCITY[one.level] > DYNAMIC_VELOCITY[before.level] ? 'crescendo' : 'diminuendo',
      };
    });
  const { dynamics, hairpins } = part.lines;
  const overlap = (a: { start: number; end: number }, b: { start: number; end: number }) =>
    Math.min(a.end, b.end) - Math.max(a.start, b.start);
  const met = wanted.filter((line) =>
    hairpins.some((other) => other.kind === line.kind && overlap(line, other) >= (line.end - line.start) / 2),
  );
  total.wanted += wanted.length;
  total.foundWanted += met.length;
  total.found += hairpins.length;
  for (const sound of soundsOf(part, bars)) {
    total.notes++;
    const under = met.find((line) => sound.start >= line.start && sound.start < line.end);
    const level = dynamics.findLast((mark) => mark.at <= sound.start)?.level;
    const value = loudnessAt(truth.dynamics!, sound.start);
    const nearest = DYNAMICS.reduce((a, b) =>
      Math.abs(DYNAMIC_VELOCITY[b] - value) < Math.abs(DYNAMIC_VELOCITY[a] - value) ? b : a,
    );
    const off = level === undefined ? 9 : Math.abs(DYNAMICS.indexOf(level) - DYNAMICS.indexOf(nearest));
    if (off === 0 || under) total.right++;
    if (off <= 1 || under) total.near++;
  }
}

export function dynamicsTable(seeds: readonly number[]): string {
  const rows = (['velocity', 'modulation'] as const).map((by) => {
    const sums = seeds
      .map((seed) => measureDynamics(seed, by))
      .reduce(
        (a, b) =>
          Object.fromEntries(
            Object.keys(a).map((key) => [key, a[key as keyof DynamicsMeasure] + b[key as keyof DynamicsMeasure]]),
          ) as unknown as DynamicsMeasure,
      );
    return `| ${by === 'velocity' ? 'velocity, 8 of chance from note to note' : 'modulation controller'} | ${sums.notes} | ${percent(sums.right, sums.notes)} | ${percent(sums.near, sums.notes)} | ${sums.wanted} | ${percent(sums.foundWanted, sums.wanted)} | ${percent(sums.foundWanted, sums.found)} |`;
  });
  return `| loudness played by | notes | right sign | at most one sign off | hairpins wanted | found | of those found, wanted |\n|---|---|---|---|---|---|---|\n${rows.join('\n')}`;
}

if (process.argv[1]?.endsWith('dynamics.ts')) console.log(dynamicsTable([1, 2, 3]));
