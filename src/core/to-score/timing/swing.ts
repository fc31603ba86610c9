/*
 * Swing: eighths (or sixteenths) played long and short, written evenly.
 *
 *     played   |x     x  |x     x  |       long to short 2 : 1
 *     written  |x   x   |x   x   |        even eighths, and “Swing” above the first bar of them
 *
 * Takes the onsets of all parts with their leads taken out; gives the stretches of bars that swing, with their ratio.
 * In each bar the off-beats are compared with the even place and with the late place of the piece (Viterbi over the
 * bars: a piece may begin to swing, or cease); onsets on the first third speak against it, for then triplets are meant.
 * Ratios from 1.2 to 2.4 count as swing, 3 : 1 is a dotted rhythm (common practice, no source). One is sure of it only
 * where a rhythm section plays or the file says so; otherwise it is asked.
 */
import { inNumbers, say } from '../../words';
import { upperMedian } from '../../base';
import { SWING_UNITS, type SwingSettings, type SwingUnit } from '../../settings';
import { lastNotAfter, QUARTER, type Beat, type PlayedUnits, type WrittenUnits } from '../../time';
import { beatIndexAt, type BeatLine } from './beats';
import type { TimedNote } from './timed-note';

/** Bars that swing, by index, the last one not included. */
export interface SwingStretch {
  from: number;
  to: number;
  ratio: number;
  unit: SwingUnit;
}

export interface Swing {
  /** What is written evenly. */
  stretches: readonly SwingStretch[];
  /** What was heard, also where nobody is sure enough to write it so. */
  heard: readonly SwingStretch[];
  /** 0–1 */
  confidence: number;
  /** Set by a person. */
  pinned: boolean;
  /** Off-beats that lie late. */
  offBeats: number;
  evidence: string;
}

/** What speaks for a piece that swings before a note is heard. */
export interface SwingSigns {
  /** Drums or a bass play. */
  rhythmSection: boolean;
  /** A name or text of the file says swing, shuffle, blues or jazz. */
  named: boolean;
}

export const EVEN: Swing = {
  stretches: [],
  heard: [],
  confidence: 1,
  pinned: false,
  offBeats: 0,
  get evidence() {
    return say('doubts.offBeatsEven');
  },
};
export const SURE_SWING = 0.6;

/** Which of them is told; a name says more than who plays. */
function signsSaid({ named, rhythmSection }: SwingSigns): string {
  if (named) return 'named';
  return rhythmSection ? 'band' : 'none';
}

const LEAST_RATIO = 1.2;
const MOST_RATIO = 2.4;
/** Fewer late off-beats than this say nothing. */
const LEAST_WITNESSES = 12;
const LEAST_BARS = 4;
/** Of a window: from where to where an off-beat, and the first of three, may lie. */
const OFF_BEAT: readonly [number, number] = [0.42, 0.74];
const FIRST_THIRD: readonly [number, number] = [0.22, 0.42];
const CLEARLY_LATE = 0.535;
/** How far off-beats spread, in seconds and at least as a share of the window. */
const SPREAD = 0.014;
const LEAST_SPREAD = 0.025;
const MOST_COST = 3;
const AGAINST = 3.5;
const CHANGE = 6;
/** Late by less than this many spreads is uneven playing. */
const CLEAR = 1.4;

const LENGTH: Record<SwingUnit, WrittenUnits> = { eighth: QUARTER, '16th': QUARTER / 2 };

/** Where the off-beat lies in its window, as a share, for a ratio. */
const turnOf = (ratio: number) => ratio / (1 + ratio);
const ratioOf = (turn: number) => turn / (1 - turn);

/** @param parts notes by part @param bars how many there are @param pin what somebody set */
export function findSwing(
  parts: readonly (readonly TimedNote[])[],
  line: BeatLine,
  bars: number,
  signs: SwingSigns,
  pin: SwingSettings | undefined,
): Swing {
  if (pin !== undefined) {
    const stretches = pin.ratio === 1 ? [] : [{ from: 0, to: bars, ...pin }];
    return { ...EVEN, stretches, heard: stretches, pinned: true, evidence: say('doubts.setByHand') };
  }
  const found = SWING_UNITS.map((unit) => listen(parts, line, bars, unit)).reduce((a, b) => (b.gain > a.gain ? b : a));
  if (found.stretches.length === 0) return EVEN;
  const sure = signs.rhythmSection || signs.named;
  const confidence = (sure ? 0.6 : 0.2) + 0.4 * Math.min(1, found.late / 40);
  // Triplets say the same as two to one: where nobody is sure the file is believed.
  const triplets = found.stretches.every(({ ratio }) => Math.abs(ratio - 2) < 0.2);
  const { ratio, unit } = found.stretches[0]!;
  const evidence = say('doubts.offBeatsLate', {
    late: found.late,
    unit,
    ratio: inNumbers(ratio, 1),
    even: found.even,
    thirds: found.thirds,
    signs: signsSaid(signs),
  });
  return {
    stretches: sure || !triplets ? found.stretches : [],
    heard: found.stretches,
    confidence: sure ? confidence : Math.min(confidence, SURE_SWING - 0.01),
    pinned: false,
    offBeats: found.late,
    evidence,
  };
}

interface Heard {
  stretches: SwingStretch[];
  /** Nats by which swinging explains the stretches better. */
  gain: number;
  late: number;
  even: number;
  thirds: number;
}

interface BarEvidence {
  /** Places of off-beats in their windows, with how far such places spread. */
  offBeats: { share: number; spread: number }[];
  thirds: number;
}

const NOTHING: Heard = { stretches: [], gain: 0, late: 0, even: 0, thirds: 0 };

function listen(parts: readonly (readonly TimedNote[])[], line: BeatLine, bars: number, unit: SwingUnit): Heard {
  const evidence = evidenceByBar(parts, line, bars, LENGTH[unit]);
  const all = evidence.flatMap((bar) => bar.offBeats);
  const clearlyLate = all.filter(({ share }) => share > CLEARLY_LATE);
  if (clearlyLate.length < LEAST_WITNESSES) return NOTHING;
  const turn = upperMedian(clearlyLate.map(({ share }) => share));
  const spread = upperMedian(clearlyLate.map((one) => one.spread));
  const ratio = ratioOf(turn);
  if (ratio < LEAST_RATIO || ratio > MOST_RATIO || turn - 0.5 < CLEAR * spread) return NOTHING;
  const costs = evidence.map(({ offBeats, thirds }) => ({
    even: offBeats.reduce((sum, one) => sum + away(one, 0.5), 0),
    swinging: offBeats.reduce((sum, one) => sum + away(one, turn), 0) + thirds * AGAINST,
  }));
  const spans = swingingBars(costs).filter(({ from, to }) => to - from >= LEAST_BARS);
  const within = spans.flatMap(({ from, to }) => evidence.slice(from, to));
  const late = within.flatMap((bar) => bar.offBeats).filter((one) => away(one, turn) < away(one, 0.5));
  if (late.length < LEAST_WITNESSES) return NOTHING;
  const exactRatio = nearUsual(ratioOf(upperMedian(late.map(({ share }) => share))));
  return {
    stretches: spans.map((span) => ({ ...span, ratio: exactRatio, unit })),
    gain: spans.reduce(
      (sum, { from, to }) => sum + costs.slice(from, to).reduce((bars, cost) => bars + cost.even - cost.swinging, 0),
      0,
    ),
    late: late.length,
    even: within.flatMap((bar) => bar.offBeats).length - late.length,
    thirds: within.reduce((sum, bar) => sum + bar.thirds, 0),
  };
}

function evidenceByBar(
  parts: readonly (readonly TimedNote[])[],
  line: BeatLine,
  bars: number,
  length: WrittenUnits,
): BarEvidence[] {
  const evidence = Array.from({ length: bars }, (): BarEvidence => ({ offBeats: [], thirds: 0 }));
  for (const note of parts.flat()) {
    const b = beatIndexAt(line, note.onset);
    const beat = line.beats[b]!;
    const bar = evidence[beat.bar];
    if (!bar || !canSwing(beat)) continue;
    const share = ((note.onset - beat.start) % length) / length;
    if (share >= OFF_BEAT[0] && share < OFF_BEAT[1])
      bar.offBeats.push({ share, spread: Math.max(LEAST_SPREAD, SPREAD / (length * line.secondsPerUnit[b]!)) });
    else if (share >= FIRST_THIRD[0] && share < FIRST_THIRD[1]) bar.thirds++;
  }
  return evidence;
}

/** Only quarters swing; beats of other length stay. */
function canSwing(beat: Beat): boolean {
  return beat.length === QUARTER && !beat.compound;
}

function away({ share, spread }: { share: number; spread: number }, place: number): number {
  return Math.min(MOST_COST, (share - place) ** 2 / (2 * spread * spread));
}

/** The bars in which swinging is the better explanation; it begins and ceases seldom. */
function swingingBars(costs: readonly { even: number; swinging: number }[]): { from: number; to: number }[] {
  let [even, swinging] = [0, CHANGE / 2];
  const back: { even: boolean; swinging: boolean }[] = [];
  for (const cost of costs) {
    const begins = even + CHANGE < swinging;
    const ceases = swinging + CHANGE < even;
    back.push({ even: ceases, swinging: !begins });
    [even, swinging] = [
      (ceases ? swinging + CHANGE : even) + cost.even,
      (begins ? even + CHANGE : swinging) + cost.swinging,
    ];
  }
  const states: boolean[] = [];
  for (let bar = costs.length - 1, now = swinging < even; bar >= 0; bar--) {
    states[bar] = now;
    now = now ? back[bar]!.swinging : back[bar]!.even;
  }
  const spans: { from: number; to: number }[] = [];
  states.forEach((now, bar) => {
    const last = spans.at(-1);
    if (now && last?.to === bar) last.to++;
    else if (now) spans.push({ from: bar, to: bar + 1 });
  });
  return spans;
}

/** A machine's two to one is two to one, whatever its ticks were rounded to. */
function nearUsual(ratio: number): number {
  return Math.abs(ratio - 2) < 0.02 ? 2 : ratio;
}

/** The note where it would lie if its eighths were even. */
export function withoutSwing(note: TimedNote, { stretches }: Swing, line: BeatLine): TimedNote {
  if (stretches.length === 0) return note;
  const even = (at: PlayedUnits) => warp(at, line, stretches, 'even');
  const place = (meant: WrittenUnits | undefined) => (meant === undefined ? undefined : writable(even(meant), line));
  return {
    ...note,
    onset: even(note.onset),
    release: even(note.release),
    meant: place(note.meant),
    meantEnd: place(note.meantEnd),
  };
}

/** A place that was exact before the swing was taken out is so afterwards only where a plain value leads to it. */
function writable(at: PlayedUnits, line: BeatLine): WrittenUnits | undefined {
  const unit = QUARTER / 8;
  const { start } = line.beats[beatIndexAt(line, at)]!;
  const place = start + Math.round((at - start) / unit) * unit;
  return Math.abs(at - place) < 1.5 ? place : undefined;
}

/** Where a written place sounds. */
export function swung(
  at: number,
  { stretches }: Pick<Swing, 'stretches'>,
  line: Pick<BeatLine, 'beats' | 'starts'>,
): PlayedUnits {
  return stretches.length === 0 ? at : warp(at, line, stretches, 'swinging');
}

function warp(
  at: PlayedUnits,
  line: Pick<BeatLine, 'beats' | 'starts'>,
  stretches: readonly SwingStretch[],
  to: 'even' | 'swinging',
): PlayedUnits {
  const beat = line.beats[lastNotAfter(line.starts, Math.max(0, at))]!;
  const stretch = stretches.find(({ from, to: end }) => beat.bar >= from && beat.bar < end);
  if (!stretch || !canSwing(beat)) return at;
  const length = LENGTH[stretch.unit];
  const start = beat.start + Math.floor((at - beat.start) / length) * length;
  const share = (at - start) / length;
  if (share <= 0 || share >= 1) return at;
  const turn = turnOf(stretch.ratio);
  const [source, target] = to === 'even' ? [turn, 0.5] : [0.5, turn];
  return (
    start +
    length * (share <= source ? (share / source) * target : target + ((share - source) / (1 - source)) * (1 - target))
  );
}
