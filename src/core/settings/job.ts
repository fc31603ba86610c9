import { AS_RECEIVED, type Arranging } from './arranging';
import type { CleaningPlan } from './cleaning';
import { NO_SETTINGS, type ConversionSettings } from './conversion';
import type { TimeLineEdit } from '../performance';
import { USUAL_SEQUENCING, type SequencerSettings } from './sequencing';

/** Everything that is decided about direction B: how a score is played, and what of a MIDI file is kept. */
export interface DirectionB extends SequencerSettings {
  /** Over the preset's plan, for the file and by track chunk. */
  carry: Partial<CleaningPlan>;
  carryTracks: Readonly<Record<number, Partial<CleaningPlan>>>;
  leftOutTracks: readonly number[];
  /** How the tracks of a MIDI file are set up. */
  arranging: Arranging;
  /** What was mended on the time line of a score, in order. */
  timeLine: readonly TimeLineEdit[];
}

export const USUAL_DIRECTION_B: DirectionB = {
  ...USUAL_SEQUENCING,
  carry: {},
  carryTracks: {},
  leftOutTracks: [],
  arranging: AS_RECEIVED,
  timeLine: [],
};

/** What a ledger says, for both directions. */
export interface JobSettings extends ConversionSettings {
  sequencing: DirectionB;
}

export const NO_JOB_SETTINGS: JobSettings = { ...NO_SETTINGS, sequencing: USUAL_DIRECTION_B };

/** Settings with something else decided about direction B. */
export function withSequencing(change: Partial<DirectionB>, settings = NO_JOB_SETTINGS): JobSettings {
  return { ...settings, sequencing: { ...settings.sequencing, ...change } };
}
