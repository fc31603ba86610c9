/* The stages that say what is in doubt, and whether the written score answers for every played note. */
import type { NoteId, PartId, TrackId } from '../../base';
import type { Casting, CastPart } from '../../casting';
import type { Performance } from '../../performance';
import type { Part, TempoMark } from '../../score';
import type { ConversionSettings, GridPin, NoteEdit } from '../../settings';
import type { Bar, Seconds, TempoMap } from '../../time';
import { meterDoubts } from './meter-doubts';
import { tempoDoubts } from './tempo-doubts';
import { stage } from '../../base/stage';
import type { BeatLine } from '../timing/beats';
import type { GridChoice } from '../timing/grid';
import type { Swing } from '../timing/swing';
import { auditPart } from './audit';
import { barRepeatQueries } from './copyist-doubts';
import { noteQueries, trackQueries } from './track-doubts';

export const noteDoubts = stage(
  'note doubts',
  ({
    part,
    grid,
    bars,
    line,
    asked,
    casting,
    edits,
  }: {
    part: CastPart;
    grid: GridChoice;
    bars: readonly Bar[];
    line: BeatLine;
    /** What something else is asked about already. */
    asked: readonly NoteId[];
    casting: Casting;
    edits: readonly NoteEdit[];
  }) => {
    const track = casting.tracks.find(({ id }) => id === part.tracks[0]);
    const candidates = track?.recognition.candidates.map(({ instrument }) => instrument) ?? [];
    return noteQueries(part, grid, bars, line, new Set(asked), candidates, new Set(edits.map(({ note }) => note)));
  },
);

export const trackDoubts = stage(
  'track doubts',
  ({ performance, casting }: { performance: Performance; casting: Casting }) => trackQueries(performance, casting),
);

export const barRepeatDoubts = stage(
  'bar repeat doubts',
  ({ part, written, bars }: { part: CastPart; written: Part; bars: readonly Bar[] }) =>
    barRepeatQueries(part, written, bars),
);

/** A written part held against what was played. */
export const audited = stage(
  'audited',
  ({
    part,
    written,
    grid,
    taken,
    confirmed,
    edits,
    pins,
    model,
    bars,
    line,
    swing,
    tempo,
  }: {
    part: CastPart;
    written: Part;
    grid: GridChoice;
    /** Leads taken out of its tracks, in their order. */
    taken: readonly Seconds[];
    /** Leads that somebody has set. */
    confirmed: ConversionSettings['leads'];
    edits: readonly NoteEdit[];
    pins: readonly GridPin[];
    /** The part it was decided to follow. */
    model: PartId | undefined;
    bars: readonly Bar[];
    line: BeatLine;
    swing: Swing;
    tempo: TempoMap;
  }) => {
    const leads = new Map<TrackId, Seconds>(part.tracks.map((track, t) => [track, taken[t]!]));
    return auditPart(
      { part, written, grid, leads, confirmed, edits, pins, follows: model !== undefined },
      { bars, line, swing, tempo, ticksPerQuarter: tempo.ticksPerQuarter },
    );
  },
);

/** Whether the file's bars are the music's. */
export const meters = stage(
  'meter doubts',
  ({ performance, bars }: { performance: Performance; bars: 'own' | 'mended' }) => meterDoubts(performance, bars),
);

/** Whether the tempo bends without a word. */
export const bends = stage('tempo doubts', ({ tempos, bars }: { tempos: readonly TempoMark[]; bars: readonly Bar[] }) =>
  tempoDoubts(tempos, bars),
);
