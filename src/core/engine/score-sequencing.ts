/* A score on its way to a sequencer. */
import { withTimeOf } from '../beats';
import { Memo, partId, partOf, toEnd, trackId, type PartId } from '../base';
import type { MusicXmlReading } from '../musicxml';
import {
  mergedParts,
  musicOfSequence,
  overlayOf,
  sequencePassage,
  type OriginalBar,
  type Overlay,
  type Passage,
  type PlayingContext,
  type SoundingMusic,
} from '../proof';
import type { HearingMusic } from '../hearing';
import type { Performance } from '../performance';
import type { Query } from '../queries';
import type { Score, TempoMark } from '../score';
import { NO_SETTINGS, USUAL_SEQUENCING, type ConversionSettings, type JobSettings } from '../settings';
import { writeSmf, type SmfFile } from '../smf';
import { convert } from '../to-score';
import {
  clockOf,
  mendedScore,
  playedScore,
  sequenceScore,
  toSequencer,
  type SequencedFile,
  type Strengths,
  type SequenceProgress,
} from '../to-sequencer';
import type { StudioTimeLine } from '../studio';
import { barIndexAt, bpmFromMicroseconds, writtenUnits } from '../time';
import { SequenceDesk, type SequenceFiles } from './sequence-desk';
import { scoreSummary, type SequenceSummary } from './sequence-summary';
import { timeLineOfSequence } from './studio';
import { measuredAgainst, timedInNumbers, versionDoubts, type TimedInNumbers } from './version-doubts';
import { sequencedMusic, writtenMusic } from './versions';

/** A score, and what was taken of its playing. */
interface Played {
  score: Score;
  strengths: Strengths | null;
  timed: TimedInNumbers | null;
  queries: Query[];
}

export class ScoreSequencing extends SequenceDesk {
  /** The score played as one whole, whatever is exported in the end. */
  private whole: SequencedFile | null = null;
  private settings: JobSettings | null = null;
  private prepared: ({ by: string } & Played) | null = null;
  /** Of the runs with this score. */
  private memo = new Memo();
  private heardOriginal: HearingMusic | null = null;
  private heardOutgoing: { of: SequencedFile; music: HearingMusic } | null = null;

  /** @param playing the same music as it was played, and which original that is; its tempo and strengths are taken */
  constructor(
    private readonly reading: MusicXmlReading,
    private readonly playing: { performance: Performance; original: number } | null = null,
  ) {
    super();
  }

  protected *making(settings: JobSettings): Generator<SequenceProgress, SequenceSummary> {
    const { score, strengths, queries, timed } = this.scoreFor(settings);
    const { sequencing } = settings;
    const [whole] = yield* sequenceScore(score, { ...sequencing, files: 'one' }, this.memo, strengths);
    const files = sequencing.files === 'one' ? [whole!] : yield* sequenceScore(score, sequencing, this.memo, strengths);
    this.whole = whole!;
    this.settings = settings;
    const handIds = settings.folds.length === 0 ? handIdsOf(this.reading.score) : new Map<PartId, PartId>();
    const measured = timed && measuredAgainst(timed, this.playing?.performance, musicOfSequence(score, whole!));
    return {
      ...scoreSummary({ ...this.reading, score }, whole!, files, sequencing, queries, handIds),
      timed: measured,
    };
  }

  protected another(): SequenceDesk {
    return new ScoreSequencing(this.reading, this.playing);
  }

  files(settings: JobSettings): SequenceFiles {
    const { sequencing } = settings;
    const { score, strengths } = this.scoreFor(settings);
    const files = toSequencer(score, sequencing, strengths);
    return {
      files: files.map(({ label, file }) => ({
        label,
        bytes: writeSmf(file, { runningStatus: sequencing.runningStatus }),
      })),
      report: {
        kind: 'score',
        warnings: this.reading.warnings.map((warning) => warning.message),
        files: files.map((file) => file.report),
      },
    };
  }

  protected writtenPassage(parts: PartId[], from: number, to: number): Passage {
    const { score, whole } = this.sequenced();
    return sequencePassage(score, whole, parts, from, to);
  }

  overlay(): Overlay {
    const { score, whole } = this.sequenced();
    const clock = clockOf(whole);
    const begins = new Map<number, number>();
    for (const { bar, start } of whole.line.bars) if (!begins.has(bar)) begins.set(bar, start);
    const starts = score.bars.map((bar) => bar.start);
    const placed = (written: number) => {
      const bar = barIndexAt(starts, written);
      return (begins.get(bar) ?? starts[bar]!) + written - starts[bar]!;
    };
    const outgoing = new Map<string, number>();
    for (const { part, notes } of whole.tracks)
      for (const { sound, start } of notes) {
        const slot = `${part}/${sound.written}/${sound.key}`;
        if (!outgoing.has(slot)) outgoing.set(slot, start);
      }
    return overlayOf({
      score,
      writtenAt: (place) => clock(placed(place)),
      playedAt: (part, { start, key }) => {
        const at = outgoing.get(`${part}/${start}/${key}`);
        return at === undefined ? null : clock(at);
      },
    });
  }

  controllersOf(): [] {
    return [];
  }

  protected outgoingFile(): SmfFile {
    return this.sequenced().whole.file;
  }

  protected studioLine(): StudioTimeLine {
    const { score, whole } = this.sequenced();
    return timeLineOfSequence(score, whole);
  }

  protected originalMusic(): HearingMusic {
    return (this.heardOriginal ??= writtenMusic(this.reading.score));
  }

  protected deliveredMusic(): HearingMusic {
    const { score, whole } = this.sequenced();
    if (this.heardOutgoing?.of !== whole) this.heardOutgoing = { of: whole, music: sequencedMusic(score, whole) };
    return this.heardOutgoing.music;
  }

  protected original(): SoundingMusic {
    const { score } = this.plain();
    const music = musicOfSequence(score, toSequencer(score, USUAL_SEQUENCING)[0]!);
    return mergedParts(music, this.leadOf());
  }

  protected decidedPlaying(): PlayingContext {
    const { settings } = this.sequenced();
    const { score } = this.plain();
    const { line, tempos } = toSequencer(score, USUAL_SEQUENCING)[0]!;
    const clock = clockOf({ tempos });
    const slowest = tempos.reduce((most, { bpm }) => Math.max(most, 60_000 / bpm), 500);
    return {
      settings,
      bars: line.bars.map(({ bar, start, length, time }): OriginalBar => ({
        bar: score.bars[bar]!,
        time,
        at: clock(start),
        seconds: clock(start + length) - clock(start),
      })),
      emptyBars: 0,
      leftOut: new Set(score.parts.filter((_, p) => settings.leftOut[trackId(`t${p}`)]).map(({ id }) => id)),
      edits: Object.values(settings.edits).flat(),
      added: [],
      halfTick: slowest / settings.sequencing.ticksPerQuarter / 2,
    };
  }

  /** As it was read, with the tempo and the time line that were decided; its notes as decisions name them. */
  private plain(): { score: Score } {
    const { settings, score: decided } = this.sequenced();
    const { score } = this.reading;
    const named = playedScore(score).score;
    const parts = named.parts.map((part, p) => ({ ...part, id: score.parts[p]!.id }));
    const mended = mendedScore({ ...named, parts }, settings.sequencing.timeLine);
    return { score: this.playing ? { ...mended, tempos: decided.tempos } : mended };
  }

  /** Under which part of the original a part is held against it: players of one, and what was combined, together. */
  private leadOf(): (id: string) => string {
    const { settings } = this.sequenced();
    const ids = this.reading.score.parts.map(({ id }) => id as string);
    const gathered = new Map<string, string>();
    for (const [track, lead] of Object.entries(settings.gathered)) {
      const [own, first] = [track, lead ?? track].map((id) => ids[Number(id.slice(1))]);
      if (own !== undefined && first !== undefined) gathered.set(own, first);
    }
    return (id) => {
      const own = ids.includes(id) ? id : id.replace(/p\d+$/, '');
      return gathered.get(own) ?? own;
    };
  }

  sounding(): SoundingMusic {
    const { score, whole } = this.sequenced();
    return mergedParts(musicOfSequence(score, whole), this.leadOf());
  }

  private sequenced() {
    if (!this.prepared || !this.whole || !this.settings) throw new Error('There is no score on the desk.');
    return { score: this.prepared.score, whole: this.whole, settings: this.settings };
  }

  /**
   * The score with everything that was decided about it on the way to a score too: its time line mended, its parts cast,
   * its notes edited. The same object as long as nothing more is.
   */
  private scoreFor({ sequencing, ...conversion }: JobSettings) {
    const by = JSON.stringify([sequencing.timeLine, conversion]);
    if (this.prepared?.by !== by) {
      const { score, ...played } = this.withPlaying(conversion.timeFrom);
      const mended = mendedScore(score, sequencing.timeLine);
      this.prepared = { by, score: asDecided(mended, conversion), ...played };
      this.memo = new Memo();
    }
    return this.prepared;
  }

  /** The score with the tempo it was played in, and how strong its notes were played. */
  private withPlaying(from: number | null): Played {
    const { score } = this.reading;
    if (!this.playing || (from !== null && from !== this.playing.original))
      return { score, strengths: null, timed: null, queries: [] };
    const { original } = this.playing;
    const named = playedScore(score);
    const versions = withTimeOf(named.performance, this.playing.performance);
    const performance = versions?.performance ?? named.performance;
    const queries = versionDoubts({ timed: { original, versions }, performance }, score.bars);
    const timed = timedInNumbers({ original, versions });
    if (!versions) return { score, strengths: null, timed, queries };
    const strengths = new Map(
      performance.tracks.flatMap(({ notes }) => notes.map(({ id, velocity }) => [id, velocity])),
    );
    const ids = new Map(named.score.parts.map(({ id }, p) => [id, score.parts[p]!.id]));
    const parts = named.score.parts.map((part) => ({ ...part, id: ids.get(part.id)! }));
    return { score: { ...score, parts, tempos: playedMarks(score, performance) }, strengths, timed, queries };
  }
}

/** The tempo as it was played; what the score says of it in words, or prints, stays. */
function playedMarks({ tempos }: Score, { tempo }: Performance): TempoMark[] {
  const played = tempo.events.map(({ tick, microsecondsPerQuarter }): TempoMark => ({
    at: writtenUnits(tick, tempo.ticksPerQuarter),
    bpm: bpmFromMicroseconds(microsecondsPerQuarter),
    shown: false,
  }));
  const bpmAt = (at: number) => played.findLast((mark) => mark.at <= at)?.bpm ?? played[0]!.bpm;
  const said = tempos
    .filter(({ shown, words }) => shown || words)
    .map((mark) => ({ ...mark, printed: mark.bpm, bpm: bpmAt(mark.at) }));
  const places = new Set(said.map(({ at }) => at));
  return [...said, ...played.filter(({ at }) => !places.has(at))].sort((a, b) => a.at - b.at);
}

/** Under which ids the parts of the file are when it is on its way to a score: decisions about their notes name those. */
function handIdsOf({ parts }: Score): ReadonlyMap<PartId, PartId> {
  return new Map(parts.map(({ id }, p) => [id, partOf(trackId(`t${p}`))]));
}

/** Something was decided that changes what is written; the time line is mended by itself. */
function concernsScore({ timeLine: _timeLine, ...decided }: ConversionSettings): boolean {
  const { timeLine: _none, ...nothing } = NO_SETTINGS;
  return JSON.stringify(decided) !== JSON.stringify(nothing);
}

/** As it would be written, under the ids that the file gives its parts; its notes know which played notes they are. */
function asDecided(score: Score, settings: ConversionSettings): Score {
  const { score: received, performance } = playedScore(score);
  const printed = concernsScore(settings)
    ? toEnd(convert(performance, { ...settings, timeLine: [] }, new Memo(), received)).printed
    : received;
  const ids = new Map(received.parts.map(({ id }, p) => [id as string, score.parts[p]!.id]));
  const idOf = (id: PartId): PartId => {
    const own = ids.get(id);
    if (own) return own;
    // A further player of a part that was dealt out.
    const [, lead, player] = /^(.*?)(p\d+)$/.exec(id) ?? [];
    return lead !== undefined && ids.has(lead) ? partId(`${ids.get(lead)!}${player}`) : id;
  };
  return { ...printed, parts: printed.parts.map((part) => ({ ...part, id: idOf(part.id) })) };
}
