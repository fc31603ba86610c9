/* A job on the way to a score. */
import type { Language } from '../instruments';
import { say } from '../words';
import { onsetsOf, type Following } from '../beats';
import { leadingTrack, toEnd, type NoteId, type PartId, type TrackId } from '../base';
import { writeMei } from '../mei';
import {
  barsOfPerformance,
  fileFacts,
  surveyPerformance,
  trackDetail,
  type Performance,
  type TrackDetail,
  titleFromFile,
} from '../performance';
import {
  agreementOf,
  changesBetween,
  decisionsBehind,
  originalOf,
  overlayOf,
  passageOf,
  reasonsFor,
  type Agreement,
  type Changes,
  type Overlay,
  type Passage,
  type Reason,
  type SoundingMusic,
} from '../proof';
import { concertScore, withMarksOut, type MarksOut, type Score } from '../score';
import { NO_SETTINGS, type ConversionSettings, type Deal, type ExtractSettings } from '../settings';
import type { HearingMusic } from '../hearing';
import type { StudioTimeLine } from '../studio';
import { secondsAtTick, ticksFromUnits, writtenUnits, type Seconds } from '../time';
import { convert, Memo, type Conversion, type Progress } from '../to-score';
import { EXTRACTS, extractOf } from '../extracts';
import { Desk, type Version } from './desk';
import { soundingScore } from './sounding-file';
import { previewDeal, type DealPreview } from './deal-preview';
import { readOriginals, type Originals } from './originals';
import { preparedBy, prepareOriginals, type Prepared as Timed } from './prepare';
import { measuredAgainst, timedInNumbers, versionDoubts } from './version-doubts';
import {
  exportScore,
  partAlone,
  type CameFrom,
  type Received,
  type ScoreExport,
  type ScoreFormat,
} from './score-formats';
import { summarise, type Opened, type Summary } from './score-summary';
import { summariseTimeLine, timeLineOfScore, type TimeLineSummary } from './studio';
import { readingInWords } from './notes-read';
import { exportedMusic, receivedMusic, writtenMusic, type HearingVersion } from './versions';

/** The originals as the ledger has them joined and split. */
interface Prepared {
  by: string;
  performance: Performance;
  /** The score it was made of. */
  received: Score | null;
  /** What was found in free playing. */
  following: Following | null;
  timed: Timed['timed'];
  opened: Opened;
  /** Of the conversions of this performance. */
  memo: Memo;
}

/** A conversion and what it was made of. */
interface Converted {
  conversion: Conversion;
  prepared: Prepared;
}

export class ScoreDesk extends Desk<Summary> {
  protected readonly clockVersion = 'received';
  private prepared: Prepared;
  private conversion: Conversion | null = null;
  /** What it was before the last change, for comparing; what it would be after a decision that is tried out. */
  private before: Converted | null = null;
  private tried: Converted | null = null;

  /** Notes that people changed one by one. */
  private byHand: ReadonlySet<NoteId> = new Set();
  private grids: ConversionSettings['grids'] = {};

  /** What was made out of this conversion for one player. */
  private extracted: { of: Conversion; scores: Map<PartId, Score> } | null = null;
  private extracts: ExtractSettings = NO_SETTINGS.extracts;
  private language: Language = NO_SETTINGS.language;

  /** What was heard of this conversion. */
  private heard: { of: Conversion; music: Map<HearingVersion, HearingMusic> } | null = null;

  private constructor(
    private readonly originals: Originals,
    settings: ConversionSettings,
    /** Title where nothing in the music says one. */
    private readonly named: string,
  ) {
    super();
    this.prepared = prepare(originals, settings, named);
  }

  /**
   * @param fileName of the first original: its title where nothing in the music says one
   * @throws SmfError or MusicXmlError when one of the files can be neither read as MIDI nor as a score
   */
  static open(files: readonly Uint8Array[], settings: ConversionSettings, fileName = ''): ScoreDesk {
    return new ScoreDesk(readOriginals(files), settings, titleFromFile(fileName));
  }

  get opened(): Opened {
    return this.prepared.opened;
  }

  /** The music as it was played. */
  get performance(): Performance {
    return this.prepared.performance;
  }

  get composer(): string {
    return this.converted().score.composer;
  }

  /** Bars as they are printed: those that are folded into repeats count once. */
  get printedBars(): number {
    return this.converted().printed.bars.length;
  }

  *steps(settings: ConversionSettings): Generator<Progress, Summary> {
    yield* this.converting(settings);
    return this.summary();
  }

  private *converting(settings: ConversionSettings): Generator<Progress, Conversion> {
    const made = yield* this.making(settings);
    this.before = this.conversion && { conversion: this.conversion, prepared: this.prepared };
    this.tried = null;
    this.prepared = made.prepared;
    this.conversion = made.conversion;
    this.extracts = settings.extracts;
    this.language = settings.language;
    this.grids = settings.grids;
    this.byHand = new Set(Object.values(settings.edits).flatMap((edits) => edits.map(({ note }) => note)));
    return made.conversion;
  }

  *trying(settings: ConversionSettings): Generator<Progress, Changes> {
    const before = this.converted();
    this.tried = null;
    const made = yield* this.making(settings);
    this.tried = made;
    return changesBetween(before, made.conversion);
  }

  private *making(settings: ConversionSettings): Generator<Progress, Converted> {
    const prepared =
      this.prepared.by === preparedBy(settings) ? this.prepared : prepare(this.originals, settings, this.named);
    const { performance, memo, received } = prepared;
    const conversion = yield* convert(performance, settings, memo, received);
    const asked = versionDoubts(prepared, conversion.score.bars);
    const queries = asked.length > 0 ? [...asked, ...conversion.queries] : conversion.queries;
    return { conversion: { ...conversion, queries }, prepared };
  }

  /** Converts to the end, with all its notes. */
  convert(settings: ConversionSettings): Conversion {
    return toEnd(this.converting(settings));
  }

  /** The last conversion without its notes. */
  summary(): Summary {
    const { performance, opened, timed } = this.prepared;
    const away = () => measuredAgainst(opened.timed, timed?.playing, this.sounding());
    const now = timed ? { ...opened, timed: away() } : opened;
    const made = summarise(this.converted(), performance, now);
    const read = this.originals.notesRead();
    if (!read) return made;
    // Notes are compared, and nothing else of a score.
    return {
      ...made,
      audit: [readingInWords(read), made.audit, say('engine.markingsAreNotCompared')].filter(Boolean).join(' '),
    };
  }

  /** Notes and controllers of one track, for looking at. @throws Error when there is no such track */
  track(id: TrackId): TrackDetail {
    const { performance } = this.prepared;
    const track = performance.tracks.find((candidate) => candidate.id === id);
    if (!track) throw new Error(`There is no track ${id}.`);
    return trackDetail(track, performance);
  }

  /** @param deal none for what the engine proposes */
  previewDeal(track: TrackId, deal: Deal | null): DealPreview {
    return previewDeal(this.converted().casting, this.prepared.performance, track, deal);
  }

  /** Parts and bars that are not there are left away. */
  passage(parts: PartId[], from: number, to: number, which: Version = 'now', suggestionColour?: string): Passage {
    const now: Converted = { conversion: this.converted(), prepared: this.prepared };
    const { conversion, prepared } = { now, before: this.before ?? now, tried: this.tried ?? now }[which];
    const { parts: there, bars } = conversion.score;
    const known = parts.filter((id) => there.some((part) => part.id === id));
    return passageOf(
      conversion,
      prepared.performance,
      known.length > 0 ? known : [there[0]!.id],
      Math.min(from, bars.length - 1),
      Math.min(to, bars.length),
      suggestionColour,
    );
  }

  /** Why a note is written as it is. */
  reasons(part: PartId, note: NoteId): Reason[] {
    return reasonsFor(this.converted(), part, note);
  }

  /**
   * MEI for looking at and printing.
   *
   * @param part one part alone, with rests over several bars; null for all
   * @param concert at sounding pitch
   */
  sheet(part: PartId | null, concert: boolean, marks: MarksOut = 'taken'): string {
    const chosen = withMarksOut(part === null ? this.converted().printed : this.alone(part), marks);
    return writeMei(concert ? concertScore(chosen) : chosen, { multiRests: part !== null });
  }

  protected original(): SoundingMusic {
    const { performance, received } = this.prepared;
    // A score in the time of somebody's playing is held against that.
    const asWritten = received !== null && !performance.meant;
    return asWritten ? soundingScore(received) : originalOf(this.converted(), performance);
  }

  protected ownAgreement(): Agreement {
    const conversion = this.converted();
    return agreementOf(this.original(), this.sounding(), {
      oneJob: true,
      explain: decisionsBehind(conversion, this.prepared.performance, { byHand: this.byHand, grids: this.grids }),
    });
  }

  sounding(): SoundingMusic {
    return soundingScore(this.converted().printed);
  }

  soundingBy(settings: ConversionSettings): SoundingMusic {
    return soundingScore(toEnd(this.making(settings)).conversion.printed);
  }

  protected heardMusic(version: HearingVersion): HearingMusic {
    const conversion = this.converted();
    if (this.heard?.of !== conversion) this.heard = { of: conversion, music: new Map() };
    const { music } = this.heard;
    const known = music.get(version) ?? this.musicOf(version, conversion);
    music.set(version, known);
    return known;
  }

  private musicOf(version: HearingVersion, conversion: Conversion): HearingMusic {
    if (version === 'received') return receivedMusic(conversion, this.prepared.performance);
    return version === 'written' ? writtenMusic(conversion.score) : exportedMusic(conversion);
  }

  timeLine(): TimeLineSummary {
    const { performance } = this.prepared;
    const onsets = performance.tracks.flatMap(({ notes }) =>
      notes.map(({ start }) => writtenUnits(start, performance.ticksPerQuarter)),
    );
    return { ...summariseTimeLine(this.studioLine(), onsets), following: this.prepared.following };
  }

  /** What is struck together, in seconds of the recording: what beats are found in. */
  onsets(): { at: Seconds; accent: number }[] {
    const { performance, following } = this.prepared;
    const silence = following?.silence ?? 0;
    return onsetsOf(performance).map(({ at, accent }) => ({ at: at + silence, accent }));
  }

  protected comparedPerformance(): Performance {
    return this.prepared.performance;
  }

  protected studioLine(): StudioTimeLine {
    const { score } = this.converted();
    const line = timeLineOfScore(this.prepared.performance, score.bars);
    // The keys that are printed are those the engine heard.
    const keys = score.keys.map(({ bar, fifths, mode }) => ({ at: score.bars[bar]!.start, fifths, mode }));
    return { ...line, title: score.title, keys };
  }

  overlay(): Overlay {
    const { score } = this.converted();
    const { tempo, ticksPerQuarter, tracks } = this.prepared.performance;
    const starts = new Map(tracks.flatMap(({ notes }) => notes.map((note) => [note.id, note.start] as const)));
    return overlayOf({
      score,
      writtenAt: (place) => secondsAtTick(tempo, ticksFromUnits(place, ticksPerQuarter)),
      playedAt: (_, { played }) => {
        const ticks = played.flatMap((id) => starts.get(id) ?? []);
        return ticks.length > 0 ? secondsAtTick(tempo, Math.min(...ticks)) : null;
      },
    });
  }

  export(format: ScoreFormat, how: ScoreExport = {}): Uint8Array {
    const score = how.part === undefined ? this.converted().printed : this.alone(how.part);
    return exportScore(score, format, how, this.received());
  }

  /** The files of the score this job was made of, and which of their parts each part is; null for music that was played in. */
  cameFrom(part?: PartId): CameFrom | null {
    const partOf = this.partOfReceived();
    if (!partOf) return null;
    const parts = part === undefined ? this.converted().printed.parts.map(({ id }) => id) : [part];
    return { files: this.originals.scoreFiles, partOf: parts.map(partOf) };
  }

  private received(): Received | null {
    const partOf = this.partOfReceived();
    const source = partOf && this.originals.source();
    return partOf && source ? { source, partOf } : null;
  }

  private partOfReceived(): Received['partOf'] | null {
    const { received } = this.prepared;
    if (!received) return null;
    const cast = new Map(this.converted().casting.parts.map((part) => [part.id, part]));
    return (id) => {
      const part = cast.get(id);
      const own = part && part.tracks.length === 1 && !part.player;
      const index = own ? received.parts.findIndex((one) => leadingTrack(one.id) === part.tracks[0]) : -1;
      return index < 0 ? null : index;
    };
  }

  /** One part, or an extract, as a score of its own. @throws ExtractError where there is nothing to make it of */
  private alone(part: PartId): Score {
    const conversion = this.converted();
    const extract = EXTRACTS.find(({ id }) => id === part);
    if (!extract) return partAlone(conversion.printed, part);
    if (this.extracted?.of !== conversion) this.extracted = { of: conversion, scores: new Map() };
    const { scores } = this.extracted;
    const made = scores.get(part) ?? extractOf(conversion.printed, extract, this.extracts, this.language);
    scores.set(part, made);
    return made;
  }

  private converted(): Conversion {
    if (!this.conversion) throw new Error('The job has not been converted yet.');
    return this.conversion;
  }
}

function prepare(originals: Originals, settings: ConversionSettings, named: string): Prepared {
  const { performance: untitled, received, following, timed } = prepareOriginals(originals, settings);
  const performance = untitled.title === '' && named !== '' ? { ...untitled, title: named } : untitled;
  const bars = barsOfPerformance(performance);
  return {
    by: preparedBy(settings),
    performance,
    received,
    following,
    timed,
    memo: new Memo(),
    opened: {
      survey: surveyPerformance(performance, bars),
      timed: timedInNumbers(timed),
      facts: fileFacts(originals.score ? null : originals.midi[0]!.reading.file, performance, bars, originals.size),
    },
  };
}
