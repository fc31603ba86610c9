import type { PartId, TrackId } from '../base';
import type { Casting } from '../casting';
import type { Query } from '../queries';
import type { Fold, Score } from '../score';
import type { Seconds, WrittenUnits } from '../time';
import type { Audit } from './doubts/audit';
import type { Doubling } from './layout/doubled-lines';
import type { DurationReport } from './layout/durations';
import type { PartDrums } from './layout/part-drums';
import type { StaffNotes } from './layout/staff-notes';
import type { MarkReport } from './marks';
import type { BarKey } from './pitch/keys';
import type { BeatLine } from './timing/beats';
import type { Lead } from './timing/leads';
import type { OrnamentReport } from './timing/ornaments';
import type { Swing } from './timing/swing';

export interface Progress {
  stage: 'casting' | 'lead' | 'grid' | 'voices' | 'spelling' | 'assembling';
  /** 0–1 over the whole work. */
  done: number;
}

/** What the engine decided for one part, with its reasons. */
export interface PartReport extends DurationReport, OrnamentReport {
  part: PartId;
  jitter: Seconds;
  /** The file has this part exactly on its grid. */
  exact: boolean;
  smallest: WrittenUnits;
  tupletBeats: number;
  leads: Record<TrackId, Lead>;
  /** Division of each beat, by the beats of `beatStarts`. */
  divisions: number[];
  marks: MarkReport;
  /** Chords of a fretted part that cannot be held. */
  impossibleChords: number;
}

export interface Conversion {
  /** Written out: every bar that was played. */
  score: Score;
  /** As it goes out: with the repeat signs that were decided. */
  printed: Score;
  /** Stretches that could be written once. */
  repeats: Fold[];
  casting: Casting;
  queries: Query[];
  reports: PartReport[];
  line: BeatLine;
  swing: Swing;
  barKeys: BarKey[];
  /** The written score held against what was played. */
  audit: Audit;
  /** The notes of each part as the stages left them, in order of `casting.parts`. */
  staves: StaffNotes[][];
  /** How its percussion is read. */
  drums: PartDrums[];
  /** Parts that play the same. */
  doublings: Doubling[];
}
