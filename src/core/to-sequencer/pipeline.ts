/*
 * Direction B from end to end: a score becomes one or several Standard MIDI Files.
 *
 *     time line → sounds → performing → loosening → tracks → bytes
 *
 * The stages are declared in stages.ts with the inputs they need. A generator, as the way to a score is: it yields
 * before each part, so that a caller can show progress, let other work in, or stop.
 */
import { Memo, toEnd, type NoteId, type PartId } from '../base';
import type { Part, Score } from '../score';
import { OF_CONTROLLERS, partSettings, type DynamicCarrier, type SequencerSettings } from '../settings';
import type { SmfFile } from '../smf';
import type { CurvePoint } from './dynamics/loudness-curve';
import { remarksOn } from './doubts/remarks';
import * as stages from './stages';
import type { PlayedTempo } from './timeline/tempo';
import type { TimeLine } from './timeline/time-line';
import { treatmentsOf } from './treating/treat';
import { layTracks, type PerformedPart, type SequencerTrack } from './tracks/tracks';
import { writeSequence } from './tracks/write-sequence';

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
  /** Sentences about what does not go along, and about choices that change nothing. */
  remarks: string[];
}

/** How strong notes were played, 1–127. */
export type Strengths = ReadonlyMap<NoteId, number>;

/** How far the work is. */
export interface SequenceProgress {
  stage: 'playing';
  /** 0–1 over the whole work. */
  done: number;
}

/**
 * @param memo of an earlier run with the same score: what its inputs have not changed is not computed again
 * @param strengths of notes that somebody played, by the names the score's notes bear
 * @throws RangeError when the selection holds no bar
 */
export function* sequenceScore(
  given: Score,
  settings: SequencerSettings,
  memo = new Memo(),
  strengths: Strengths | null = null,
): Generator<SequenceProgress, SequencedFile[]> {
  const score = settings.chords ? memo.run(stages.chordsPlayed, { score: given }) : given;
  const parts = score.parts.filter(
    (part) =>
      (settings.onlyParts === null || settings.onlyParts.includes(part.id)) && !partSettings(settings, part.id).leftOut,
  );
  const jobs = filesOf(score, parts, settings);
  const files: SequencedFile[] = [];
  for (const [i, job] of jobs.entries()) {
    const steps = sequenceFile(score, job, memo, strengths);
    for (;;) {
      const step = steps.next();
      if (step.done) {
        files.push(step.value);
        break;
      }
      yield { stage: 'playing', done: (i + step.value) / jobs.length };
    }
  }
  return files;
}

/** Sequences to the end. */
export function toSequencer(
  score: Score,
  settings: SequencerSettings,
  strengths: Strengths | null = null,
): SequencedFile[] {
  return toEnd(sequenceScore(score, settings, new Memo(), strengths));
}

/** A file to be made. */
interface FileJob {
  label: string;
  parts: readonly Part[];
  settings: SequencerSettings;
}

function filesOf(score: Score, parts: readonly Part[], settings: SequencerSettings): FileJob[] {
  switch (settings.files) {
    case 'one':
      return [{ label: '', parts, settings }];
    case 'parts':
      return parts.map((part) => ({ label: part.name, parts: [part], settings }));
    case 'sections':
      return sections(score, settings).map(({ label, ...onlyBars }) => ({
        label,
        parts,
        settings: { ...settings, onlyBars },
      }));
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

/** Yields the share that is done before each part. */
function* sequenceFile(
  score: Score,
  { label, parts, settings }: FileJob,
  memo: Memo,
  strengths: Strengths | null,
): Generator<number, SequencedFile> {
  const { playRepeats, padPickup } = settings;
  const onlyBars = memo.steady(`only bars/${label}`, settings.onlyBars);
  const line = memo.run(stages.timeLine, { score, playRepeats, onlyBars, padPickup }, label);
  if (line.bars.length === 0) throw new RangeError('no bar is chosen');
  const tempos = memo.run(stages.tempos, { score, line }, label);
  const carriersOf = (part: PartId): readonly DynamicCarrier[] =>
    partSettings(settings, part).dynamicsTo ?? settings.dynamicsTo;
  const levels = memo.steady('levels', settings.levels);
  const { ornaments, slurOverlap, glides, cues } = settings;
  const playing = { levels, ornaments, slurOverlap, glides };
  const articulations = memo.steady('articulations', settings.articulations);
  const loosening = memo.steady('loosening', settings.loosening);
  const curves = new Map<PartId, readonly CurvePoint[]>();
  const performed: PerformedPart[] = [];
  for (const [at, part] of parts.entries()) {
    yield at / parts.length;
    const whose = `${label}/${part.id}`;
    const sounds = memo.run(stages.sounds, { part, score, line, cues }, whose);
    const curve = memo.run(stages.curve, { part, levels }, part.id);
    curves.set(part.id, curve);
    const byVelocity = carriersOf(part.id).includes('velocity');
    const inputs = { sounds, curve, byVelocity, tempos, articulations, strengths, ...playing };
    const notes = memo.run(stages.performed, inputs, whose);
    const drumKeys = memo.steady(`drum keys/${part.id}`, partSettings(settings, part.id).drumKeys);
    const loose = memo.run(stages.loose, { notes, loosening, at, score, tempos, drumKeys }, whose);
    const treatments = memo.steady(
      `treatments/${part.id}`,
      treatmentsOf(settings.treatments, part.id).filter(({ does }) => !OF_CONTROLLERS.has(does.kind)),
    );
    const shaped = memo.run(stages.shaped, { notes: loose, treatments, at, line, score, tempos }, whose);
    performed.push({ part, notes: shaped });
  }
  const tracks = layTracks(performed, settings);
  const curveOf = (part: PartId) => curves.get(part)!;
  const written = { score, parts, line, tempos, tracks, settings, carriersOf, curveOf };
  const { file, betweenTicks, largestShiftMs } = writeSequence(written);
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
      remarks: remarksOn({ score, parts, tracks, settings }),
    },
  };
}
