/*
 * Direction B from end to end: a score becomes one or several Standard MIDI Files.
 *
 *     time line → sounds → performing → loosening → tracks → bytes
 */
import type { PartId } from '../base';
import type { Score } from '../score';
import type { SmfFile } from '../smf';
import { QUARTER, type WrittenUnits } from '../time';
import { loudnessCurve, type CurvePoint } from './loudness-curve';
import { loosened } from './loosen';
import { performSounds } from './perform';
import { soundsOfPart } from './sounds';
import { playedTempos, type PlayedTempo } from './tempo';
import { timeLineOf, type TimeLine } from './time-line';
import { layTracks, partSettings, type PerformedPart, type SequencerTrack } from './tracks';
import { writeSequence } from './write-sequence';
import type { DynamicCarrier, SequencerSettings } from '../settings';

export interface SequencedFile {
  /** What it holds, for its name: a part, a section; empty for the whole. */
  label: string;
  file: SmfFile;
  tracks: SequencerTrack[];
  line: TimeLine;
  tempos: PlayedTempo[];
  report: SequenceReport;
}

export interface SequenceReport {
  notes: number;
  tracks: number;
  /** Bars as played. */
  bars: number;
  /** Places that fall between two ticks, and the largest shift that rounding made. */
  betweenTicks: number;
  largestShiftMs: number;
  /** Sentences about what could not go along. */
  left: string[];
}

/** @throws RangeError when the selection holds no bar */
export function toSequencer(score: Score, settings: SequencerSettings): SequencedFile[] {
  const parts = score.parts.filter(
    (part) =>
      (settings.onlyParts === null || settings.onlyParts.includes(part.id)) && !partSettings(settings, part.id).leftOut,
  );
  switch (settings.files) {
    case 'one':
      return [sequence(score, parts, settings, '')];
    case 'parts':
      return parts.map((part) => sequence(score, [part], settings, part.name));
    case 'sections':
      return sections(score, settings).map(({ label, ...bars }) =>
        sequence(score, parts, { ...settings, onlyBars: bars }, label),
      );
  }
}

/** From each marker to the next; what comes before the first one is a section too. */
function sections(
  { markers, bars }: Score,
  { onlyBars }: SequencerSettings,
): { label: string; from: number; to: number }[] {
  const [first, last] = [onlyBars?.from ?? 0, onlyBars?.to ?? bars.length];
  const starts = new Map<number, string>([[first, bars[first] ? `bar ${bars[first].number}` : '']]);
  for (const marker of markers) {
    const b = bars.findLastIndex((bar) => bar.start <= marker.at);
    if (b >= first && b < last) starts.set(b, marker.text);
  }
  const sorted = [...starts].sort((a, b) => a[0] - b[0]);
  return sorted
    .map(([from, label], i) => ({ label, from, to: sorted[i + 1]?.[0] ?? last }))
    .filter(({ from, to }) => to > from);
}

function sequence(
  score: Score,
  parts: readonly Score['parts'][number][],
  settings: SequencerSettings,
  label: string,
): SequencedFile {
  const line = timeLineOf(score, settings);
  if (line.bars.length === 0) throw new RangeError('no bar is chosen');
  const tempos = playedTempos(score, line);
  const unitsOf = (milliseconds: number, at: WrittenUnits) => {
    const bpm = tempos.findLast((tempo) => tempo.at <= at)?.bpm ?? tempos[0]!.bpm;
    return (milliseconds / 1000) * (bpm / 60) * QUARTER;
  };
  const curves = new Map<PartId, readonly CurvePoint[]>();
  const performed = parts.map((part, p): PerformedPart => {
    const own = partSettings(settings, part.id);
    const carriers = own.dynamicsTo ?? settings.dynamicsTo;
    const curve = loudnessCurve(part, settings.levels);
    curves.set(part.id, curve);
    const notes = performSounds(soundsOfPart(part, score, line), {
      settings,
      curve,
      byVelocity: carriers.includes('velocity'),
      unitsOf,
    });
    const loose = loosened(notes, settings.loosening, p, score, unitsOf);
    const drums = own.drumKeys;
    return { part, notes: drums ? loose.map((note) => ({ ...note, key: drums[note.key] ?? note.key })) : loose };
  });
  const tracks = layTracks(performed, settings);
  const carriersOf = (part: PartId): readonly DynamicCarrier[] =>
    partSettings(settings, part).dynamicsTo ?? settings.dynamicsTo;
  const { file, betweenTicks, largestShiftMs } = writeSequence({
    score,
    parts,
    line,
    tempos,
    tracks,
    settings,
    carriersOf,
    curveOf: (part) => curves.get(part)!,
  });
  return {
    label,
    file,
    tracks,
    line,
    tempos,
    report: {
      notes: tracks.reduce((sum, track) => sum + track.notes.length, 0),
      tracks: tracks.length,
      bars: line.bars.length,
      betweenTicks,
      largestShiftMs,
      left: leftBehind(score, parts, settings),
    },
  };
}

/** What a MIDI file of this kind has no place for, said once. */
function leftBehind(score: Score, parts: readonly Score['parts'][number][], settings: SequencerSettings): string[] {
  const sentences: string[] = [];
  const dynamics = parts.reduce((sum, part) => sum + part.lines.dynamics.length + part.lines.hairpins.length, 0);
  if (
    dynamics > 0 &&
    settings.dynamicsTo.length === 0 &&
    parts.every((part) => !partSettings(settings, part.id).dynamicsTo)
  )
    sentences.push(`${dynamics} dynamic signs and hairpins are not played: dynamics are set to nothing.`);
  if (Object.keys(score.signs).length > 0 && (!settings.playRepeats || settings.onlyBars))
    sentences.push('Repeats and jumps are not played: every chosen bar sounds once.');
  const pedals = parts.reduce((sum, part) => sum + part.lines.pedals.length, 0);
  if (pedals > 0 && settings.preset === 'bare')
    sentences.push(`${pedals} pedal marks are left away: the preset keeps bare notes.`);
  if (parts.length > 15 && settings.channels === 'by-part')
    sentences.push(`${parts.length} parts need more than one port; each track names its own.`);
  return sentences;
}
