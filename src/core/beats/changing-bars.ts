/*
 * Bars of several lengths where a file's own beats are known: in turn, as 5/4 3/4 6/4 over and over, or another one now and
 * then, which puts every barline after it beside the music.
 *
 *     beats     x . . . . x . . x . . . . . x . . . . x . . x . . . . .
 *     in turn  5         3     6           5         3     6
 *     beats     x . . . x . . . x . x . . . x . . . x . . .
 *     once     4       4       2   4       4       4
 *
 * Chosen on real scores whose bars were made longer and shorter (docs/accuracy.md).
 */
import type { BeatFeature } from './beat-features';
import { leansOn } from './leaning';
import { barScore, bestWay, LENGTHS, likeBefore, PICKUP } from './part-beats';

/** So much better bars of several lengths must be than bars of one where players lean on their first beats. */
const BETTER = 3;
/** And more for each change after the first: with enough of them, what is loud by chance can always be made a downbeat. */
const BETTER_A_CHANGE = 2;
/** Lengths in turn can be chosen in many ways, and some are good by chance: by so much, and where nobody leans on anything. */
const BY_CHANCE = 2;
const FLAT_BY_CHANCE = 19;
/** Three, three and two beats, or five and three, are what a syncopation makes of two bars of four. */
const TWO_BARS_OF_FOUR = 8;
/** Two or three lengths come in turn, of no more beats. */
const LONGEST_TURN = 20;
/** What another length costs; where nobody leans on anything; and where bars change so often. */
const CHANGE = 1;
const FLAT_CHANGE = 6;
const OFTEN = 0.2;
const OFTEN_CHANGE = 0.5;

export interface ChangingBars {
  /** Indexes of the beats that begin a bar, rising. Beats before the first are a pickup. */
  downbeats: number[];
  /** Beats of each bar but the last. */
  lengths: number[];
  /** The lengths that come again and again in this order, from the first downbeat on; null where there is no order. */
  inTurn: number[] | null;
}

/** @returns null where bars of one length do */
export function changingBars(features: readonly BeatFeature[]): ChangingBars | null {
  const even = Math.max(...LENGTHS.map((length) => bestWay(features, [length]).score));
  const [turn, free] = [inTurn(features), nowAndThen(features)];
  const [ofTurn, ofFree] = [turn.score - even, free.score - even];
  const freely = ofFree >= BETTER + BETTER_A_CHANGE * Math.max(0, changes(free.lengths) - 1);
  if (ofTurn >= BETTER && (ofTurn >= ofFree || !freely)) return turn;
  if (!freely) return null;
  const often = changes(free.lengths) > OFTEN * free.lengths.length;
  return often ? { ...bestWay(features, LENGTHS, { anotherLength: OFTEN_CHANGE }), inTurn: null } : free;
}

/** The best way with bars of any length; where nobody leans on its first beats, with few changes. */
function nowAndThen(features: readonly BeatFeature[]): Scored {
  const free = bestWay(features, LENGTHS, { anotherLength: CHANGE });
  const leantOn = leansOn(free.downbeats, features);
  return { ...(leantOn ? free : bestWay(features, LENGTHS, { anotherLength: FLAT_CHANGE })), inTurn: null };
}

const changes = (lengths: readonly number[]): number =>
  lengths.filter((length, i) => i > 0 && length !== lengths[i - 1]).length;

const beatsOf = (order: readonly number[]): number => order.reduce((sum, length) => sum + length, 0);

interface Scored extends ChangingBars {
  score: number;
}

/** The best of all orders of lengths, wherever in it the music begins; what is good by chance is taken off. */
function inTurn(features: readonly BeatFeature[]): Scored {
  const scores = new Map<number, number[]>(
    LENGTHS.map((length) => [length, features.map((_, beat) => barScore(features, beat, length))]),
  );
  const alike = new Map<string, number[]>();
  const likeTurnBefore = (length: number, turn: number): number[] => {
    const key = `${length} ${turn}`;
    const known = alike.get(key) ?? features.map((_, beat) => likeBefore(features, beat, length, turn));
    alike.set(key, known);
    return known;
  };
  let best = { score: -Infinity, order: [] as number[], first: 0 };
  for (const order of orders()) {
    const turn = beatsOf(order);
    const earned = order.map((length) => [scores.get(length)!, likeTurnBefore(length, turn)] as const);
    for (let first = 0; first < order.at(-1)!; first++) {
      let score = -PICKUP * Math.min(1, first);
      for (let beat = first, bar = 0; beat < features.length; beat += order[bar]!, bar = (bar + 1) % order.length)
        score += earned[bar]![0][beat]! + earned[bar]![1][beat]!;
      if (score > best.score) best = { score, order, first };
    }
  }
  const bars = laid(best.order, best.first, features.length);
  const clear = leansOn(bars.downbeats, features) && beatsOf(best.order) !== TWO_BARS_OF_FOUR;
  return { ...bars, score: best.score - (clear ? BY_CHANCE : FLAT_BY_CHANCE), inTurn: best.order };
}

/** Every order of two or three lengths that are not all the same, from each of its bars. */
function orders(): number[][] {
  const twos = LENGTHS.flatMap((first) => LENGTHS.map((second): number[] => [first, second]));
  const threes = twos.flatMap((two) => LENGTHS.map((third) => [...two, third]));
  return [...twos, ...threes].filter((order) => new Set(order).size > 1 && beatsOf(order) <= LONGEST_TURN);
}

function laid(order: readonly number[], first: number, beats: number): { downbeats: number[]; lengths: number[] } {
  const downbeats: number[] = [];
  for (let beat = first, bar = 0; beat < beats; beat += order[bar]!, bar = (bar + 1) % order.length)
    downbeats.push(beat);
  return { downbeats, lengths: downbeats.slice(0, -1).map((_, bar) => order[bar % order.length]!) };
}
