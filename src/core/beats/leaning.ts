/*
 * What players lean on says how many beats make a bar: they lean on the first of a bar most, on its middle less, on its other
 * beats little (Sloboda, The communication of musical metre in piano performance, 1983; Drake and Palmer, Accent structures in
 * music performance, 1993; from memory). Where nobody leans on anything, other signs decide.
 *
 *     beats     1 . 3 . 1 . 3 .        1 . 1 . 1 . 1 .        1 . . 1 . .
 *     loud      X   x   X   x          X   X   X   X          X     X
 */
import type { BeatFeature } from './beat-features';
import type { FoundBars } from './find-bars';
import { threesOverTwos } from './telling';

/** In bars of four the first is louder than the third by such a share of what both are louder than the others. */
const USUALLY = 0.7;
/** Four to a bar is so many times as common as two. */
const MORE_COMMON = 1.3;
/** By how many standard errors strong beats must be louder than weak ones for that to say anything. */
const SURE = 3;

/** How much more the place among three must tell than that among two and four, or less. */
const CLEARLY = 0.15;

/** Of these lengths those that go with what is leant on. */
export function lengthsLeantOn(lengths: readonly number[], features: readonly BeatFeature[]): readonly number[] {
  const loud = features.map((feature) => feature.loud ?? 0);
  const threes = threesOverTwos(loud);
  if (Math.abs(threes) < CLEARLY) return lengths;
  return lengths.filter((length) => length % (threes > 0 ? 3 : 2) === 0);
}

/** The bars, each of four parted in two where both halves are leant on alike. */
export function twoOrFour(bars: FoundBars, features: readonly BeatFeature[]): FoundBars {
  if (bars.beatsPerBar !== 4 || !leansAlike(bars.downbeats, features)) return bars;
  const downbeats = bars.downbeats.flatMap((bar, i) => {
    const length = (bars.downbeats[i + 1] ?? features.length) - bar;
    return length === 4 || (i === bars.downbeats.length - 1 && length > 2) ? [bar, bar + 2] : [bar];
  });
  // What comes before the first bar may be more than a pickup now.
  const [first = 0] = downbeats;
  return { ...bars, beatsPerBar: 2, downbeats: first >= 2 ? [first - 2, ...downbeats] : downbeats };
}

/** Whether the beats that begin bars are louder than the others, by more than chance. */
export function leansOn(downbeats: readonly number[], features: readonly BeatFeature[]): boolean {
  const begin = new Set(downbeats);
  const loudOf = (which: (beat: number) => boolean) =>
    told(features.flatMap(({ loud }, beat) => (loud !== null && which(beat) ? [loud] : [])));
  const [first, other] = [loudOf((beat) => begin.has(beat)), loudOf((beat) => !begin.has(beat))];
  return first !== null && other !== null && first.mean - other.mean > SURE * Math.sqrt(first.error + other.error);
}

function leansAlike(downbeats: readonly number[], features: readonly BeatFeature[]): boolean {
  const [first, second, third, fourth] = [0, 1, 2, 3].map((place) =>
    told(downbeats.flatMap((bar) => features[bar + place]?.loud ?? [])),
  );
  if (!first || !second || !third || !fourth) return false;
  const contrast = (first.mean + third.mean - second.mean - fourth.mean) / 2;
  const error = Math.sqrt(first.error + second.error + third.error + fourth.error) / 2;
  if (contrast <= SURE * error) return false;
  // Which of two normal distributions the difference is from: that of bars of four, or one about nothing.
  const difference = Math.abs(first.mean - third.mean);
  const usual = USUALLY * contrast;
  return usual ** 2 - 2 * difference * usual > 2 * Math.log(MORE_COMMON) * (first.error + third.error);
}

/** Mean, and the square of its standard error; null for fewer than two. */
function told(values: readonly number[]): { mean: number; error: number } | null {
  if (values.length < 2) return null;
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const squares = values.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  return { mean, error: squares / values.length / values.length };
}
