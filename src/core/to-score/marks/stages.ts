/* The stages that put marks, words and octave lines on a part. */
import type { CastPart } from '../../casting';
import type { PlayedTrack } from '../../performance';
import type { Part } from '../../score';
import type { MarkEdit, MarkRule } from '../../settings';
import {
  barIndexAt,
  playedUnits,
  secondsAtTick,
  tickAtSeconds,
  ticksFromUnits,
  type Bar,
  type Seconds,
  type TempoMap,
  type WrittenUnits,
} from '../../time';
import type { StaffNotes } from '../layout/staff-notes';
import { octaveLines } from '../notation/octave-lines';
import { textsOf, withTexts, type PartTexts } from '../notation/texts';
import { stage } from '../../base/stage';
import { findBreaths, type Breath } from './breaths';
import { findMarks, type FoundMarks } from './find-marks';
import { loudestValues, type LoudestValues } from './loudness';
import { markPart } from './mark-part';
import { playedPart, type PlayedPart } from './marked-part';

/** Strikes and controllers of a part on its written time line. */
export const played = stage(
  'played',
  ({
    part,
    staves,
    tracks,
    lead,
    tempo,
  }: {
    part: CastPart;
    staves: readonly StaffNotes[];
    tracks: readonly PlayedTrack[];
    /** Taken out of its controllers. */
    lead: Seconds;
    tempo: TempoMap;
  }): PlayedPart =>
    playedPart(
      part.instrument,
      staves,
      tracks.flatMap(({ controllers }) => controllers),
      (tick) =>
        playedUnits(lead === 0 ? tick : tickAtSeconds(tempo, secondsAtTick(tempo, tick) + lead), tempo.ticksPerQuarter),
    ),
);

/** Silences of the whole score. */
export const breaths = stage('breaths', ({ parts }: { parts: readonly PlayedPart[] }) => findBreaths(parts));

/** What the controllers of the whole ensemble reach. */
export const loudest = stage('loudest', ({ parts }: { parts: readonly PlayedPart[] }) => loudestValues(parts));

export const found = stage(
  'marks',
  ({
    part,
    rules,
    bars,
    breaths: silences,
    loudest,
    tempo,
  }: {
    part: PlayedPart;
    rules: readonly MarkRule[];
    bars: readonly Bar[];
    breaths: readonly Breath[];
    loudest: LoudestValues;
    tempo: TempoMap;
  }): FoundMarks => {
    const starts = bars.map((bar) => bar.start);
    const secondsAt = (units: WrittenUnits) => secondsAtTick(tempo, ticksFromUnits(units, tempo.ticksPerQuarter));
    const last = bars.at(-1)!;
    return findMarks(part, rules, {
      barOf: (at) => barIndexAt(starts, at),
      secondsBetween: (from, to) => secondsAt(to) - secondsAt(from),
      end: last.start + last.length,
      breaths: silences,
      loudest,
    });
  },
);

/** Lyrics and words of a part's tracks. */
export const texts = stage(
  'texts',
  ({ tracks, ticksPerQuarter }: { tracks: readonly PlayedTrack[]; ticksPerQuarter: number }) =>
    textsOf(tracks, ticksPerQuarter),
);

/** A part with its marks, its words and, where it reads them, octave lines. */
export const marked = stage(
  'marked',
  ({
    part,
    written,
    found: marks,
    texts: words,
    edits,
    plainOctaves,
    ownLines,
    bars,
  }: {
    part: CastPart;
    written: Part;
    found: FoundMarks;
    texts: PartTexts;
    edits: readonly MarkEdit[];
    plainOctaves: true | undefined;
    /** Its octave lines are those it came with. */
    ownLines: boolean;
    bars: readonly Bar[];
  }): Part => {
    const all = withTexts(markPart(written, marks, edits, bars), words);
    const found = () => (ownLines ? marks.lines.octaveLines : part.instrument.octaveLines && octaveLines(all, bars));
    return { ...all, lines: { ...all.lines, octaveLines: (!plainOctaves && found()) || [] } };
  },
);
