import { clefsAt } from './clefs-at';
import type { PartLines } from './marks';
import type { Part, PartId, PartTransposition, Score, ScoreNote } from './score';
import { transpositionAt } from './transposition';
import type { WrittenUnits } from '../time';

/**
 * Some parts and bars of a score as a score of their own, with the signature in force at its start. Ties that would
 * reach out of it are dropped.
 *
 * @param from first bar index @param to bar index after the last
 */
export function sliceScore(score: Score, parts: readonly PartId[], from: number, to: number): Score {
  const bars = score.bars.slice(from, to);
  const start = bars[0]?.start ?? 0;
  const end = (bars.at(-1)?.start ?? 0) + (bars.at(-1)?.length ?? 0);
  const inForce = Math.max(
    0,
    score.keys.findLastIndex((key) => key.bar < from || (key.bar === from && !key.at)),
  );
  const keys = score.keys
    .map((key, k) => ({ key, k }))
    .filter(({ key, k }) => k === inForce || ((key.bar > from || (key.bar === from && key.at)) && key.bar < to));
  return {
    title: '',
    composer: '',
    rights: '',
    signs: {},
    bars: bars.map((bar, index) => ({
      ...bar,
      index,
      start: bar.start - start,
      implicit: bar.implicit || bar.number === 0,
    })),
    keys: keys.map(({ key: { at, ...key } }, i) =>
      i === 0 ? { ...key, bar: 0 } : { ...key, bar: key.bar - from, ...(at && { at }) },
    ),
    tempos: score.tempos
      .filter(({ at, shown }) => shown && at >= start && at < end)
      .map((tempo) => ({ ...tempo, at: tempo.at - start })),
    swing: score.swing.filter(({ bar }) => bar >= from && bar < to).map((mark) => ({ ...mark, bar: mark.bar - from })),
    markers: score.markers
      .filter(({ at }) => at >= start && at < end)
      .map((marker) => ({ ...marker, at: marker.at - start })),
    parts: parts.flatMap((id) => {
      const part = score.parts.find((candidate) => candidate.id === id);
      if (!part) return [];
      const partBars = part.bars.slice(from, to).map((bar, b, all) => ({
        voices: bar.voices.map((voice) => ({
          ...voice,
          symbols: voice.symbols.map((symbol) => {
            const atStart = b === 0 && symbol.at === 0;
            const atEnd = b === all.length - 1 && symbol.at + symbol.duration === bars[b]!.length;
            if (!atStart && !atEnd) return symbol;
            return {
              ...symbol,
              notes: symbol.notes.map((note): ScoreNote => ({
                ...note,
                tieFromLast: note.tieFromLast && !atStart,
                tieToNext: note.tieToNext && !atEnd,
              })),
            };
          }),
        })),
      }));
      const clefChanges = part.clefChanges
        .filter(({ bar, at }) => (bar > from || (bar === from && at)) && bar < to)
        .map((change) => ({ ...change, bar: change.bar - from }));
      const transpositionChanges = (part.transpositionChanges ?? [])
        .filter(({ bar }) => bar > from && bar < to)
        .map((change) => ({ ...change, bar: change.bar - from }));
      const { transpositionChanges: _changes, localMeters, harmonies, programChanges, ...kept } = part;
      const lines = sliceLines(part.lines, start, end);
      return [
        {
          ...kept,
          ...inForceAt(part, from),
          ...(transpositionChanges.length > 0 && { transpositionChanges }),
          ...(localMeters && { localMeters: movedBars(localMeters, (bar) => bar - from, bars.length) }),
          ...(harmonies && { harmonies: cutPoints(harmonies, start, end) }),
          ...(programChanges && { programChanges: cutPoints(programChanges, start, end) }),
          lines,
          clefs: clefsAt(part, from),
          clefChanges,
          writtenKeys: keys.map(({ k }) => part.writtenKeys[k]!),
          bars: partBars,
        },
      ];
    }),
  };
}

function inForceAt(part: Part, bar: number): PartTransposition {
  const { transposition, transpositionSteps } = transpositionAt(part, bar);
  return { transposition, transpositionSteps };
}

function movedBars<T>(
  byBar: Readonly<Record<number, T>>,
  to: (bar: number) => number,
  count: number,
): Record<number, T> {
  const moved = Object.entries(byBar).map(([bar, value]) => [to(Number(bar)), value] as const);
  return Object.fromEntries(moved.filter(([bar]) => bar >= 0 && bar < count));
}

function cutPoints<T extends { at: WrittenUnits }>(points: readonly T[], from: WrittenUnits, to: WrittenUnits): T[] {
  return points.filter(({ at }) => at >= from && at < to).map((point) => ({ ...point, at: point.at - from }));
}

/** Lines that lie in the passage whole; one that leads out of it is cut at its end, a slur is left away. */
function sliceLines(lines: PartLines, from: WrittenUnits, to: WrittenUnits): PartLines {
  const touches = ({ start, end }: { start: WrittenUnits; end: WrittenUnits }) => start < to && end > from;
  const cut = <T extends { start: WrittenUnits; end: WrittenUnits }>(line: T): T => ({
    ...line,
    start: Math.max(line.start, from) - from,
    end: Math.min(line.end, to) - from,
  });
  return {
    dynamics: cutPoints(lines.dynamics, from, to),
    forces: cutPoints(lines.forces, from, to),
    hairpins: lines.hairpins.filter(touches).map(cut),
    slurs: lines.slurs.filter(({ start, end }) => start >= from && end < to).map(cut),
    pedals: lines.pedals.filter(touches).map(cut),
    octaveLines: lines.octaveLines.filter(touches).map(cut),
  };
}
