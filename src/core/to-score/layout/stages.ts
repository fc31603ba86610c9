/* The stages that say on which staff, in which voice and how long a note is written. */
import type { CastPart } from '../../casting';
import type { DrumMapChoice, LengthChoice, NoteEdit, SmallestValue } from '../../settings';
import { VALUE_LENGTH } from '../../settings';
import { barIndexAt, type Bar, type MidiKey, type WrittenUnits } from '../../time';
import { stage } from '../../base/stage';
import type { BeatLine } from '../timing/beats';
import type { GridChoice } from '../timing/grid';
import type { Swing } from '../timing/swing';
import { swingsAt } from '../timing/swing-signs';
import { agreeDoubles, type DoublingPart } from './doubled-lines';
import { partDrums, type PartDrums } from './part-drums';
import { keepsLength, writeStaves, type LengthSpan, type StaffNotes } from './staff-notes';

/** Which key of a percussion part is written where. */
export const drums = stage(
  'drums',
  ({
    part,
    grid,
    map,
    keys,
  }: {
    part: CastPart;
    grid: GridChoice;
    map: DrumMapChoice | undefined;
    keys: Readonly<Record<MidiKey, MidiKey>> | undefined;
  }) => partDrums(part, part.instrument.unpitched ? grid.notes : [], map, keys),
);

/** Hands, voices and ends of a part. */
export const staves = stage(
  'staves',
  ({
    part,
    grid,
    line,
    drums: read,
    swing,
    laid,
    voices,
    handSplit,
    closeGaps,
    lengths,
  }: {
    part: CastPart;
    grid: GridChoice;
    line: BeatLine;
    drums: PartDrums;
    swing: Swing;
    laid: readonly Bar[];
    voices: number | undefined;
    handSplit: MidiKey | undefined;
    closeGaps: SmallestValue | undefined;
    lengths: readonly LengthChoice[];
  }) =>
    writeStaves(
      part,
      grid,
      line,
      read.map,
      { voices, handSplit, closeGaps: closeGaps && VALUE_LENGTH[closeGaps], lengths: lengthSpans(lengths, laid) },
      swingsAt(swing, laid),
    ),
);

/** What plays the same is written the same. @param parts their staves and grids are in the same order */
export const doubles = stage(
  'doubles',
  ({
    parts,
    staves: own,
    grids,
    laid,
    lengths,
    models,
    edits,
  }: {
    parts: readonly CastPart[];
    staves: readonly StaffNotes[][];
    grids: readonly GridChoice[];
    laid: readonly Bar[];
    lengths: Readonly<Record<string, readonly LengthChoice[]>>;
    models: Readonly<Record<CastPart['id'], CastPart['id']>>;
    edits: Readonly<Record<string, readonly NoteEdit[]>>;
  }) => {
    const starts = laid.map(({ start }) => start);
    const barAt = (at: WrittenUnits) => barIndexAt(starts, at);
    return agreeDoubles(
      parts.map(({ id, instrument }, p): DoublingPart => {
        const { exact, jitter } = grids[p]!;
        const spans = lengthSpans(lengths[id] ?? [], laid);
        const model = models[id];
        const byHand = barsByHand(grids[p]!, edits[id], laid);
        const free = !instrument.unpitched && model !== id;
        return {
          id,
          staves: own[p]!,
          jitter: exact ? 0 : jitter,
          follows: (at) => free && !keepsLength(spans, at) && !byHand.has(barAt(at)),
          ...(model !== undefined && model !== id && { model }),
        };
      }),
      laid,
    );
  },
);

/** Bars with notes that people changed: those are written as they want them. */
function barsByHand({ notes }: GridChoice, edits: readonly NoteEdit[] | undefined, bars: readonly Bar[]): Set<number> {
  const ids = new Set(edits?.map(({ note }) => note));
  const starts = bars.map(({ start }) => start);
  return new Set(notes.filter(({ id }) => ids.has(id)).map(({ start }) => barIndexAt(starts, start)));
}

function lengthSpans(choices: readonly LengthChoice[], bars: readonly Bar[]): LengthSpan[] {
  const startOf = (bar: number) => bars[bar]?.start ?? Number.MAX_SAFE_INTEGER;
  return choices.map(({ as, bars: span }) => ({
    as,
    from: span ? startOf(span.from) : 0,
    to: span ? startOf(span.to) : Number.MAX_SAFE_INTEGER,
  }));
}
