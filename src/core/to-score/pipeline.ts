/*
 * Direction A from end to end: a performance becomes a score.
 *
 *     casting → timing (lead, ornaments, swing, grid) → layout (staves, voices, lengths)
 *             → pitch and notation (keys, names, symbols, clefs) → marks → audit and doubts
 *
 * Each phase stands in the folder of what it decides; its stages are declared in that folder's `stages.ts` with the
 * inputs they need. All are generators so that a caller can show progress, let other work in, or stop: each step
 * yields before its work begins.
 */
import { toEnd } from '../base';
import { cast } from '../casting';
import { barsOfPerformance, type Performance } from '../performance';
import { foldScore, type Fold, type Score } from '../score';
import { castingSettings, steadySettings, type CastingSettings, type ConversionSettings } from '../settings';
import { barLength, layBars, writtenUnits, type Bar } from '../time';
import type { Conversion, PartReport, Progress } from './conversion';
import { askAll } from './doubts/ask-all';
import { auditInWords } from './doubts/audit';
import { auditParts } from './doubts/audit-parts';
import { layOutParts, type LaidOutPart } from './layout/lay-out-parts';
import { asReceived } from './received/as-received';
import { askedOfReceived } from './doubts/received-doubts';
import { withChordSymbols } from './chords/chord-symbols';
import { keepReceived } from './received/kept-parts';
import { markParts, type MarkedPart } from './marks/mark-parts';
import { withBarRepeats } from './notation/repeats';
import * as notation from './notation/stages';
import { tempoMarks, withTempoWords } from './notation/tempo-marks';
import { markersOf, tempoWords } from './notation/texts';
import { writeParts, type Notation } from './notation/write-parts';
import type { Piece } from './piece';
import { Memo, stage } from '../base/stage';
import * as timing from './timing/stages';
import { swingMarks } from './timing/swing-signs';
import { timeParts, type Timing } from './timing/time-parts';

const castStage = stage(
  'casting',
  ({ performance, settings }: { performance: Performance; settings: CastingSettings }) => cast(performance, settings),
);

/** One bar more than was played in: the last onset may belong to a beat that follows it. */
const laidBars = stage('laid bars', ({ performance }: { performance: Performance }): Bar[] => {
  const bars = barsOfPerformance(performance);
  const last = bars.at(-1)!;
  if (performance.bars) {
    const { index, number, start, length, meter } = last;
    const next = { index: index + 1, number: number + 1, start: start + length, length: barLength(meter), meter };
    return [...bars, { ...next, implicit: false }];
  }
  return layBars(performance.meters, last.start + last.length + 1, performance.numbering);
});

/**
 * @param memo of an earlier conversion of the same performance: what its inputs have not changed is not computed again
 * @param received the score that the performance was made of: what it has written is kept
 */
export function* convert(
  performance: Performance,
  decided: ConversionSettings,
  memo = new Memo(),
  received: Score | null = null,
): Generator<Progress, Conversion> {
  yield { stage: 'casting', done: 0 };
  const settings = steadySettings(received ? asReceived(decided, performance) : decided, (slot, value) =>
    memo.steady(`settings/${slot}`, value),
  );
  const { output: casting, queries } = memo.run(castStage, {
    performance,
    settings: memo.steady('casting settings', castingSettings(settings)),
  });
  const laid = memo.run(laidBars, { performance });
  const line = memo.run(timing.beats, { laid, tempo: performance.tempo });
  const piece: Piece = { performance, received, settings, casting, laid, line, memo };

  const timed = yield* timeParts(piece);
  const { parts: stages, doublings } = yield* layOutParts(piece, timed.parts, timed.swing);
  const laidOut = keepReceived(piece, stages);
  const bars = barsInUse(laid, laidOut, barsOfPerformance(performance).length);
  const notated = yield* writeParts(piece, laidOut, bars);

  yield { stage: 'assembling', done: 0.95 };
  const marked = markParts(piece, notated.parts, bars);
  const score = scoreOf(piece, marked, bars, notated.keys, timed);
  const repeats = repeatsOf(score, marked, memo);
  const audited = auditParts(piece, marked, bars, timed.swing);
  const audits = audited.map(({ audit }) => audit);
  const { swing, leads } = timed;
  const { keys, barKeys } = notated;
  return {
    score,
    printed: printedOf(score, settings),
    repeats,
    casting,
    queries: askedOfReceived(
      piece,
      audited,
      askAll(piece, audited, { bars, swing, leads, keys, barKeys, repeats, doublings, tempos: score.tempos }, queries),
      { barKeys, renamed: notated.renamed },
    ),
    reports: marked.map((one) => reportOf(one, timed)),
    line,
    swing,
    barKeys,
    audit: { parts: audits, words: auditInWords(audits, new Map(casting.parts.map(({ id, name }) => [id, name]))) },
    staves: laidOut.map(({ staves }) => staves),
    drums: laidOut.map(({ drums }) => drums),
    doublings,
  };
}

/** Converts to the end. */
export function toScore(performance: Performance, settings: ConversionSettings): Conversion {
  return toEnd(convert(performance, settings));
}

/** Up to the last written sound; silence at the end that was played through stays. */
function barsInUse(bars: readonly Bar[], parts: readonly LaidOutPart[], played: number): Bar[] {
  const end = parts
    .flatMap(({ staves }) => staves)
    .reduce((latest, staff) => staff.notes.reduce((later, note) => Math.max(later, note.end), latest), 0);
  return bars.filter((bar) => bar.index < played || bar.start < end);
}

function scoreOf(
  { performance, received, settings, memo }: Piece,
  parts: readonly MarkedPart[],
  bars: Bar[],
  keys: Notation['keys'],
  { swing }: Timing,
): Score {
  const { tempo, ticksPerQuarter, lastNoteEnd } = performance;
  const markers = markersOf(performance, settings.markerStyle);
  const printing = {
    which: settings.tempoPrint,
    tolerance: settings.tempoTolerance,
    markers: markers.map(({ at }) => at),
  };
  const keepsMarkers = received !== null && settings.markerStyle === 'auto';
  // The times of a version that was played come with its tempo.
  const keepsTempos =
    received !== null && !performance.meant && settings.tempoPrint === 'all' && settings.tempoTolerance === 0;
  return {
    title: settings.title ?? performance.title,
    composer: settings.composer ?? received?.composer ?? '',
    rights: performance.copyright,
    bars,
    signs: received?.signs ?? {},
    keys: memo.steady('keys', keys),
    tempos: memo.steady(
      'tempos',
      keepsTempos
        ? withTempoWords(received.tempos, settings.tempoWords)
        : tempoMarks(
            tempo,
            writtenUnits(lastNoteEnd, ticksPerQuarter),
            [...tempoWords(performance), ...settings.tempoWords],
            printing,
          ),
    ),
    markers: memo.steady('markers', keepsMarkers ? received.markers : markers),
    swing: received?.swing ?? swingMarks(swing, bars.length),
    parts: memo.run(withChordSymbols, {
      parts: parts.map(({ marked }) => marked),
      bars,
      keys: memo.steady('keys', keys),
      rule: memo.steady('chord symbols', settings.chordSymbols),
    }),
    ...(received?.breaks && { breaks: received.breaks }),
  };
}

/** Stretches that come again; marks are not looked at. */
function repeatsOf({ bars, keys, tempos, markers }: Score, parts: readonly MarkedPart[], memo: Memo): Fold[] {
  const codes = parts.map(({ part, written }) => memo.run(notation.barCodes, { part: written }, part.id));
  const written = parts.map((one) => one.written);
  return memo.run(notation.repeats, { parts: written, codes, bars, keys, tempos, markers });
}

/** As it goes out: with the repeat signs that were decided. */
function printedOf({ breaks, ...score }: Score, { barRepeats, folds, keepBreaks }: ConversionSettings): Score {
  const lengths = score.bars.map((bar) => bar.length);
  const parts = score.parts.map((part) => (barRepeats[part.id] ? withBarRepeats(part, lengths) : part));
  // Where bars are folded, lines begin elsewhere.
  const kept = keepBreaks && folds.length === 0 && breaks ? { breaks } : {};
  return { ...foldScore({ ...score, parts }, folds), ...kept };
}

function reportOf(one: MarkedPart, { leads }: Timing): PartReport {
  const { part, grid, ornaments, report, fretting, marks } = one;
  return {
    ...report,
    ...ornaments,
    part: part.id,
    leads: Object.fromEntries(part.tracks.map((track) => [track, leads.get(track)!])),
    jitter: grid.jitter,
    exact: grid.exact,
    smallest: grid.smallest,
    tupletBeats: grid.tupletBeats,
    divisions: grid.divisions,
    marks,
    impossibleChords: fretting.impossible.length,
  };
}
