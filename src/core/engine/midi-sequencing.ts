/* A MIDI file on its way to a sequencer: what of it goes along, and how it is set up there. */
import { leadingTrack, partId, trackId, unsplit, type PartId } from '../base';
import { cast, type Casting } from '../casting';
import { barsOfPerformance, performanceFromSmf, splitTracks, withTimeLine, type Performance } from '../performance';
import {
  mergedParts,
  musicOfPerformance,
  type OriginalBar,
  type Overlay,
  type Passage,
  type PlayingContext,
  type SoundingMusic,
} from '../proof';
import type { HearingMusic } from '../hearing';
import {
  castingSettings,
  FIRST_ADDED,
  type CleaningPlan,
  type DirectionB,
  type JobSettings,
  type NoteEdit,
} from '../settings';
import { assertOneTimeLine, writeSmf, type SmfFile } from '../smf';
import {
  arrange,
  cleanSmf,
  PRESET_PLANS,
  type ArrangedFile,
  type Arrangement,
  type Cleaned,
  type SequenceProgress,
} from '../to-sequencer';
import type { StudioTimeLine } from '../studio';
import { playedUnits, secondsAtTick, ticksFromUnits, type Ticks, type WrittenUnits } from '../time';
import { controllersIn, type ControllerPair } from './controllers';
import { arrangedReport, midiSummary } from './midi-summary';
import type { MidiOriginal } from './originals';
import { SequenceDesk, timeLineOfMidi, type NoteInView, type PlayedNotes, type SequenceFiles } from './sequence-desk';
import type { SequenceSummary } from './sequence-summary';
import { fileMusic } from './versions';

/** What was made of the file last. */
interface Made {
  cleaned: Cleaned;
  arrangement: Arrangement;
  whole: ArrangedFile;
  settings: JobSettings;
  /** Chunks of the original by those of the result; none where it was set up anew. */
  chunks: readonly number[];
}

export class MidiSequencing extends SequenceDesk {
  private made: Made | null = null;
  private heardOriginal: HearingMusic | null = null;
  private heardOutgoing: { of: Made; music: HearingMusic } | null = null;
  private casting: { by: string; performance: Performance; casting: Casting } | null = null;

  /** @param further how many other originals the job has: they do not go along @throws SmfError for a type 2 file */
  constructor(
    private readonly midi: MidiOriginal,
    private readonly further = 0,
  ) {
    super();
    assertOneTimeLine(midi.reading.file);
  }

  // A file is arranged in one go: there is nothing to wait for between its parts.
  // oxlint-disable-next-line require-yield
  protected *making(settings: JobSettings): Generator<SequenceProgress, SequenceSummary> {
    const { sequencing } = settings;
    const { cleaned, arrangement } = this.prepare(settings);
    const whole = arrange(arrangement, { ...sequencing, files: 'one' })[0]!;
    const files = sequencing.files === 'one' ? [whole] : arrange(arrangement, sequencing);
    this.made = { settings, cleaned, whole, arrangement, chunks: this.chunksOf(arrangement, whole) };
    return midiSummary({
      reading: this.midi.reading,
      arrangement,
      plan: planOf(sequencing),
      cleaning: cleaned.report,
      whole,
      files,
      settings,
      further: this.further,
    });
  }

  protected another(): SequenceDesk {
    return new MidiSequencing(this.midi, this.further);
  }

  files(settings: JobSettings): SequenceFiles {
    const { sequencing } = settings;
    const { cleaned, arrangement } = this.prepare(settings);
    const files = arrange(arrangement, sequencing);
    const read = this.midi.reading.warnings.map((warning) => warning.message);
    return {
      files: files.map(({ label, file }) => ({
        label,
        bytes: writeSmf(file, { runningStatus: sequencing.runningStatus }),
      })),
      report: {
        kind: 'midi',
        warnings: [...read, ...cleaned.report.warnings],
        cleaning: cleaned.report,
        files: files.map(arrangedReport),
      },
    };
  }

  protected writtenPassage(): Passage {
    throw new Error('There is no score on the desk.');
  }

  overlay(): Overlay {
    throw new Error('There is no score on the desk.');
  }

  controllersOf(track: number): ControllerPair[] {
    const before = controllersIn(this.midi.reading.file, track);
    const place = this.made?.chunks.indexOf(track) ?? -1;
    const now = this.made && place >= 0 ? controllersIn(this.made.whole.file, place) : new Map<number, []>();
    return [...new Set([...before.keys(), ...now.keys()])]
      .sort((a, b) => a - b)
      .map((controller) => ({ controller, before: before.get(controller) ?? [], after: now.get(controller) ?? [] }));
  }

  protected override notesBetween(part: PartId, from: WrittenUnits, to: WrittenUnits): PlayedNotes {
    const { arrangement, whole } = this.done();
    const { original, casting } = arrangement;
    const units = (tick: Ticks) => playedUnits(tick, original.ticksPerQuarter);
    const received = casting.parts.find(({ id }) => id === part)?.notes ?? [];
    const inView = ({ start, end }: NoteInView) => start < to && end > from;
    return {
      received: received
        .map(({ start, end, key, velocity }) => ({ start: units(start), end: units(end), key, velocity }))
        .filter(inView),
      outgoing: whole.tracks
        .filter((track) => track.part === part)
        .flatMap(({ notes }) => notes.map(({ start, end, key, velocity }) => ({ start, end, key, velocity })))
        .filter(inView),
    };
  }

  protected outgoingFile(): SmfFile {
    return this.done().whole.file;
  }

  protected studioLine(): StudioTimeLine {
    if (!this.made) return timeLineOfMidi(this.midi.reading.file);
    const { file, numbering } = this.made.whole;
    return timeLineOfMidi(file, [...numbering]);
  }

  protected originalMusic(): HearingMusic {
    return (this.heardOriginal ??= fileMusic(this.midi.reading.file));
  }

  protected deliveredMusic(): HearingMusic {
    const made = this.done();
    if (this.heardOutgoing?.of !== made)
      this.heardOutgoing = { of: made, music: fileMusic(made.whole.file, partsOf(made.whole)) };
    return this.heardOutgoing.music;
  }

  protected original(): SoundingMusic {
    return mergedParts(musicOfPerformance(this.mended()), this.leadOf());
  }

  protected decidedPlaying(): PlayingContext {
    const { settings, arrangement, whole } = this.done();
    const performance = this.mended();
    const { tempo, ticksPerQuarter } = performance;
    const at = (units: WrittenUnits) => secondsAtTick(tempo, ticksFromUnits(units, ticksPerQuarter));
    const edits = Object.values(arrangement.edits).flat();
    const keys = new Map(performance.tracks.flatMap(({ notes }) => notes.map(({ id, key }) => [id, key] as const)));
    const slowest = tempo.events.reduce((most, { microsecondsPerQuarter: each }) => Math.max(most, each / 1000), 0);
    const { division } = whole.file;
    return {
      settings,
      bars: barsOfPerformance(performance).map((bar): OriginalBar => ({
        bar,
        time: 1,
        at: at(bar.start),
        seconds: at(bar.start + bar.length) - at(bar.start),
      })),
      emptyBars: settings.sequencing.arranging.emptyBars,
      leftOut: new Set(arrangement.leftOut.map((chunk) => `t${chunk}`)),
      edits,
      added: edits.flatMap((edit) => {
        if (edit.kind === 'add') return [{ key: edit.key, at: at(edit.start) }];
        const key = edit.kind === 'cut' ? keys.get(edit.note) : undefined;
        return key === undefined || edit.kind !== 'cut' ? [] : [{ key, at: at(edit.at) }];
      }),
      halfTick: division.kind === 'metrical' ? slowest / division.ticksPerQuarter / 2 : 0,
    };
  }

  sounding(): SoundingMusic {
    // Under the chunks they had: those that were left out are missing.
    const { whole, chunks } = this.done();
    const music = musicOfPerformance(performanceFromSmf({ file: whole.file, warnings: [] }));
    const chunkOf = (id: string) => id.replace(/^t(\d+)/, (_, chunk: string) => `t${chunks[Number(chunk)] ?? chunk}`);
    const lead = this.leadOf();
    const merged = mergedParts(music, (id) => lead(chunkOf(id)));
    // Its notes have numbers of their own, which say nothing of the original's.
    const parts = merged.parts.map((part) => ({ ...part, notes: part.notes.map((note) => ({ ...note, played: [] })) }));
    return { ...merged, parts };
  }

  /** The original with the time line that was decided. */
  private mended(): Performance {
    const { settings } = this.done();
    return withTimeLine(performanceFromSmf(this.midi.reading), settings.sequencing.timeLine);
  }

  /** Under which track of the original a track is held against it: what was combined, and what one was divided into, together. */
  private leadOf(): (id: string) => string {
    const { settings } = this.done();
    const gathered = new Map<string, string>(
      Object.entries(settings.gathered).map(([track, lead]) => [track, lead ?? track]),
    );
    return (id) => {
      const own = unsplit(trackId(id));
      return gathered.get(own) ?? own;
    };
  }

  private done(): Made {
    if (!this.made) throw new Error('Nothing has been made of the file yet.');
    return this.made;
  }

  /** Everything that goes into an arrangement. */
  private prepare(settings: JobSettings): { cleaned: Cleaned; arrangement: Arrangement } {
    const { sequencing } = settings;
    const { performance, casting } = this.castFor(settings);
    const { file } = this.midi.reading;
    const how = { plan: planOf(sequencing), tracks: sequencing.carryTracks, neutralVolume: sequencing.neutralVolume };
    const cleaned = cleanSmf(file, { ...how, leftOut: sequencing.leftOutTracks });
    // Chunks are left out at the end, so that they keep their numbers until then.
    const whole = cleaned.kept.length === file.tracks.length ? cleaned : cleanSmf(file, { ...how, leftOut: [] });
    const leftOut = file.tracks.map((_, chunk) => chunk).filter((chunk) => !cleaned.kept.includes(chunk));
    return {
      cleaned,
      arrangement: {
        original: performance,
        cleaned: whole.file,
        casting,
        leftOut,
        edits: editsOf(settings, performance),
      },
    };
  }

  /** Each track is a part of its own, unless somebody gathered tracks or dealt one out. */
  private castFor(settings: JobSettings): { performance: Performance; casting: Casting } {
    const { splits, programSplits, soundSplits, encoding } = settings;
    const own = castingSettings(settings);
    const by = JSON.stringify([splits, programSplits, soundSplits, encoding, own]);
    if (this.casting?.by !== by) {
      const read = performanceFromSmf(this.midi.reading, encoding);
      const performance = splitTracks(read, settings);
      const apart = Object.fromEntries(performance.tracks.map(({ id }) => [id, null]));
      const { output } = cast(performance, { ...own, gathered: { ...apart, ...own.gathered } });
      this.casting = { by, performance, casting: output };
    }
    return this.casting;
  }

  /** Which chunk of the original each track of the result comes from. */
  private chunksOf({ cleaned, leftOut }: Arrangement, { file, tracks, asReceived }: ArrangedFile): number[] {
    const kept = cleaned.tracks.map((_, chunk) => chunk).filter((chunk) => !leftOut.includes(chunk));
    if (asReceived) return kept;
    const first = file.tracks.length - tracks.length;
    return [...Array.from({ length: first }, (_, i) => kept[i] ?? i), ...tracks.map(({ chunk }) => chunk)];
  }
}

/**
 * Changes by hand to notes of this file; a job may have further originals. Where the page has another time than the file
 * (beats that were found, the times of another version), only those that say nothing of time are the file's too.
 */
function editsOf({ edits, freeTime, timeFrom }: JobSettings, { tracks }: Performance): Arrangement['edits'] {
  const notes = new Set(tracks.flatMap((track) => track.notes.map(({ id }) => id)));
  const ids = new Set(tracks.map(({ id }) => id));
  const otherTime = Boolean(freeTime) || Boolean(timeFrom);
  const goesAlong = (part: PartId, edit: NoteEdit) => {
    if (otherTime) return notes.has(edit.note) && (edit.kind === 'shift' || edit.kind === 'remove');
    return edit.kind === 'add' ? ids.has(leadingTrack(part)) : notes.has(edit.note) || edit.note >= FIRST_ADDED;
  };
  return Object.fromEntries(
    Object.entries(edits).map(([part, own]) => [part, own.filter((edit) => goesAlong(partId(part), edit))]),
  );
}

function planOf(settings: DirectionB): CleaningPlan {
  return { ...PRESET_PLANS[settings.preset], ...settings.carry };
}

/** Whose notes each track chunk of what goes out has, where it was set up anew. */
function partsOf({ file, tracks, asReceived }: ArrangedFile): (chunk: number) => PartId | null {
  const first = file.tracks.length - tracks.length;
  if (file.format === 0 || asReceived) return () => null;
  return (chunk) => tracks[chunk - first]?.part ?? null;
}
