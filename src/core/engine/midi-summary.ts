/* What the screens need to know of a MIDI file on its way to a sequencer. */
import { say } from '../words';
import { highest, lowest, type PartId } from '../base';
import type { CastPart } from '../casting';
import { GENERAL_MIDI_DRUMS, type InstrumentId, spokenName } from '../instruments';
import { barsOfPerformance, withTimeLine } from '../performance';
import { fileQueries, putToPeople, type OpenQuery } from '../queries';
import type { CleaningPlan, JobSettings } from '../settings';
import type { SmfReading } from '../smf';
import type { Bar } from '../time';
import {
  countByHand,
  inventoryOf,
  switchKeysOf,
  type ArrangedFile,
  type Arrangement,
  type ArrangingReport,
  type CleaningReport,
  type TrackInventory,
} from '../to-sequencer';
import { askArrangement } from '../to-sequencer/doubts/arranging-doubts';
import { notesIn, type SequenceTrackSummary } from './sequence-summary';

/** A track as it arrived, what it is, and what it becomes. */
export interface MidiPartSummary {
  id: PartId;
  /** As received. */
  received: { name: string; program: number | null; channels: number[]; chunk: number };
  name: string;
  instrument: InstrumentId;
  instrumentName: string;
  /** 0–1 */
  confidence: number;
  unpitched: boolean;
  notes: number;
  lowest: number | null;
  highest: number | null;
  velocities: { weakest: number; strongest: number } | null;
  /** What is struck, of percussion. */
  struck: { key: number; name: string }[];
  techniques: string[];
}

/** A program of null leaves those of the file. */
export type MidiTrackSummary = Omit<SequenceTrackSummary, 'technique'>;

export interface MidiSequence {
  kind: 'midi';
  format: number;
  ticksPerQuarter: number;
  inventory: TrackInventory[];
  bars: Bar[];
  markers: number;
  plan: CleaningPlan;
  report: CleaningReport;
  parts: MidiPartSummary[];
  /** As they go out. */
  tracks: MidiTrackSummary[];
  files: { label: string; report: ArrangingReport }[];
  /** Notes that were changed by hand, and how many of them go along so. */
  byHand: { changed: number; along: number };
  queries: OpenQuery[];
}

interface Material {
  reading: SmfReading;
  arrangement: Arrangement;
  plan: CleaningPlan;
  cleaning: CleaningReport;
  whole: ArrangedFile;
  files: readonly ArrangedFile[];
  settings: JobSettings;
  /** Originals that do not go along. */
  further: number;
}

export function midiSummary(material: Material): MidiSequence {
  const { reading, arrangement, plan, cleaning, whole, files, settings, further } = material;
  const { file, warnings } = reading;
  const { division } = file;
  const { original, casting } = arrangement;
  const sentences = [
    ...warnings.map((warning) => warning.message),
    ...cleaning.warnings,
    ...(further > 0 ? [say('engine.thisJobHasFurtherOriginalsOfWhich', { further: further + 1 })] : []),
  ];
  const asked = askArrangement({ ...arrangement, whole, plan, settings: settings.sequencing });
  return {
    kind: 'midi',
    format: file.format,
    ticksPerQuarter: division.kind === 'metrical' ? division.ticksPerQuarter : 0,
    inventory: inventoryOf(file, switchKeysOf(file)),
    bars: barsOfPerformance(withTimeLine(original, settings.timeLine)),
    markers: original.markers.length,
    plan,
    report: cleaning,
    parts: casting.parts.map((part) => partSummary(part, arrangement)),
    tracks: whole.tracks.map(({ part, name, channel, port, sound, notes }) => ({
      part,
      name,
      channel,
      port: port ?? 0,
      program: sound,
      notes: notes.length,
    })),
    files: files.map((one) => ({ label: one.label, report: arrangedReport(one) })),
    byHand: {
      changed: countByHand(settings.edits, 'all'),
      along: countByHand(arrangement.edits, settings.sequencing.arranging.byHand),
    },
    queries: putToPeople(
      [...fileQueries(sentences.map((message, i) => ({ id: `midi-file/${i}`, message }))), ...asked],
      notesIn(whole),
    ),
  };
}

export function arrangedReport({ file, tracks, betweenTicks, largestShiftMs }: ArrangedFile): ArrangingReport {
  return {
    type: file.format,
    tracks: file.tracks.length,
    notes: tracks.reduce((sum, track) => sum + track.notes.length, 0),
    betweenTicks,
    largestShiftMs,
  };
}

function struckKeys(keys: readonly number[]) {
  const sorted = [...new Set(keys)].sort((a, b) => a - b);
  return sorted.map((key) => ({ key, name: GENERAL_MIDI_DRUMS.get(key)?.name ?? say('engine.noDrumOfGeneralMIDI') }));
}

function partSummary(part: CastPart, { original, casting }: Arrangement): MidiPartSummary {
  const track = original.tracks.find(({ id }) => id === part.tracks[0])!;
  const cast = casting.tracks.find(({ id }) => id === part.tracks[0])!;
  const keys = part.notes.map(({ key }) => key);
  const velocities = part.notes.map(({ velocity }) => velocity);
  return {
    id: part.id,
    received: {
      name: track.name,
      program: track.programs[0]?.program ?? null,
      channels: track.channels,
      chunk: track.chunk,
    },
    name: part.name,
    instrument: part.instrument.id,
    instrumentName: spokenName(part.instrument),
    confidence: cast.confidence,
    unpitched: part.instrument.unpitched,
    notes: part.notes.length,
    lowest: keys.length > 0 ? lowest(keys) : null,
    highest: keys.length > 0 ? highest(keys) : null,
    velocities: keys.length > 0 ? { weakest: lowest(velocities), strongest: highest(velocities) } : null,
    struck: part.instrument.unpitched ? struckKeys(keys) : [],
    techniques: [...new Set(part.techniqueOf.values())],
  };
}
