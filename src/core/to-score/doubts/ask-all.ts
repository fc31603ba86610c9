import { append, type Memo, type NoteId, type TrackId } from '../../base';
import type { Query } from '../../queries';
import type { Fold, ScoreKey, TempoMark } from '../../score';
import { NO_CHOICES } from '../../settings';
import type { Bar } from '../../time';
import type { Doubling } from '../layout/doubled-lines';
import * as notation from '../notation/stages';
import type { Piece } from '../piece';
import type { BarKey } from '../pitch/keys';
import { isDefaultKey } from '../pitch/signatures';
import type { Lead } from '../timing/leads';
import type { Swing } from '../timing/swing';
import { auditQueries } from './audit';
import type { AuditedPart } from './audit-parts';
import { companyQueries } from './company-doubts';
import { doublingQueries, manySoundsQueries } from './copyist-doubts';
import { earlyEntryQueries } from './early-entries';
import { warningQueries, keyQueries, leadQueries, askedAbout } from './track-doubts';
import { drumQueries, frettingQueries, keyChangeQueries, layeredDrumQueries, repeatQueries } from './page-doubts';
import { rhythmQueries } from './rhythm-doubts';
import * as stages from './stages';
import { unevenRepeatQueries, type CodedPart } from './uneven-repeats';

/** What was decided about the piece as a whole. */
export interface Decided {
  bars: readonly Bar[];
  swing: Swing;
  leads: ReadonlyMap<TrackId, Lead>;
  keys: readonly ScoreKey[];
  barKeys: readonly BarKey[];
  repeats: readonly Fold[];
  doublings: readonly Doubling[];
  tempos: readonly TempoMark[];
}

/**
 * Everything the engine is not sure of.
 *
 * @param casting what is asked about tracks and players already @returns that, and all other queries
 */
export function askAll(
  piece: Piece,
  parts: readonly AuditedPart[],
  decided: Decided,
  casting: readonly Query[],
): Query[] {
  const { settings, line, memo } = piece;
  const { bars, swing, repeats, doublings } = decided;
  const cast = parts.map(({ part }) => part);
  const queries = [...casting];
  append(
    queries,
    parts.flatMap((one) => aboutNotes(piece, one, bars, askedAbout(one.part, casting))),
  );
  append(queries, rhythmQueries(parts, bars, line, swing));
  append(queries, earlyEntryQueries(parts, bars, line, settings.edits));
  append(queries, companyQueries(parts, bars, memo));
  append(queries, aboutPiece(piece, decided));
  append(queries, repeatQueries(repeats, settings.folds, bars));
  append(queries, unevenRepeatQueries(coded(parts, memo), settings.folds, bars));
  append(queries, doublingQueries(doublings, cast, bars));
  append(
    queries,
    parts.flatMap(({ part, written }) =>
      settings.barRepeats[part.id] ? [] : memo.run(stages.barRepeatDoubts, { part, written, bars }, part.id),
    ),
  );
  append(queries, cast.flatMap(manySoundsQueries));
  append(
    queries,
    parts.flatMap(({ audit, part, grid }) => auditQueries(audit, part, grid, bars)),
  );
  append(queries, memo.run(stages.bends, { tempos: decided.tempos, bars }));
  return queries;
}

function coded(parts: readonly AuditedPart[], memo: Memo): CodedPart[] {
  return parts.map(({ part, written }) => ({
    name: part.name,
    codes: memo.run(notation.barCodes, { part: written }, part.id),
  }));
}

/** Single notes of a part. @param asked those that something else is asked about */
function aboutNotes(
  { casting, settings, line, memo }: Piece,
  { part, grid, drums, fretting, tablature }: AuditedPart,
  bars: readonly Bar[],
  asked: readonly NoteId[],
): Query[] {
  return [
    ...memo.run(
      stages.noteDoubts,
      { part, grid, bars, line, asked, casting, edits: settings.edits[part.id] ?? NO_CHOICES },
      part.id,
    ),
    ...(part.instrument.unpitched
      ? [...drumQueries(part, grid, drums, bars), ...layeredDrumQueries(part, grid, drums, bars)]
      : []),
    ...frettingQueries(part, fretting, tablature, bars),
  ];
}

function aboutPiece({ performance, casting, settings, memo }: Piece, { bars, leads, keys, barKeys }: Decided): Query[] {
  const keySet = settings.key !== undefined;
  return [
    ...leadQueries(casting, leads),
    ...memo.run(stages.trackDoubts, { performance, casting }),
    ...keyQueries(keys, barKeys, performance, keySet),
    ...warningQueries(performance),
    ...memo.run(stages.meters, {
      performance,
      bars: settings.freeTime || settings.timeLine.length > 0 ? 'mended' : 'own',
    }),
    ...keyChangeQueries(keys, barKeys, bars, keySet || !isDefaultKey(performance.keys)),
  ];
}
