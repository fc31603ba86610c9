import type { Part } from '../../score';
import { NO_CHOICES } from '../../settings';
import type { Bar } from '../../time';
import type { WrittenPart } from '../notation/write-parts';
import type { Piece } from '../piece';
import type { MarkReport } from './find-marks';
import * as received from '../received/stages';
import * as stages from './stages';

/** A part as it stands in the score. */
export interface MarkedPart extends WrittenPart {
  marked: Part;
  marks: MarkReport;
}

/** Marks, words and octave lines on every part. */
export function markParts(
  { performance, settings, memo }: Piece,
  written: readonly WrittenPart[],
  bars: readonly Bar[],
): MarkedPart[] {
  const { tempo, ticksPerQuarter } = performance;
  const byId = new Map(performance.tracks.map((track) => [track.id, track]));
  const heard = written.map((one) => {
    const { part, staves, taken } = one;
    const tracks = part.tracks.map((track) => byId.get(track)!);
    const played = memo.run(stages.played, { part, staves, tracks, lead: taken[0]!, tempo }, part.id);
    return { one, tracks, played };
  });
  const ensemble = { parts: heard.map(({ played }) => played) };
  const breaths = memo.steady('breaths', memo.run(stages.breaths, ensemble));
  const loudest = memo.steady('loudest', memo.run(stages.loudest, ensemble));
  return heard.map(({ one, tracks, played }): MarkedPart => {
    const { part, written: plain } = one;
    const { id } = part;
    const rules = settings.marks[id] ?? NO_CHOICES;
    const heardMarks = memo.run(stages.found, { part: played, rules, bars, breaths, loudest, tempo }, id);
    const lines = { found: heardMarks, kept: one.kept, sources: one.sources, written: plain, bars };
    const found = memo.run(received.withLines, lines, id);
    const texts = memo.run(stages.texts, { tracks, ticksPerQuarter }, id);
    const byHand = { edits: settings.markEdits[id] ?? NO_CHOICES, plainOctaves: settings.plainOctaves[id] };
    const ownLines = one.kept !== null && !one.kept.asInstrument;
    const marked = memo.run(stages.marked, { part, written: plain, found, texts, bars, ownLines, ...byHand }, id);
    return { ...one, marked, marks: found.report };
  });
}
