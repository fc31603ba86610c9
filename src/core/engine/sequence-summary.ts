import type { PartId } from '../base';
import { instrumentById, type InstrumentId, spokenName } from '../instruments';
import type { MusicXmlReading } from '../musicxml';
import type { MidiSequence } from './midi-summary';
import type { TimedInNumbers } from './version-doubts';
import { warningInWords } from './warning-words';
import { fileQueries, putToPeople, type NoteCounts, type OpenQuery, type Query } from '../queries';
import { keyName, type Part, type Score } from '../score';
import type { DirectionB } from '../settings';
import type { Bar } from '../time';
import {
  askSequence,
  clockOf,
  loudnessCurve,
  type CurvePoint,
  type SequencedFile,
  type SequenceReport,
} from '../to-sequencer';

/* What the screens need to know of a job on the way to a sequencer. */

export interface ScorePartSummary {
  id: PartId;
  name: string;
  instrument: InstrumentId;
  instrumentName: string;
  unpitched: boolean;
  notes: number;
  lowest: number | null;
  highest: number | null;
  staves: number;
  voices: number;
  dynamics: number;
  hairpins: number;
  slurs: number;
  program: number | null;
  techniques: string[];
  struck: Part['struck'];
  curve: CurvePoint[];
  clefs: Part['clefs'];
  /** Written signatures, for each of the score's keys. */
  writtenKeys: number[];
  /** What decisions about its notes call it; null where they cannot be changed here. */
  byHand: PartId | null;
}

export interface SequenceTrackSummary {
  part: PartId;
  name: string;
  channel: number;
  port: number;
  program: number | null;
  notes: number;
  technique: string | null;
}

/** A score as it would go to a sequencer. */
export interface ScoreSequence {
  kind: 'score';
  title: string;
  composer: string;
  bars: Bar[];
  /** Written bars in the order they are played. */
  order: number[];
  tempos: Score['tempos'];
  markers: Score['markers'];
  keys: string[];
  signatures: Score['keys'];
  signs: number;
  parts: ScorePartSummary[];
  tracks: SequenceTrackSummary[];
  files: { label: string; report: SequenceReport }[];
  seconds: number;
  /** Whose times were taken. */
  timed: TimedInNumbers | null;
  queries: OpenQuery[];
}

export type SequenceSummary = ScoreSequence | MidiSequence;

/** @param whole all of it as one file @param files as they are to be exported @param asked already @param handIds what decisions about notes call the parts */
export function scoreSummary(
  { score, warnings }: MusicXmlReading,
  whole: SequencedFile,
  files: readonly SequencedFile[],
  settings: DirectionB,
  asked: readonly Query[],
  handIds: ReadonlyMap<PartId, PartId>,
): ScoreSequence {
  return {
    kind: 'score',
    title: score.title,
    composer: score.composer,
    bars: score.bars,
    order: whole.line.bars.map((played) => played.bar),
    tempos: score.tempos,
    markers: score.markers,
    keys: score.keys.map((key) => keyName(key)),
    signatures: score.keys,
    signs: Object.keys(score.signs).length,
    parts: score.parts.map((part) => partSummary(part, whole, settings, handIds.get(part.id) ?? null)),
    tracks: whole.tracks.map(({ part, name, channel, port, program, notes, technique }) => ({
      part,
      name,
      channel,
      port,
      program,
      notes: notes.length,
      technique,
    })),
    files: files.map(({ label, report }) => ({ label, report })),
    seconds: clockOf(whole)(whole.line.end),
    timed: null,
    queries: putToPeople(
      [
        ...asked,
        ...fileQueries(warnings.map((warning, i) => readWarning(score, warning, i))),
        ...askSequence({ score, tracks: whole.tracks, line: whole.line, settings }),
      ],
      notesIn(whole),
    ),
  };
}

function readWarning(score: Score, warning: MusicXmlReading['warnings'][number], i: number) {
  const part = score.parts.find((one) => one.id === warning.part);
  const bar = warning.bar === undefined ? undefined : score.bars[warning.bar];
  return {
    id: `score-file/${i}/${warning.part ?? ''}/${warning.bar ?? ''}`,
    message: warningInWords(warning, score),
    ...(part && { part: part.id }),
    ...(warning.bar !== undefined && bar && { bar: warning.bar, at: bar.start }),
  };
}

/** How many notes are played of each part. */
export function notesIn({ tracks }: { tracks: readonly { part: PartId; notes: ArrayLike<unknown> }[] }): NoteCounts {
  const of = new Map<PartId, number>();
  for (const { part, notes } of tracks) of.set(part, (of.get(part) ?? 0) + notes.length);
  return { all: tracks.reduce((sum, { notes }) => sum + notes.length, 0), of };
}

function partSummary(part: Part, whole: SequencedFile, settings: DirectionB, byHand: PartId | null): ScorePartSummary {
  const notes = whole.tracks.filter((track) => track.part === part.id).flatMap((track) => track.notes);
  const keys = notes.map((note) => note.key);
  return {
    id: part.id,
    name: part.name,
    instrument: part.instrument,
    instrumentName: spokenName(instrumentById(part.instrument)),
    unpitched: part.unpitched,
    notes: notes.length,
    lowest: keys.length > 0 ? keys.reduce((a, b) => Math.min(a, b)) : null,
    highest: keys.length > 0 ? keys.reduce((a, b) => Math.max(a, b)) : null,
    staves: part.clefs.length,
    voices: new Set(part.bars.flatMap((bar) => bar.voices.map((voice) => voice.voice))).size,
    dynamics: part.lines.dynamics.length,
    hairpins: part.lines.hairpins.length,
    slurs: part.lines.slurs.length,
    program: part.program,
    techniques: [...new Set(notes.flatMap((note) => note.sound.technique ?? []))],
    struck: part.struck,
    curve: loudnessCurve(part, settings.levels),
    clefs: part.clefs,
    writtenKeys: part.writtenKeys,
    byHand,
  };
}
