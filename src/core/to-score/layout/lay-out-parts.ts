import { NO_CHOICES } from '../../settings';
import type { Progress } from '../conversion';
import type { Piece } from '../piece';
import type { Swing } from '../timing/swing';
import type { TimedPart } from '../timing/time-parts';
import { sameWriting, type Doubling } from './doubled-lines';
import type { DurationReport } from './durations';
import type { PartDrums } from './part-drums';
import type { StaffNotes } from './staff-notes';
import * as stages from './stages';

/** A part whose notes have staves, voices and written ends. */
export interface LaidOutPart extends TimedPart {
  drums: PartDrums;
  staves: StaffNotes[];
  report: DurationReport;
}

/** Where each note stands and how long it is: percussion → hands, voices, ends → doubled lines. */
export function* layOutParts(
  { settings, laid, line, memo }: Piece,
  timed: readonly TimedPart[],
  swing: Swing,
): Generator<Progress, { parts: LaidOutPart[]; doublings: Doubling[] }> {
  const own: LaidOutPart[] = [];
  for (const [p, one] of timed.entries()) {
    yield { stage: 'voices', done: 0.4 + (0.3 * p) / timed.length };
    const { part, grid } = one;
    const { id } = part;
    const drums = memo.run(stages.drums, { part, grid, map: settings.drumMaps[id], keys: settings.drumKeys[id] }, id);
    const chosen = {
      voices: settings.voices[id],
      handSplit: settings.handSplits[id],
      closeGaps: settings.closeGaps[id],
      lengths: settings.lengths[id] ?? NO_CHOICES,
    };
    const { output, report } = memo.run(stages.staves, { part, grid, line, drums, swing, laid, ...chosen }, id);
    own.push({ ...one, drums, staves: output, report });
  }
  const doubled = memo.run(stages.doubles, {
    parts: own.map(({ part }) => part),
    staves: own.map(({ staves }) => staves),
    grids: own.map(({ grid }) => grid),
    laid,
    lengths: settings.lengths,
    models: settings.doubles,
    edits: settings.edits,
  });
  const parts = own.map((one, p): LaidOutPart => {
    const agreed = memo.settle(
      `agreed/${one.part.id}`,
      { own: one.staves, staves: doubled.staves[p]! },
      (a, b) => a.own === b.own && sameWriting(a.staves, b.staves),
    );
    return { ...one, staves: agreed.staves };
  });
  return { parts, doublings: doubled.doublings };
}
