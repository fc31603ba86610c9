import type { Bar, WrittenUnits } from '../time';
import type { BarSigns, PartLines } from './marks';
import type { Part, PartBar, Score, SymbolInBar } from './score';

/** A stretch of bars that is played several times in a row. */
export interface Fold {
  /** Index of its first bar. */
  from: number;
  /** Bars of one playing, its own ending included. */
  length: number;
  times: number;
  /** Bars at the end that differ from playing to playing. */
  endings: number;
}

/**
 * Writes stretches once that are played several times: repeat signs, and endings where the last bars differ. The notes
 * that are written stand for those of every playing.
 *
 *     A B C D | A B C E   →   |: A B C |1. D :|2. E |
 *
 * @param folds stretches that do not touch each other; what is not in the score is passed over
 */
export function foldScore(score: Score, folds: readonly Fold[]): Score {
  const usable = [...folds]
    .filter(
      ({ from, length, times }) => from >= 0 && length > 0 && times > 1 && from + length * times <= score.bars.length,
    )
    .sort((a, b) => a.from - b.from);
  if (usable.length === 0) return score;
  /** Playings of each bar that is kept, by index in the score as given; the bar itself first. */
  const playings = new Map<number, number[]>();
  const signs: Record<number, BarSigns> = {};
  const kept: number[] = [];
  let at = 0;
  const keep = (bar: number, all: number[] = [bar]) => {
    playings.set(bar, all);
    kept.push(bar);
    return kept.length - 1;
  };
  for (const fold of usable) {
    if (fold.from < at) continue;
    for (; at < fold.from; at++) keep(at);
    const { from, length, times, endings } = fold;
    const first = kept.length;
    for (let b = 0; b < length - endings; b++)
      keep(
        from + b,
        Array.from({ length: times }, (_, t) => from + t * length + b),
      );
    for (let t = 0; t < (endings > 0 ? times : 0); t++) {
      for (let b = 0; b < endings; b++) {
        const i = keep(from + t * length + length - endings + b);
        if (b === 0) signs[i] = { ...signs[i], ending: [t + 1] };
        if (b === endings - 1)
          signs[i] = {
            ...signs[i],
            endingStop: t < times - 1 ? 'stop' : 'discontinue',
            ...(t < times - 1 && { repeatEnd: { times } }),
          };
      }
    }
    if (endings === 0) signs[kept.length - 1] = { ...signs[kept.length - 1], repeatEnd: { times } };
    // At the very beginning everybody goes back without being told.
    if (first > 0) signs[first] = { ...signs[first], repeatStart: true };
    at = from + length * times;
  }
  for (; at < score.bars.length; at++) keep(at);

  const bars = renumbered(kept.map((b) => score.bars[b]!));
  const place = placement(score.bars, kept, bars);
  const within = <T extends { at: WrittenUnits }>(list: readonly T[]): T[] =>
    list.flatMap((one) => (place(one.at) === null ? [] : [{ ...one, at: place(one.at)! }]));
  const inKept = <T extends { bar: number }>(list: readonly T[]): T[] =>
    list.flatMap((one) => (kept.includes(one.bar) ? [{ ...one, bar: kept.indexOf(one.bar) }] : []));
  const keysKept = score.keys.map((key, k) => ({ key, k, bar: kept.indexOf(key.bar) })).filter(({ bar }) => bar >= 0);
  return {
    ...score,
    bars,
    signs,
    keys: keysKept.map(({ key, bar }) => ({ ...key, bar })),
    tempos: within(score.tempos),
    swing: inKept(score.swing),
    markers: within(score.markers),
    parts: score.parts.map((part): Part => ({
      ...part,
      ...(part.harmonies && { harmonies: within(part.harmonies) }),
      ...(part.programChanges && { programChanges: within(part.programChanges) }),
      writtenKeys: keysKept.map(({ k }) => part.writtenKeys[k]!),
      clefChanges: inKept(part.clefChanges),
      ...(part.transpositionChanges && { transpositionChanges: inKept(part.transpositionChanges) }),
      ...(part.localMeters && { localMeters: keptMeters(part.localMeters, kept) }),
      lines: foldLines(part.lines, place),
      bars: kept.map((b) => standingForAll(part, playings.get(b)!)),
    })),
  };
}

function keptMeters(meters: NonNullable<Part['localMeters']>, kept: readonly number[]): Part['localMeters'] {
  return Object.fromEntries(kept.flatMap((bar, i) => (meters[bar] ? [[i, meters[bar]] as const] : [])));
}

function renumbered(bars: readonly Bar[]): Bar[] {
  let start: WrittenUnits = 0;
  const first = bars[0]?.number ?? 1;
  return bars.map((bar, index) => {
    const moved = { ...bar, index, number: first + index, start };
    start += bar.length;
    return moved;
  });
}

/** Where a place of the long score stands in the short one; null when its bar is played but not written. */
function placement(
  long: readonly Bar[],
  kept: readonly number[],
  short: readonly Bar[],
): (at: WrittenUnits) => WrittenUnits | null {
  const shortIndex = new Map(kept.map((b, i) => [b, i]));
  const starts = long.map((bar) => bar.start);
  return (at) => {
    let b = starts.length - 1;
    while (b > 0 && starts[b]! > at) b--;
    const i = shortIndex.get(b);
    return i === undefined ? null : short[i]!.start + at - long[b]!.start;
  };
}

function foldLines(lines: PartLines, place: (at: WrittenUnits) => WrittenUnits | null): PartLines {
  const points = <T extends { at: WrittenUnits }>(list: readonly T[]) =>
    list.flatMap((one) => (place(one.at) === null ? [] : [{ ...one, at: place(one.at)! }]));
  const spans = <T extends { start: WrittenUnits; end: WrittenUnits }>(list: readonly T[]) =>
    list.flatMap((one) => {
      const start = place(one.start);
      // The end may be the barline after the last bar of a playing.
      const last = place(one.end - 1);
      return start === null || last === null || last < start ? [] : [{ ...one, start, end: last + 1 }];
    });
  const slurs = lines.slurs.flatMap((slur) => {
    const [start, end] = [place(slur.start), place(slur.end)];
    return start === null || end === null || end <= start ? [] : [{ ...slur, start, end }];
  });
  return {
    dynamics: points(lines.dynamics),
    forces: points(lines.forces),
    hairpins: spans(lines.hairpins),
    slurs,
    pedals: spans(lines.pedals),
    octaveLines: spans(lines.octaveLines),
  };
}

/** The first playing's bar; its notes know the played notes of the later ones too. */
function standingForAll(part: Part, playings: readonly number[]): PartBar {
  const [first, ...later] = playings;
  const bar = part.bars[first!]!;
  if (later.length === 0) return bar;
  const others = later.map((b) => part.bars[b]!);
  return {
    ...bar,
    voices: bar.voices.map((voice) => ({
      ...voice,
      symbols: voice.symbols.map((symbol): SymbolInBar => ({
        ...symbol,
        notes: symbol.notes.map((note) => ({
          ...note,
          played: [...note.played, ...others.flatMap((other) => sameNote(other, voice.voice, symbol.at, note.key))],
        })),
      })),
    })),
  };
}

function sameNote(bar: PartBar, voice: number, at: WrittenUnits, key: number): number[] {
  const symbol = bar.voices.find((one) => one.voice === voice)?.symbols.find((one) => one.at === at);
  return symbol?.notes.find((note) => note.key === key)?.played ?? [];
}
