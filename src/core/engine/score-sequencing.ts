/* A score on its way to a sequencer. */
import { Memo, partId, toEnd, type PartId } from '../base';
import type { MusicXmlReading } from '../musicxml';
import { musicOfSequence, overlayOf, sequencePassage, type Overlay, type Passage, type SoundingMusic } from '../proof';
import type { HearingMusic } from '../hearing';
import type { Score } from '../score';
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
  type SequenceProgress,
} from '../to-sequencer';
import type { StudioTimeLine } from '../studio';
import { barIndexAt } from '../time';
import { SequenceDesk, type SequenceFiles } from './sequence-desk';
import { scoreSummary, type SequenceSummary } from './sequence-summary';
import { timeLineOfSequence } from './studio';
import { sequencedMusic, writtenMusic } from './versions';

export class ScoreSequencing extends SequenceDesk {
  /** The score played as one whole, whatever is exported in the end. */
  private whole: SequencedFile | null = null;
  private prepared: { by: string; score: Score } | null = null;
  /** Of the runs with this score. */
  private memo = new Memo();
  private heardOriginal: HearingMusic | null = null;
  private heardOutgoing: { of: SequencedFile; music: HearingMusic } | null = null;

  constructor(private readonly reading: MusicXmlReading) {
    super();
  }

  *steps(settings: JobSettings): Generator<SequenceProgress, SequenceSummary> {
    const score = this.scoreFor(settings);
    const { sequencing } = settings;
    const [whole] = yield* sequenceScore(score, { ...sequencing, files: 'one' }, this.memo);
    const files = sequencing.files === 'one' ? [whole!] : yield* sequenceScore(score, sequencing, this.memo);
    this.whole = whole!;
    return scoreSummary({ ...this.reading, score }, whole!, files, sequencing);
  }

  files(settings: JobSettings): SequenceFiles {
    const { sequencing } = settings;
    const files = toSequencer(this.scoreFor(settings), sequencing);
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

  passage(parts: PartId[], from: number, to: number): Passage {
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
    const { score } = this.reading;
    return musicOfSequence(score, toSequencer(score, USUAL_SEQUENCING)[0]!);
  }

  protected outgoing(): SoundingMusic {
    const { score, whole } = this.sequenced();
    return musicOfSequence(score, whole);
  }

  private sequenced() {
    if (!this.prepared || !this.whole) throw new Error('There is no score on the desk.');
    return { score: this.prepared.score, whole: this.whole };
  }

  /**
   * The score with everything that was decided about it on the way to a score too: its time line mended, its parts cast,
   * its notes edited. The same object as long as nothing more is.
   */
  private scoreFor({ sequencing, ...conversion }: JobSettings): Score {
    const by = JSON.stringify([sequencing.timeLine, conversion]);
    if (this.prepared?.by !== by) {
      const mended = mendedScore(this.reading.score, sequencing.timeLine);
      this.prepared = { by, score: concernsScore(conversion) ? asDecided(mended, conversion) : mended };
      this.memo = new Memo();
    }
    return this.prepared.score;
  }
}

/** Something was decided that changes what is written; the time line is mended by itself. */
function concernsScore({ timeLine: _timeLine, ...decided }: ConversionSettings): boolean {
  const { timeLine: _none, ...nothing } = NO_SETTINGS;
  return JSON.stringify(decided) !== JSON.stringify(nothing);
}

/** As it would be written, under the ids that the file gives its parts. */
function asDecided(score: Score, settings: ConversionSettings): Score {
  const { score: received, performance } = playedScore(score);
  const { printed } = toEnd(convert(performance, { ...settings, timeLine: [] }, new Memo(), received));
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
