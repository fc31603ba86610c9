/* The versions of a job that can be heard, as music: what arrived, what is written, what leaves the house. */
import { partId, type NoteId, type PartId, type TrackId } from '../base';
import { hearingMusic, type HearingMusic, type MusicSource } from '../hearing';
import { readMusicXml, writeMusicXml } from '../musicxml';
import { barsOfPerformance, performanceFromSmf, type Performance } from '../performance';
import type { Score } from '../score';
import { USUAL_SEQUENCING } from '../settings';
import type { SmfFile } from '../smf';
import type { Conversion } from '../to-score';
import { toSequencer, type SequencedFile } from '../to-sequencer';

export const HEARING_VERSIONS = ['received', 'written', 'delivered'] as const;
export type HearingVersion = (typeof HEARING_VERSIONS)[number];

/** The original with its faders; what names no program sounds as the instrument it was recognised as. */
export function receivedMusic({ casting, score }: Conversion, performance: Performance): HearingMusic {
  const owner = new Map<NoteId, PartId>();
  const usual = new Map<TrackId, number>();
  for (const part of casting.parts) {
    for (const note of part.notes) owner.set(note.id, part.id);
    const [program] = part.instrument.programs;
    for (const track of part.tracks) if (program !== undefined) usual.set(track, program);
  }
  return hearingMusic({
    performance,
    partOf: (note) => owner.get(note.id) ?? null,
    usualProgram: (track) => usual.get(track.id) ?? null,
    bars: score.bars.map((bar) => ({ bar, start: bar.start })),
  });
}

/** The score as it stands, played plainly: no faders, nothing loose. */
export function writtenMusic(score: Score): HearingMusic {
  return sequencedMusic(score, wholeOf(score, USUAL_SEQUENCING));
}

/** The score as another program gets it: written out, read again, its repeats played. */
export function exportedMusic({ printed, score }: Conversion): HearingMusic {
  const { score: readBack } = readMusicXml(new TextEncoder().encode(writeMusicXml(printed)));
  const whole = wholeOf(readBack, USUAL_SEQUENCING);
  const names = new Map(readBack.parts.map((part, i) => [part.id, printed.parts[i]?.id ?? part.id]));
  // Bars that were folded into repeats are heard one after the other, as they are on the desk.
  const unfolded = whole.line.bars.length === score.bars.length;
  return sequencedMusic(readBack, whole, {
    nameOf: (part) => names.get(part) ?? part,
    indexOf: (bar, played) => (unfolded ? played : bar),
  });
}

interface Names {
  nameOf?: (part: PartId) => PartId;
  indexOf?: (bar: number, played: number) => number;
}

/** What a score was sequenced to. */
export function sequencedMusic(
  score: Score,
  { file, tracks, line }: SequencedFile,
  { nameOf = (part) => part, indexOf = (bar) => bar }: Names = {},
): HearingMusic {
  // One chunk for the conductor, then one a track; in format 0 everything is in one.
  const trackOf = (chunk: number, channel: number) =>
    file.format === 0 ? tracks.find((track) => track.channel === channel) : tracks[chunk - 1];
  return hearingMusic({
    performance: performanceFromSmf({ file, warnings: [] }),
    partOf: (note, track) => {
      const owner = trackOf(track.chunk, note.channel);
      return owner ? nameOf(owner.part) : null;
    },
    usualProgram: (track) => programOf(score, trackOf(track.chunk, track.channels[0] ?? 1)),
    bars: line.bars.map(({ bar, start }, played) => ({
      bar: { ...score.bars[bar]!, index: indexOf(bar, played) },
      start,
    })),
  });
}

function programOf(score: Score, track: SequencedFile['tracks'][number] | undefined): number | null {
  if (!track) return null;
  return track.program ?? score.parts.find((part) => part.id === track.part)?.program ?? null;
}

function wholeOf(score: Score, settings: typeof USUAL_SEQUENCING): SequencedFile {
  return toSequencer(score, { ...settings, files: 'one' })[0]!;
}

/** A MIDI file as it is. @param partOf whose notes a track chunk has; its tracks are its parts unless it says so */
export function fileMusic(file: SmfFile, partOf: (chunk: number) => PartId | null = () => null): HearingMusic {
  const performance = performanceFromSmf({ file, warnings: [] });
  const source: MusicSource = {
    performance,
    partOf: (_, track) => partOf(track.chunk) ?? partId(track.id),
    usualProgram: () => null,
    bars: barsOfPerformance(performance).map((bar) => ({ bar, start: bar.start })),
  };
  return hearingMusic(source);
}
