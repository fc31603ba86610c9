/* Marks, words and octave lines, part by part. */
import type { CastPart } from '../../casting';
import type { Performance, TrackId } from '../../performance';
import type { Part } from '../../score';
import {
  barIndexAt,
  playedUnits,
  secondsAtTick,
  tickAtSeconds,
  ticksFromUnits,
  type Bar,
  type WrittenUnits,
} from '../../time';
import { appliedLead, type Lead } from '../timing/lead';
import { findBreaths, findMarks, markPart, playedPart, type MarkReport, type PlayedPart } from '.';
import type { Memo } from '../memo';
import { octaveLines, readsOctaveLines } from '../notation/octave-lines';
import type { StaffNotes } from '../layout/staff-notes';
import { textsOf, withTexts } from '../notation/texts';
import type { ConversionSettings } from '../../settings';

/** Marks, words and octave lines on every part. */
export function markParts(
  cast: readonly CastPart[],
  assembled: readonly Part[],
  staves: readonly StaffNotes[][],
  performance: Performance,
  leads: Map<TrackId, Lead>,
  bars: readonly Bar[],
  settings: ConversionSettings,
  memo: Memo,
): { parts: Part[]; reports: MarkReport[] } {
  const { tempo, ticksPerQuarter } = performance;
  const byId = new Map(performance.tracks.map((track) => [track.id, track]));
  const played = cast.map((part, p): PlayedPart => {
    const lead = appliedLead(leads.get(part.tracks[0]!));
    return memo.recall(`played/${part.id}`, [part, staves[p], lead], () =>
      playedPart(
        part.instrument,
        staves[p]!,
        part.tracks.flatMap((track) => byId.get(track)!.controllers),
        (tick) =>
          playedUnits(lead === 0 ? tick : tickAtSeconds(tempo, secondsAtTick(tempo, tick) + lead), ticksPerQuarter),
      ),
    );
  });
  const breaths = memo.settle('breaths', findBreaths(played), (a, b) => JSON.stringify(a) === JSON.stringify(b));
  const starts = bars.map((bar) => bar.start);
  const secondsAt = (units: WrittenUnits) => secondsAtTick(tempo, ticksFromUnits(units, ticksPerQuarter));
  const context = {
    barOf: (at: WrittenUnits) => barIndexAt(starts, at),
    secondsBetween: (from: WrittenUnits, to: WrittenUnits) => secondsAt(to) - secondsAt(from),
    end: bars.at(-1)!.start + bars.at(-1)!.length,
    breaths,
  };
  const reports: MarkReport[] = [];
  const parts = assembled.map((part, p) => {
    const found = memo.recall(
      `marks/${part.id}`,
      [played[p], bars, breaths, JSON.stringify(settings.marks[part.id])],
      () => findMarks(played[p]!, settings.marks[part.id] ?? [], context),
    );
    reports.push(found.report);
    const texts = memo.recall(`texts/${part.id}`, [cast[p]], () =>
      textsOf(
        cast[p]!.tracks.map((track) => byId.get(track)!),
        ticksPerQuarter,
      ),
    );
    return memo.recall(
      `marked/${part.id}`,
      [part, found, texts, JSON.stringify([settings.markEdits[part.id], settings.plainOctaves[part.id]])],
      () => {
        const marked = withTexts(markPart(part, found, settings.markEdits[part.id] ?? [], bars), texts);
        const lines =
          readsOctaveLines(cast[p]!.instrument) && !settings.plainOctaves[part.id] ? octaveLines(marked, bars) : [];
        return { ...marked, lines: { ...marked.lines, octaveLines: lines } };
      },
    );
  });
  return { parts, reports };
}
