import type { TrackId } from '../../base';
import type { CastPart } from '../../casting';
import { NO_CHOICES } from '../../settings';
import type { Seconds } from '../../time';
import type { Progress } from '../conversion';
import type { Piece } from '../piece';
import { commonOffset } from './exactness';
import { fitGrids, type GridChoice } from './grid';
import { appliedLead, type Lead } from './leads';
import type { OrnamentReport } from './ornaments';
import * as stages from './stages';
import type { MusicTrack } from './stages';
import type { Swing } from './swing';

/** A part whose notes have written starts. */
export interface TimedPart {
  part: CastPart;
  /** Leads taken out of its tracks, in their order. */
  taken: Seconds[];
  ornaments: OrnamentReport;
  grid: GridChoice;
}

export interface Timing {
  parts: TimedPart[];
  leads: ReadonlyMap<TrackId, Lead>;
  swing: Swing;
}

/** When each note was meant: lead → ornaments → swing → grid → edits. */
export function* timeParts(piece: Piece): Generator<Progress, Timing> {
  const { performance, settings, casting, laid, line, memo } = piece;
  const { tempo } = performance;
  yield { stage: 'lead', done: 0.1 };
  const tracks = memo.run(stages.musicTracks, { performance, casting });
  const exactness = exactnessOf(piece, tracks);
  const exact = exactness.map((one) => one.exact);
  const leads = memo.run(stages.leads, { tracks, exact, line, tempo, pins: settings.leads });
  const meantOf = new Map(tracks.map(({ id }, t) => [id, exactness[t]!.meant]));

  yield { stage: 'grid', done: 0.25 };
  const ornamented = casting.parts.map((part) => {
    const { id, sources } = part;
    const meant = sources.map(({ track }) => meantOf.get(track));
    const led = sources.map(({ track }) => appliedLead(leads.get(track)));
    const notes = memo.run(stages.timed, { part, tempo, taken: led, meant }, id);
    const ornaments = memo.run(stages.ornaments, { part, notes, line, plain: settings.plain[id] }, id);
    return { part, timed: notes, ornaments };
  });
  const swing = memo.steady(
    'swing',
    memo.run(stages.swing, {
      parts: ornamented.map(({ timed }) => timed),
      line,
      bars: laid.length,
      performance,
      casting,
      pin: settings.swing,
    }),
  );
  const even = ornamented.map((one) => ({
    ...one,
    notes: memo.run(stages.evened, { notes: one.ornaments.notes, swing, line }, one.part.id),
  }));
  const grids = fitGrids(
    even.map(({ part, notes }) => ({
      id: part.id,
      notes,
      pins: settings.grids[part.id] ?? NO_CHOICES,
      melodic: !part.instrument.polyphonic,
    })),
    line,
    memo,
  );
  const last = laid.at(-1)!;
  const end = last.start + last.length;
  const parts = even.map(({ part, ornaments }, p): TimedPart => ({
    part,
    taken: part.tracks.map((track) => appliedLead(leads.get(track))),
    ornaments: ornaments.report,
    grid: memo.run(
      stages.edited,
      { grid: grids[p]!, edits: settings.edits[part.id] ?? NO_CHOICES, tempo, end },
      part.id,
    ),
  }));
  return { parts, leads, swing };
}

/** What the file says exactly of each track; a file that stands beside its barlines does so with all of them. */
function exactnessOf({ performance, settings, line, memo }: Piece, tracks: readonly MusicTrack[]) {
  const own = tracks.map((track) =>
    memo.run(stages.exactness, { track, line, pin: settings.leads[track.id], said: performance.meant }, track.id),
  );
  if (performance.meant || Object.keys(settings.leads).length > 0) return own;
  const offset = commonOffset(
    tracks.map(({ notes }) => notes),
    own.map(({ exact }) => exact),
    line,
  );
  if (offset === null) return own;
  return tracks.map((track, t) => {
    if (own[t]!.exact.offset === offset) return own[t]!;
    const together = memo.run(
      stages.exactness,
      { track, line, pin: undefined, said: undefined, offset },
      `${track.id} with the file`,
    );
    return together.exact.share >= own[t]!.exact.share ? together : own[t]!;
  });
}
